import { NumberInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';

interface OptionalNumberProps {
  label: string;
  unit: string;
  /** undefined: not measured */
  value: number | undefined;
  min: number;
  max: number;
  decimals?: number;
  description?: string;
  onSave(value: number | undefined): void;
}

/** A measurement that may be missing: empty means not measured, and that is saved too. */
export function OptionalNumber({
  label,
  unit,
  value,
  min,
  max,
  decimals = 1,
  description,
  onSave,
}: OptionalNumberProps) {
  const [text, setText] = useState<string | number>(value ?? '');
  const focused = useRef(false);
  useEffect(() => {
    if (!focused.current) setText(value ?? '');
  }, [value]);
  const number = Number(text);
  const fits = text === '' || (Number.isFinite(number) && number >= min && number <= max);
  return (
    <NumberInput
      label={label}
      description={description}
      placeholder="not measured"
      value={text}
      min={min}
      max={max}
      clampBehavior="none"
      allowNegative={min < 0}
      decimalScale={decimals}
      allowedDecimalSeparators={['.', ',']}
      suffix={` ${unit}`}
      error={fits ? undefined : `Type a number from ${min} to ${max} ${unit}, or leave it empty`}
      onFocus={() => {
        focused.current = true;
      }}
      onBlur={() => {
        focused.current = false;
      }}
      onChange={(next) => {
        setText(next);
        const typed = Number(next);
        if (next === '') onSave(undefined);
        else if (Number.isFinite(typed) && typed >= min && typed <= max) onSave(typed);
      }}
    />
  );
}

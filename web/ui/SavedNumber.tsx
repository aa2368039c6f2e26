import { NumberInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';

interface SavedNumberProps {
  label: string;
  unit: string;
  value: number;
  min: number;
  max: number;
  step?: number;
  decimals?: number;
  description?: string;
  onSave(value: number): void;
}

/** A number with its unit and limits. Only a value within them is saved; anything else says what to type. */
export function SavedNumber({
  label,
  unit,
  value,
  min,
  max,
  step = 1,
  decimals = 1,
  description,
  onSave,
}: SavedNumberProps) {
  const [text, setText] = useState<string | number>(value);
  const focused = useRef(false);
  useEffect(() => {
    if (!focused.current) setText(value);
  }, [value]);
  const wrong = !accepted(text, min, max);
  return (
    <NumberInput
      label={label}
      description={description}
      value={text}
      step={step}
      min={min}
      max={max}
      clampBehavior="none"
      allowNegative={false}
      decimalScale={decimals}
      allowedDecimalSeparators={['.', ',']}
      suffix={` ${unit}`}
      error={wrong ? `Type a number from ${min} to ${max} ${unit}` : undefined}
      onFocus={() => {
        focused.current = true;
      }}
      onBlur={() => {
        focused.current = false;
      }}
      onChange={(next) => {
        setText(next);
        if (accepted(next, min, max) && Number(next) !== value) onSave(Number(next));
      }}
    />
  );
}

function accepted(text: string | number, min: number, max: number): boolean {
  if (text === '') return false;
  const number = Number(text);
  return Number.isFinite(number) && number >= min && number <= max;
}

import { DecimalInput } from './DecimalInput.tsx';
import { FieldNews } from './FieldNews.tsx';
import { QUANTITY_OF, SavedQuantity } from './SavedQuantity.tsx';
import { useSavedField } from './useSavedField.ts';

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
export function SavedNumber(props: SavedNumberProps) {
  const quantity = QUANTITY_OF[props.unit];
  if (!quantity) return <PlainNumber {...props} />;
  const { onSave } = props;
  return (
    <SavedQuantity {...props} quantity={quantity} onSave={(value) => value !== undefined && onSave(value)} />
  );
}

function PlainNumber({
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
  const field = useSavedField<number, string | number>(value, (stored) => stored);
  const wrong = !accepted(field.text, min, max);
  const change = (next: string | number) => {
    field.type(next);
    if (!accepted(next, min, max) || Number(next) === field.latest()) return;
    field.saving(Number(next));
    onSave(Number(next));
  };
  return (
    <DecimalInput
      label={label}
      description={field.said ? <FieldNews said={field.said} /> : description}
      value={field.text}
      step={step}
      min={min}
      max={max}
      clampBehavior="none"
      allowNegative={false}
      decimalScale={decimals}
      suffix={` ${unit}`}
      error={wrong ? `Type a number from ${min} to ${max} ${unit}` : undefined}
      onFocus={field.onFocus}
      onBlur={field.onBlur}
      onChange={change}
    />
  );
}

function accepted(text: string | number, min: number, max: number): boolean {
  if (text === '') return false;
  const number = Number(text);
  return Number.isFinite(number) && number >= min && number <= max;
}

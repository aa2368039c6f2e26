import { DecimalInput } from './DecimalInput.tsx';
import { FieldNews } from './FieldNews.tsx';
import { QUANTITY_OF, SavedQuantity } from './SavedQuantity.tsx';
import { useSavedField } from './useSavedField.ts';

interface OptionalNumberProps {
  label: string;
  unit: string;
  /** undefined: not measured */
  value: number | undefined;
  min: number;
  max: number;
  decimals?: number;
  description?: string;
  /** what stands in it while it is empty */
  empty?: string;
  onSave(value: number | undefined): void;
}

/** A measurement that may be missing: empty means not measured, and that is saved too. */
export function OptionalNumber(props: OptionalNumberProps) {
  const quantity = QUANTITY_OF[props.unit];
  const { empty = 'not measured' } = props;
  return quantity ? (
    <SavedQuantity {...props} quantity={quantity} empty={empty} />
  ) : (
    <PlainNumber {...props} />
  );
}

function PlainNumber({
  label,
  unit,
  value,
  min,
  max,
  decimals = 1,
  description,
  empty = 'not measured',
  onSave,
}: OptionalNumberProps) {
  const field = useSavedField<number | undefined, string | number>(value, (stored) => stored ?? '');
  const number = Number(field.text);
  const fits = field.text === '' || (Number.isFinite(number) && number >= min && number <= max);
  const change = (next: string | number) => {
    field.type(next);
    const typed = next === '' ? undefined : Number(next);
    if (typed !== undefined && !(Number.isFinite(typed) && typed >= min && typed <= max)) return;
    field.saving(typed);
    onSave(typed);
  };
  return (
    <DecimalInput
      label={label}
      description={field.said ? <FieldNews said={field.said} /> : description}
      placeholder={empty}
      value={field.text}
      min={min}
      max={max}
      clampBehavior="none"
      allowNegative={min < 0}
      decimalScale={decimals}
      suffix={` ${unit}`}
      error={fits ? undefined : `Type a number from ${min} to ${max} ${unit}, or leave it empty`}
      onFocus={field.onFocus}
      onBlur={field.onBlur}
      onChange={change}
    />
  );
}

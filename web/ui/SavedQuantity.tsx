import { fieldText, type Quantity, readQuantity, unitOf } from '../../core/formatting/units.ts';
import { FieldNews } from './FieldNews.tsx';
import { QuantityInput } from './QuantityInput.tsx';
import { useSavedField } from './useSavedField.ts';

/**
 * A length, wire, temperature or distance that saves as it is typed, in whichever unit; only what is within its limits is
 * saved, anything else says what to type. Empty means not measured, where that may be.
 */
export function SavedQuantity({
  quantity,
  label,
  description,
  value,
  min,
  max,
  empty,
  onSave,
}: {
  quantity: Quantity;
  label: string;
  description?: string | undefined;
  /** in the unit it is stored in; undefined: not measured */
  value: number | undefined;
  min: number;
  max: number;
  /** what stands in it while it is empty; left out where it may not be */
  empty?: string;
  onSave(value: number | undefined): void;
}) {
  const shown = (stored: number | undefined) => (stored === undefined ? '' : fieldText(quantity, stored));
  const field = useSavedField<number | undefined, string>(value, shown);
  const typed = field.text.trim();
  const read = typed === '' ? undefined : readQuantity(quantity, typed);
  const isSound = (next: number | null | undefined): next is number | undefined =>
    next === undefined ? empty !== undefined : next !== null && next >= min && next <= max;
  const limits = `from ${fieldText(quantity, min)} to ${fieldText(quantity, max)} ${unitOf(quantity)}`;
  const change = (text: string) => {
    field.type(text);
    const next = text.trim() === '' ? undefined : readQuantity(quantity, text);
    if (!isSound(next) || next === field.latest()) return;
    field.saving(next);
    onSave(next);
  };
  return (
    <QuantityInput
      quantity={quantity}
      label={label}
      description={field.said ? <FieldNews said={field.said} /> : description}
      placeholder={empty}
      value={field.text}
      error={
        isSound(read)
          ? undefined
          : `Type a figure ${limits}${quantity === 'length' ? ', or with its unit: 3/8 in' : ''}${empty === undefined ? '' : '; or leave it empty'}`
      }
      onFocus={field.onFocus}
      onBlur={field.onBlur}
      onText={change}
    />
  );
}

/** The quantity a stored unit is of; undefined where that unit is the same everywhere. */
export const QUANTITY_OF: Readonly<Record<string, Quantity>> = {
  mm: 'length',
  m: 'distance',
  'mm²': 'wire',
  '°C': 'temperature',
  lx: 'light',
};

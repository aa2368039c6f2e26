import { Checkbox, NativeSelect } from '@mantine/core';
import { OptionalNumber } from '../OptionalNumber.tsx';
import { SavedNumber } from '../SavedNumber.tsx';
import { SavedText } from '../SavedText.tsx';
import type { Field } from './field.ts';

/** The longest a line of words may be. */
const LINE = 160;

interface FieldsProps<T> {
  fields: readonly Field<T>[];
  record: T;
  /** what was put in a field, undefined where it was emptied; what is typed is saved as it is typed */
  onSave(key: keyof T & string, value: T[keyof T] | undefined): void;
  /** goes behind each label, and tells the fields of two like records apart for whoever cannot see them */
  suffix?: string;
}

/** The fields of a form by their description, each saved by itself. */
export function Fields<T extends object>({ fields, record, onSave, suffix = '' }: FieldsProps<T>) {
  return fields.map((field) => (
    <OneField key={field.key} field={field} record={record} onSave={onSave} suffix={suffix} />
  ));
}

function OneField<T extends object>({
  field,
  record,
  onSave,
  suffix,
}: { field: Field<T> } & Omit<FieldsProps<T>, 'fields'>) {
  const { key } = field;
  // What a field's kind is, its description says of its key: the value there is of that kind.
  const value = record[key] as unknown;
  const save = (next: unknown) => onSave(key, next as T[keyof T] | undefined);
  const shared = { label: `${field.label}${suffix}`, description: field.description };
  switch (field.of) {
    case 'words':
      return (
        <SavedText
          {...shared}
          value={(value as string | undefined) ?? ''}
          placeholder={field.placeholder}
          maxLength={LINE}
          onSave={(words) => save(field.optional && words === '' ? undefined : words)}
        />
      );
    case 'number': {
      const { unit, min, max, decimals = 1 } = field;
      const limits = { ...shared, unit, min, max, decimals };
      return field.optional ? (
        <OptionalNumber {...limits} value={value as number | undefined} onSave={save} />
      ) : (
        <SavedNumber {...limits} value={value as number} onSave={save} />
      );
    }
    case 'choice': {
      const { options, open } = field;
      return (
        <NativeSelect
          {...shared}
          value={(value as string | undefined) ?? ''}
          data={[...(open === undefined ? [] : [{ value: '', label: open }]), ...options]}
          onChange={(event) => {
            const chosen = options.find((each) => each.value === event.currentTarget.value);
            if (chosen || open !== undefined) save(chosen?.value);
          }}
        />
      );
    }
    case 'tick':
      return (
        <Checkbox
          {...shared}
          checked={value === true}
          onChange={(event) => save(event.currentTarget.checked || undefined)}
        />
      );
  }
}

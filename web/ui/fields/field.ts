/** Keys of a record under which something of a kind stands, or may. */
type KeysOf<T, V> = { [K in keyof T]-?: Exclude<T[K], undefined> extends V ? K : never }[keyof T] & string;

interface Named<K> {
  key: K;
  label: string;
  description?: string;
}

/**
 * One field of a form: under which key of its record it stands, what it is called, and what may be put there. A field
 * whose key may be missing is optional: empty is an answer, and takes the key away.
 */
export type Field<T> =
  | (Named<KeysOf<T, string>> & { of: 'words'; placeholder?: string; optional?: true })
  | (Named<KeysOf<T, number>> & {
      of: 'number';
      unit: string;
      min: number;
      max: number;
      decimals?: number;
      optional?: true;
    })
  | (Named<KeysOf<T, string>> & {
      of: 'choice';
      options: readonly { value: string; label: string }[];
      /** what it is called while nobody has said */
      open?: string;
    })
  | (Named<KeysOf<T, boolean>> & { of: 'tick' });

/** Options that are called what they are. */
export const plainOptions = (values: readonly string[]) => values.map((value) => ({ value, label: value }));

/** Options with their names. */
export const namedOptions = <V extends string>(names: Readonly<Record<V, string>>) =>
  (Object.entries(names) as [V, string][]).map(([value, label]) => ({ value, label }));

/** Puts a value where it belongs in a draft; nothing takes its key away. */
export function putField<T extends object>(record: T, key: keyof T, value: T[keyof T] | undefined): void {
  if (value === undefined) delete record[key];
  else record[key] = value;
}

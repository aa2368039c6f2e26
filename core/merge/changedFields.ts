import { isList, itemsByKey, type Json, nameAt, same, shapeOf, within } from './leaves.ts';

/** A field that is not what it was. */
export interface ChangedField {
  /** the field, or the order of a list's items where it ends in `#`; what came or went is there once, not field by field */
  path: string;
  /** left out: it was not there */
  before?: Json | undefined;
  /** left out: it is gone */
  after?: Json | undefined;
}

/** What of a document is not as it was, field by field as a merge takes it apart. */
export function changedFields(before: Json | undefined, after: Json | undefined, path = ''): ChangedField[] {
  if (same(before, after)) return [];
  const whole = [{ path, before, after }];
  if (before === undefined || after === undefined) return whole;
  const name = nameAt(path);
  const shape = shapeOf(before, name);
  if (shape === 'whole' || shape !== shapeOf(after, name)) return whole;
  const [was, is] = [partsOf(before, name), partsOf(after, name)];
  const found = [...new Set([...was.keys(), ...is.keys()])].flatMap((key) =>
    changedFields(was.get(key), is.get(key), within(path, key)),
  );
  if (shape === 'object') return found;
  // Of what stayed: what came or went has moved nothing.
  const order = [...was.keys()].filter((key) => is.has(key));
  const orderNow = [...is.keys()].filter((key) => was.has(key));
  return same(order, orderNow)
    ? found
    : [...found, { path: within(path, '#'), before: order, after: orderNow }];
}

function partsOf(value: Json, name: string): ReadonlyMap<string, Json> {
  return isList(value) ? itemsByKey(value, name) : new Map(Object.entries(value as object));
}

import equal from 'fast-deep-equal';

/**
 * A document as fields: objects by their keys, lists by the ids of their items with their order as a field of its own, and
 * everything else whole. What is whole is what makes no sense mixed: an object that says of what kind it is, and a list whose
 * items have no name.
 */
export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json };
export type JsonObject = { readonly [key: string]: Json };

/** Lists of words of which only matters what is in them. */
const SETS = new Set(['ticks', 'lampIds', 'worked', 'checked', 'skipped', 'mounts', 'settings']);
/** Lists whose items are known by the part they are, or by what they do and where. */
const BY_PART = new Set(['kits', 'wrongParts']);
const BY_PLACE = new Set(['vehicleCures']);
/** Fields by which an object says of what kind it is. */
const KINDS = ['kind', 'by', 'does'];

export type Shape = 'whole' | 'object' | 'list';

/**
 * How a value is taken apart.
 *
 * @param name of the field it is in
 */
export function shapeOf(value: Json, name: string): Shape {
  if (typeof value !== 'object' || value === null) return 'whole';
  if (isList(value)) {
    const keys = value.map((item) => keyOf(item, name));
    const named = keys.every((key) => key !== undefined) && new Set(keys).size === keys.length;
    return named ? 'list' : 'whole';
  }
  return 'id' in value || !KINDS.some((kind) => typeof value[kind] === 'string') ? 'object' : 'whole';
}

/** Whether a value is a list. */
export function isList(value: Json | undefined): value is readonly Json[] {
  return Array.isArray(value);
}

/** What an item of a list is known by, wherever it stands; undefined where nothing tells it from another. */
export function keyOf(item: Json, listName: string): string | undefined {
  if (typeof item === 'string') return SETS.has(listName) ? item : undefined;
  if (typeof item !== 'object' || item === null || isList(item)) return undefined;
  if (typeof item.id === 'string') return item.id;
  if (BY_PLACE.has(listName)) return `${item.kind} ${item.circuitId ?? item.lampId ?? ''}`.trim();
  return BY_PART.has(listName) && typeof item.partId === 'string' ? item.partId : undefined;
}

/** The items of a list taken apart, by what each is known by. */
export function itemsByKey(items: readonly Json[], listName: string): ReadonlyMap<string, Json> {
  return new Map(items.map((item) => [keyOf(item, listName) as string, item]));
}

/** The path of something within something: an item of a list by its key. */
export function within(path: string, key: string): string {
  const end = key.replaceAll('~', '~0').replaceAll('/', '~1');
  return path === '' ? end : `${path}/${end}`;
}

/** The steps of a path. */
export function stepsOf(path: string): string[] {
  return path.split('/').map((each) => each.replaceAll('~1', '/').replaceAll('~0', '~'));
}

/** The field a path ends in. */
export function nameAt(path: string): string {
  return path.slice(path.lastIndexOf('/') + 1);
}

/** Every field of a document, by its path. An object stands there as `{}`, a list as the keys of its items in their order. */
export function fieldsOf(
  value: Json,
  path = '',
  into: Map<string, Json> = new Map(),
): ReadonlyMap<string, Json> {
  const shape = shapeOf(value, nameAt(path));
  if (shape === 'whole') into.set(path, value);
  else if (shape === 'list') {
    const items = itemsByKey(value as readonly Json[], nameAt(path));
    into.set(path, [...items.keys()]);
    for (const [key, item] of items) fieldsOf(item, within(path, key), into);
  } else {
    into.set(path, {});
    for (const [key, each] of Object.entries(value as JsonObject))
      if (each !== undefined) fieldsOf(each, within(path, key), into);
  }
  return into;
}

/** Whether two values say the same, in whatever order their keys stand. */
export const same = equal as (a: Json | undefined, b: Json | undefined) => boolean;

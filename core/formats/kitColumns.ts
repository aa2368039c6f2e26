/** The columns of a kit sheet's table that are no questions, in their order; questions stand after the fourth. */
export const FIXED_COLUMNS = [
  'row',
  'name',
  'count',
  'data',
  'parts',
  'plugs',
  'capped',
  'links',
  'modules',
] as const;
export type FixedColumn = (typeof FIXED_COLUMNS)[number];

/** What a trial may show; apart from the schema, so that a button does not load what checks files. */
export const TRIAL_RESULTS = ['normal', 'fast', 'slow', 'message', 'dark', 'glows'] as const;

/** The same of lamps that do not flash. */
export const STEADY_RESULTS = [
  'normal',
  'message',
  'dark',
  'glows',
] as const satisfies readonly (typeof TRIAL_RESULTS)[number][];

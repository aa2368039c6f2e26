/** What a trial may show; apart from the schema, so that a button does not load what checks files. */
export const TRIAL_RESULTS = ['normal', 'fast', 'slow', 'message', 'dark', 'glows'] as const;

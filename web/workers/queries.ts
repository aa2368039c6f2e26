import { QueryCache, QueryClient } from '@tanstack/react-query';
import { lookAtRows } from './lookAtRows.ts';

/** Whether the rows were looked at for a computation that failed: once a visit is enough. */
let looked = false;

// Results come from the worker, not from a network: they never go stale by themselves.
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: false, networkMode: 'always' } },
  queryCache: new QueryCache({
    onError: () => {
      if (looked) return;
      looked = true;
      // What cannot be worked out may hang on a record that cannot be read; set aside, the rest is worked out again.
      lookAtRows(true);
    },
  }),
});

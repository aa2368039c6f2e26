import { QueryClient } from '@tanstack/react-query';

// Results come from the worker, not from a network: they never go stale by themselves.
export const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: false, networkMode: 'always' } },
});

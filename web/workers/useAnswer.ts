import type { UseQueryResult } from '@tanstack/react-query';
import { useMemo } from 'react';

/** What a screen reads of a query. */
export type Answer<T> = Pick<UseQueryResult<T>, 'data' | 'error' | 'isFetching' | 'isPlaceholderData'>;

/**
 * A query's answer as one thing that is another only when something in it is: the library's own is a new one at each
 * reading, and what waits for a change of it would be drawn twice.
 */
export function useAnswer<T>({ data, error, isFetching, isPlaceholderData }: UseQueryResult<T>): Answer<T> {
  return useMemo(
    () => ({ data, error, isFetching, isPlaceholderData }),
    [data, error, isFetching, isPlaceholderData],
  );
}

import { liveQuery } from 'dexie';
import { useCallback, useEffect, useRef } from 'react';
import { nextBatch, type PartStock } from '../../core/inventory/stock.ts';
import { readStock } from './stock.ts';

/** The order or batch the next piece of a part is of, as the shelf knows it by now; nothing is drawn anew for it. */
export function useBatches(): (partId: string) => string | undefined {
  const stock = useRef<ReadonlyMap<string, PartStock>>(new Map());
  useEffect(() => {
    // Where it cannot be read a piece is fitted all the same, of no batch.
    const reading = liveQuery(() => readStock()).subscribe({
      next: (read) => {
        stock.current = read.stock;
      },
      error: () => {},
    });
    return () => reading.unsubscribe();
  }, []);
  return useCallback((partId) => {
    const there = stock.current.get(partId);
    return there && nextBatch(there);
  }, []);
}

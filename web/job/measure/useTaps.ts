import { useCallback, useMemo, useState } from 'react';
import type { FlashReading } from '../../../core/flashmeter/reading.ts';
import { readTaps } from '../../../core/flashmeter/taps.ts';
import { useKeys } from '../../ui/useKeys.ts';

/** A pause this long begins a new count, s. */
const NEW_COUNT_AFTER = 5;

export interface TapMeterState {
  taps: number;
  reading: FlashReading;
  tap(): void;
  clear(): void;
}

/** Collects taps, by button or by M, and reads the rate from them. */
export function useTaps(): TapMeterState {
  const [moments, setMoments] = useState<readonly number[]>([]);
  const tap = useCallback(() => {
    const now = performance.now() / 1000;
    setMoments((before) => (now - (before.at(-1) ?? now) > NEW_COUNT_AFTER ? [now] : [...before, now]));
  }, []);
  const clear = useCallback(() => setMoments([]), []);
  useKeys([['M', tap]]);
  const reading = useMemo(() => readTaps(moments), [moments]);
  return { taps: moments.length, reading, tap, clear };
}

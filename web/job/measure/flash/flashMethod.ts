import type { Recording } from '../../../../core/flashmeter/readFlash.ts';
import type { FlashReading } from '../../../../core/flashmeter/reading.ts';
import type { Method } from '../../../../core/model/evidence.ts';

/** How a flash is measured on screen. */
export const FLASH_WAYS = { tap: 'Tap', listen: 'Listen', camera: 'Camera', file: 'File' } as const;
export type FlashWay = keyof typeof FLASH_WAYS;

/** A reading with how it was taken, as it goes on record. */
export interface TakenReading {
  reading: FlashReading;
  method: Extract<Method, 'tapped' | 'heard' | 'filmed' | 'logged'>;
  /** one look settled which of several it is */
  looked: boolean;
}

/** How a recording of some kind goes on record. */
export function methodOf(kind: Recording['kind'], way: FlashWay, table: boolean): TakenReading['method'] {
  if (kind === 'taps') return 'tapped';
  if (kind === 'sound') return 'heard';
  return way === 'file' && table ? 'logged' : 'filmed';
}

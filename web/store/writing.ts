import type { Writing } from '../../core/inventory/jobPieces.ts';
import { keptValues } from './kept.ts';
import { shelfId } from './shelfId.ts';

/** Movements of pieces, written down now by whoever works here. */
export function writing(): Writing {
  const by = worker();
  return {
    shelf: shelfId(),
    at: new Date().toISOString(),
    id: () => `moved-${crypto.randomUUID()}`,
    ...(by ? { by } : {}),
  };
}

/** Who works here, as Settings has it; empty where nobody said. */
export function worker(): string {
  try {
    const kept: unknown = JSON.parse(keptValues.text('seen-by') ?? '""');
    return typeof kept === 'string' ? kept.slice(0, 160) : '';
  } catch {
    return '';
  }
}

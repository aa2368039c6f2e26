import type { Writing } from '../../core/inventory/jobPieces.ts';

/** Movements of pieces, written down now. */
export function writing(): Writing {
  return { at: new Date().toISOString(), id: () => `moved-${crypto.randomUUID()}` };
}

import type { Writing } from '../../core/inventory/jobPieces.ts';
import { shelfId } from './shelfId.ts';

/** Movements of pieces, written down now. */
export function writing(): Writing {
  return { shelf: shelfId(), at: new Date().toISOString(), id: () => `moved-${crypto.randomUUID()}` };
}

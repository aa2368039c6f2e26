import type { FlasherRelayCure } from '../cures.ts';
import type { CureKind } from './cureKind.ts';

/** A relay of the shelf in the old one's socket: it flashes by its own clock and watches nothing. */
export const flasherRelay: CureKind<FlasherRelayCure> = {
  stepId: 'cure-flasher',
  at: () => ({ on: 'turn' }),
  parts: (cure) => [{ holder: cure, kinds: ['flasher'], what: 'Flasher relay' }],
  // A controller's flasher is inside it.
  isFor: (flasher) => flasher !== 'controller',
  flasher: ({ position }, stock, part) => {
    if (part?.kind !== 'flasher') return stock;
    const { slowestRate, fastestRate, onFraction, minAmps, ratedAmps, contactOhms, needsEarth } = part;
    return {
      id: stock.id,
      kind: 'non-watching-relay',
      name: part.name,
      fuseId: stock.fuseId,
      terminals: part.terminals,
      slowestRate,
      fastestRate,
      onFraction,
      minAmps,
      ratedAmps,
      contactOhms,
      needsEarth,
      ...(part.adjuster ? { adjuster: part.adjuster } : {}),
      position,
    };
  },
  work: {
    minutes: [5, 20],
    each: false,
    joints: 0,
    opens: 'where the relay is',
    needs: 'a relay of its own to change',
  },
};

import type { TrialResult } from '../model/evidence.ts';
import type { Flasher, FlasherKind } from '../model/vehicle/flasher.ts';

/** Flashes a minute of a flasher that misses nothing. */
export function normalRate(flasher: Flasher): number {
  if (flasher.kind !== 'non-watching-relay') return flasher.normalRate;
  const { slowestRate, fastestRate, position, adjuster } = flasher;
  if (position === 0 && adjuster?.turnedOff === 'still-fast') return STILL_FAST;
  return slowestRate + position * (fastestRate - slowestRate);
}

/** Flashes a minute of a flasher that has too little load; 0 where it then stays on or never starts. */
export function underloadedRate(flasher: Flasher): number {
  switch (flasher.kind) {
    case 'watching-relay':
      return flasher.normalRate * flasher.fastMultiplier;
    case 'controller':
      return flasher.outputs.some((output) => output.watch?.reaction === 'double-rate')
        ? flasher.normalRate * flasher.fastMultiplier
        : flasher.normalRate;
    case 'thermal':
      return flasher.underloaded === 'fast' ? flasher.normalRate * THERMAL_FAST : 0;
    case 'non-watching-relay':
      return 0;
  }
}

/** How a flasher flashes that has too little load: a bimetal slows or stays on, what counts speeds up, the rest never starts. */
export function underloadedPace(flasher: Flasher): 'fast' | 'slow' | 'none' {
  if (flasher.kind === 'non-watching-relay') return 'none';
  return flasher.kind === 'thermal' && underloadedRate(flasher) === 0 ? 'slow' : 'fast';
}

/** What a kind of flasher does with too little load. */
interface Underloaded {
  /** everything somebody may see, whatever the make */
  shows: readonly TrialResult[];
  /** what most do: `slow or stays on` */
  usually: string;
  /** the same as something to expect: `a slow flash` */
  expect: string;
}

/** What flashers do with too little load, by kind (common practice: makers differ). */
export const UNDERLOADED: Record<FlasherKind, Underloaded> = {
  'watching-relay': { shows: ['fast'], usually: 'fast', expect: 'a fast flash' },
  // Most flash fast, some only tell, some do both or switch the output off.
  controller: { shows: ['fast', 'message', 'dark'], usually: 'message or fast', expect: 'a bulb message' },
  thermal: { shows: ['slow', 'fast', 'dark'], usually: 'slow or stays on', expect: 'a slow flash' },
  'non-watching-relay': { shows: ['dark'], usually: 'does not start', expect: 'no flash' },
};

/** An adjustable relay whose screw is turned right off, of a make that then still flashes fast, a minute (common practice: about double). */
const STILL_FAST = 176;

/** A thermal flasher of a make that runs fast when under-loaded: how many times (common practice). */
export const THERMAL_FAST = 2;

/**
 * What it may carry, A. Null for a controller, whose outputs have limits of their own, and for a bimetal, whose
 * rating is the load it is made for.
 */
export function ratedAmps(flasher: Flasher): number | null {
  return flasher.kind === 'controller' || flasher.kind === 'thermal' ? null : flasher.ratedAmps;
}

/** How a flasher is spoken of, and what it does when a lamp is missing. */
export function flasherWords(flasher: Flasher): { short: string; whatItDoes: string; missing: string } {
  switch (flasher.kind) {
    case 'watching-relay':
      return {
        short: 'the relay',
        whatItDoes: 'watches current',
        missing: 'it reads a missing bulb and flashes fast',
      };
    case 'controller':
      return {
        short: 'the controller',
        whatItDoes: 'watches each output',
        missing: 'it reads a missing bulb, flashes fast and says so on the dash',
      };
    case 'thermal':
      return {
        short: 'the thermal flasher',
        whatItDoes: 'is heated by the lamps’ current',
        missing:
          flasher.underloaded === 'fast'
            ? 'it flashes fast'
            : 'it warms too slowly, flashes slow or stays on',
      };
    case 'non-watching-relay':
      return {
        short: 'the relay',
        whatItDoes: 'does not watch',
        missing: 'it does not start',
      };
  }
}

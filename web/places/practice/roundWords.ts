import type { Fault } from '../../../core/faults/kinds.ts';
import { capital, inARow, ohms, volts } from '../../../core/formatting/format.ts';
import type { RoundStep } from '../../../core/practice/round.ts';
import type { Controls } from '../../../core/simulation/controls.ts';
import type { RoundBegun } from '../../workers/practice.worker.ts';

const KEYS = { off: 'key off', on: 'key on', running: 'engine running' } as const;
const SWITCHES: Partial<Record<keyof Controls, string>> = {
  hazard: 'hazard',
  lights: 'lights',
  brake: 'brake',
  reverse: 'reverse',
  fog: 'fog lamps',
  mainBeam: 'main beam',
  doors: 'a door open',
  lids: 'lids open',
  lampSwitches: 'inside switches',
  work: 'work lamps',
  beacon: 'beacon',
};

/** The panel in words: `key on, left, lights`. */
export function panelWords(controls: Controls): string {
  const on = Object.entries(SWITCHES).flatMap(([name, words]) =>
    controls[name as keyof Controls] === true ? [words] : [],
  );
  return inARow([KEYS[controls.key], ...(controls.turn ? [`${controls.turn} turn`] : []), ...on]);
}

/** One check and what it told. */
export function stepWords(
  step: RoundStep,
  { spots, places }: RoundBegun,
  nameOf: (fault: Fault) => string,
): string {
  switch (step.kind) {
    case 'panel':
      return `Looked round with ${panelWords(step.controls)}.`;
    case 'meter': {
      const spot = spots.find(({ id }) => id === step.spotId);
      const where = spot ? `${spot.group}, ${spot.name}` : step.spotId;
      if (step.value === null) return `${where}: no figure, the wire is live.`;
      const figure =
        step.quantity === 'volts'
          ? volts(step.value)
          : Number.isFinite(step.value)
            ? ohms(step.value)
            : 'open';
      return `${where}: ${figure}.`;
    }
    case 'place': {
      const place = places.find(({ id }) => id === step.placeId);
      const name = capital(place?.name ?? step.placeId);
      return step.found
        ? `${name}: found and put right: ${nameOf(step.found.fault)}.`
        : `${name}: nothing wrong there.`;
    }
  }
}

import { inARow, ohms, watts } from '../../../formatting/format.ts';
import type { LoadResistorCure } from '../../../model/cures.ts';
import type { Job } from '../../../model/job.ts';
import { turnCircuits } from '../../../model/vehicle/lookUp.ts';
import { mirrorCure } from '../../loadResistor/mirrorCure.ts';
import type { BestResistors } from '../../loadResistor/plan.ts';
import type { ResistorChoice } from '../../loadResistor/search.ts';
import { type CureOption, option, refused, supposing } from '../option.ts';
import type { End } from './ends.ts';

const NAME = 'Load resistors';

/**
 * The best set of tapped resistors, on both sides alike.
 *
 * @param end where all of it stands, to be said in its name
 */
export function resistorOptions(job: Job, best: BestResistors, end?: End): CureOption[] {
  const { choice, none } = best;
  if (choice) return [resistorOption(job, best, choice, end)];
  return none ? [refused('resistors', ['load-resistor'], NAME, none)] : [];
}

function resistorOption(
  job: Job,
  { circuitId }: BestResistors,
  choice: ResistorChoice,
  end?: End,
): CureOption {
  const cures: Record<string, LoadResistorCure> = {};
  for (const circuit of turnCircuits(job.vehicle)) {
    const cure = circuit.id === circuitId ? choice.cure : mirrorCure(job.vehicle, choice.cure, circuit);
    if (cure) cures[circuit.id] = cure;
  }
  const pieces = choice.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`);
  const each = new Set(pieces).size === 1 ? `${pieces.length} × ${pieces[0]}` : pieces.join(' and ');
  const at = Object.values(cures).flatMap((cure) => cure.networks.map((network) => network.lampId));
  const made = option(
    end ? `resistors-${end}` : 'resistors',
    ['load-resistor'],
    `${NAME}, ${each} a side${end ? `, at the ${end}` : ''}`,
    { cures },
  );
  return supposing(made, metalSupposed(job, at));
}

/** What is supposed of resistors at places where nobody has looked for metal. */
export function metalSupposed({ vehicle }: Job, lampIds: readonly string[]): string[] {
  const names = vehicle.lamps
    .filter((lamp) => lampIds.includes(lamp.id) && lamp.resistorMount === 'unknown')
    .map((lamp) => lamp.name.toLowerCase());
  return names.length > 0
    ? [`there is bare metal within reach of ${inARow(names)}, where nobody has looked`]
    : [];
}

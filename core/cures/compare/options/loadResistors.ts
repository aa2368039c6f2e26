import { inARow, ohms, watts } from '../../../formatting/format.ts';
import type { LoadResistorCure } from '../../../model/cures.ts';
import type { Job } from '../../../model/job.ts';
import { circuitById, lampIdsOf, turnCircuits } from '../../../model/vehicle/lookUp.ts';
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
export function resistorOptions(job: Job, best: readonly BestResistors[], end?: End): CureOption[] {
  // An output that has enough asks for none.
  const asking = best.filter(({ interval }) => Number.isFinite(interval.maxOhms));
  const lacking = asking.find(({ choice }) => choice === null) ?? (asking.length === 0 ? best[0] : undefined);
  if (lacking) {
    const { none, circuitId } = lacking;
    const where = best.length > 1 && asking.length > 0 ? `${circuitById(job.vehicle, circuitId).name}: ` : '';
    return none ? [refused('resistors', ['load-resistor'], NAME, `${where}${none}`)] : [];
  }
  const sized = asking.flatMap(({ choice }) => (choice ? [choice] : []));
  return sized.length > 0 ? [resistorOption(job, sized, end)] : [];
}

function resistorOption(job: Job, choices: readonly ResistorChoice[], end?: End): CureOption {
  const cures: Record<string, LoadResistorCure> = {};
  for (const circuit of turnCircuits(job.vehicle)) {
    const fits = (cure: LoadResistorCure) =>
      cure.networks.every(({ lampId }) => lampIdsOf(circuit).includes(lampId));
    for (const { cure } of choices) {
      const mine = fits(cure) ? cure : mirrorCure(job.vehicle, cure, circuit);
      if (mine) cures[circuit.id] = mine;
    }
  }
  const pieces = choices
    .flatMap((choice) => choice.pieces)
    .map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`);
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

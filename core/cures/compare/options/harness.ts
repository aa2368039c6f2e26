import { inARow, ohms } from '../../../formatting/format.ts';
import type { LoadResistorCure, ResistorNetwork } from '../../../model/cures.ts';
import type { Job } from '../../../model/job.ts';
import type { HarnessPart, Shelf } from '../../../model/part.ts';
import type { Lamp } from '../../../model/vehicle/lamp.ts';
import { circuitById, circuitsFeeding, lampIdsOf, turnCircuits } from '../../../model/vehicle/lookUp.ts';
import { lampAcross } from '../../../vehicle/across.ts';
import type { BestResistors } from '../../loadResistor/plan.ts';
import { type CureOption, option, refused, supposing } from '../option.ts';
import { convertedMains } from './ends.ts';
import { metalSupposed } from './loadResistors.ts';

const NAME = 'Plug-in resistor harnesses';

/** A harness in every lamp that takes one: the highest ohms that still hold, since those warm least. */
export function harnessOptions(job: Job, shelf: Shelf, best: readonly BestResistors[]): CureOption[] {
  const parts = shelf.filter((part): part is HarnessPart => part.kind === 'harness');
  // An output that has enough asks for none.
  const asking = best.filter(({ interval }) => Number.isFinite(interval.maxOhms));
  const sizedFor = (lamp: Lamp) => {
    const ids = [lamp.id, lampAcross(job.vehicle, lamp)?.id];
    return asking.find(({ circuitId }) =>
      lampIdsOf(circuitById(job.vehicle, circuitId)).some((id) => ids.includes(id)),
    );
  };
  const mains = convertedMains(job, shelf).filter((lamp) => sizedFor(lamp) !== undefined);
  if (parts.length === 0 || mains.length === 0) return [];
  const obstacles = new Map(mains.map((lamp) => [lamp, obstacleFor(lamp, parts)]));
  const taking = mains.filter((lamp) => obstacles.get(lamp) === null);
  if (taking.length === 0) return [refused('harness', ['harness'], NAME, whyNone(obstacles))];
  const chosen = new Map(asking.map((each) => [each, bestParts(job, taking, parts, each)]));
  const partFor = (lamp: Lamp) => {
    const mine = sizedFor(lamp);
    // Only lamps something was sized for are among those that take one.
    return (mine && chosen.get(mine)?.(lamp)) as HarnessPart;
  };
  const cures: Record<string, LoadResistorCure> = {};
  for (const circuit of turnCircuits(job.vehicle)) {
    const networks = taking
      .filter((lamp) => lampIdsOf(circuit).includes(lamp.id))
      .flatMap((lamp) => networksFor(job, lamp, partFor(lamp)));
    if (networks.length > 0) cures[circuit.id] = { kind: 'load-resistor', networks };
  }
  const codes = [...new Set(taking.map((lamp) => partFor(lamp).code))];
  const where =
    taking.length < mains.length
      ? `, at ${inARow([...new Set(taking.map((lamp) => `the ${lamp.end}`))])} only`
      : '';
  const made = option('harness', ['harness'], `${NAME}, ${inARow(codes)}${where}`, { cures });
  return [
    supposing(
      made,
      metalSupposed(
        job,
        taking.map((lamp) => lamp.id),
      ),
    ),
  ];
}

type Obstacle = 'metal' | 'ck' | 'part';

const OBSTACLES: Record<Obstacle, (names: string) => string> = {
  metal: (names) => `There is no metal within reach for a harness’s resistor at ${names}.`,
  ck: (names) => `Plug-in harnesses are made for standard wiring, and CK is the wiring of ${names}.`,
  part: (names) => `No harness on the shelf plugs into ${names}.`,
};

/** Why no harness goes into a lamp; null where one does. */
function obstacleFor(lamp: Lamp, parts: readonly HarnessPart[]): Obstacle | null {
  if (lamp.resistorMount === 'none') return 'metal';
  if (lamp.socketWiring === 'ck') return 'ck';
  return parts.some((part) => part.bases.includes(lamp.base)) ? null : 'part';
}

function whyNone(obstacles: ReadonlyMap<Lamp, Obstacle | null>): string {
  return (Object.keys(OBSTACLES) as Obstacle[])
    .flatMap((obstacle) => {
      const names = [...obstacles]
        .filter(([, each]) => each === obstacle)
        .map(([lamp]) => `${lamp.name.toLowerCase()} (${lamp.base})`);
      return names.length > 0 ? [OBSTACLES[obstacle](inARow(names))] : [];
    })
    .join(' ');
}

/**
 * One value for all lamps of a side: of those that hold the highest, else the lowest there is, so that what it lacks
 * is shown.
 */
function bestParts(
  job: Job,
  lamps: readonly Lamp[],
  parts: readonly HarnessPart[],
  { interval, circuitId }: BestResistors,
): (lamp: Lamp) => HarnessPart {
  const circuit = turnCircuits(job.vehicle).find((each) => each.id === circuitId);
  const side = lamps.filter((lamp) => circuit && lampIdsOf(circuit).includes(lamp.id));
  const of = (lamp: Lamp) =>
    parts.filter((part) => part.bases.includes(lamp.base)).toSorted((a, b) => b.ohms - a.ohms);
  const atMost = (lamp: Lamp, most: number) =>
    of(lamp).find((part) => part.ohms <= most) ?? (of(lamp).at(-1) as HarnessPart);
  const values = [...new Set(parts.map((part) => part.ohms))].toSorted((a, b) => b - a);
  const holds = values.find((most) => {
    const chosen = side.map((lamp) => atMost(lamp, most));
    const together = 1 / chosen.reduce((sum, part) => sum + 1 / part.ohms, 0);
    const tolerance = Math.max(...chosen.map((part) => part.tolerance));
    return together * (1 + tolerance) <= interval.maxOhms;
  });
  return (lamp) => atMost(lamp, holds ?? 0);
}

/** Across the bright feed; and of a harness that loads both, across the dim one where the lamp has it. */
function networksFor(job: Job, lamp: Lamp, part: HarnessPart): ResistorNetwork[] {
  const piece = (value: number) => ({
    partId: part.id,
    ohms: value,
    watts: part.watts,
    tolerance: part.tolerance,
  });
  const bright: ResistorNetwork = {
    lampId: lamp.id,
    plugged: true,
    connection: 'parallel',
    pieces: [piece(part.ohms)],
  };
  if (!part.dimOhms || circuitsFeeding(job.vehicle, lamp.id, 'dim').length === 0) return [bright];
  return [bright, { ...bright, input: 'dim', pieces: [piece(part.dimOhms)] }];
}

/** What a harness loads beside the turn feed, in words: it heats there whenever that is on. */
export function loadsDimFeed(job: Job, cures: Job['cures']): string[] {
  return Object.values(cures)
    .flatMap((cure) => cure?.networks ?? [])
    .filter((network) => network.plugged && network.input === 'dim')
    .map((network) => {
      const name = job.vehicle.lamps.find((lamp) => lamp.id === network.lampId)?.name.toLowerCase();
      return `The harness at ${name} loads its tail feed too, with ${ohms(network.pieces[0]?.ohms ?? 0)} that nothing asked for: it heats for as long as the lights are on.`;
    });
}

import { E12, STANDARD_WATTS } from '../../../catalogue/eSeries.ts';
import { ohms, watts } from '../../../formatting/format.ts';
import { hotterAt } from '../../../heat/measured.ts';
import { condemnedIn, hottestResistor } from '../../../heat/mounts.ts';
import type { JobAnalysis } from '../../../judge/analysis.ts';
import { Judge } from '../../../judge/judge.ts';
import { watchedBy } from '../../../judge/watchedBy.ts';
import { chargingVolts } from '../../../judge/workingPoints.ts';
import type { LoadResistorCure, ResistorPiece } from '../../../model/cures.ts';
import type { Job } from '../../../model/job.ts';
import type { Circuit } from '../../../model/vehicle/circuit.ts';
import { lampById } from '../../../model/vehicle/lookUp.ts';
import { outputOf } from '../../../simulation/controls.ts';
import { heatWords } from '../../../words/heat.ts';
import { highestPiece, trueOhms } from '../../highestPiece.ts';
import { type CureOption, option, refused, supposing } from '../option.ts';
import { metalSupposed } from './loadResistors.ts';

const NAME = 'Load resistor';
const KINDS = ['load-resistor'] as const;
/** What is looked through, ohms. */
const LEAST_OHMS = 0.5;
const MOST_OHMS = 2000;

/** One resistor across each lamp of a steady circuit that has metal near: the highest that still contents its watcher. */
export function steadyLoadOptions(analysis: JobAnalysis, circuit: Circuit): CureOption[] {
  const { job } = analysis;
  const { vehicle } = job;
  const feeds = circuit.feeds.filter(({ lampId }) => lampById(vehicle, lampId).resistorMount !== 'none');
  const [first] = feeds;
  if (!first)
    return [refused('load', KINDS, NAME, 'No lamp of this circuit has metal within reach to mount one on.')];
  const most = highestOhms(analysis, circuit, feeds);
  if (most === null)
    return [refused('load', KINDS, NAME, 'Nobody watches its current: a resistor would change nothing.')];
  const piece = pieceFor(analysis, circuit, feeds, most);
  if (!piece)
    return [
      refused(
        'load',
        KINDS,
        NAME,
        `At most ${ohms(most)} a lamp would do, and no resistor on the list bears that heat.`,
      ),
    ];
  const many =
    feeds.length > 1
      ? ` at each of ${feeds.length} lamps`
      : ` at ${lampById(vehicle, first.lampId).name.toLowerCase()}`;
  const cure = loadsAt(feeds, piece);
  const made = option('load', KINDS, `${NAME}, ${ohms(piece.ohms)} ${watts(piece.watts)}${many}`, {
    cures: { [circuit.id]: cure },
  });
  const pulsed = outputOf(vehicle, circuit)?.pwm ? ' It heats in tail too, on its share of the pulses.' : '';
  return [
    supposing(
      { ...made, why: `${hottestWords(job, cure)}${pulsed}` },
      metalSupposed(
        job,
        feeds.map((feed) => feed.lampId),
      ),
    ),
  ];
}

/** How hot the hottest gets in the use it sees most. */
function hottestWords(job: Job, { networks }: LoadResistorCure): string {
  const { vehicle } = job;
  const hottest = hottestResistor(vehicle, networks, chargingVolts(vehicle.systemVolts), {
    hotter: hotterAt(job),
  });
  return hottest ? heatWords(hottest) : '';
}

/** One such resistor across each of these feeds, of a twin bulb the dim one where that is it. */
function loadsAt(feeds: Circuit['feeds'], piece: ResistorPiece): LoadResistorCure {
  return {
    kind: 'load-resistor',
    networks: feeds.map(({ lampId, input }) => ({
      lampId,
      ...(input === 'dim' ? { input } : {}),
      connection: 'parallel',
      pieces: [piece],
    })),
  };
}

/**
 * The most ohms a lamp with which the watcher sees at every working point what the healthy bulbs drew; null where
 * nobody watches.
 */
function highestOhms(analysis: JobAnalysis, circuit: Circuit, feeds: Circuit['feeds']): number | null {
  const { job } = analysis;
  // Where nobody has looked whether anything watches it, a resistor that would content it may be needed.
  if (watchedBy(job, job.vehicle.flasher, circuit).who === null) return null;
  const holds = (value: number) => {
    const piece: ResistorPiece = { partId: null, ohms: value, watts: 1, tolerance: 0 };
    const cured: Job = { ...job, cures: { ...job.cures, [circuit.id]: loadsAt(feeds, piece) } };
    return new Judge(analysis.with(cured), 'cured').contents(circuit);
  };
  // Between what two pieces may truly have nothing is decided.
  const values = [LEAST_OHMS, ...trueOhms(analysis.shelf, { series: E12, leastOhms: LEAST_OHMS }, MOST_OHMS)];
  if (!holds(LEAST_OHMS)) return null;
  let low = 0;
  let high = values.length;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(values[middle] ?? MOST_OHMS)) low = middle;
    else high = middle;
  }
  return values[low] ?? null;
}

/** The highest value that will do and bears its heat where it is screwed, beside the others of this circuit. */
function pieceFor(
  { job, shelf }: JobAnalysis,
  circuit: Circuit,
  feeds: Circuit['feeds'],
  most: number,
): ResistorPiece | null {
  const { vehicle } = job;
  const others = Object.entries(job.cures).flatMap(([id, cure]) =>
    id === circuit.id ? [] : (cure?.networks ?? []),
  );
  const bears = (value: number, ratedWatts: number) => {
    const { networks } = loadsAt(feeds, { partId: null, ohms: value, watts: ratedWatts, tolerance: 0.05 });
    const litVolts = chargingVolts(vehicle.systemVolts);
    return (
      condemnedIn(vehicle, networks, litVolts, [...networks, ...others], new Map(), hotterAt(job)) === null
    );
  };
  return highestPiece(shelf, {
    maxOhms: most,
    lowestShare: 2.5,
    series: E12,
    leastOhms: LEAST_OHMS,
    sizes: STANDARD_WATTS,
    bears,
  });
}

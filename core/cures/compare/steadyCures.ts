import { E12, STANDARD_WATTS } from '../../catalogue/eSeries.ts';
import { type HeatMount, worstMount } from '../../heat/resistorHeat.ts';
import { casesFor, judgeHeat } from '../../heat/useCases.ts';
import { Judge } from '../../judge/judge.ts';
import type { VerdictState } from '../../judge/states.ts';
import type { CircuitVerdict } from '../../judge/verdict.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { Job, LoadResistorCure, ResistorPiece } from '../../model/job.ts';
import type { LedPart, Shelf } from '../../model/part.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import { lampById, type Vehicle } from '../../model/vehicle/vehicle.ts';
import { amps, ohms, percent, watts } from '../../quantities/format.ts';
import { outputOf } from '../../simulation/controls.ts';
import { ledOf } from '../../simulation/fitment.ts';
import { ledFit } from '../../vehicle/ledFits.ts';
import { bleedResistor } from '../bleedResistor.ts';
import { highestPiece } from '../highestPiece.ts';

/** A cure of one steady circuit, tried; or the reason why it is out of the question. */
export interface SteadyCure {
  id: string;
  name: string;
  /** null where it was refused before it was tried */
  state: VerdictState | null;
  reason: string;
  /** the job's fields as they would be with it */
  change: Pick<Job, 'chosen' | 'cures' | 'vehicleCures'> | null;
}

/** A steady circuit that something is wrong with once its LEDs are in, and what could be done. */
export interface SteadyComplaint {
  circuitId: string;
  verdict: CircuitVerdict;
  cures: readonly SteadyCure[];
}

/**
 * Every steady circuit of a job that does not hold with its LEDs as they are cured now, each with every cure of the
 * trade tried on it.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function steadyComplaints(job: Job, shelf: Shelf): SteadyComplaint[] {
  return job.vehicle.circuits.flatMap((circuit): SteadyComplaint[] => {
    if (circuit.kind === 'turn' || circuit.excite) return [];
    const leds = circuit.feeds.some((feed) => ledOf(job, shelf, feed.lampId) !== null);
    if (!leds) return [];
    const bare = without(job, circuit);
    const verdict = Judge.of(bare, shelf, 'cured').circuit(circuit);
    if (verdict.state === 'holds') return [];
    return [{ circuitId: circuit.id, verdict, cures: curesOf(bare, shelf, circuit) }];
  });
}

/** The job without any cure of one circuit. */
function without(job: Job, circuit: Circuit): Job {
  const { [circuit.id]: _, ...cures } = job.cures;
  const lamps = new Set(circuit.feeds.map((feed) => feed.lampId));
  return {
    ...job,
    cures,
    vehicleCures: job.vehicleCures.filter((cure) =>
      'circuitId' in cure
        ? cure.circuitId !== circuit.id
        : !(cure.kind === 'decoder' && lamps.has(cure.lampId)),
    ),
  };
}

function curesOf(job: Job, shelf: Shelf, circuit: Circuit): SteadyCure[] {
  const tried = (id: string, name: string, change: Partial<SteadyCure['change'] & object>): SteadyCure => {
    const { chosen, cures, vehicleCures } = { ...job, ...change };
    const cured = { ...job, chosen, cures, vehicleCures };
    const verdict = Judge.of(cured, shelf, 'cured').circuit(circuit);
    return {
      id,
      name,
      state: verdict.state,
      reason: verdict.reasons[0] ?? '',
      change: { chosen, cures, vehicleCures },
    };
  };
  const refused = (id: string, name: string, reason: string): SteadyCure => ({
    id,
    name,
    state: null,
    reason,
    change: null,
  });
  const ledLamps = circuit.feeds
    .map((feed) => feed.lampId)
    .filter((lampId) => ledOf(job, shelf, lampId) !== null);
  const filaments = Object.fromEntries(ledLamps.slice(0, 1).map((id) => [id, null]));
  return [
    ...setting(job, circuit, tried, refused),
    ...(circuit.sense ? [bleed(job, shelf, circuit, tried, refused)] : []),
    load(job, shelf, circuit, tried, refused),
    ...decoders(job, shelf, circuit, ledLamps, tried, refused),
    ...builtIn(job, shelf, ledLamps, tried, refused),
    tried('filament', ledLamps.length > 1 ? 'One filament left in' : 'The filament left in', {
      chosen: { ...job.chosen, ...filaments },
    }),
  ];
}

type Tried = (id: string, name: string, change: Partial<SteadyCure['change'] & object>) => SteadyCure;
type Refused = (id: string, name: string, reason: string) => SteadyCure;

function setting(job: Job, circuit: Circuit, tried: Tried, refused: Refused): SteadyCure[] {
  const watch = outputOf(job.vehicle, circuit)?.watch;
  if (!watch) return [];
  const name = 'Controller setting “LED fitted”';
  if (!watch.canSetLed) return [refused('setting', name, 'This output has no such setting.')];
  return [
    tried('setting', name, {
      vehicleCures: [
        ...job.vehicleCures,
        { kind: 'controller-setting', circuitId: circuit.id, setting: 'led', before: 'filament' },
      ],
    }),
  ];
}

function bleed(job: Job, shelf: Shelf, circuit: Circuit, tried: Tried, refused: Refused): SteadyCure {
  const name = 'Bleed resistor to earth';
  if (!circuit.sense) return refused('bleed', name, 'Nothing reads this wire.');
  const { piece, maxOhms, pressedWatts } = bleedResistor(circuit.sense, job.vehicle.systemVolts, shelf);
  if (!piece)
    return refused('bleed', name, `At most ${ohms(maxOhms)} would do, and none that low lives in air.`);
  const cure = tried('bleed', `${name}, ${ohms(piece.ohms)} ${watts(piece.watts)}`, {
    vehicleCures: [...job.vehicleCures, { kind: 'bleed-resistor', circuitId: circuit.id, piece }],
  });
  return {
    ...cure,
    reason: `At most ${ohms(maxOhms)} holds the wire down; ${watts(pressedWatts)} while pressed. ${cure.reason}`,
  };
}

function load(job: Job, shelf: Shelf, circuit: Circuit, tried: Tried, refused: Refused): SteadyCure {
  const name = 'Load resistor';
  const feeds = circuit.feeds.filter(({ lampId }) => lampById(job.vehicle, lampId).resistorMount !== 'none');
  const lampIds = feeds.map((feed) => feed.lampId);
  const [first] = lampIds;
  if (first === undefined)
    return refused('load', name, 'No lamp of this circuit has metal within reach to mount one on.');
  const most = highestOhms(job, shelf, circuit, feeds);
  if (most === null)
    return refused('load', name, 'Nobody watches its current: a resistor would change nothing.');
  const worst = worstMount(lampIds.map((id) => lampById(job.vehicle, id).resistorMount));
  const piece = pieceFor(job.vehicle, shelf, circuit, most, worst);
  if (!piece)
    return refused(
      'load',
      name,
      `At most ${ohms(most)} a lamp would do, and no resistor on the list bears that heat.`,
    );
  const many =
    lampIds.length > 1
      ? ` at each of ${lampIds.length} lamps`
      : ` at ${lampById(job.vehicle, first).name.toLowerCase()}`;
  const cure = tried('load', `${name}, ${ohms(piece.ohms)} ${watts(piece.watts)}${many}`, {
    cures: { ...job.cures, [circuit.id]: loadsAt(feeds, piece) },
  });
  const at = chargingVolts(job.vehicle.systemVolts);
  const [use] = casesFor(circuit.kind);
  const heat = use
    ? judgeHeat({ ratedWatts: piece.watts, mount: worst }, at ** 2 / piece.ohms, use, 40)
    : null;
  if (heat?.state === 'condemned') return { ...cure, state: 'too-much', reason: heat.reason };
  const pulsed = outputOf(job.vehicle, circuit)?.pwm
    ? ' It heats in tail too, on its share of the pulses.'
    : '';
  return { ...cure, reason: `${cure.reason} ${heat?.reason ?? ''}${pulsed}`.trim() };
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
function highestOhms(job: Job, shelf: Shelf, circuit: Circuit, feeds: Circuit['feeds']): number | null {
  const watch = outputOf(job.vehicle, circuit)?.watch;
  const module = job.vehicle.bulbCheck?.watches.some((each) => each.circuitId === circuit.id);
  if (!watch && !module) return null;
  const holds = (value: number) => {
    const piece: ResistorPiece = { partId: null, ohms: value, watts: 1, tolerance: 0 };
    const cured: Job = { ...job, cures: { ...job.cures, [circuit.id]: loadsAt(feeds, piece) } };
    return Judge.of(cured, shelf, 'cured').circuit(circuit).watched === 'holds';
  };
  let low = 0.5;
  let high = 2000;
  if (!holds(low)) return null;
  for (let step = 0; step < 16; step += 1) {
    const middle = Math.sqrt(low * high);
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** The highest value that will do and bears its heat on such a mount. */
function pieceFor(
  vehicle: Vehicle,
  shelf: Shelf,
  circuit: Circuit,
  most: number,
  mount: HeatMount,
): ResistorPiece | null {
  const at = chargingVolts(vehicle.systemVolts);
  const [use] = casesFor(circuit.kind);
  const bears = (value: number, ratedWatts: number) =>
    use !== undefined && judgeHeat({ ratedWatts, mount }, at ** 2 / value, use, 40).state !== 'condemned';
  return highestPiece(shelf, {
    maxOhms: most,
    lowestShare: 2.5,
    series: E12,
    leastOhms: 0.5,
    sizes: STANDARD_WATTS,
    bears,
  });
}

function decoders(
  job: Job,
  shelf: Shelf,
  circuit: Circuit,
  lamps: readonly string[],
  tried: Tried,
  refused: Refused,
): SteadyCure[] {
  const pwm = outputOf(job.vehicle, circuit)?.pwm;
  return shelf.flatMap((part): SteadyCure[] => {
    if (part.kind !== 'decoder') return [];
    const name = `${part.code} at each LED`;
    if (pwm?.to === 'dim' && part.capacitorFarads)
      return [
        refused(
          `decoder-${part.id}`,
          name,
          `This feed dims by pulses of ${percent(pwm.duty)}: a capacitor carries the LED over the pauses and makes nearly stop light of tail light. The stop-to-tail ratio of 5 to 1 is lost.`,
        ),
      ];
    return [
      tried(`decoder-${part.id}`, name, {
        vehicleCures: [
          ...job.vehicleCures,
          ...lamps.map((lampId) => ({ kind: 'decoder' as const, lampId, partId: part.id })),
        ],
      }),
    ];
  });
}

function builtIn(
  job: Job,
  shelf: Shelf,
  lamps: readonly string[],
  tried: Tried,
  refused: Refused,
): SteadyCure[] {
  const name = 'LEDs with a load built in';
  const chosen: Record<string, string> = {};
  for (const lampId of lamps) {
    const lamp = lampById(job.vehicle, lampId);
    const part = shelf.find(
      (each): each is LedPart =>
        each.kind === 'led' && each.builtInLoadOhms !== undefined && ledFit(job.vehicle, lamp, each).fits,
    );
    if (!part) return [refused('built-in', name, `None on the shelf goes into ${lamp.name.toLowerCase()}.`)];
    chosen[lampId] = part.id;
  }
  const cure = tried('built-in', name, { chosen: { ...job.chosen, ...chosen } });
  const loads = Object.values(chosen).map((id) => shelf.find((part) => part.id === id));
  const lit = loads.reduce((sum, part) => sum + (part?.kind === 'led' ? part.watts : 0), 0);
  return [{ ...cure, reason: `${cure.reason} ${amps(lit / 12.8)} printed, burnt inside the housing.` }];
}

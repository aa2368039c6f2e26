import { pieceWatts } from '../../circuit/resistorNetwork.ts';
import { heatMount } from '../../heat/resistorHeat.ts';
import { casesFor, type HeatVerdict, judgeHeat } from '../../heat/useCases.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../model/vehicle/vehicle.ts';
import { pickList } from '../../picklist/picklist.ts';
import { amps, percent } from '../../quantities/format.ts';
import { networksOf } from '../../vehicle/fitment.ts';
import { TurnJudge } from '../../verdict/judge.ts';
import { type VerdictState, worstState } from '../../verdict/states.ts';
import { steadyVerdict } from '../../verdict/steady.ts';
import type { TurnVerdict } from '../../verdict/verdict.ts';
import { chargingVolts } from '../../verdict/workingPoints.ts';
import type { CureOption } from './options.ts';
import { withCure } from './options.ts';

/** What is left of the driver being told that a lamp has failed. */
export type WarningKept = 'kept' | 'partly' | 'lost';

/** One cure tried on this vehicle. */
export interface CureReport {
  option: CureOption;
  /** null for one that was refused before it was tried */
  state: VerdictState | null;
  /** why it works or does not, with the deciding figures */
  reason: string;
  /** the worst state at each working point, both sides, lights off and on */
  points: readonly { volts: number; label: string; state: VerdictState }[];
  /** highest current of hazard, or of one side where there is no hazard switch, A */
  litAmps: number;
  /** hottest case of its resistors in the hardest use at 40 °C; null where it has none */
  hottest: HeatVerdict | null;
  /** what the conversion saves while both sides are lit, W; negative where it takes more */
  savedWatts: number;
  /** power its resistors and built-in loads turn into heat while lit, both sides, W */
  heatWatts: number;
  warning: WarningKept;
  /** joints made in the loom */
  cuts: number;
  reversible: boolean;
  /** what is opened beside what the LEDs open anyway */
  access: string;
  /** parts with a known price, in the shop's currency, over what the LEDs alone cost */
  price: number;
  /** parts without a price */
  unpriced: number;
  minutes: readonly [number, number];
  /** what has to be minded */
  cautions: readonly string[];
}

/** Work a cure adds, minutes (common practice). */
const MINUTES = {
  resistor: [12, 25],
  relay: [5, 20],
  setting: [10, 20],
  decoder: [4, 8],
  diodes: [15, 30],
  swap: [1, 4],
} as const;
/** Share of an LED's rated current at which it visibly glows. */
const GLOWS = 0.05;

/**
 * Tries one cure: the job with it is judged at every working point, lights off and on, both sides and hazard, against
 * fuse, relay, outputs and mounts; its resistors are heated; what it costs is added up.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function tryCure(job: Job, shelf: Shelf, option: CureOption, bare: number): CureReport {
  const base = {
    option,
    points: [],
    litAmps: 0,
    hottest: null,
    savedWatts: 0,
    heatWatts: 0,
    cuts: 0,
    price: 0,
    unpriced: 0,
  };
  if (option.change === null)
    return {
      ...base,
      state: null,
      reason: option.refused ?? 'It is out of the question here.',
      warning: 'kept',
      reversible: true,
      access: '',
      minutes: [0, 0],
      cautions: [],
    };
  const cured = withCure(job, option.change);
  const judge = new TurnJudge(cured, shelf, 'cured');
  const verdict = judge.verdict();
  const backFeed = pilotBackFeed(judge);
  const hottest = hottestOf(cured);
  const condemned = hottest?.state === 'condemned' ? hottest : null;
  const state = worstState([
    verdict.state,
    ...(backFeed ? (['falls-short'] as const) : []),
    ...(condemned ? (['too-much'] as const) : []),
  ]);
  const list = pickList(cured, shelf);
  const networks = networksOf(cured).filter((network) =>
    turnCircuits(job.vehicle).some((circuit) => lampIdsOf(circuit).includes(network.lampId)),
  );
  const joints = networks.reduce((sum, network) => sum + network.pieces.length + 1, 0);
  const diodes = option.kinds.includes('pilot-diodes') ? 3 : 0;
  return {
    ...base,
    state,
    reason: reasonOf(verdict, backFeed, condemned),
    points: pointsOf(verdict),
    litAmps: verdict.hazard?.litAmps ?? Math.max(...verdict.circuits.map((each) => each.worst.amps.high)),
    hottest,
    savedWatts: list.power.savedWatts,
    heatWatts: list.power.resistorWatts + builtInWatts(cured, shelf),
    warning: warningKept(job, option),
    cuts: joints + diodes,
    reversible: joints === 0 && diodes === 0,
    access: accessOf(option, networks.length),
    price: list.knownTotal - bare,
    unpriced: list.unpriced,
    minutes: minutesOf(option, networks.length),
    cautions: [...heatCautions(hottest), ...cautionsOf(job, option, shelf, cured)],
  };
}

/** Every option tried. The price of a cure is what it adds to the LEDs alone. */
export function tryCures(job: Job, shelf: Shelf, options: readonly CureOption[]): CureReport[] {
  const bare = pickList(withCure(job, {}), shelf).knownTotal;
  return options.map((option) => tryCure(job, shelf, option, bare));
}

function pointsOf(verdict: TurnVerdict): CureReport['points'] {
  const all = [...verdict.circuits.flatMap((circuit) => circuit.points), ...(verdict.hazard?.points ?? [])];
  const labels = new Map(all.map(({ point }) => [point.volts, point.label]));
  return [...labels]
    .toSorted(([a], [b]) => a - b)
    .map(([at, label]) => ({
      volts: at,
      label,
      state: worstState(all.filter((each) => each.point.volts === at).map((each) => each.state)),
    }));
}

function reasonOf(verdict: TurnVerdict, backFeed: string | null, condemned: HeatVerdict | null): string {
  if (condemned) return condemned.reason;
  const worst = worstState(verdict.circuits.map((each) => each.state));
  const side = verdict.circuits.find((each) => each.state === worst);
  const turn =
    verdict.hazard && verdict.hazard.state !== 'holds' && worst === 'holds'
      ? verdict.hazard.reason
      : (side?.reason ?? '');
  return backFeed ? `${backFeed} ${turn}` : turn;
}

/** Whether the pilot between the sides lights the lamps of the side that should be dark. */
function pilotBackFeed({ network }: TurnJudge): string | null {
  const { vehicle, fitment } = network;
  if (!vehicle.pilot) return null;
  const [left, right] = turnCircuits(vehicle);
  if (!left || !right) return null;
  const at = 13.5 * (vehicle.systemVolts / 12);
  for (const lampId of lampIdsOf(right)) {
    const content = fitment.contents.get(lampId);
    if (content?.kind !== 'led') continue;
    const back = network.darkAmps({ emfVolts: at, sides: [left.side] }, lampId);
    const rated = content.part.watts / content.part.atVolts;
    if (back > GLOWS * rated)
      return `Through the pilot ${amps(back)} lights ${lampById(vehicle, lampId).name.toLowerCase()}, ${percent(back / rated)} of its own: all four flash.`;
  }
  return null;
}

/** The hottest resistor in the hardest use its circuit sees, on a hot day. */
function hottestOf(job: Job): HeatVerdict | null {
  const at = chargingVolts(job.vehicle.systemVolts);
  const verdicts = networksOf(job).flatMap((network) => {
    const lamp = lampById(job.vehicle, network.lampId);
    const kind = job.vehicle.circuits.find((circuit) => lampIdsOf(circuit).includes(lamp.id))?.kind ?? 'turn';
    const lit = pieceWatts(network, at, 1 - Math.max(...network.pieces.map((piece) => piece.tolerance)));
    return network.pieces.flatMap((piece, index) =>
      casesFor(kind).map((useCase) =>
        judgeHeat(
          { ratedWatts: piece.watts, mount: heatMount(lamp.resistorMount) },
          lit[index] ?? 0,
          useCase,
          40,
        ),
      ),
    );
  });
  return verdicts.toSorted((a, b) => b.peakCaseCelsius - a.peakCaseCelsius)[0] ?? null;
}

function builtInWatts(job: Job, shelf: Shelf): number {
  const at = 13.5 * (job.vehicle.systemVolts / 12);
  return turnCircuits(job.vehicle)
    .flatMap(lampIdsOf)
    .reduce((sum, lampId) => {
      const part = shelf.find((each) => each.id === job.chosen[lampId]);
      return sum + (part?.kind === 'led' && part.builtInLoadOhms ? at ** 2 / part.builtInLoadOhms : 0);
    }, 0);
}

/** A resistor keeps the watcher content with the LED dead; a relay that does not watch says nothing at all. */
function warningKept(job: Job, { kinds }: CureOption): WarningKept {
  if (job.vehicle.flasher.kind === 'non-watching-relay') return 'lost';
  if (kinds.includes('flasher-relay')) return 'lost';
  if (kinds.includes('load-resistor') || kinds.includes('built-in-load') || kinds.includes('decoder'))
    return 'lost';
  if (kinds.includes('filament')) return 'partly';
  return 'kept';
}

function accessOf({ kinds }: CureOption, networks: number): string {
  const places = [
    ...(kinds.includes('flasher-relay') ? ['where the relay is'] : []),
    ...(kinds.includes('controller-setting') ? ['diagnostic plug'] : []),
    ...(kinds.includes('pilot-diodes') ? ['dash'] : []),
    ...(networks > 0 ? [`${networks} lamp places with metal`] : []),
  ];
  return places.join(', ') || 'the lamps alone';
}

function minutesOf({ kinds, change }: CureOption, networks: number): [number, number] {
  const parts: (readonly [number, number])[] = [
    ...Array.from({ length: networks }, () => MINUTES.resistor),
    ...(kinds.includes('flasher-relay') ? [MINUTES.relay] : []),
    ...(kinds.includes('controller-setting') ? [MINUTES.setting] : []),
    ...(kinds.includes('pilot-diodes') ? [MINUTES.diodes] : []),
    ...(change?.vehicleCures ?? []).filter((cure) => cure.kind === 'decoder').map(() => MINUTES.decoder),
  ];
  return [parts.reduce((sum, [least]) => sum + least, 0), parts.reduce((sum, [, most]) => sum + most, 0)];
}

function heatCautions(hottest: HeatVerdict | null): string[] {
  return hottest && (hottest.state === 'burns' || hottest.state === 'keep-clear') ? [hottest.reason] : [];
}

function cautionsOf(job: Job, { kinds, change }: CureOption, shelf: Shelf, cured: Job): string[] {
  const cautions: string[] = [];
  if (kinds.includes('flasher-relay') && job.vehicle.bulbCheck)
    cautions.push(`The ${job.vehicle.bulbCheck.name} still watches the other lamps.`);
  if (kinds.includes('flasher-relay'))
    cautions.push('Where the law wants a failed turn lamp shown, this takes that away.');
  if (kinds.includes('load-resistor')) cautions.push('It hides a dead LED, and gets hot.');
  if (kinds.includes('built-in-load')) {
    cautions.push('Its heat is inside the housing: light and life suffer.');
    // A load inside a bulb that shares its lamp's feed with a pulsed tail burns there too.
    for (const circuit of job.vehicle.circuits.filter((each) => each.kind !== 'turn')) {
      if (!lampIdsOf(circuit).some((id) => change?.chosen?.[id])) continue;
      const verdict = steadyVerdict(cured, shelf, 'cured', circuit);
      if (verdict.state !== 'holds') cautions.push(`${circuit.name}: ${verdict.reasons[0] ?? ''}`);
    }
  }
  if (kinds.includes('controller-setting'))
    cautions.push('Write down the old value first; the owner’s workshop may set it back.');
  return cautions;
}

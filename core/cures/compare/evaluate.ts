// Longer than 300 lines: everything one row of the table says of a cure.
import { hotterAt } from '../../heat/measured.ts';
import { hottestResistor } from '../../heat/mounts.ts';
import type { HeatVerdict } from '../../heat/useCases.ts';
import type { PickLine } from '../../inventory/pickLine.ts';
import { costOf, pickLines, powerBetween } from '../../inventory/picklist.ts';
import type { JobAnalysis } from '../../judge/analysis.ts';
import { Judge } from '../../judge/judge.ts';
import { limitStates } from '../../judge/limits.ts';
import { type VerdictState, worstState } from '../../judge/states.ts';
import { variantOf } from '../../judge/variants.ts';
import type { JudgedPoint, TurnVerdict } from '../../judge/verdict.ts';
import { chargingVolts, testVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { dutyOf, outputOf } from '../../simulation/controls.ts';
import { controlsFor } from '../../simulation/moment.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { reasonOf } from '../../words/verdicts.ts';
import { needsEarth } from '../../work/steps/takes.ts';
import { type Effort, effortOf } from './effort.ts';
import { builtInHeats, loadedLeds } from './heat.ts';
import type { CureKind, CureOption } from './option.ts';
import { cautionsOf } from './optionCautions.ts';
import { type CureScope, turnScope } from './scope.ts';
import { type Situation, situationsOf } from './situations.ts';
import { type WarningKept, warningKept } from './warningKept.ts';
import { withCure } from './withCure.ts';

/** One cure tried on this vehicle. */
export interface CureReport extends Effort {
  option: CureOption;
  /** null for one that was refused before it was tried */
  state: VerdictState | null;
  /** what the watcher and the limits alone say */
  watcher: VerdictState | null;
  /** the pilot between the sides lights the far one */
  allFour: boolean;
  /** why it works or does not, with the deciding figures */
  reason: string;
  /** the worst state at each working point, both sides, whatever else is on */
  points: readonly { volts: number; label: string; state: VerdictState }[];
  /** the combinations that break, each with what becomes of it */
  situations: readonly Situation[];
  /** highest current of hazard, or of one side where there is no hazard switch, A */
  litAmps: number;
  /** hottest case of its resistors in the hardest use at 40 °C; null where it has none */
  hottest: HeatVerdict | null;
  /** body of its hottest LED with a load inside, the same, °C; null where it has none */
  hottestLed: number | null;
  /** what the conversion saves while both sides are lit, W; negative where it takes more */
  savedWatts: number;
  /** power its resistors and built-in loads turn into heat while lit, both sides, W */
  heatWatts: number;
  warning: WarningKept;
  /** lamps that keep their filaments for it: a mixed look, and light at another pace */
  unconverted: number;
  /** what it takes beside the LEDs: `4 OTTER-6/50` */
  parts: readonly string[];
  /** parts with a known price, in the shop's currency, over what the LEDs alone cost */
  price: number;
  /** parts without a price */
  unpriced: number;
  /** what has to be minded */
  cautions: readonly string[];
}

/** What all cures of a job are measured against. */
interface Bare {
  analysis: JobAnalysis;
  scope: CureScope;
  stock: TurnCircuits;
  /** parts of the LEDs alone */
  lines: readonly PickLine[];
}

/** Every option tried. The price of a cure is what it adds to the LEDs alone. */
export function tryCures(
  analysis: JobAnalysis,
  options: readonly CureOption[],
  scope: CureScope = turnScope(analysis.job.vehicle),
): CureReport[] {
  const { job, shelf } = analysis;
  const bare: Bare = {
    analysis,
    scope,
    stock: variantOf(analysis.likeliest, shelf, 'stock').fitted[0] as TurnCircuits,
    lines: pickLines(withCure(job, {}, scope), shelf),
  };
  return options.map((option) => tryCure(option, bare));
}

/**
 * Tries one cure: the job with it is judged at every working point, with lights and brake where they bear on it, both
 * sides and hazard, against fuse, relay, outputs and mounts; from cold; its resistors and loads are heated; what it
 * costs is added up.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
/** Cures that say by themselves that a dead LED is hidden. */
const TELLS_ITSELF: ReadonlySet<CureKind> = new Set([
  'flasher-relay',
  'load-resistor',
  'harness',
  'built-in-load',
  'controller-setting',
]);
const HIDDEN_DEAD = 'A dead LED may go unnoticed: look at the lamps yourself.';

function tryCure(option: CureOption, bare: Bare): CureReport {
  if (option.change === null) return untried(option);
  const { scope } = bare;
  const { job, shelf } = bare.analysis;
  const cured = withCure(job, option.change, scope);
  const judge = new Judge(bare.analysis.with(cured), 'cured');
  const outcome = scope.turning ? turnOutcome(judge) : steadyOutcome(judge, scope);
  const networks = Object.values(option.change.cures ?? {}).flatMap((cure) => cure.networks);
  const hottest = hottestResistor(job.vehicle, networks, chargingVolts(job.vehicle.systemVolts), {
    hotter: hotterAt(job),
  });
  const inside = builtInHeats(cured, shelf, scope);
  const power = scope.turning ? powerBetween(bare.stock, judge.turns) : steadyPower(bare, judge);
  const warning = warningKept(judge, scope.circuits);
  const lines = pickLines(cured, shelf);
  const { knownTotal, unpriced } = costOf(lines);
  return {
    option,
    state: supposed(option, outcome.state),
    watcher: outcome.watcher,
    allFour: outcome.allFour,
    reason: [
      ...(option.supposes ?? []).map((what) => `If ${what}:`),
      ...(option.why ? [option.why] : []),
      outcome.reason,
    ].join(' '),
    points: pointsOf(outcome.points),
    situations: outcome.situations,
    litAmps: outcome.litAmps,
    hottest,
    hottestLed: inside[0]?.heat.peakCelsius ?? null,
    savedWatts: power.savedWatts,
    heatWatts: power.resistorWatts + builtInWatts(cured, shelf, scope),
    warning,
    unconverted: Object.values(option.change.chosen ?? {}).filter((id) => id === null).length,
    parts: partsBeside(lines, bare.lines),
    price: knownTotal - costOf(bare.lines).knownTotal,
    unpriced,
    cautions: [
      ...cautionsOf(job, option, shelf, cured, hottest, scope),
      ...(warning !== 'kept' && !option.kinds.some((kind) => TELLS_ITSELF.has(kind)) ? [HIDDEN_DEAD] : []),
    ],
    ...effortOf(
      option,
      networks,
      cured.vehicleCures.some((cure) => needsEarth(cured.vehicle, shelf, cure)),
    ),
  };
}

/** What the judge makes of the circuits a cure is for. */
interface Outcome {
  state: VerdictState;
  watcher: VerdictState;
  allFour: boolean;
  reason: string;
  points: readonly JudgedPoint[];
  situations: readonly Situation[];
  litAmps: number;
}

function turnOutcome(judge: Judge): Outcome {
  const verdict = judge.verdict();
  const findings = verdict.circuits.flatMap((circuit) => circuit.findings);
  return {
    state: verdict.state,
    watcher: watcherState(verdict),
    allFour: findings.some((finding) => finding.requirement === 'back-feed'),
    reason: turnReason(judge.job.vehicle, verdict),
    points: allPoints(verdict),
    situations: situationsOf(judge.turns, verdict),
    litAmps: verdict.hazard?.litAmps ?? Math.max(...verdict.circuits.map((each) => each.worst.amps.high)),
  };
}

function steadyOutcome(judge: Judge, { circuits }: CureScope): Outcome {
  const verdicts = circuits.map((circuit) => judge.circuit(circuit));
  const state = worstState(verdicts.map((verdict) => verdict.state));
  const worst = verdicts.find((verdict) => verdict.state === state);
  return {
    state,
    watcher: worstState([
      ...verdicts.map((verdict) => verdict.watched),
      ...limitStates(verdicts.flatMap((verdict) => verdict.limits)),
    ]),
    allFour: false,
    reason: worst ? reasonOf(judge.job.vehicle, worst) : '',
    points: verdicts.flatMap((verdict) => verdict.points),
    situations: [],
    litAmps: verdicts.reduce((sum, verdict) => sum + (verdict.worst?.amps.high ?? verdict.amps), 0),
  };
}

/** What steady circuits take before and after at the bulb standard's volts, of pulsed ones their share, W. */
function steadyPower({ stock, scope }: Bare, judge: Judge): { savedWatts: number; resistorWatts: number } {
  const { vehicle } = stock;
  const emfVolts = testVolts(vehicle.systemVolts);
  const taken = ({ simulation }: TurnCircuits) =>
    scope.circuits.reduce(
      (sum, circuit) => {
        const controls = controlsFor(circuit);
        const probes = simulation.at({ controls, emfVolts }, [circuit.id]);
        const duty = dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts);
        for (const { lampId, input } of circuit.feeds) {
          const across = probes.lampVolts(lampId, input) * duty;
          sum.bulbs += across * probes.bulbAmps(lampId, input);
          sum.resistors += across * probes.resistorAmps(lampId, input);
        }
        return sum;
      },
      { bulbs: 0, resistors: 0 },
    );
  const before = taken(stock);
  const after = taken(judge.turns);
  return { savedWatts: before.bulbs - after.bulbs - after.resistors, resistorWatts: after.resistors };
}

function untried(option: CureOption): CureReport {
  return {
    option,
    state: null,
    watcher: null,
    allFour: false,
    reason: option.refused ?? 'It is out of the question here.',
    points: [],
    situations: [],
    litAmps: 0,
    hottest: null,
    hottestLed: null,
    savedWatts: 0,
    heatWatts: 0,
    warning: 'kept',
    unconverted: 0,
    parts: [],
    price: 0,
    unpriced: 0,
    cautions: [],
    cuts: 0,
    reversible: true,
    access: '',
    minutes: [0, 0],
    needs: [],
  };
}

/** What a pick list has more of than another. */
function partsBeside(lines: readonly PickLine[], bare: readonly PickLine[]): string[] {
  return lines.flatMap((line) => {
    const had = bare.find((each) => each.key === line.key)?.quantity ?? 0;
    return line.quantity > had ? [`${line.quantity - had} ${line.code}`] : [];
  });
}

/** What holds only if something is so that nobody has looked at could go either way. */
function supposed({ supposes }: CureOption, state: VerdictState): VerdictState {
  return supposes && supposes.length > 0 ? worstState([state, 'either-way']) : state;
}

/** What the watcher and the limits alone say. */
function watcherState({ circuits, hazard }: TurnVerdict): VerdictState {
  return worstState([
    ...circuits.map((circuit) => circuit.watched),
    ...limitStates(circuits.flatMap((circuit) => circuit.limits)),
    ...(hazard ? [hazard.state] : []),
  ]);
}

function allPoints(verdict: TurnVerdict): JudgedPoint[] {
  return [...verdict.circuits.flatMap((circuit) => circuit.points), ...(verdict.hazard?.points ?? [])];
}

function pointsOf(all: readonly JudgedPoint[]): CureReport['points'] {
  const labels = new Map(all.map(({ point }) => [point.volts, point.label]));
  return [...labels]
    .toSorted(([a], [b]) => a - b)
    .map(([at, label]) => ({
      volts: at,
      label,
      state: worstState(all.filter((each) => each.point.volts === at).map((each) => each.state)),
    }));
}

function turnReason(vehicle: Vehicle, verdict: TurnVerdict): string {
  const worst = worstState(verdict.circuits.map((each) => each.state));
  const side = verdict.circuits.find((each) => each.state === worst);
  return verdict.hazard && verdict.hazard.state !== 'holds' && worst === 'holds'
    ? reasonOf(vehicle, verdict.hazard)
    : side
      ? reasonOf(vehicle, side)
      : '';
}

function builtInWatts(job: Job, shelf: Shelf, scope: CureScope): number {
  const at = testVolts(job.vehicle.systemVolts);
  return loadedLeds(job, shelf, scope).reduce(
    (sum, { part }) => sum + (part.builtInLoadOhms ? at ** 2 / part.builtInLoadOhms : 0),
    0,
  );
}

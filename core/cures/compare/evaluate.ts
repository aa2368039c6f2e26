import type { HeatVerdict } from '../../heat/useCases.ts';
import type { JobAnalysis } from '../../judge/analysis.ts';
import { Judge } from '../../judge/judge.ts';
import { type VerdictState, worstState } from '../../judge/states.ts';
import type { JudgedPoint, TurnVerdict } from '../../judge/verdict.ts';
import { testVolts } from '../../judge/workingPoints.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { costOf, type PickLine, pickLines, powerBetween } from '../../picklist/picklist.ts';
import { fitmentOf } from '../../simulation/fitment.ts';
import { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { cautionsOf } from './cautions.ts';
import { type Effort, effortOf } from './effort.ts';
import { builtInHeats, hottestResistor, loadedLeds } from './heat.ts';
import type { CureOption } from './option.ts';
import { coldStart, type Situation, situationsOf } from './situations.ts';
import { withCure } from './withCure.ts';

/** What is left of the driver being told that a lamp has failed. */
export type WarningKept = 'kept' | 'partly' | 'lost';

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
  stock: TurnCircuits;
  /** parts of the LEDs alone */
  lines: readonly PickLine[];
}

/** Every option tried. The price of a cure is what it adds to the LEDs alone. */
export function tryCures(analysis: JobAnalysis, options: readonly CureOption[]): CureReport[] {
  const { job, shelf } = analysis;
  const bare: Bare = {
    analysis,
    stock: TurnCircuits.of(job.vehicle, fitmentOf(job, shelf, 'stock')),
    lines: pickLines(withCure(job, {}), shelf),
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
function tryCure(option: CureOption, bare: Bare): CureReport {
  if (option.change === null) return untried(option);
  const { job, shelf } = bare.analysis;
  const cured = withCure(job, option.change);
  const judge = new Judge(bare.analysis.with(cured), 'cured');
  const verdict = judge.verdict();
  const networks = Object.values(option.change.cures ?? {}).flatMap((cure) => cure.networks);
  const hottest = hottestResistor(job.vehicle, networks);
  const inside = builtInHeats(cured, shelf);
  const cold = coldStart(judge.turns);
  const troubles = troublesOf(hottest, inside, cold);
  const findings = verdict.circuits.flatMap((circuit) => circuit.findings);
  const power = powerBetween(bare.stock, judge.turns);
  const lines = pickLines(cured, shelf);
  const { knownTotal, unpriced } = costOf(lines);
  return {
    option,
    state: worstState([verdict.state, ...troubles.map((trouble) => trouble.state)]),
    watcher: watcherState(verdict),
    allFour: findings.some((finding) => finding.requirement === 'back-feed'),
    reason: [...troubles.map((trouble) => trouble.text), reasonOf(verdict)].join(' '),
    points: pointsOf(verdict),
    situations: situationsOf(judge.turns, verdict, cold),
    litAmps: verdict.hazard?.litAmps ?? Math.max(...verdict.circuits.map((each) => each.worst.amps.high)),
    hottest,
    hottestLed: inside[0]?.heat.peakCelsius ?? null,
    savedWatts: power.savedWatts,
    heatWatts: power.resistorWatts + builtInWatts(cured, shelf),
    warning: warningKept(job, option),
    unconverted: Object.values(option.change.chosen ?? {}).filter((id) => id === null).length,
    parts: partsBeside(lines, bare.lines),
    price: knownTotal - costOf(bare.lines).knownTotal,
    unpriced,
    cautions: cautionsOf(job, option, shelf, cured, hottest),
    ...effortOf(option, networks),
  };
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

interface Trouble {
  state: VerdictState;
  text: string;
}

/** What is wrong beside what the judge looks at. */
function troublesOf(
  hottest: HeatVerdict | null,
  inside: ReturnType<typeof builtInHeats>,
  cold: Situation,
): Trouble[] {
  const troubles: Trouble[] = [];
  if (hottest?.state === 'condemned') troubles.push({ state: 'too-much', text: hottest.reason });
  const burnt = inside.find(({ heat, everyDay }) => everyDay && heat.state === 'overheats');
  if (burnt) troubles.push({ state: 'too-much', text: burnt.heat.reason });
  if (cold.state !== 'holds') troubles.push({ state: cold.state, text: cold.text });
  return troubles;
}

/** What the watcher and the limits alone say. */
function watcherState({ circuits, hazard }: TurnVerdict): VerdictState {
  const broken = circuits.some((circuit) => circuit.limits.some((limit) => !limit.ok));
  return worstState([
    ...circuits.map((circuit) => circuit.watched),
    ...(broken ? (['too-much'] as const) : []),
    ...(hazard ? [hazard.state] : []),
  ]);
}

function allPoints(verdict: TurnVerdict): JudgedPoint[] {
  return [...verdict.circuits.flatMap((circuit) => circuit.points), ...(verdict.hazard?.points ?? [])];
}

function pointsOf(verdict: TurnVerdict): CureReport['points'] {
  const all = allPoints(verdict);
  const labels = new Map(all.map(({ point }) => [point.volts, point.label]));
  return [...labels]
    .toSorted(([a], [b]) => a - b)
    .map(([at, label]) => ({
      volts: at,
      label,
      state: worstState(all.filter((each) => each.point.volts === at).map((each) => each.state)),
    }));
}

function reasonOf(verdict: TurnVerdict): string {
  const worst = worstState(verdict.circuits.map((each) => each.state));
  const side = verdict.circuits.find((each) => each.state === worst);
  return verdict.hazard && verdict.hazard.state !== 'holds' && worst === 'holds'
    ? verdict.hazard.reason
    : (side?.reason ?? '');
}

function builtInWatts(job: Job, shelf: Shelf): number {
  const at = testVolts(job.vehicle.systemVolts);
  return loadedLeds(job, shelf).reduce(
    (sum, { part }) => sum + (part.builtInLoadOhms ? at ** 2 / part.builtInLoadOhms : 0),
    0,
  );
}

/** A resistor keeps the watcher content with the LED dead; a relay that does not watch says nothing at all. */
function warningKept(job: Job, { kinds }: CureOption): WarningKept {
  if (job.vehicle.flasher.kind === 'non-watching-relay') return 'lost';
  const silencing = ['flasher-relay', 'load-resistor', 'harness', 'built-in-load', 'decoder'] as const;
  if (silencing.some((kind) => kinds.includes(kind))) return 'lost';
  return kinds.includes('filament') ? 'partly' : 'kept';
}

import { signalFilament } from '../catalogue/bulbs.ts';
import { UNDERLOADED } from '../devices/flasher.ts';
import type { TurnLookId } from '../evidence/looks.ts';
import { bestTest, type TestChoice } from '../evidence/nextTest.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import type { PointVerdict } from '../judge/verdict.ts';
import { ownSideSeen } from '../judge/watcherSeen.ts';
import { likelySupply, workingPoints } from '../judge/workingPoints.ts';
import type { Configuration } from '../model/cures.ts';
import type { Conditions, TrialResult } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import { lampById, lampIdsOf, turnCircuits, turnCircuitsOn } from '../model/vehicle/lookUp.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { bulbOf } from '../simulation/fitment.ts';
import { analysesOf, type Way, waysOf } from './ways.ts';

/** Something cheap to look at or to try that tells apart what is open; `words/looks.ts` says what to do. */
export interface NextTest {
  id: TurnLookId;
  minutes: number;
}

/** One way a circuit may be, with its threshold somewhere: what a test shows of it is certain, or nearly. */
interface Supposed {
  kind: FlasherKind;
  analysis: JobAnalysis;
  /** what flashes on that side, by the outputs of this way */
  side: readonly TurnCircuit[];
  /** where in its band the threshold lies, 0 at the lower edge and 1 at the upper */
  at: number;
  /** which end of what its LEDs may draw */
  draws: 'low' | 'high';
  /** what the LEDs do: two of which do the same need not be told apart */
  does: string;
}

type Test = NextTest & TestChoice<Supposed>;

/** Outcomes of which nobody knows which it will be, each as likely as the next. */
const anyOf = (outcomes: readonly string[]) =>
  new Map(outcomes.map((outcome) => [outcome, 1 / outcomes.length]));

/** Where in its band a threshold is thought of: nothing makes one place likelier than another. */
const PLACES = [0.1, 0.3, 0.5, 0.7, 0.9];
/** Less than this is not worth the way to the vehicle, bits. */
const WORTH = 0.02;

/** What a click or silence means (common practice; some controllers click through a loudspeaker). */
const HEARD: Record<FlasherKind, readonly string[]> = {
  'watching-relay': ['click'],
  thermal: ['click'],
  'non-watching-relay': ['click', 'silence'],
  controller: ['silence'],
};

/**
 * The next test of the LEDs of a turn circuit: of all looks and trials the one that tells most of what they will do, per
 * minute it takes. What each would show is simulated on every way the vehicle may be, with the threshold anywhere in its
 * band; ways are counted as possibilities, none as likelier than another.
 *
 * @param heard whether somebody has listened for a click already
 * @returns null where all ways do the same, or nothing tells them apart
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function nextTurnTest(job: Job, shelf: Shelf, circuitId: string, heard: boolean): NextTest | null {
  const asked = turnCircuits(job.vehicle).find(({ id }) => id === circuitId);
  const supposed = [...analysesOf(waysOf(job, shelf))].flatMap(([way, analysis]) => {
    const side = asked ? turnCircuitsOn(analysis.job.vehicle, asked.side) : [];
    return side.length > 0 ? suppositions(way, analysis, side) : [];
  });
  const best = bestTest(
    testsFor(job, circuitId, heard),
    supposed.map((is) => ({ is, weight: 1, follows: is.does })),
    WORTH,
  );
  if (!best) return null;
  const { id, minutes } = best.test;
  return { id, minutes };
}

function suppositions(
  { flasher: kind, outputs }: Way,
  analysis: JobAnalysis,
  side: readonly TurnCircuit[],
): Supposed[] {
  const judge = new Judge(analysis, 'leds');
  const points = workingPoints(analysis.job.vehicle.systemVolts).flatMap(({ volts }) =>
    side.map((circuit) => judge.circuitAt(circuit, volts)),
  );
  const draws = points.some(({ amps }) => amps.high > amps.low * 1.02) ? ['low', 'high'] : ['low'];
  return PLACES.flatMap((at) =>
    (draws as Supposed['draws'][]).map((end) => {
      const short = points.some(({ amps, band }) => amps[end] < thresholdIn(band, at));
      // Where it falls short another cure is wanted on other outputs.
      return { kind, analysis, side, at, draws: end, does: short ? `short ${kind} ${outputs}` : 'holds' };
    }),
  );
}

const thresholdIn = ({ lowAmps, highAmps }: { lowAmps: number; highAmps: number }, at: number) =>
  lowAmps + at * (highAmps - lowAmps);

/** Every test there is to choose from; a trial that was made already with just that is not asked for again. */
function testsFor(job: Job, circuitId: string, heard: boolean): Test[] {
  const off: Conditions = { lights: false, brake: false, engine: false };
  const trial = (
    id: TurnLookId,
    minutes: number,
    on: Conditions,
    change: (job: Job, side: readonly TurnCircuit[]) => Job = (same) => same,
    configuration: Configuration = 'leds',
  ): Test => {
    // Where the threshold lies changes nothing of what is drawn: each way is tried once.
    const tried = new Map<JobAnalysis, PointVerdict[][]>();
    return {
      id,
      minutes,
      shows: (supposed) => {
        const { analysis, side } = supposed;
        const points = tried.get(analysis) ?? pointsWith(analysis, side, on, change, configuration);
        tried.set(analysis, points);
        return anyOf(shownAt(points, supposed));
      },
    };
  };
  const tests: Test[] = [
    { id: 'listen', minutes: 1, shows: ({ kind }) => anyOf(HEARD[kind]) },
    trial('trial', 3, off),
    trial('trial-lights', 3, { ...off, lights: true }),
    trial('trial-engine', 3, { ...off, engine: true }),
    trial('one-filament', 5, off, withOneFilament),
    trial('outputs', 8, off, loadedAcross, 'cured'),
    { id: 'relay', minutes: 10, shows: ({ kind }) => anyOf([kind]) },
  ];
  const tried = wasMade(job, circuitId, 'trial');
  return tests.filter(({ id }) => {
    if (id === 'listen') return !heard;
    if (id === 'outputs') return job.vehicle.facts?.turnOutputs !== undefined;
    // What is done once more in another way comes after it was done once.
    if (id === 'trial-lights' || id === 'trial-engine') return tried && !wasMade(job, circuitId, id);
    return !wasMade(job, circuitId, id);
  });
}

/** One main lamp of a side as it left the works. */
function withOneFilament(job: Job, side: readonly TurnCircuit[]): Job {
  const led = side
    .flatMap(lampIdsOf)
    .find((id) => job.chosen[id] && lampById(job.vehicle, id).role === 'main');
  return led === undefined ? job : { ...job, chosen: { ...job.chosen, [led]: null } };
}

/** The stock bulbs of a side with its front main one out, and a load as heavy across a rear one. */
function loadedAcross(job: Job, side: readonly TurnCircuit[]): Job {
  const mains = side
    .flatMap(lampIdsOf)
    .map((id) => lampById(job.vehicle, id))
    .filter(({ role }) => role === 'main');
  const front = mains.find(({ end }) => end !== 'rear');
  const rear = mains.find(({ end }) => end === 'rear');
  if (!front || !rear) return job;
  // A stock bulb is at hand where one of them has a bulb.
  const [bulbLamp] = [front, ...mains].filter(({ works }) => !works);
  if (!bulbLamp) return job;
  const { testVolts, amps } = signalFilament(bulbOf(job, bulbLamp));
  const piece = { partId: null, ohms: testVolts / amps, watts: 50, tolerance: 0.01 };
  const chosen = Object.fromEntries(side.flatMap(lampIdsOf).map((id) => [id, null]));
  const { lamps } = job.lookOver;
  return {
    ...job,
    chosen: { ...job.chosen, ...chosen },
    lookOver: { ...job.lookOver, lamps: { ...lamps, [front.id]: { condition: 'dead', note: '' } } },
    cures: {
      [side[0]?.id ?? '']: {
        kind: 'load-resistor',
        networks: [{ lampId: rear.id, connection: 'parallel', pieces: [piece] }],
      },
    },
    vehicleCures: [],
  };
}

/** What a trial draws on one way at each output of a side, and the bands there, by the supplies it may be made at. */
function pointsWith(
  analysis: JobAnalysis,
  side: readonly TurnCircuit[],
  { lights, brake, engine }: Conditions,
  change: (job: Job, side: readonly TurnCircuit[]) => Job,
  configuration: Configuration,
): PointVerdict[][] {
  const job = change(analysis.job, side);
  const judge = new Judge(job === analysis.job ? analysis : analysis.with(job), configuration);
  return likelySupply(job.vehicle.systemVolts, engine).map((volts) =>
    side.map((circuit) => judge.circuitAt(circuit, volts, { lights, brake })),
  );
}

function shownAt(points: readonly PointVerdict[][], { kind, at, draws }: Supposed): TrialResult[] {
  // One output that falls short is what is seen of its side.
  const shown = points.flatMap((side) =>
    side.some(({ amps, band }) => amps[draws] < thresholdIn(band, at))
      ? UNDERLOADED[kind].shows
      : ['normal' as const],
  );
  return [...new Set(shown)];
}

function wasMade(job: Job, circuitId: string, id: TurnLookId): boolean {
  const circuit = turnCircuits(job.vehicle).find((each) => each.id === circuitId);
  if (!circuit) return false;
  const lamps = fittedNow(job, [circuitId], 'leds').lamps;
  const side = turnCircuitsOn(job.vehicle, circuit.side).map(({ id: each }) => each);
  return ownSideSeen(job).some(({ circuitId: of, fitted, on }) => {
    if (!side.includes(of) || fitted.networks.length > 0 || fitted.out.length > 0) return false;
    const filaments = Object.keys(lamps).filter(
      (each) => lamps[each] !== (fitted.lamps[each] ?? null),
    ).length;
    if (id === 'one-filament') return filaments === 1;
    if (filaments > 0) return false;
    if (id === 'trial-lights') return on?.lights === true;
    if (id === 'trial-engine') return on?.engine === true;
    return id === 'trial' && on?.lights !== true && on?.engine !== true;
  });
}

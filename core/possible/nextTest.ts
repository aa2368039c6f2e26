import { UNDERLOADED } from '../devices/flasher.ts';
import { bestTest, type TestChoice } from '../evidence/nextTest.ts';
import { regionWords } from '../formatting/regionWords.ts';
import type { JobAnalysis } from '../judge/analysis.ts';
import { Judge } from '../judge/judge.ts';
import type { PointVerdict } from '../judge/verdict.ts';
import { ownWatcherSeen } from '../judge/watcherSeen.ts';
import { likelySupply, workingPoints } from '../judge/workingPoints.ts';
import type { Conditions, TrialResult } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import { lampById, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { analysesOf, waysOf } from './ways.ts';

/** Something cheap to look at or to try that tells apart what is open. */
export interface NextTest {
  id: 'listen' | 'relay' | 'trial' | 'trial-lights' | 'trial-engine' | 'one-filament';
  minutes: number;
  /** what to do */
  act: string;
  /** what its outcomes mean */
  means: string;
}

/** One way a circuit may be, with its threshold somewhere: what a test shows of it is certain, or nearly. */
interface Supposed {
  kind: FlasherKind;
  analysis: JobAnalysis;
  circuit: TurnCircuit;
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
  const supposed = [...analysesOf(waysOf(job, shelf))].flatMap(([way, analysis]) => {
    const circuit = turnCircuits(analysis.job.vehicle).find(({ id }) => id === circuitId);
    return circuit ? suppositions(way.flasher, analysis, circuit) : [];
  });
  const best = bestTest(
    testsFor(job, circuitId, heard),
    supposed.map((is) => ({ is, weight: 1, follows: is.does })),
    WORTH,
  );
  if (!best) return null;
  const { id, minutes, act, means } = best.test;
  const { region } = job.vehicle;
  return { id, minutes, act: regionWords(region, act), means: regionWords(region, means) };
}

function suppositions(kind: FlasherKind, analysis: JobAnalysis, circuit: TurnCircuit): Supposed[] {
  const judge = new Judge(analysis, 'leds');
  const points = workingPoints(analysis.job.vehicle.systemVolts).map(({ volts }) =>
    judge.circuitAt(circuit, volts),
  );
  const draws = points.some(({ amps }) => amps.high > amps.low * 1.02) ? ['low', 'high'] : ['low'];
  return PLACES.flatMap((at) =>
    (draws as Supposed['draws'][]).map((end) => {
      const short = points.some(({ amps, band }) => amps[end] < thresholdIn(band, at));
      return { kind, analysis, circuit, at, draws: end, does: short ? `short ${kind}` : 'holds' };
    }),
  );
}

const thresholdIn = ({ lowAmps, highAmps }: { lowAmps: number; highAmps: number }, at: number) =>
  lowAmps + at * (highAmps - lowAmps);

/** Every test there is to choose from; a trial that was made already with just that is not asked for again. */
function testsFor(job: Job, circuitId: string, heard: boolean): Test[] {
  const off: Conditions = { lights: false, brake: false, engine: false };
  const trial = (
    id: NextTest['id'],
    minutes: number,
    on: Conditions,
    words: Pick<NextTest, 'act' | 'means'>,
    change: (job: Job, circuit: TurnCircuit) => Job = (same) => same,
  ): Test => {
    // Where the threshold lies changes nothing of what is drawn: each way is tried once.
    const tried = new Map<JobAnalysis, PointVerdict[]>();
    return {
      id,
      minutes,
      ...words,
      shows: (supposed) => {
        const { analysis, circuit } = supposed;
        const points = tried.get(analysis) ?? pointsWith(analysis, circuit, on, change);
        tried.set(analysis, points);
        return anyOf(shownAt(points, supposed));
      },
    };
  };
  const tests: Test[] = [
    {
      id: 'listen',
      minutes: 1,
      act: 'Hazard on: listen for a click under the dash',
      means: 'A click is a relay. Silence is mostly a controller.',
      shows: ({ kind }) => anyOf(HEARD[kind]),
    },
    trial('trial', 3, off, {
      act: 'Fit them on one side and switch on, engine off',
      means: 'Normal, fast, slow or a message: each tells what watches, and from how much on.',
    }),
    trial(
      'trial-lights',
      3,
      { ...off, lights: true },
      {
        act: 'The same with the lights on, engine off',
        means: 'Fast only with the lights on is a shared earth, or a threshold that lies close.',
      },
    ),
    trial(
      'trial-engine',
      3,
      { ...off, engine: true },
      {
        act: 'The same with the engine running',
        means: 'LEDs and filaments follow the supply in another way: what it does now bounds the threshold.',
      },
    ),
    trial(
      'one-filament',
      5,
      off,
      {
        act: 'Put one filament bulb back on that side, the LED stays in the other',
        means:
          'Normal with one filament says how much load is missing; fast says that even that is too little.',
      },
      withOneFilament,
    ),
    {
      id: 'relay',
      minutes: 10,
      act: 'Find the relay and read what is printed on it',
      means: 'Its kind and its load settle how it flashes.',
      shows: ({ kind }) => anyOf([kind]),
    },
  ];
  const tried = wasMade(job, circuitId, 'trial');
  return tests.filter(({ id }) => {
    if (id === 'listen') return !heard;
    // What is done once more in another way comes after it was done once.
    if (id === 'trial-lights' || id === 'trial-engine') return tried && !wasMade(job, circuitId, id);
    return !wasMade(job, circuitId, id);
  });
}

/** One main lamp of a side as it left the works. */
function withOneFilament(job: Job, circuit: TurnCircuit): Job {
  const led = lampIdsOf(circuit).find((id) => job.chosen[id] && lampById(job.vehicle, id).role === 'main');
  return led === undefined ? job : { ...job, chosen: { ...job.chosen, [led]: null } };
}

/** What a trial draws on one way, and the band there, over the supplies it may be made at. */
function pointsWith(
  analysis: JobAnalysis,
  circuit: TurnCircuit,
  { lights, brake, engine }: Conditions,
  change: (job: Job, circuit: TurnCircuit) => Job,
): PointVerdict[] {
  const job = change(analysis.job, circuit);
  const judge = new Judge(job === analysis.job ? analysis : analysis.with(job), 'leds');
  return likelySupply(job.vehicle.systemVolts, engine).map((volts) =>
    judge.circuitAt(circuit, volts, { lights, brake }),
  );
}

function shownAt(points: readonly PointVerdict[], { kind, at, draws }: Supposed): TrialResult[] {
  const shown = points.flatMap(({ amps, band }) =>
    amps[draws] < thresholdIn(band, at) ? UNDERLOADED[kind].shows : ['normal' as const],
  );
  return [...new Set(shown)];
}

function wasMade(job: Job, circuitId: string, id: NextTest['id']): boolean {
  const circuit = turnCircuits(job.vehicle).find((each) => each.id === circuitId);
  if (!circuit) return false;
  const lamps = fittedNow(job, [circuitId], 'leds').lamps;
  return ownWatcherSeen(job).some(({ circuitId: of, fitted, on }) => {
    if (of !== circuitId || fitted.networks.length > 0 || fitted.out.length > 0) return false;
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

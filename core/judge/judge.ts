// Longer than 300 lines: every verdict is told from the same simulations, which one class holds.
import { widestTolerance } from '../circuit/resistorNetwork.ts';
import { underloadedRate } from '../devices/flasher.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Circuit, TurnCircuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { feedFuseId, lampIdsOf, turnCircuits, turnCircuitsOn, turnSides } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { outputOf } from '../simulation/controls.ts';
import { ALONE } from '../simulation/litState.ts';
import { controlsFor } from '../simulation/moment.ts';
import type { TurnCircuits } from '../simulation/turnCircuits.ts';
import { JobAnalysis } from './analysis.ts';
import { coverOf } from './cover.ts';
import { broken, heaviest, limitStates } from './limits.ts';
import { acrossPairs, mirrored, pointsAcross } from './mirror.ts';
import { predictRate } from './ratePrediction.ts';
import { backFeedRequirement } from './requirements/backFeed.ts';
import { fuseRequirement } from './requirements/fuse.ts';
import type { LimitCheck } from './requirements/limit.ts';
import { outputLimit, turnOutputs } from './requirements/output.ts';
import { relayLimit } from './requirements/relay.ts';
import { type Finding, REQUIREMENTS } from './requirements/requirements.ts';
import { resistorLimits } from './requirements/resistor.ts';
import type { Scene } from './requirements/scene.ts';
import { switchLimit } from './requirements/switch.ts';
import { isContent, watchAt, watchPoints, worstPoint } from './requirements/watch.ts';
import { looksOf, type Watched, type WatcherLook } from './requirements/watcherLooks.ts';
import { isTurn } from './scenario.ts';
import { type ShortSeen, saysShort, seenShort, seenWithThis } from './seenShort.ts';
import { byWorst, VERDICT_STATES, type VerdictState, worstState } from './states.ts';
import { type Variant, variantOf } from './variants.ts';
import type {
  CircuitVerdict,
  Ground,
  HazardVerdict,
  JudgedPoint,
  PointVerdict,
  RatePrediction,
  TurnCircuitVerdict,
  TurnVerdict,
} from './verdict.ts';
import { watchedBy } from './watchedBy.ts';
import { chargingVolts, testVolts, workingPoints } from './workingPoints.ts';

/**
 * Judges a job in one of its configurations: every circuit, of whatever kind, against everything it must satisfy, over
 * working points, what else is on, moments of looking, tolerances, and every way the job may turn out to be. Holds
 * its simulations, so that a slider can ask often.
 */
export class Judge {
  private readonly variants: readonly Variant[];
  private readonly distinct = new Map<string, readonly Variant[]>();
  private mirrorImages: readonly (readonly [TurnCircuit, TurnCircuit])[] | null | undefined;
  private readonly judgedPoints = new Map<string, readonly JudgedPoint[]>();
  private readonly fuses = new Map<string, LimitCheck[]>();
  private readonly looked = new Map<string, WatcherLook[][]>();

  /** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
  constructor(
    readonly analysis: JobAnalysis,
    readonly configuration: Configuration,
  ) {
    this.variants = analysis.possibilities.map((each) => variantOf(each, analysis.shelf, configuration));
  }

  static of(job: Job, shelf: Shelf, configuration: Configuration): Judge {
    return new Judge(JobAnalysis.of(job, shelf), configuration);
  }

  /**
   * The variants that differ for a circuit: what is on steadily does not mind which bulbs are in lamps that bear on none of
   * it, nor who counts the repeaters.
   */
  private variantsFor(circuit: Circuit): readonly Variant[] {
    if (isTurn(circuit) || this.variants.length === 1) return this.variants;
    let mine = this.distinct.get(circuit.id);
    if (!mine) {
      const near = this.turns.simulation.bearing.together([circuit.id]);
      const lampIds = new Set(this.vehicle.circuits.filter(({ id }) => near.has(id)).flatMap(lampIdsOf));
      const met = new Map<string, Variant>();
      for (const variant of this.variants) {
        const { identified, vehicle } = variant.possibility.job;
        const key = vehicle.lamps
          .filter(({ id }) => lampIds.has(id))
          .map(({ id, works }) => (works ? JSON.stringify(works) : (identified[id] ?? '')))
          .join();
        if (!met.has(key)) met.set(key, variant);
      }
      mine = [...met.values()];
      this.distinct.set(circuit.id, mine);
    }
    return mine;
  }

  get job(): Job {
    return this.analysis.job;
  }

  /** The turn circuits as they most likely are. */
  get turns(): TurnCircuits {
    return this.likeliest.fitted[0] as TurnCircuits;
  }

  private get likeliest(): Variant {
    return this.variants[0] as Variant;
  }

  private get vehicle(): Vehicle {
    return this.likeliest.possibility.job.vehicle;
  }

  private get flasher(): Flasher {
    return this.turns.fitment.flasher;
  }

  private get tolerance(): number {
    return widestTolerance(this.turns.fitment.resistors);
  }

  /** One circuit at one supply voltage, against whoever watches its current. */
  circuitAt(circuit: Circuit, emfVolts: number, company = ALONE): PointVerdict {
    const sides = isTurn(circuit) ? [circuit.side] : [];
    return watchAt(this.variantsFor(circuit), { circuit, sides, emfVolts, company });
  }

  /**
   * What whoever watches a circuit says with one of its lamps dead, at the bulb standard's volts: where it holds the dead
   * lamp is hidden, where it falls short it is called.
   */
  withDead(circuit: Circuit, lampId: string): VerdictState {
    const sides = isTurn(circuit) ? [circuit.side] : [];
    const emfVolts = testVolts(this.vehicle.systemVolts);
    const what = { circuit, sides, emfVolts, company: ALONE, without: lampId };
    return watchAt(this.variantsFor(circuit), what).state;
  }

  /**
   * Both sides together at one supply voltage: a relay sees the sum, against the band of the side that asks for
   * more; a controller sees each output by itself, and the weakest decides.
   */
  hazardAt(emfVolts: number, company = ALONE): PointVerdict {
    const sides = turnSides(this.vehicle);
    const circuits = this.mirror?.map(([one]) => one) ?? turnCircuits(this.vehicle);
    const points = circuits.map((circuit) => watchAt(this.variants, { circuit, sides, emfVolts, company }));
    return points.reduce((weak, each) => {
      // Under one relay all sides show the same current, and the side that asks for more decides.
      return coverOf(each) < coverOf(weak) ? each : weak;
    });
  }

  /**
   * Every look of whoever watches a circuit in one moment, of each way the job may be: what a moment with something wrong
   * is laid against.
   *
   * @param flasher who watches, where it is not as it is fitted
   * @param moments the looks to take, s after it came on; those of the watcher where left out
   */
  looks(what: Watched, flasher = this.flasher, moments?: readonly number[]): WatcherLook[][] {
    const { circuit, sides, emfVolts, company } = what;
    const as = flasher === this.flasher ? '' : JSON.stringify(flasher);
    const key = `${circuit.id} ${sides.join()} ${emfVolts} ${company.lights} ${company.brake} ${moments?.join()} ${as}`;
    let looks = this.looked.get(key);
    if (!looks) {
      looks = this.variantsFor(circuit).map((variant) => [...looksOf(variant, what, flasher, moments)]);
      this.looked.set(key, looks);
    }
    return looks;
  }

  /** Both sides, hazard, and every limit, over all working points. */
  verdict(): TurnVerdict {
    const circuits = this.sideVerdicts();
    const hazard = this.job.vehicle.hazardSwitch ? this.hazardVerdict() : null;
    return {
      circuits,
      hazard,
      state: worstState([...circuits.map((each) => each.state), ...(hazard ? [hazard.state] : [])]),
      unknowns: this.analysis.unknowns,
    };
  }

  /**
   * What hazard adds to the verdict of the sides. Where one watcher counts all lamps a second side only ever adds to what
   * it sees: it can break a limit, and do no other harm.
   */
  hazardState(): VerdictState {
    if (this.flasher.kind === 'controller') return this.hazardVerdict().state;
    const supplies = workingPoints(this.vehicle.systemVolts).map(({ volts }) => volts);
    return worstState(limitStates(this.hazardLimits(supplies)));
  }

  /** Every turn circuit; what is the mirror image of another is not asked for again. */
  sideVerdicts(): TurnCircuitVerdict[] {
    const mirror = this.mirror ?? [];
    return turnCircuits(this.vehicle).map((circuit) => {
      const [one] = mirror.find(([, other]) => other === circuit) ?? [];
      return one
        ? this.sideVerdict(circuit, { of: one, points: pointsAcross(this.pointsOf(one), one, circuit) })
        : this.sideVerdict(circuit);
    });
  }

  /**
   * One turn circuit over all working points.
   *
   * @param image the circuit it is the mirror image of, and its own points told of that: their currents are the same
   */
  sideVerdict(
    circuit: TurnCircuit,
    image?: { of: TurnCircuit; points: readonly JudgedPoint[] },
  ): TurnCircuitVerdict {
    const asked = image?.of ?? circuit;
    const points = image?.points ?? this.pointsOf(circuit);
    const litAmps = () => this.litAmps([asked], suppliesOf(points));
    const limits = [
      // Without a hazard switch one side at a time is all that fuse and relay ever carry.
      ...(this.job.vehicle.hazardSwitch
        ? []
        : [
            ...this.fuse(this.vehicle.flasher.fuseId),
            ...relayLimit(this.vehicle, this.flasher, litAmps, 'side'),
            ...this.outputLimits([circuit], suppliesOf(points)),
          ]),
      ...(circuit.stopFuseId === undefined ? [] : this.fuse(circuit.stopFuseId)),
      ...switchLimit(this.flasher, litAmps, () =>
        this.stockAmpsAt(asked, chargingVolts(this.vehicle.systemVolts)),
      ),
      ...this.resistors(circuit),
    ];
    const predicted = this.rateOf(asked, points);
    const judged = this.judged(circuit, points, limits, predicted.high, asked);
    const worst = worstPoint(points);
    const { findings } = judged;
    // What was seen with this very fitment is known, whatever the band still leaves open.
    const seen = judged.watched === 'either-way' ? seenShort(this.job, circuit, this.configuration) : null;
    const watched = seen ? 'falls-short' : judged.watched;
    const state = seen ? worstState([judged.state, watched]) : judged.state;
    const short = underloadedRate(this.flasher);
    const rate = seen ? { low: Math.min(short, predicted.high), high: short } : predicted;
    const first: Ground = seen
      ? { of: 'seen', trial: seen }
      : this.flashGround('lamps', state, watched, limits, findings);
    return {
      ...judged,
      state,
      watched,
      side: circuit.side,
      worst,
      rate,
      why: [first, ...judged.why],
    };
  }

  /** The turn circuits each with its mirror image, where both sides are that of each other; null where they are not. */
  private get mirror(): readonly (readonly [TurnCircuit, TurnCircuit])[] | null {
    if (this.mirrorImages === undefined) {
      const pairs = acrossPairs(this.turns);
      const alike = pairs?.every(([one, other]) => mirrored(this.variants, one, other));
      this.mirrorImages = pairs && alike ? pairs : null;
    }
    return this.mirrorImages;
  }

  /** Every working point of a circuit, against whoever watches it or may. */
  private pointsOf(circuit: Circuit): readonly JudgedPoint[] {
    let points = this.judgedPoints.get(circuit.id);
    if (!points) {
      points = watchPoints(this.variantsFor(circuit), circuit, (at, company) =>
        this.circuitAt(circuit, at, company),
      );
      this.judgedPoints.set(circuit.id, points);
    }
    return points;
  }

  /**
   * How fast the side of a circuit may flash. A controller's outputs of one side flash together: what makes one of them
   * hurry makes all.
   *
   * @param points of the circuit itself
   */
  private rateOf(circuit: TurnCircuit, points: readonly JudgedPoint[]): RatePrediction {
    const own = predictRate(this.flasher, points, this.flowing([circuit]));
    const others = turnCircuitsOn(this.vehicle, circuit.side).filter(({ id }) => id !== circuit.id);
    const rates = [
      own,
      ...others.map((each) => predictRate(this.flasher, this.pointsOf(each), this.flowing([each]))),
    ];
    return {
      low: Math.max(...rates.map(({ low }) => low)),
      high: Math.max(...rates.map(({ high }) => high)),
    };
  }

  /** A circuit of any kind. */
  circuit(circuit: Circuit): CircuitVerdict {
    if (isTurn(circuit)) return this.sideVerdict(circuit);
    // Whether anything watches it nobody may know: it is judged as if, and what that says is said with an if.
    const { who: watcher, open } = watchedBy(
      { vehicle: this.vehicle, evidence: this.job.evidence },
      this.flasher,
      circuit,
    );
    const points = watcher === null ? [] : this.pointsOf(circuit);
    const output = outputOf({ ...this.vehicle, flasher: this.flasher }, circuit);
    const limits = [
      ...this.fuse(feedFuseId(this.vehicle, circuit)),
      // An output guards itself whether or not it watches.
      ...(output
        ? [
            outputLimit(
              this.flasher.name,
              output,
              points.length > 0 ? highest(points) : this.mostAmps(circuit),
            ),
          ]
        : []),
      ...this.resistors(circuit),
    ];
    const asIf = this.judged(circuit, points, limits);
    const seen = seenWithThis(this.job, circuit, this.configuration);
    const short = seen.find(saysShort);
    if (short) return withSeen(asIf, short);
    const judged = open ? withWatched(asIf, atWorst(asIf.watched, 'either-way')) : asIf;
    const quiet = seen.find(({ result }) => result === 'normal');
    const steady: Ground = {
      of: 'steady',
      flasher: this.flasher,
      watcher: points.length > 0 ? watcher : null,
      asIf: open && asIf.watched !== 'holds',
      quiet: judged.watched === 'holds' ? null : (quiet ?? null),
    };
    const why = inOrder([
      { state: judged.watched, ground: steady },
      ...judged.findings.map(asGround),
      ...limits
        .filter(({ ok, open }) => !ok || open)
        .map((limit) => ({
          state: limit.open ? ('either-way' as const) : ('too-much' as const),
          ground: { of: 'limits' as const, limits: [limit] },
        })),
    ]);
    return { ...judged, why };
  }

  /** Whether a side surely lights lamps of the other through the pilot between them. */
  backFeeds(circuit: Circuit): boolean {
    const said = saidBy(backFeedRequirement, this.scenes(circuit, null));
    return said.some(({ state }) => state === 'falls-short');
  }

  /** Whether whoever watches the current of a circuit is content with it, whatever is not known; nobody else is asked. */
  contents(circuit: Circuit): boolean {
    return isContent(this.variantsFor(circuit), circuit);
  }

  /** What whoever watches turn lamps makes of them; where a limit is broken that alone. */
  private flashGround(
    subject: Extract<Ground, { of: 'flash' }>['subject'],
    state: VerdictState,
    watched: VerdictState,
    limits: readonly LimitCheck[],
    findings: readonly Finding[],
    said: readonly LimitCheck[] = [],
  ): Ground {
    const over = broken(limits);
    if (state === 'too-much' && over.length > 0) return { of: 'limits', limits: over };
    const open = limits.filter((limit) => limit.open);
    const settled = findings.every((finding) => finding.state === 'holds');
    if (state === 'either-way' && watched === 'holds' && settled && open.length > 0)
      return { of: 'limits', limits: open };
    const wrong = findings.filter((finding) => finding.state !== 'holds');
    return { of: 'flash', subject, flasher: this.flasher, wrong, limits: said };
  }

  private judged(
    circuit: Circuit,
    points: readonly JudgedPoint[],
    limits: readonly LimitCheck[],
    ratePerMinute: number | null = null,
    asked = circuit,
  ): CircuitVerdict {
    const findings = this.findings(circuit, ratePerMinute);
    const watched = worstState(points.map((each) => each.state));
    return {
      circuitId: circuit.id,
      kind: circuit.kind,
      side: circuit.side,
      state: worstState([watched, ...limitStates(limits), ...findings.map((finding) => finding.state)]),
      watched,
      points,
      worst: points.length > 0 ? worstPoint(points) : null,
      rate: null,
      limits,
      findings,
      ...this.drawn(asked),
      why: inOrder(findings.map(asGround)),
    };
  }

  /** Every requirement on every variant: where they do not agree, it could go either way. */
  private findings(circuit: Circuit, ratePerMinute: number | null): Finding[] {
    const scenes = this.scenes(circuit, ratePerMinute);
    return REQUIREMENTS.flatMap((requirement) => saidBy(requirement, scenes));
  }

  private scenes(circuit: Circuit, ratePerMinute: number | null): Scene[] {
    return this.variantsFor(circuit).flatMap(({ possibility, fitted }) =>
      fitted.map(
        (turns): Scene => ({
          job: possibility.job,
          configuration: this.configuration,
          vehicle: possibility.job.vehicle,
          circuit,
          fitted: turns,
          healthy: possibility.bands.turns,
          tolerance: this.tolerance,
          ratePerMinute,
        }),
      ),
    );
  }

  private drawn(circuit: Circuit): { stockAmps: number; amps: number } {
    const at = testVolts(this.vehicle.systemVolts);
    const now = this.ampsAt(this.turns, circuit, at);
    return { stockAmps: this.stockAmpsAt(circuit, at), amps: now };
  }

  /** What the healthy stock bulbs of a circuit draw, A. */
  private stockAmpsAt(circuit: Circuit, emfVolts: number): number {
    return this.ampsAt(this.likeliest.possibility.bands.turns, circuit, emfVolts);
  }

  private ampsAt(turns: TurnCircuits, circuit: Circuit, emfVolts: number): number {
    return isTurn(circuit)
      ? (turns.solve({ emfVolts, sides: [circuit.side] }).wireAmps[circuit.id] ?? 0)
      : turns.simulation.at({ controls: controlsFor(circuit), emfVolts }, [circuit.id]).wireAmps(circuit.id);
  }

  private resistors(circuit: Circuit): LimitCheck[] {
    const inputs = new Set(circuit.feeds.map(({ lampId, input }) => `${lampId} ${input}`));
    const networks = this.turns.fitment.resistors.filter((each) =>
      inputs.has(`${each.lampId} ${each.input ?? 'main'}`),
    );
    if (networks.length === 0) return [];
    const limits = resistorLimits(this.vehicle, networks, this.voltsAcross(circuit));
    // The small one beside a charge lamp lives in air.
    return circuit.excite ? limits.filter((limit) => limit.kind !== 'mount') : limits;
  }

  /** A charge lamp lies between the key and the alternator: its resistor never has the vehicle's volts across it. */
  private voltsAcross(circuit: Circuit): number {
    const emfVolts = chargingVolts(this.vehicle.systemVolts);
    const [feed] = circuit.feeds;
    if (!circuit.excite || !feed) return emfVolts;
    const probes = this.turns.simulation.at({ controls: controlsFor(circuit), emfVolts }, [circuit.id]);
    return probes.lampVolts(feed.lampId, feed.input);
  }

  private fuse(fuseId: string): LimitCheck[] {
    let limits = this.fuses.get(fuseId);
    if (!limits) {
      const each = this.variants.flatMap(({ possibility, most }) =>
        most.map((turns) => fuseRequirement(turns, possibility.bands, fuseId, this.tolerance)),
      );
      limits = each.reduce((worst, some) => (heaviest(some) > heaviest(worst) ? some : worst));
      this.fuses.set(fuseId, limits);
    }
    return limits;
  }

  private hazardVerdict(): HazardVerdict {
    const [first] = turnCircuits(this.vehicle);
    const points = watchPoints(this.variants, first as TurnCircuit, (at, company) =>
      this.hazardAt(at, company),
    );
    const supplies = suppliesOf(points);
    const litAmps = this.litAmps(turnCircuits(this.vehicle), supplies);
    const limits = this.hazardLimits(supplies);
    const state = worstState([...points.map((each) => each.state), ...limitStates(limits)]);
    const worst = worstPoint(points);
    return {
      state,
      points,
      worst,
      litAmps,
      rate: predictRate(this.flasher, points, this.flowing(turnCircuits(this.vehicle))),
      limits,
      why: [
        this.flashGround(
          this.flasher.kind === 'controller' ? 'weaker-side' : 'both-sides',
          state,
          worstState(points.map((each) => each.state)),
          limits,
          [],
          limits.slice(0, 1),
        ),
      ],
    };
  }

  private hazardLimits(supplies: readonly number[]): LimitCheck[] {
    const circuits = turnCircuits(this.vehicle);
    return [
      ...this.fuse(this.vehicle.flasher.fuseId),
      ...relayLimit(this.vehicle, this.flasher, () => this.litAmps(circuits, supplies), 'hazard'),
      ...this.outputLimits(circuits, supplies),
    ];
  }

  /** What some sides draw together so many seconds after they came on, A. */
  private flowing(circuits: readonly TurnCircuit[]) {
    const sides = [...new Set(circuits.map(({ side }) => side))];
    return (emfVolts: number, lookSeconds: number) =>
      this.turns.solve({ emfVolts, sides, lookSeconds }).totalAmps;
  }

  /** The most a circuit that is on steadily draws over all supplies, however it may be fitted, A. */
  private mostAmps(circuit: Circuit): number {
    const supplies = workingPoints(this.vehicle.systemVolts).map((each) => each.volts);
    return Math.max(
      ...this.variantsFor(circuit).flatMap(({ most }) =>
        most.flatMap((turns) => supplies.map((at) => this.ampsAt(turns, circuit, at))),
      ),
    );
  }

  /** The highest lit current of some sides over all supplies and tolerances, A. */
  private litAmps(circuits: readonly TurnCircuit[], supplies: readonly number[]): number {
    return this.most(
      circuits,
      supplies,
      (turns, at, sides) =>
        turns.solve({ emfVolts: at, sides, resistorFactor: 1 - this.tolerance }).totalAmps,
    );
  }

  /** Each turn output against the most it carries: the sides need not be alike. */
  private outputLimits(circuits: readonly TurnCircuit[], supplies: readonly number[]): LimitCheck[] {
    const ids = circuits.map(({ id }) => id);
    const checks = turnOutputs(this.vehicle, this.flasher)
      .filter(({ circuitId }) => ids.includes(circuitId))
      .map((output) => {
        const carried = this.most(circuits, supplies, (turns, at, sides) => {
          const solved = turns.solve({ emfVolts: at, sides, resistorFactor: 1 - this.tolerance });
          return solved.wireAmps[output.circuitId] ?? 0;
        });
        return outputLimit(this.flasher.name, output, carried);
      });
    // The one nearest to its limit speaks for all.
    return checks.toSorted((a, b) => heaviest([b]) - heaviest([a])).slice(0, 1);
  }

  private most(
    circuits: readonly TurnCircuit[],
    supplies: readonly number[],
    read: (turns: TurnCircuits, emfVolts: number, sides: TurnCircuit['side'][]) => number,
  ): number {
    const sides = [...new Set(circuits.map((circuit) => circuit.side))];
    return Math.max(
      ...this.variants.flatMap(({ most }) =>
        most.flatMap((turns) => supplies.map((at) => read(turns, at, sides))),
      ),
    );
  }
}

interface Ranked {
  state: VerdictState;
  ground: Ground;
}

function asGround(finding: Finding): Ranked {
  return { state: finding.state, ground: { of: 'finding', finding } };
}

function inOrder(grounds: readonly Ranked[]): Ground[] {
  return grounds.toSorted((a, b) => byWorst(a.state, b.state)).map(({ ground }) => ground);
}

/** What one requirement says over all variants: where they do not agree, it could go either way. */
function saidBy(requirement: (scene: Scene) => Finding[], scenes: readonly Scene[]): Finding[] {
  const each = scenes.map(requirement);
  const [first] = each.flat();
  if (!first) return [];
  const states = each.map((found) => worstState(found.map((finding) => finding.state)));
  if (states.every((state) => state === states[0])) return each[0] ?? [];
  return [{ ...first, state: 'either-way', onSome: true }];
}

/** A verdict where whoever may watch says no more than so much. */
function withWatched(asIf: CircuitVerdict, watched: VerdictState): CircuitVerdict {
  const rest = [...limitStates(asIf.limits), ...asIf.findings.map((finding) => finding.state)];
  return { ...asIf, watched, state: worstState([watched, ...rest]) };
}

/** The verdict of a circuit that was seen to fall short with just what is fitted. */
function withSeen(judged: CircuitVerdict, trial: ShortSeen): CircuitVerdict {
  const rest = limitStates(judged.limits);
  return {
    ...judged,
    watched: 'falls-short',
    state: worstState(['falls-short', ...rest, ...judged.findings.map((finding) => finding.state)]),
    why: [{ of: 'seen', trial }, ...judged.why],
  };
}

/** A state, but no worse than another. */
function atWorst(state: VerdictState, most: VerdictState): VerdictState {
  return VERDICT_STATES.indexOf(state) > VERDICT_STATES.indexOf(most) ? most : state;
}

/** The supplies some points were judged at, V. */
function suppliesOf(points: readonly JudgedPoint[]): number[] {
  return [...new Set(points.map(({ volts }) => volts))];
}

function highest(points: readonly JudgedPoint[]): number {
  return Math.max(...points.map((each) => each.amps.high));
}

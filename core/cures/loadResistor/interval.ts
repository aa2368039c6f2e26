import { flasherBand, type OutageBand } from '../../judge/outageBand.ts';
import { litAmpsAllowed } from '../../judge/requirements/allowed.ts';
import type { Memory } from '../../judge/requirements/circuitAmps.ts';
import { SWITCH_MARGIN } from '../../judge/requirements/switch.ts';
import { EQUAL_SHARE } from '../../judge/requirements/watcherLooks.ts';
import { ampsSeen, looksAt } from '../../judge/scenario.ts';
import { chargingVolts, type WorkingPoint, workingPoints } from '../../judge/workingPoints.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Side } from '../../model/vehicle/lamp.ts';
import { lampIdsOf, turnSides } from '../../model/vehicle/lookUp.ts';
import { falsePosition } from '../../numerics/rootFinding.ts';
import { outputOf } from '../../simulation/controls.ts';
import type { LitState } from '../../simulation/litState.ts';
import { leadOhms, type TurnCircuits, watchesRepeaters } from '../../simulation/turnCircuits.ts';
import type { TurnCurrents } from '../../simulation/turnCurrents.ts';

/** The boundary at one working point: the most ohms that still hold there. */
export interface NeedAtPoint {
  point: WorkingPoint;
  /** what the relay must see, A */
  needAmps: number;
  /** what the bulbs now fitted give of it, with the resistor in place, A */
  bulbAmps: number;
  /** what the resistors owe, A */
  oweAmps: number;
  /** so long after the lamps came on it was looked, s; settled where left out */
  lookSeconds?: number | undefined;
  /** volts at the lamp they are judged at */
  lampVolts: number;
  /** the most ohms the side may have together; infinite when nothing is owed */
  maxOhms: number;
}

export interface OhmsInterval {
  /** the point that asks for the least ohms */
  deciding: NeedAtPoint;
  /** most ohms a side, as true value; tolerance is for the caller to take off */
  maxOhms: number;
  /** fewest ohms a side, as true value, that fuse and relay allow in hazard */
  minOhms: number;
  /** which limit sets `minOhms` */
  minSetBy: 'fuse-heating' | 'fuse-lit' | 'relay' | 'output' | 'switch';
  /** the current that limit allows, lit, A */
  allowedAmps: number;
}

interface Bands {
  at(circuit: TurnCircuit, emfVolts: number, lookSeconds?: number): OutageBand;
}

/** Beyond this no load resistor is worth speaking of, ohms. */
const MOST_OHMS = 1e5;
const LEAST_OHMS = 0.01;

/**
 * The ohms a side may have: at most min over V of V_lamp / (I_need(V) − I_bulbs(V)), at least what the
 * fuse and relay allow in hazard with the same resistors on both sides.
 *
 * The upper limit is taken at the lamp with the longest lead and the lower one at the head of the side,
 * so that any spread of the resistors over the lamps keeps both. With lights and brake on too where those
 * bear on the turn lamps: they only ever take from the turn feed.
 *
 * @param fitted the vehicle with its LEDs and no resistors
 * @param bands of the vehicle with all its stock bulbs, narrowed by what was seen on it where anything was
 * @param stockAmps what the side's stock bulbs draw at charging volts, by which its switch is judged, A
 * @param memory what other circuits were found to draw before
 * @param read what the turn fuse is taken to say, where nobody has read it
 */
export function ohmsInterval(
  fitted: TurnCircuits,
  bands: Bands,
  circuit: TurnCircuit,
  stockAmps = bands.at(circuit, chargingVolts(fitted.vehicle.systemVolts)).highAmps,
  memory?: Memory,
  read: 'drawn' | 'most' = 'drawn',
): OhmsInterval {
  const { flasher } = fitted.fitment;
  const printed = flasherBand(flasher, circuit);
  const looks = looksAt(fitted.vehicle, flasher, circuit);
  const needs = workingPoints(fitted.vehicle.systemVolts).map((point): Need => {
    // Of the moments of looking the one at which the bulbs leave most to be brought asks for the least ohms.
    const owed = looks.map((lookSeconds): Owed => {
      const { highAmps } = printed ?? bands.at(circuit, point.volts, lookSeconds);
      const state = leastState(fitted, circuit, point.volts, lookSeconds);
      return { needAmps: highAmps, state, bareAmps: ampsSeen(fitted, circuit, fitted.solve(state)) };
    });
    const most = owed.reduce((more, each) =>
      each.needAmps - each.bareAmps > more.needAmps - more.bareAmps ? each : more,
    );
    return { point, owed: most };
  });
  const deciding = tightestOf(fitted, circuit, needs);
  return { deciding, maxOhms: deciding.maxOhms, ...lowerLimit(fitted, stockAmps, circuit, memory, read) };
}

/** What the bulbs now fitted leave to be brought, at one supply and moment of looking. */
interface Owed {
  needAmps: number;
  bareAmps: number;
  state: LitState;
}

/** What is owed at one working point. */
interface Need {
  point: WorkingPoint;
  owed: Owed;
}

/** The point that asks for the least ohms. Where the least so far does too, a point is not followed to its own. */
function tightestOf(fitted: TurnCircuits, circuit: TurnCircuit, needs: readonly Need[]): NeedAtPoint {
  const lampId = farthestLamp(fitted, circuit);
  // The lowest supply mostly decides, and stands first.
  const [first, ...rest] = needs;
  if (!first) throw new RangeError('there is no working point');
  return rest.reduce(
    (least, each) => {
      const { state, needAmps } = each.owed;
      const loaded = watchedWith(fitted, state, Math.max(LEAST_OHMS, least.maxOhms), lampId);
      if (ampsSeen(fitted, circuit, loaded) >= needAmps) return least;
      const need = needAt(fitted, circuit, each, lampId);
      return need.maxOhms < least.maxOhms ? need : least;
    },
    needAt(fitted, circuit, first, lampId),
  );
}

/** The currents with a resistor thought of at one lamp; none where its ohms are infinite. */
function watchedWith(fitted: TurnCircuits, state: LitState, ohms: number, lampId: string) {
  return fitted.solve(Number.isFinite(ohms) ? { ...state, trial: { ohms, at: { lampId } } } : state);
}

/** Of the lamps of a side that the watcher sees, the one with the longest lead: a resistor does least there. */
function farthestLamp(fitted: TurnCircuits, circuit: TurnCircuit): string {
  return (
    lampIdsOf(circuit)
      .map((id) => fitted.lamp(id))
      // A resistor at an unwatched repeater would do nothing for the watcher.
      .filter((lamp) => lamp.role === 'main' || watchesRepeaters(fitted.fitment))
      .reduce((far, lamp) => (leadOhms(lamp) > leadOhms(far) ? lamp : far)).id
  );
}

/** What else is on mostly takes from the feed; behind a bad earth a converter may give: the least decides. */
function leastState(
  fitted: TurnCircuits,
  circuit: TurnCircuit,
  emfVolts: number,
  lookSeconds: number | undefined,
): LitState {
  const states = fitted.companies.map(
    (company): LitState => ({ emfVolts, sides: [circuit.side], lookSeconds, ...company }),
  );
  const drawn = (state: LitState) => ampsSeen(fitted, circuit, fitted.solve(state));
  return states.reduce((least, each) => (drawn(each) < drawn(least) ? each : least));
}

/** @param lampId the lamp the resistor is thought of at */
function needAt(
  fitted: TurnCircuits,
  circuit: TurnCircuit,
  { point, owed }: Need,
  lampId: string,
): NeedAtPoint {
  const { needAmps, bareAmps, state } = owed;
  const { emfVolts, lookSeconds } = state;
  const solve = (ohms: number) => watchedWith(fitted, state, ohms, lampId);
  if (bareAmps >= needAmps * (1 - EQUAL_SHARE)) {
    return {
      point,
      lookSeconds,
      needAmps,
      bulbAmps: bareAmps,
      oweAmps: 0,
      lampVolts: emfVolts,
      maxOhms: Number.POSITIVE_INFINITY,
    };
  }
  const seen = (ohms: number) => ampsSeen(fitted, circuit, solve(ohms));
  const maxOhms = mostOhms((ohms) => seen(ohms) - needAmps, emfVolts / (needAmps - bareAmps));
  // Where no ohms do, what is told is what the least would bring.
  const loaded = solve(Math.max(LEAST_OHMS, maxOhms));
  const lamp = loaded.lamps.find((each) => each.lampId === lampId);
  const resistorAmps = lamp?.resistorAmps ?? 0;
  return {
    point,
    lookSeconds,
    needAmps,
    bulbAmps: ampsSeen(fitted, circuit, loaded) - resistorAmps,
    oweAmps: resistorAmps,
    lampVolts: lamp?.volts ?? emfVolts,
    maxOhms,
  };
}

type LowerLimit = Pick<OhmsInterval, 'minOhms' | 'minSetBy' | 'allowedAmps'>;

/** Of everything that limits the current, what asks for the most ohms. */
function lowerLimit(
  fitted: TurnCircuits,
  stockAmps: number,
  circuit: TurnCircuit,
  memory: Memory | undefined,
  read: 'drawn' | 'most',
): LowerLimit {
  const { flasher } = fitted.fitment;
  // A side with resistors draws the more the higher its supply, even where its LEDs draw a little less.
  const emfVolts = chargingVolts(fitted.vehicle.systemVolts);
  const within = (
    kind: OhmsInterval['minSetBy'],
    allowedAmps: number,
    sides: readonly Side[],
    read: (currents: TurnCurrents) => number = ({ totalAmps }) => totalAmps,
  ): LowerLimit => {
    const excess = (ohms: number) =>
      read(fitted.solve({ emfVolts, sides, trial: { ohms, at: 'side-feed' } })) - allowedAmps;
    return {
      minSetBy: kind,
      allowedAmps,
      minOhms: excess(MOST_OHMS) > 0 ? Number.POSITIVE_INFINITY : mostOhms(excess, emfVolts / allowedAmps),
    };
  };
  const turns = turnSides(fitted.vehicle);
  const together = fitted.vehicle.hazardSwitch ? turns : turns.slice(0, 1);
  const supply = litAmpsAllowed(fitted, memory, read).reduce((tight, each) =>
    each.allowedAmps < tight.allowedAmps ? each : tight,
  );
  const limits = [within(supply.kind, supply.allowedAmps, together)];
  if (flasher.kind !== 'controller') limits.push(within('switch', SWITCH_MARGIN * stockAmps, [circuit.side]));
  // Each output carries its own lamps alone.
  const output = outputOf(fitted.vehicle, circuit);
  if (output)
    limits.push(
      within('output', output.limitAmps, [circuit.side], (flows) => flows.wireAmps[circuit.id] ?? 0),
    );
  return limits.reduce((tight, each) => (each.minOhms > tight.minOhms ? each : tight));
}

/** A guess is mostly this near. */
const NEAR_GUESS = 0.15;

/**
 * The most ohms at which something that falls with them (a current to spare) is not yet under nought: looked for in
 * 1/ohms, in which a resistor's current is nearly a straight line.
 *
 * @param guess ohms to begin near
 */
function mostOhms(spare: (ohms: number) => number, guess: number): number {
  let [above, below] = [(1 + NEAR_GUESS) / guess, (1 - NEAR_GUESS) / guess];
  let [valueAbove, valueBelow] = [spare(1 / above), spare(1 / below)];
  if (!(valueAbove >= 0 && valueBelow < 0)) {
    [above, valueAbove] = [1 / LEAST_OHMS, spare(LEAST_OHMS)];
    [below, valueBelow] = [1 / MOST_OHMS, spare(MOST_OHMS)];
  }
  if (valueAbove < 0) return 0;
  if (valueBelow >= 0) return MOST_OHMS;
  return 1 / falsePosition((siemens) => spare(1 / siemens), { below, above, valueBelow, valueAbove });
}

import type { Side, TurnCircuit } from '../../model/vehicle.ts';
import { type LitState, leadOhms, type TurnNetwork } from '../../vehicle/turnNetwork.ts';
import { litAmpsAllowed } from '../../verdict/limits.ts';
import { outageBand } from '../../verdict/outageBand.ts';
import { type WorkingPoint, workingPoints } from '../../verdict/workingPoints.ts';

/** The boundary at one working point: the most ohms that still hold there. */
export interface NeedAtPoint {
  point: WorkingPoint;
  /** what the relay must see, A */
  needAmps: number;
  /** what the bulbs now fitted give of it, with the resistor in place, A */
  bulbAmps: number;
  /** what the resistors owe, A */
  oweAmps: number;
  /** volts at the lamp they are judged at */
  lampVolts: number;
  /** the most ohms the side may have together; infinite when nothing is owed */
  maxOhms: number;
}

export interface OhmsInterval {
  needs: readonly NeedAtPoint[];
  /** the point that asks for the least ohms */
  deciding: NeedAtPoint;
  /** most ohms a side, as true value; tolerance is for the caller to take off */
  maxOhms: number;
  /** fewest ohms a side, as true value, that fuse and relay allow in hazard */
  minOhms: number;
  /** which limit sets `minOhms` */
  minSetBy: 'fuse-heating' | 'fuse-lit' | 'relay';
  /** the current that limit allows, lit, A */
  allowedAmps: number;
}

/** Beyond this no load resistor is worth speaking of, ohms. */
const MOST_OHMS = 1e5;
const LEAST_OHMS = 0.01;

/**
 * The ohms a side may have: at most min over V of V_lamp / (I_need(V) − I_bulbs(V)), at least what the
 * fuse and relay allow in hazard with the same resistors on both sides.
 *
 * The upper limit is taken at the lamp with the longest lead and the lower one at the head of the side,
 * so that any spread of the resistors over the lamps keeps both.
 *
 * @param fitted the vehicle with its LEDs and no resistors
 * @param healthy the vehicle with all its stock bulbs
 */
export function ohmsInterval(fitted: TurnNetwork, healthy: TurnNetwork, circuit: TurnCircuit): OhmsInterval {
  const needs = workingPoints(fitted.vehicle.systemVolts).map((point) =>
    needAt(fitted, healthy, circuit, point),
  );
  const deciding = needs.reduce((least, each) => (each.maxOhms < least.maxOhms ? each : least));
  return { needs, deciding, maxOhms: deciding.maxOhms, ...lowerLimit(fitted) };
}

function needAt(
  fitted: TurnNetwork,
  healthy: TurnNetwork,
  circuit: TurnCircuit,
  point: WorkingPoint,
): NeedAtPoint {
  const emfVolts = point.volts;
  const sides = [circuit.side];
  const needAmps = outageBand(healthy, circuit, emfVolts).highAmps;
  const farthest = circuit.lampIds
    .map((id) => fitted.lamp(id))
    // A resistor at an unwatched repeater would do nothing for the watcher.
    .filter((lamp) => lamp.role === 'main' || fitted.vehicle.flasher.watchesRepeaters)
    .reduce((far, lamp) => (leadOhms(lamp) > leadOhms(far) ? lamp : far));
  const solve = (ohms: number) =>
    fitted.solve({ emfVolts, sides, trial: { ohms, at: { lampId: farthest.id } } });
  const bare = fitted.solve({ emfVolts, sides });
  // Two solutions of the same circuit agree to about a millionth.
  if (bare.watchedAmps >= needAmps * (1 - 1e-5)) {
    return {
      point,
      needAmps,
      bulbAmps: bare.watchedAmps,
      oweAmps: 0,
      lampVolts: emfVolts,
      maxOhms: Number.POSITIVE_INFINITY,
    };
  }
  const maxOhms = lastTrue((ohms) => solve(ohms).watchedAmps >= needAmps);
  const state = solve(maxOhms);
  const lamp = state.lamps.find((each) => each.lampId === farthest.id);
  const resistorAmps = lamp?.resistorAmps ?? 0;
  return {
    point,
    needAmps,
    bulbAmps: state.watchedAmps - resistorAmps,
    oweAmps: resistorAmps,
    lampVolts: lamp?.volts ?? emfVolts,
    maxOhms,
  };
}

function lowerLimit(fitted: TurnNetwork): Pick<OhmsInterval, 'minOhms' | 'minSetBy' | 'allowedAmps'> {
  const { circuits, systemVolts } = fitted.vehicle;
  const sides: Side[] = circuits.map((circuit) => circuit.side);
  const tightest = litAmpsAllowed(fitted.vehicle).reduce((tight, each) =>
    each.allowedAmps < tight.allowedAmps ? each : tight,
  );
  const over = (ohms: number) =>
    workingPoints(systemVolts).some(({ volts: emfVolts }) => {
      const state: LitState = { emfVolts, sides, trial: { ohms, at: 'side-feed' } };
      return fitted.solve(state).totalAmps > tightest.allowedAmps;
    });
  return {
    minSetBy: tightest.kind,
    allowedAmps: tightest.allowedAmps,
    minOhms: over(MOST_OHMS) ? Number.POSITIVE_INFINITY : lastTrue(over),
  };
}

/** The largest ohms for which a condition, true for small ohms and false for large, is still true. */
function lastTrue(condition: (ohms: number) => boolean): number {
  let low = Math.log(LEAST_OHMS);
  let high = Math.log(MOST_OHMS);
  if (!condition(LEAST_OHMS)) return 0;
  for (let step = 0; step < 44; step += 1) {
    const middle = (low + high) / 2;
    if (condition(Math.exp(middle))) low = middle;
    else high = middle;
  }
  return Math.exp(low);
}

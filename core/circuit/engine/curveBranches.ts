import { Branch } from './branch.ts';
import { JUNCTION_SIEMENS, limitJunction, THERMAL_VOLTS } from './junction.ts';
import type { ControlState, Element } from './netlist.ts';

/**
 * Past this no lamp's junction goes (e^40 times the least saturation current is a thousand amperes); from there its
 * curve goes on as its tangent, or the sums of the solver would cancel each other.
 */
const MOST_EXPONENT = 40;

export class DiodeBranch extends Branch {
  private junction = 0;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly model: { saturationAmps: number; emission: number },
  ) {
    super(id, a, b);
  }

  linearise(volts: number): void {
    const at = limitJunction(volts, this.junction, this.model);
    this.junction = at;
    const scale = this.model.emission * THERMAL_VOLTS;
    const bend = Math.min(at, MOST_EXPONENT * scale);
    const exponential = this.model.saturationAmps * Math.exp(bend / scale);
    this.siemens = exponential / scale + JUNCTION_SIEMENS;
    const amps = exponential - this.model.saturationAmps + JUNCTION_SIEMENS * bend;
    this.amps = amps - this.siemens * bend;
  }

  override converged(volts: number): boolean {
    return Math.abs(volts - this.junction) < 1e-6;
  }
}

/** Furthest the tangent of a curve is moved in one step, V. */
const CURVE_STEP = 4;
/** This near to where its tangent was last drawn a falling curve is taken as it is, V. */
const NEAR_CURVE = 0.02;

/**
 * A memoryless device given by its current and slope at a voltage. Where its curve is flat (a regulator at
 * its limit) the network may be flung kilovolts away by one tangent; so the point at which the next tangent
 * is drawn moves only so far, and less far each time it has to turn back.
 */
export class CurveBranch extends Branch {
  private at = 0;
  private reach = CURVE_STEP;
  private lastMove = 0;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly curve: (volts: number) => { amps: number; siemens: number },
  ) {
    super(id, a, b);
  }

  linearise(volts: number): void {
    const wanted = volts - this.at;
    if (Math.abs(wanted) <= this.reach) {
      this.at = volts;
      this.reach = Math.min(CURVE_STEP, this.reach * 2);
    } else {
      this.reach = Math.min(CURVE_STEP, this.reach * (wanted * this.lastMove < 0 ? 0.4 : 1.6));
      this.at += Math.sign(wanted) * this.reach;
    }
    this.lastMove = wanted;
    const point = this.curve(this.at);
    // From afar a falling curve would take stiffness out of the matrix, down to nothing, or lead to where a converter
    // cannot stay. Held level it is met again at each step, which closes in on the stable point; near it the true
    // slope does so at once.
    this.siemens = Math.abs(wanted) < NEAR_CURVE ? point.siemens : Math.max(0, point.siemens);
    this.amps = point.amps - this.siemens * this.at;
  }

  override converged(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }
}

/** A converter, at its full power or, while its control is off, at its dim one. */
export class ConverterBranch extends CurveBranch {
  constructor(
    id: string,
    a: number,
    b: number,
    private readonly model: Extract<Element, { kind: 'converter' }>,
  ) {
    const power = { watts: model.watts };
    super(id, a, b, (volts) => converterCurve(volts, power.watts, model.startVolts));
    this.power = power;
  }

  private readonly power: { watts: number };

  override setControls(controls: ControlState): void {
    const { dim, watts } = this.model;
    if (dim) this.power.watts = controls[dim.control] ? watts : dim.watts;
  }
}

/** Volts over which a converter comes on. */
export const CONVERTER_EDGE_VOLTS = 0.2;

/** Constant power above the start, faded in over the edge; the same formula stands in the SPICE text. */
function converterCurve(volts: number, watts: number, startVolts: number): { amps: number; siemens: number } {
  const floor = startVolts / 2;
  const base = Math.max(volts, floor);
  const fade = Math.tanh((volts - startVolts) / CONVERTER_EDGE_VOLTS);
  const on = (1 + fade) / 2;
  const onSlope = (1 - fade * fade) / (2 * CONVERTER_EDGE_VOLTS);
  const power = watts / base;
  return { amps: power * on, siemens: power * onSlope - (volts > floor ? (power / base) * on : 0) };
}

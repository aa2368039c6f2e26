import { Filament } from '../filament.ts';
import { JUNCTION_SIEMENS, limitJunction, THERMAL_VOLTS } from './junction.ts';
import type { ControlState, Element } from './netlist.ts';
import { OPEN_OHMS } from './netlist.ts';

/** How time is stepped: `steady` has none, the others join the state at the last accepted moment to now. */
export type Integration = { kind: 'steady' } | { kind: 'backward-euler' | 'trapezoidal'; seconds: number };

/**
 * One two-terminal element in the solver. `linearise` draws the tangent I ≈ amps + siemens·V at a voltage;
 * elements with memory also `accept` a moment, after which it is their past.
 */
export abstract class Branch {
  amps = 0;
  siemens = 0;

  constructor(
    readonly id: string,
    /** node indices; −1 is earth */
    readonly a: number,
    readonly b: number,
  ) {}

  /** Draws the tangent at the voltage across the branch. Sets `amps` (at V = 0) and `siemens`. */
  abstract linearise(volts: number, how: Integration): void;

  /** Whether the tangent was drawn where the solution then landed. */
  settled(_volts: number): boolean {
    return true;
  }

  /** Current at a voltage, by the tangent. */
  current(volts: number): number {
    return this.amps + this.siemens * volts;
  }

  /** Takes the present solution as the past of the next step. */
  accept(_volts: number, _how: Integration): void {}

  /** Largest relative error of the last step in what this branch remembers, in units of what is tolerated. */
  error(_how: Integration): number {
    return 0;
  }

  /** Sets memory to what a steady state gives. */
  rest(_volts: number): void {}

  /** Whether accepting the last step changed the circuit itself, so that the next must begin anew. */
  get flipped(): boolean {
    return false;
  }

  /** Whether a contact is closed; undefined for what is no contact. */
  get closed(): boolean | undefined {
    return undefined;
  }

  setControls(_controls: ControlState): void {}

  /** Gives the element another value of its own kind: ohms of a resistor, EMF of a battery. */
  setValue(_value: number): void {
    throw new RangeError(`Element "${this.id}" has no value that can be changed`);
  }

  /** Temperature of a filament, K; undefined for everything else. */
  get filamentKelvin(): number | undefined {
    return undefined;
  }
}

class ResistorBranch extends Branch {
  constructor(id: string, a: number, b: number, ohms: number) {
    super(id, a, b);
    this.siemens = 1 / ohms;
  }

  override setValue(ohms: number): void {
    this.siemens = 1 / ohms;
  }

  linearise(): void {}
}

class BatteryBranch extends Branch {
  constructor(id: string, a: number, b: number, volts: number, ohms: number) {
    super(id, a, b);
    this.siemens = 1 / ohms;
    this.amps = -volts / ohms;
  }

  override setValue(volts: number): void {
    this.amps = -volts * this.siemens;
  }

  linearise(): void {}
}

class SwitchBranch extends Branch {
  constructor(
    id: string,
    a: number,
    b: number,
    private readonly control: string,
    private readonly closedOhms: number,
  ) {
    super(id, a, b);
    this.siemens = 1 / OPEN_OHMS;
  }

  override setControls(controls: ControlState): void {
    this.siemens = 1 / (controls[this.control] ? this.closedOhms : OPEN_OHMS);
  }

  linearise(): void {}
}

/** Past this no real junction goes, and the sums of the solver would leave the range of numbers. */
const MOST_EXPONENT = 100;

class DiodeBranch extends Branch {
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
    const exponential = this.model.saturationAmps * Math.exp(Math.min(at / scale, MOST_EXPONENT));
    this.siemens = exponential / scale + JUNCTION_SIEMENS;
    const amps = exponential - this.model.saturationAmps + JUNCTION_SIEMENS * at;
    this.amps = amps - this.siemens * at;
  }

  override settled(volts: number): boolean {
    return Math.abs(volts - this.junction) < 1e-6;
  }
}

/** Furthest the tangent of a curve is moved in one step, V. */
const CURVE_STEP = 4;

/**
 * A memoryless device given by its current and slope at a voltage. Where its curve is flat (a regulator at
 * its limit) the network may be flung kilovolts away by one tangent; so the point at which the next tangent
 * is drawn moves only so far, and less far each time it has to turn back.
 */
class CurveBranch extends Branch {
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
      if (wanted * this.lastMove < 0) this.reach *= 0.4;
      this.at += Math.sign(wanted) * this.reach;
    }
    this.lastMove = wanted;
    const point = this.curve(this.at);
    // A falling curve would take stiffness out of the matrix, down to nothing. Held level instead, it is met
    // again at each step, and since feeds are stiff that closes in just as surely.
    this.siemens = Math.max(0, point.siemens);
    this.amps = point.amps - this.siemens * this.at;
  }

  override settled(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }
}

/** What a capacitor's voltage may be off by in one step, V. */
const CAPACITOR_TOLERANCE = 5e-3;

class CapacitorBranch extends Branch {
  private pastVolts = 0;
  private pastAmps = 0;
  private nowVolts = 0;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly farads: number,
  ) {
    super(id, a, b);
  }

  linearise(volts: number, how: Integration): void {
    this.nowVolts = volts;
    if (how.kind === 'steady') {
      this.siemens = JUNCTION_SIEMENS;
      this.amps = 0;
      return;
    }
    const trapezoidal = how.kind === 'trapezoidal';
    this.siemens = ((trapezoidal ? 2 : 1) * this.farads) / how.seconds;
    this.amps = -this.siemens * this.pastVolts - (trapezoidal ? this.pastAmps : 0);
  }

  override accept(volts: number): void {
    this.pastAmps = this.current(volts);
    this.pastVolts = volts;
  }

  override error(how: Integration): number {
    if (how.kind === 'steady') return 0;
    // What a straight line from the past would have given, against what came.
    const predicted = this.pastVolts + (this.pastAmps / this.farads) * how.seconds;
    return Math.abs(this.nowVolts - predicted) / 3 / CAPACITOR_TOLERANCE;
  }

  override rest(volts: number): void {
    this.pastVolts = volts;
    this.pastAmps = 0;
  }
}

/** What a filament's temperature may be off by in one step, K: about half a percent of its light. */
const FILAMENT_TOLERANCE = 3;

class FilamentBranch extends Branch {
  /** temperature at the last accepted moment and its rate there, K and K/s */
  private pastKelvin = Filament.ambientKelvin;
  private pastRate = 0;
  private kelvin = Filament.ambientKelvin;
  private at = 0;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly filament: Filament,
  ) {
    super(id, a, b);
  }

  override get filamentKelvin(): number {
    return this.kelvin;
  }

  linearise(volts: number, how: Integration): void {
    const turnedRound = this.at * volts < 0;
    this.at = volts;
    if (how.kind === 'steady' && turnedRound) {
      // Current goes with about the root of voltage: near nought tangents leap from side to side of it, so a
      // step that changed sign goes on as the cold wire it is heading for.
      this.kelvin = Filament.ambientKelvin;
      this.siemens = 1 / this.filament.ohmsAt(this.kelvin);
      this.amps = 0;
      return;
    }
    if (how.kind === 'steady') {
      this.kelvin = this.filament.settledKelvin(volts);
      const point = this.filament.operate(volts);
      this.siemens = point.siemens;
      this.amps = point.amps - point.siemens * volts;
      return;
    }
    // The temperature is solved here, inside the device, so that the network sees one unknown a node.
    const share = how.kind === 'trapezoidal' ? how.seconds / 2 : how.seconds;
    const base = this.pastKelvin + (how.kind === 'trapezoidal' ? share * this.pastRate : 0);
    let kelvin = this.kelvin;
    let slope = 1;
    for (let step = 0; step < 12; step += 1) {
      slope = 1 - share * this.filament.coolingSlope(volts, kelvin);
      const excess = kelvin - base - share * this.filament.heatingRate(volts, kelvin);
      const next = Math.max(200, kelvin - excess / slope);
      const moved = Math.abs(next - kelvin);
      kelvin = next;
      if (moved < 1e-3) break;
    }
    this.kelvin = kelvin;
    const ohms = this.filament.ohmsAt(kelvin);
    const amps = volts / ohms;
    const kelvinPerVolt = (share * this.filament.heatingPerVolt(volts, kelvin)) / slope;
    this.siemens = (1 - (Filament.resistancePower * volts * kelvinPerVolt) / kelvin) / ohms;
    this.amps = amps - this.siemens * volts;
  }

  override settled(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }

  override accept(volts: number): void {
    this.pastKelvin = this.kelvin;
    this.pastRate = this.filament.heatingRate(volts, this.kelvin);
  }

  override error(how: Integration): number {
    if (how.kind === 'steady') return 0;
    const rate = this.filament.heatingRate(this.at, this.kelvin);
    // Half the difference of the slopes at both ends of a straight step, a third of which is left by trapezoids.
    return (Math.abs(rate - this.pastRate) * how.seconds) / 6 / FILAMENT_TOLERANCE;
  }

  override rest(volts: number): void {
    this.kelvin = this.filament.settledKelvin(volts);
    this.pastKelvin = this.kelvin;
    this.pastRate = 0;
  }
}

/** How far past its edge a bimetal may be found before the step is taken again, shorter. */
const THERMAL_EDGE = 5e-4;

class ThermalFlasherBranch extends Branch {
  private contact = true;
  private warmth = 0;
  private next = 0;
  /** heating at the last accepted moment and now, in units of what just holds */
  private pastHeat = 0;
  private heat = 0;
  private justFlipped = false;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly model: Extract<Element, { kind: 'thermal-flasher' }>,
  ) {
    super(id, a, b);
    this.siemens = 1 / model.closedOhms;
  }

  linearise(volts: number, how: Integration): void {
    this.siemens = 1 / (this.contact ? this.model.closedOhms : OPEN_OHMS);
    if (how.kind === 'steady') return;
    this.heat = (this.current(volts) / this.model.holdAmps) ** 2;
    // Towards the mean heating of the step the warmth goes along an exact exponential. Right after a jump
    // the past says nothing about the step.
    const target = how.kind === 'trapezoidal' ? (this.heat + this.pastHeat) / 2 : this.heat;
    this.next = target + (this.warmth - target) * Math.exp(-how.seconds / this.model.timeConstant);
  }

  override error(): number {
    const past = this.contact ? this.next - 1 : this.model.closesAt - this.next;
    return past > THERMAL_EDGE ? 1 + past / THERMAL_EDGE : 0;
  }

  override accept(): void {
    this.warmth = this.next;
    this.pastHeat = this.heat;
    const flips = this.contact ? this.warmth >= 1 : this.warmth <= this.model.closesAt;
    if (flips) this.contact = !this.contact;
    this.justFlipped = flips;
  }

  override get flipped(): boolean {
    return this.justFlipped;
  }

  override get closed(): boolean {
    return this.contact;
  }
}

/** The branch of a netlist element between two node indices. */
export function branchOf(element: Element, a: number, b: number): Branch {
  switch (element.kind) {
    case 'resistor':
      return new ResistorBranch(element.id, a, b, element.ohms);
    case 'capacitor':
      return new CapacitorBranch(element.id, a, b, element.farads);
    case 'battery':
      return new BatteryBranch(element.id, a, b, element.volts, element.ohms);
    case 'diode':
      return new DiodeBranch(element.id, a, b, element);
    case 'regulator':
      return new CurveBranch(element.id, a, b, (volts) => {
        const share = Math.tanh(volts / element.kneeVolts);
        return {
          amps: element.amps * share,
          siemens: (element.amps / element.kneeVolts) * (1 - share * share) + 1e-9,
        };
      });
    case 'converter':
      return new CurveBranch(element.id, a, b, (volts) =>
        converterCurve(volts, element.watts, element.startVolts),
      );
    case 'filament':
      return new FilamentBranch(element.id, a, b, new Filament(element.rating));
    case 'switch':
      return new SwitchBranch(element.id, a, b, element.control, element.closedOhms);
    case 'thermal-flasher':
      return new ThermalFlasherBranch(element.id, a, b, element);
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

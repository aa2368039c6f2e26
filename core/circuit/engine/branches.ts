import { Filament } from '../filament.ts';
import { meanSquare } from '../meanSquare.ts';
import { JUNCTION_SIEMENS, limitJunction, THERMAL_VOLTS } from './junction.ts';
import type { ControlState, Element, PulsedFeed } from './netlist.ts';
import { FUSE_HOLD, FUSE_SECONDS, OPEN_OHMS } from './netlist.ts';

/** How time is stepped: `steady` has none, the others join the state at the last accepted moment to now. */
export type Integration = { kind: 'steady' } | { kind: 'backward-euler' | 'trapezoidal'; seconds: number };

/**
 * One two-terminal element in the solver. `linearise` draws the tangent I ≈ amps + siemens·V at a voltage;
 * elements with memory also `accept` a moment, after which it is their past.
 */
export abstract class Branch {
  amps = 0;
  siemens = 0;
  /** its tangent is the same at every voltage and moment: drawn once for all steps until a value changes */
  get straight(): boolean {
    return false;
  }

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

  /** volts of a source of its own; nothing has one but a battery */
  get emf(): number {
    return 0;
  }

  setControls(_controls: ControlState): void {}

  /** Gives the element another value of its own kind: ohms of a resistor, EMF of a battery. */
  setValue(_value: number): void {
    throw new RangeError(`Element "${this.id}" has no value that can be changed`);
  }

  /** Gives a filament another share of the time its pulsed feed is on. */
  setDuty(_duty: number): void {
    throw new RangeError(`Element "${this.id}" is no filament`);
  }

  /** How far past melting a steady current would take a fuse: above 1 it goes. */
  overload(_volts: number): number {
    return 0;
  }

  /** Whether a fuse has melted. */
  get blown(): boolean {
    return false;
  }

  blow(): void {
    throw new RangeError(`Element "${this.id}" is no fuse`);
  }

  /** Holds a filament at the heat it has so long after coming on, dark for so long before; nothing else warms. */
  warm(_volts: number, _sourceVolts: number, _seconds: number, _darkSeconds: number): void {}

  /** Lets a held filament go. */
  release(): void {}

  /** Temperature of a filament, K; undefined for everything else. */
  get filamentKelvin(): number | undefined {
    return undefined;
  }
}

class ResistorBranch extends Branch {
  override get straight(): boolean {
    return true;
  }

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
  override get straight(): boolean {
    return true;
  }

  constructor(id: string, a: number, b: number, volts: number, ohms: number) {
    super(id, a, b);
    this.siemens = 1 / ohms;
    this.amps = -volts / ohms;
  }

  override setValue(volts: number): void {
    this.amps = -volts * this.siemens;
  }

  override get emf(): number {
    return -this.amps / this.siemens;
  }

  linearise(): void {}
}

class SwitchBranch extends Branch {
  override get straight(): boolean {
    return true;
  }

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

/**
 * Past this no lamp's junction goes (e^40 times the least saturation current is a thousand amperes); from there its
 * curve goes on as its tangent, or the sums of the solver would cancel each other.
 */
const MOST_EXPONENT = 40;

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
    const bend = Math.min(at, MOST_EXPONENT * scale);
    const exponential = this.model.saturationAmps * Math.exp(bend / scale);
    this.siemens = exponential / scale + JUNCTION_SIEMENS;
    const amps = exponential - this.model.saturationAmps + JUNCTION_SIEMENS * bend;
    this.amps = amps - this.siemens * bend;
  }

  override settled(volts: number): boolean {
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

  override settled(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }
}

/** A converter, at its full power or, while its control is off, at its dim one. */
class ConverterBranch extends CurveBranch {
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

/** What a capacitor's voltage may be off by in one step, V. */
const CAPACITOR_TOLERANCE = 5e-3;

class CapacitorBranch extends Branch {
  /** volts of the plates and current at the last accepted moment */
  private plateVolts = 0;
  private pastAmps = 0;
  private nextPlateVolts = 0;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly farads: number,
    private readonly seriesOhms: number,
  ) {
    super(id, a, b);
  }

  linearise(volts: number, how: Integration): void {
    if (how.kind === 'steady') {
      this.siemens = JUNCTION_SIEMENS;
      this.amps = 0;
      return;
    }
    // The plates are solved inside: i = (V − v_c − what the past current adds) / (R_s + h/C, of trapezoids half).
    const [ohms, carried] =
      how.kind === 'trapezoidal'
        ? [how.seconds / this.farads / 2, (how.seconds / this.farads / 2) * this.pastAmps]
        : [how.seconds / this.farads, 0];
    this.siemens = 1 / (this.seriesOhms + ohms);
    this.amps = -this.siemens * (this.plateVolts + carried);
    this.nextPlateVolts = this.plateVolts + carried + ohms * this.current(volts);
  }

  override accept(volts: number): void {
    this.pastAmps = this.current(volts);
    this.plateVolts = this.nextPlateVolts;
  }

  override error(how: Integration): number {
    if (how.kind === 'steady') return 0;
    // What a straight line from the past would have given, against what came.
    const predicted = this.plateVolts + (this.pastAmps / this.farads) * how.seconds;
    return Math.abs(this.nextPlateVolts - predicted) / 3 / CAPACITOR_TOLERANCE;
  }

  override rest(volts: number): void {
    this.plateVolts = volts;
    this.pastAmps = 0;
  }
}

/** What a filament's temperature may be off by in one step, K: about half a percent of its light. */
const FILAMENT_TOLERANCE = 3;
/** A filament that carries less is dark, A. */
const LEAST_LIT_AMPS = 1e-3;
/** A feed that is never on is not a number the solver can divide by. */
const LEAST_DUTY = 1e-6;

class FilamentBranch extends Branch {
  /** temperature at the last accepted moment and its rate there, K and K/s */
  private pastKelvin = Filament.ambientKelvin;
  private pastRate = 0;
  private kelvin = Filament.ambientKelvin;
  private at = 0;
  /** at which heat it is held, K */
  private held: number | null = null;
  /** heating volts are the pulse's volts times the root of the share they are on for */
  private root: number;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly filament: Filament,
    duty: number,
  ) {
    super(id, a, b);
    this.root = Math.sqrt(Math.max(duty, LEAST_DUTY));
  }

  override get filamentKelvin(): number {
    return this.kelvin;
  }

  override setDuty(duty: number): void {
    this.root = Math.sqrt(Math.max(duty, LEAST_DUTY));
  }

  override warm(volts: number, sourceVolts: number, seconds: number, darkSeconds: number): void {
    const { filament } = this;
    const settled = filament.settledKelvin(volts * this.root);
    const amps = Math.abs(volts) / filament.ohmsAt(settled);
    if (amps < LEAST_LIT_AMPS) return;
    const sourceOhms = Math.max(0, sourceVolts - Math.abs(volts)) / amps;
    const from = Number.isFinite(darkSeconds)
      ? filament.warmedKelvin(0, 0, darkSeconds, settled)
      : Filament.ambientKelvin;
    this.held = filament.warmedKelvin(sourceVolts * this.root, sourceOhms, seconds, from);
  }

  override release(): void {
    this.held = null;
  }

  linearise(volts: number, how: Integration): void {
    if (this.held !== null) {
      this.at = volts;
      this.kelvin = this.held;
      this.siemens = 1 / this.filament.ohmsAt(this.held);
      this.amps = 0;
      return;
    }
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
      const heating = volts * this.root;
      this.kelvin = this.filament.settledKelvin(heating);
      const point = this.filament.operateAt(heating, this.kelvin);
      this.siemens = point.siemens;
      this.amps = point.amps / this.root - point.siemens * volts;
      return;
    }
    // The temperature is solved here, inside the device, so that the network sees one unknown a node.
    const share = how.kind === 'trapezoidal' ? how.seconds / 2 : how.seconds;
    const base = this.pastKelvin + (how.kind === 'trapezoidal' ? share * this.pastRate : 0);
    const { kelvin, ohms, kelvinPerVolt } = this.filament.stepTo(volts * this.root, base, share, this.kelvin);
    this.kelvin = kelvin;
    this.siemens = (1 - (Filament.resistancePower * volts * this.root * kelvinPerVolt) / kelvin) / ohms;
    this.amps = volts / ohms - this.siemens * volts;
  }

  override settled(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }

  override accept(volts: number): void {
    this.pastKelvin = this.kelvin;
    this.pastRate = this.filament.heatingRate(volts * this.root, this.kelvin);
  }

  override error(how: Integration): number {
    if (how.kind === 'steady') return 0;
    const rate = this.filament.heatingRate(this.at * this.root, this.kelvin);
    // Half the difference of the slopes at both ends of a straight step, a third of which is left by trapezoids.
    return (Math.abs(rate - this.pastRate) * how.seconds) / 6 / FILAMENT_TOLERANCE;
  }

  override rest(volts: number): void {
    if (volts !== this.at) this.kelvin = this.filament.settledKelvin(volts * this.root);
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

/** Less than this heats no fuse, A. */
const LEAST_FUSE_AMPS = 1e-3;
/** How far past melting a fuse may be found before the step is taken again, shorter. */
const FUSE_EDGE = 5e-3;

/** A wire whose current passes a fuse in pulses. */
interface PulsedBranch extends PulsedFeed {
  branch: Branch;
}

/** A fuse in the circuit: its ohms, its warmth, and what of its current comes in pulses. */
export class FuseBranch extends Branch {
  private melted = false;
  private pulsed: readonly PulsedBranch[] = [];
  /** mean square of its current over the square of what it is in the pulses */
  private heatShare = 1;
  private warmth = 0;
  private next = 0;
  private pastHeat = 0;
  private heat = 0;
  private justMelted = false;

  constructor(
    id: string,
    a: number,
    b: number,
    private readonly ohms: number,
    private readonly holdAmps: number,
  ) {
    super(id, a, b);
  }

  linearise(volts: number, how: Integration): void {
    this.siemens = 1 / (this.melted ? OPEN_OHMS : this.ohms);
    if (how.kind === 'steady') return;
    this.heat = this.overload(volts);
    const target = how.kind === 'trapezoidal' ? (this.heat + this.pastHeat) / 2 : this.heat;
    this.next = target + (this.warmth - target) * Math.exp(-how.seconds / FUSE_SECONDS);
  }

  override overload(volts: number): number {
    return this.melted ? 0 : this.heatShare * (this.current(volts) / this.holdAmps) ** 2;
  }

  /** Ties it to the wires whose current passes it in pulses. */
  feed(pulsed: readonly PulsedBranch[]): void {
    this.pulsed = pulsed;
  }

  /** Gives one of those wires another share of the time. */
  setPulse(elementId: string, duty: number): void {
    this.pulsed = this.pulsed.map((each) => (each.elementId === elementId ? { ...each, duty } : each));
  }

  /** Takes the share of its heating from the currents as they are: it moves little from one step to the next. */
  weigh(amps: (branch: Branch) => number): void {
    if (this.pulsed.length === 0) return;
    const whole = Math.abs(amps(this));
    if (whole < LEAST_FUSE_AMPS) return;
    const pulses = this.pulsed.map(({ branch, duty }) => ({ amps: Math.abs(amps(branch)), duty }));
    const steady = pulses.reduce((rest, each) => rest - each.amps, whole);
    this.heatShare = meanSquare([...pulses, { amps: Math.max(0, steady), duty: 1 }]) / whole ** 2;
  }

  override error(): number {
    const past = this.melted ? 0 : this.next - 1;
    return past > FUSE_EDGE ? 1 + past / FUSE_EDGE : 0;
  }

  override accept(): void {
    this.warmth = this.next;
    this.pastHeat = this.heat;
    this.justMelted = !this.melted && this.warmth >= 1;
    if (this.justMelted) this.melted = true;
  }

  override rest(volts: number): void {
    this.warmth = this.overload(volts);
    this.pastHeat = this.warmth;
  }

  override get flipped(): boolean {
    return this.justMelted;
  }

  override get blown(): boolean {
    return this.melted;
  }

  override blow(): void {
    this.melted = true;
  }
}

/** The branch of a netlist element between two node indices. */
export function branchOf(element: Element, a: number, b: number): Branch {
  switch (element.kind) {
    case 'resistor':
      return new ResistorBranch(element.id, a, b, element.ohms);
    case 'capacitor':
      return new CapacitorBranch(element.id, a, b, element.farads, element.seriesOhms);
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
      return new ConverterBranch(element.id, a, b, element);
    case 'filament':
      return new FilamentBranch(element.id, a, b, new Filament(element.rating), element.duty ?? 1);
    case 'fuse':
      return new FuseBranch(element.id, a, b, element.ohms, element.ratedAmps * FUSE_HOLD);
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

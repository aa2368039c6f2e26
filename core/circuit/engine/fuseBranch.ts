import { meanSquare } from '../meanSquare.ts';
import { Branch, type Integration } from './branch.ts';
import { FUSE_SECONDS, OPEN_OHMS, type PulsedFeed } from './netlist.ts';

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

  override truncationError(): number {
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

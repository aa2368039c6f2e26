import { Branch, type Integration } from './branch.ts';
import { type Element, OPEN_OHMS } from './netlist.ts';

/** How far past its edge a bimetal may be found before the step is taken again, shorter. */
const THERMAL_EDGE = 5e-4;

export class ThermalFlasherBranch extends Branch {
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

  override truncationError(): number {
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

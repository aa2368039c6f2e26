import { Branch, type Integration } from './branch.ts';
import { JUNCTION_SIEMENS } from './junction.ts';

/** What a capacitor's voltage may be off by in one step, V. */
const CAPACITOR_TOLERANCE = 5e-3;

export class CapacitorBranch extends Branch {
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

  override truncationError(how: Integration): number {
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

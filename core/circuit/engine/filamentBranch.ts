import { Filament } from '../filament.ts';
import { Branch, type Integration } from './branch.ts';

/** What a filament's temperature may be off by in one step, K: about half a percent of its light. */
const FILAMENT_TOLERANCE = 3;
/** A filament that carries less is dark, A. */
const LEAST_LIT_AMPS = 1e-3;
/** A feed that is never on is not a number the solver can divide by. */
const LEAST_DUTY = 1e-6;

export class FilamentBranch extends Branch {
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

  override converged(volts: number): boolean {
    return Math.abs(volts - this.at) < 1e-6 * (1 + Math.abs(volts));
  }

  override accept(volts: number): void {
    this.pastKelvin = this.kelvin;
    this.pastRate = this.filament.heatingRate(volts * this.root, this.kelvin);
  }

  override truncationError(how: Integration): number {
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

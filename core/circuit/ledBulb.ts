import type { LedPart } from '../model/part.ts';
import type { Device, Operating } from './device.ts';

/** Drop of the input diode of an LED bulb, V (typical silicon diode at lamp currents). */
const INPUT_DIODE_VOLTS = 0.7;
/** Below its dropout a constant-current ballast behaves like this much series resistance, ohms (typical). */
const DROPOUT_OHMS = 4;

/**
 * An LED bulb as a load: what its ballast lets through, plus its built-in load where it has one. The
 * single figure a seller prints (watts at volts) fixes the size; the ballast kind fixes how the current
 * follows the supply, which is what decides the verdict at low volts.
 */
export class LedBulb implements Device {
  readonly part: LedPart;
  /** current of the string itself at the printed volts, A */
  private readonly stringAmps: number;

  constructor(part: LedPart) {
    this.part = part;
    const loadWatts = part.builtInLoadOhms ? part.atVolts ** 2 / part.builtInLoadOhms : 0;
    if (loadWatts >= part.watts) {
      throw new RangeError(
        `${part.code}: its built-in load alone would draw ${loadWatts.toFixed(1)} W, more than the ${part.watts} W printed`,
      );
    }
    const starts =
      part.ballast.kind === 'converter'
        ? part.ballast.startVolts
        : part.ballast.forwardVolts + INPUT_DIODE_VOLTS;
    if (starts >= part.atVolts) {
      throw new RangeError(
        `${part.code}: it would only start at ${starts} V, so it cannot draw its printed watts at ${part.atVolts} V`,
      );
    }
    this.stringAmps = (part.watts - loadWatts) / part.atVolts;
  }

  operate(volts: number): Operating {
    const string = this.string(volts);
    const load = this.part.builtInLoadOhms;
    if (load === undefined) return string;
    return { amps: string.amps + volts / load, siemens: string.siemens + 1 / load };
  }

  /** Light as a share of the light at the printed volts: LED light follows its current. */
  lightAt(volts: number): number {
    return this.string(volts).amps / this.stringAmps;
  }

  private string(volts: number): Operating {
    const { ballast, atVolts } = this.part;
    switch (ballast.kind) {
      case 'series-resistor': {
        const threshold = ballast.forwardVolts + INPUT_DIODE_VOLTS;
        const ohms = (atVolts - threshold) / this.stringAmps;
        return aboveThreshold(volts, threshold, ohms);
      }
      case 'constant-current': {
        const ramp = aboveThreshold(volts, ballast.forwardVolts + INPUT_DIODE_VOLTS, DROPOUT_OHMS);
        return ramp.amps < this.stringAmps ? ramp : { amps: this.stringAmps, siemens: 0 };
      }
      case 'converter': {
        if (volts < ballast.startVolts) return { amps: 0, siemens: 0 };
        const amps = (this.stringAmps * atVolts) / volts;
        return { amps, siemens: -amps / volts };
      }
    }
  }
}

function aboveThreshold(volts: number, threshold: number, ohms: number): Operating {
  return volts <= threshold
    ? { amps: 0, siemens: 0 }
    : { amps: (volts - threshold) / ohms, siemens: 1 / ohms };
}

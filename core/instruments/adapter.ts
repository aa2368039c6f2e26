import { bytesOfCode } from '../formats/dtc.ts';
import type { BenchVehicle } from './benchVehicle.ts';

/** A line longer than this is no command, characters. */
const LONGEST_LINE = 256;
/** Settings are read and written by number from here on: of the stand-in alone. */
export const FIRST_SETTING = 0x4c00;
/** ISO 14229 negative answers (from memory). */
const NEGATIVE = { service: 0x11, sub: 0x12, length: 0x13, conditions: 0x22, range: 0x31 } as const;
/** A stored code that is confirmed and failed in this cycle: status bits of ISO 14229 (from memory). */
const STATUS = 0x2f;
const VALUES = { filament: 0x00, led: 0x01 } as const;

/**
 * A diagnostic adapter, a stand-in: lines that begin with AT set the adapter, hexadecimal lines go to the controller, which
 * answers by ISO 14229: 0x19 02 reads stored codes, 0x14 clears them, 0x22 and 0x2E read and write what it takes a lamp for.
 * Nothing of it is meant for a real vehicle.
 */
export class DiagnosticAdapter {
  private echo = false;

  constructor(
    private readonly vehicle: BenchVehicle,
    /** supply as it shows it, V */
    private readonly supplyVolts: () => number,
  ) {}

  /** What a line is answered, without its prompt. `?` is what it says to what it does not understand. */
  line(text: string): string {
    const answer = text.length > LONGEST_LINE ? '?' : this.answer(text.replace(/\s+/g, '').toUpperCase());
    return this.echo ? `${text.trim().slice(0, LONGEST_LINE)}\n${answer}` : answer;
  }

  private answer(line: string): string {
    if (line.startsWith('AT')) return this.set(line.slice(2));
    if (line === '' || line.length % 2 !== 0 || !/^[0-9A-F]+$/.test(line)) return '?';
    const bytes = line.match(/../g)?.map((pair) => Number.parseInt(pair, 16)) ?? [];
    if (bytes.length > 64) return '?';
    return this.request(bytes)
      .map((byte) => byte.toString(16).toUpperCase().padStart(2, '0'))
      .join(' ');
  }

  private set(command: string): string {
    switch (command) {
      case 'Z':
        this.echo = false;
        return 'VUMBLE STAND-IN ADAPTER 1';
      case 'I':
        return 'VUMBLE STAND-IN ADAPTER 1';
      case 'E0':
      case 'E1':
        this.echo = command === 'E1';
        return 'OK';
      case 'RV':
        return `${this.supplyVolts().toFixed(1)}V`;
      case 'SP0':
      case 'L0':
      case 'H0':
        return 'OK';
      default:
        return '?';
    }
  }

  private request(bytes: readonly number[]): number[] {
    const [service = 0] = bytes;
    const no = (why: keyof typeof NEGATIVE) => [0x7f, service, NEGATIVE[why]];
    if (this.vehicle.panel.controls.key === 'off') return no('conditions');
    switch (service) {
      case 0x19:
        if (bytes.length < 2) return no('length');
        if (bytes[1] !== 0x02) return no('sub');
        if (bytes.length !== 3) return no('length');
        return [0x59, 0x02, STATUS, ...this.codes(bytes[2] ?? 0)];
      case 0x14:
        if (bytes.length !== 4) return no('length');
        if (bytes.slice(1).some((byte) => byte !== 0xff)) return no('range');
        this.vehicle.clearCodes();
        return [0x54];
      case 0x22: {
        if (bytes.length !== 3) return no('length');
        const setting = this.settingAt(bytes);
        const value = setting && this.vehicle.settings.read(setting);
        return value ? [0x62, bytes[1] ?? 0, bytes[2] ?? 0, VALUES[value]] : no('range');
      }
      case 0x2e: {
        if (bytes.length !== 4) return no('length');
        const setting = this.settingAt(bytes);
        const value = bytes[3] === VALUES.led ? 'led' : bytes[3] === VALUES.filament ? 'filament' : null;
        return setting && value && this.vehicle.settings.write(setting, value)
          ? [0x6e, bytes[1] ?? 0, bytes[2] ?? 0]
          : no('range');
      }
      default:
        return no('service');
    }
  }

  private settingAt(bytes: readonly number[]): string | undefined {
    return this.vehicle.settings.circuits[((bytes[1] ?? 0) << 8) + (bytes[2] ?? 0) - FIRST_SETTING];
  }

  /** Three bytes of each stored code and its status, those whose status the mask asks for. */
  private codes(mask: number): number[] {
    if ((mask & STATUS) === 0) return [];
    return this.vehicle.storedCodes.flatMap((code) => [...bytesOfCode(code), STATUS]);
  }
}

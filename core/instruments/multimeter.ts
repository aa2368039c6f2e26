import type { BenchReading, BenchVehicle } from './benchVehicle.ts';
import { ScpiError } from './scpiErrors.ts';
import { nameFrom, noneFrom, numberFrom, type ScpiCommand } from './scpiParser.ts';
import { nr3, ScpiSession } from './scpiSession.ts';
import type { Spot } from './spots.ts';

/** What a reading scatters by, a share of it and at least so many digits; nought is an instrument without noise. */
export type Noise = (value: number, digit: number) => number;

/** How finely each quantity is shown. */
const DIGITS = { volts: 1e-3, amps: 1e-3, ohms: 1e-2, hertz: 1e-4, celsius: 0.1, lux: 0.01 } as const;

/**
 * A bench multimeter with a clamp and a thermometer, and beside it a lux meter: stand-ins, held to the places of a simulated
 * vehicle. `ROUTe:PROBe "lamp:rear-left:main"` puts the probe down; `MEASure` reads there.
 */
export function multimeter(vehicle: BenchVehicle, noise: Noise): ScpiSession {
  const spots = new Map(vehicle.spots.map((spot) => [spot.id, spot]));
  let probe: Spot | null = null;
  let metres = 1;
  let ambientLux = 0;
  const at = (): Spot => {
    if (!probe) throw new ScpiError('missing');
    return probe;
  };
  const shown = (value: number | null, digit: number): string => {
    if (value === null || !Number.isFinite(value)) return nr3(value ?? Number.NaN);
    return nr3(Math.round(noise(value, digit) / digit) * digit);
  };
  /** A quantity as it is now, its greatest and its least while it goes to and fro. */
  const measured = (path: string, digit: number, read: () => BenchReading): ScpiCommand[] =>
    (
      [
        ['', 'now'],
        [':MAXimum', 'most'],
        [':MINimum', 'least'],
      ] as const
    ).map(([end, which]) => ({
      pattern: `MEASure[:SCALar]:${path}${end}?`,
      run: (parameters) => {
        noneFrom(parameters);
        return shown(read()[which], digit);
      },
    }));
  const lampAt = (): string => {
    const lampId = at().lamp?.lampId;
    if (!lampId) throw new ScpiError('illegal');
    return lampId;
  };
  const own: ScpiCommand[] = [
    ...measured('VOLTage[:DC]', DIGITS.volts, () => vehicle.volts(at())),
    ...measured('CURRent[:DC]', DIGITS.amps, () => vehicle.amps(at())),
    ...measured('ILLuminance', DIGITS.lux, () => {
      const { now, most, least } = vehicle.lux(lampAt(), metres);
      return { now: now + ambientLux, most: most + ambientLux, least: least + ambientLux };
    }),
    query('MEASure[:SCALar]:RESistance?', () => shown(vehicle.ohms(at()), DIGITS.ohms)),
    query('MEASure[:SCALar]:FREQuency?', () => shown(vehicle.hertz(at()), DIGITS.hertz)),
    query('MEASure[:SCALar]:TEMPerature?', () => shown(vehicle.celsius(lampAt()), DIGITS.celsius)),
    {
      pattern: 'ROUTe:PROBe',
      run: (parameters) => {
        const spot = spots.get(nameFrom(parameters));
        if (!spot) throw new ScpiError('illegal');
        probe = spot;
        return undefined;
      },
    },
    query('ROUTe:PROBe?', () => `"${probe?.id ?? ''}"`),
    query('ROUTe:CATalog?', () => [...spots.keys()].map((id) => `"${id}"`).join(',')),
    command('SENSe:DISTance', (value) => void (metres = value), 0.05, 50),
    query('SENSe:DISTance?', () => nr3(metres)),
    command('SENSe:AMBient', (value) => void (ambientLux = value), 0, 1e5),
    query('SENSe:AMBient?', () => nr3(ambientLux)),
    command('SYSTem:TIME:ADVance', (value) => vehicle.advance(value), 0, 7200),
    query('SYSTem:TIME?', () => nr3(vehicle.seconds)),
  ];
  return new ScpiSession(['Vumble', 'Bench multimeter (stand-in)', '0', '1'], own, () => {
    probe = null;
    metres = 1;
    ambientLux = 0;
  });
}

function query(pattern: string, run: () => string): ScpiCommand {
  return {
    pattern,
    run: (parameters) => {
      noneFrom(parameters);
      return run();
    },
  };
}

function command(pattern: string, act: (value: number) => void, least: number, most: number): ScpiCommand {
  return {
    pattern,
    run: (parameters) => {
      act(numberFrom(parameters, least, most));
      return undefined;
    },
  };
}

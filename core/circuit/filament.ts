import type { FilamentRating } from '../model/bulb.ts';

/** Temperature of a signal-lamp filament at its rated volts, K (typical). */
const RATED_KELVIN = 2750;
/** 25 °C. */
const AMBIENT_KELVIN = 298.15;
const AMBIENT_FOURTH = AMBIENT_KELVIN ** 4;
/** Tungsten's resistance rises with about this power of absolute temperature. */
const RESISTANCE_POWER = 1.2;
/** Heat capacity of a 21 W class filament per rated watt, J/(K·W) (typical, from its mass). */
const HEAT_CAPACITY_PER_WATT = 62e-6;
const REFERENCE_AMPS = 21 / 12;
/** Second radiation constant over 565 nm, K: where Wien's law gives the eye's share of tungsten light. */
const WIEN_KELVIN = 1.438777e-2 / 565e-9;

/** Newton's method inside a filament has settled long before this. */
const MOST_TURNS = 12;

/** Steps from cold to the moment somebody looks, the first of them microseconds. */
const WARMING_STEPS = 32;

/** A filament at the end of a step of time. */
export interface FilamentStep {
  kelvin: number;
  ohms: number;
  /** how the temperature at the end follows the voltage, K/V */
  kelvinPerVolt: number;
}

/** Hottest of the table below, K; nothing burns there any more. */
const TABLE_KELVIN = 4500;
/** `(T / T_rated)^1.2` at every kelvin: a power is the dearest sum of a transient, and between two kelvins it is a straight line within 3e-7. */
const RELATIVE_OHMS = Float64Array.from(
  { length: TABLE_KELVIN + 2 },
  (_, kelvin) => (kelvin / RATED_KELVIN) ** RESISTANCE_POWER,
);

function relativeOhms(kelvin: number): number {
  if (!(kelvin > 1 && kelvin < TABLE_KELVIN)) return (Math.max(kelvin, 1) / RATED_KELVIN) ** RESISTANCE_POWER;
  const whole = Math.floor(kelvin);
  const low = RELATIVE_OHMS[whole] as number;
  return low + (kelvin - whole) * ((RELATIVE_OHMS[whole + 1] as number) - low);
}

/** A working point: current, A, and dI/dV there, S. */
export interface Operating {
  amps: number;
  siemens: number;
}

/**
 * A tungsten filament: resistance from temperature, temperature from the balance of electrical power
 * against radiation, `C·dT/dt = V²/R(T) − k·(T⁴ − T_amb⁴)`. The usual lamp laws (current with about the
 * 0.54 power of voltage, light with about the 3.5 power) come out of it; they are not put in.
 */
export class Filament {
  readonly ratedOhms: number;
  /** J/K */
  readonly heatCapacity: number;
  private readonly radiation: number;

  constructor(readonly rating: FilamentRating) {
    this.ratedOhms = rating.testVolts / rating.amps;
    const watts = rating.testVolts * rating.amps;
    this.radiation = watts / (RATED_KELVIN ** 4 - AMBIENT_KELVIN ** 4);
    // A thicker wire stores more heat per watt: its mass goes with P·I^(2/3).
    this.heatCapacity = HEAT_CAPACITY_PER_WATT * watts * (rating.amps / REFERENCE_AMPS) ** (2 / 3);
  }

  /** Resistance at a filament temperature, ohms. */
  ohmsAt(kelvin: number): number {
    return this.ratedOhms * relativeOhms(kelvin);
  }

  /** Temperature the filament settles at on a steady voltage, K. */
  settledKelvin(volts: number): number {
    const squared = volts * volts;
    // Radiation alone puts T at V^(2/5.2); ambient heat shifts it by little, so Newton needs few steps.
    let kelvin = Math.max(
      AMBIENT_KELVIN,
      RATED_KELVIN * (Math.abs(volts) / this.rating.testVolts) ** (2 / 5.2),
    );
    for (let step = 0; step < 30; step += 1) {
      const electrical = squared / this.ohmsAt(kelvin);
      const square = kelvin * kelvin;
      const fourth = square * square;
      const excess = electrical - this.radiation * (fourth - AMBIENT_FOURTH);
      const slope = (-RESISTANCE_POWER * electrical) / kelvin - (4 * this.radiation * fourth) / kelvin;
      const next = Math.max(AMBIENT_KELVIN, kelvin - excess / slope);
      // Newton doubles its digits each step: this one was already good to the square of what it moved.
      if (Math.abs(next - kelvin) < 1e-7 * kelvin) return next;
      kelvin = next;
    }
    return kelvin;
  }

  /**
   * Temperature at the end of a step of time, by Newton's method on `T = base + share·dT/dt(V, T)`, and what the
   * network needs of it. One power of temperature a turn: this is the hot path of every transient.
   *
   * @param share of the step that counts at its end, s: all of it, or half
   * @param guess where to begin, K
   */
  stepTo(volts: number, base: number, share: number, guess: number): FilamentStep {
    const squared = volts * volts;
    const perCapacity = share / this.heatCapacity;
    let kelvin = guess;
    for (let turn = 0; ; turn += 1) {
      const ohms = this.ohmsAt(kelvin);
      const electrical = squared / ohms;
      const cube = kelvin * kelvin * kelvin;
      const slope = 1 + perCapacity * ((RESISTANCE_POWER * electrical) / kelvin + 4 * this.radiation * cube);
      const net = electrical - this.radiation * (cube * kelvin - AMBIENT_FOURTH);
      const next = Math.max(200, kelvin - (kelvin - base - perCapacity * net) / slope);
      const moved = Math.abs(next - kelvin);
      kelvin = next;
      // Newton doubles its digits: what it moved last is far above what it is still off by.
      if (moved < 0.05 || turn === MOST_TURNS - 1)
        return {
          kelvin,
          ohms: this.ohmsAt(kelvin),
          kelvinPerVolt: (2 * perCapacity * volts) / (ohms * slope),
        };
    }
  }

  /**
   * Temperature so long after a source comes on (or, at 0 V, goes off) behind some ohms. Exponential (Rosenbrock-Euler)
   * steps, short at first: each is exact where the rate is a straight line in temperature, and none is unstable.
   *
   * @param from temperature it begins at, K
   */
  warmedKelvin(sourceVolts: number, sourceOhms: number, seconds: number, from = AMBIENT_KELVIN): number {
    const { heatCapacity, radiation } = this;
    let kelvin = from;
    let at = 0;
    for (let step = 1; step <= WARMING_STEPS; step += 1) {
      const end = seconds * (step / WARMING_STEPS) ** 3;
      const ohms = this.ohmsAt(kelvin);
      const around = ohms + sourceOhms;
      const electrical = (sourceVolts * sourceVolts * ohms) / (around * around);
      const cube = kelvin * kelvin * kelvin;
      const rate = (electrical - radiation * (cube * kelvin - AMBIENT_FOURTH)) / heatCapacity;
      const perKelvin =
        ((RESISTANCE_POWER * electrical * (sourceOhms - ohms)) / (around * kelvin) - 4 * radiation * cube) /
        heatCapacity;
      const reach = perKelvin * (end - at);
      kelvin += rate * (end - at) * (Math.abs(reach) < 1e-9 ? 1 : Math.expm1(reach) / reach);
      at = end;
    }
    return kelvin;
  }

  /** Rate of change of temperature, K/s, at a voltage and temperature. */
  heatingRate(volts: number, kelvin: number): number {
    const square = kelvin * kelvin;
    const net = (volts * volts) / this.ohmsAt(kelvin) - this.radiation * (square * square - AMBIENT_FOURTH);
    return net / this.heatCapacity;
  }

  /** Heat lost by radiation at a temperature, W. */
  radiatedWatts(kelvin: number): number {
    return this.radiation * (kelvin ** 4 - AMBIENT_KELVIN ** 4);
  }

  /** Light at a filament temperature as a share of the light at rated volts (Wien's law at 565 nm). */
  lightAt(kelvin: number): number {
    return Math.exp(WIEN_KELVIN * (1 / RATED_KELVIN - 1 / kelvin));
  }

  /** Steady current and its slope, either way round; the slope follows from the same power balance. */
  operate(volts: number): Operating {
    return this.operateAt(volts, this.settledKelvin(volts));
  }

  /** The same at a temperature already known to be the settled one. */
  operateAt(volts: number, kelvin: number): Operating {
    if (volts === 0) return { amps: 0, siemens: 1 / this.ohmsAt(AMBIENT_KELVIN) };
    const amps = volts / this.ohmsAt(kelvin);
    const ambientShare = (AMBIENT_KELVIN / kelvin) ** 4;
    const temperaturePower = 2 / (RESISTANCE_POWER + 4 / Math.max(1e-9, 1 - ambientShare));
    return { amps, siemens: (amps / volts) * (1 - RESISTANCE_POWER * temperaturePower) };
  }

  static readonly ambientKelvin = AMBIENT_KELVIN;
  static readonly ratedKelvin = RATED_KELVIN;
  static readonly resistancePower = RESISTANCE_POWER;
}

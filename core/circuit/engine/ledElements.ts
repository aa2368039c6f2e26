import type { LedPart } from '../../model/part.ts';
import { emissionFor, forwardVolts } from './junction.ts';
import { CAPACITOR_OHMS, type Element, FLOATING_OHMS } from './netlist.ts';

/** A silicon input diode: about 0.7 V at lamp currents (typical). */
export const INPUT_DIODE = { saturationAmps: 1e-8, emission: 1.6 };
/** An LED string's saturation current; its emission coefficient is fitted to its forward volts. */
const STRING_SATURATION = 1e-14;
/** Volts over which a linear regulator comes up to its current (typical). */
export const REGULATOR_KNEE = 0.3;

/**
 * The inside of an LED bulb between two contacts: input diode or bridge, ballast, string, and its built-in
 * load where it has one. It draws the printed watts at the printed volts by construction.
 *
 * @param a the contact that is plus when the bulb is the right way round
 * @throws RangeError when the printed figures contradict each other
 */
export function ledElements(part: LedPart, id: string, a: string, b: string): Element[] {
  const loadWatts = part.builtInLoadOhms ? part.atVolts ** 2 / part.builtInLoadOhms : 0;
  const stringAmps = (part.watts - loadWatts) / part.atVolts;
  if (!(stringAmps > 0)) {
    throw new RangeError(
      `${part.code}: its built-in load alone would draw more than the ${part.watts} W printed`,
    );
  }
  const bridged = part.polarity === 'either';
  const plus = `${id}.plus`;
  const minus = bridged ? `${id}.minus` : b;
  const diode = (name: string, from: string, to: string): Element => ({
    kind: 'diode',
    id: `${id}.${name}`,
    a: from,
    b: to,
    ...INPUT_DIODE,
  });
  const input = bridged
    ? [diode('d1', a, plus), diode('d2', b, plus), diode('d3', minus, a), diode('d4', minus, b)]
    : [diode('d1', a, plus)];
  const dropped = forwardVolts(INPUT_DIODE, stringAmps) * (bridged ? 2 : 1);
  const load: Element[] = part.builtInLoadOhms
    ? [{ kind: 'resistor', id: `${id}.load`, a, b, ohms: part.builtInLoadOhms }]
    : [];
  // What a board leaks; without it the inside of an unlit bulb would hang on picoamps and take long to solve.
  const smoothing: Element[] = part.capacitorFarads
    ? [
        {
          kind: 'capacitor',
          id: `${id}.capacitor`,
          a: plus,
          b: minus,
          farads: part.capacitorFarads,
          seriesOhms: CAPACITOR_OHMS,
        },
      ]
    : [];
  const bleed: Element = { kind: 'resistor', id: `${id}.bleed`, a: plus, b: minus, ohms: FLOATING_OHMS };
  // Behind a bridge both ends of the board float while the feed is off; this much ties them to something.
  const tie: Element[] = bridged
    ? [{ kind: 'resistor', id: `${id}.tie`, a: minus, b, ohms: FLOATING_OHMS }]
    : [];
  return [
    ...input,
    bleed,
    ...tie,
    ...smoothing,
    ...ballastElements(part, id, plus, minus, stringAmps, part.atVolts - dropped),
    ...load,
  ];
}

/** Power a converter inside an LED takes at its printed volts: what is printed less its load and its input diodes, W. */
export function ledConverterWatts(part: LedPart): number {
  const amps = ledRatedAmps(part);
  const diodes = forwardVolts(INPUT_DIODE, amps) * (part.polarity === 'either' ? 2 : 1);
  return amps * (part.atVolts - diodes);
}

/** A string of LEDs that has its forward volts at a current. */
export function ledString(id: string, a: string, b: string, volts: number, amps: number): Element {
  const emission = emissionFor(STRING_SATURATION, volts, amps);
  return { kind: 'diode', id, a, b, saturationAmps: STRING_SATURATION, emission };
}

function ballastElements(
  part: LedPart,
  id: string,
  plus: string,
  minus: string,
  amps: number,
  volts: number,
): Element[] {
  const { ballast } = part;
  if (ballast.kind === 'converter') {
    return [
      {
        kind: 'converter',
        id: `${id}.converter`,
        a: plus,
        b: minus,
        watts: volts * amps,
        startVolts: ballast.startVolts,
      },
    ];
  }
  const headroom = volts - ballast.forwardVolts;
  if (!(headroom > 0.05)) {
    throw new RangeError(
      `${part.code}: its string needs ${ballast.forwardVolts} V, so it cannot draw its printed watts at ${part.atVolts} V`,
    );
  }
  const middle = `${id}.string`;
  const string = ledString(`${id}.led`, middle, minus, ballast.forwardVolts, amps);
  const series: Element =
    ballast.kind === 'series-resistor'
      ? { kind: 'resistor', id: `${id}.ballast`, a: plus, b: middle, ohms: headroom / amps }
      : {
          kind: 'regulator',
          id: `${id}.ballast`,
          a: plus,
          b: middle,
          amps: amps / Math.tanh(headroom / REGULATOR_KNEE),
          kneeVolts: REGULATOR_KNEE,
        };
  return [series, string];
}

/**
 * Current of the LED itself, without its built-in load, at the printed volts, A.
 *
 * @throws RangeError when the load alone would draw more than the whole bulb is said to
 */
export function ledRatedAmps(part: LedPart): number {
  const loadWatts = part.builtInLoadOhms ? part.atVolts ** 2 / part.builtInLoadOhms : 0;
  const amps = (part.watts - loadWatts) / part.atVolts;
  if (!(amps > 0)) {
    throw new RangeError(
      `${part.code}: its built-in load alone would draw more than the ${part.watts} W printed`,
    );
  }
  return amps;
}

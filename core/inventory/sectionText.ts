import { BaseId } from '../model/bulb.ts';
import type { WholeLampPart, WholeLampSection } from '../model/part.ts';
import { CircuitKind } from '../model/vehicle/circuit.ts';

/**
 * Sections of a whole lamp as one line a person can write:
 * `turn panel amber 4 W 12.8 V 350 lm; stop panel red 3 W 12.8 V 220 lm dim 0.5 W; reverse socket BA15s`.
 * After the light come, where they matter: `dim W [topology]`, `load Ω`, `sweep s × segments`, and how it is driven:
 * `series 6.3 V`, `current 6.3 V` (taken where nothing is said) or `converter 8 V`.
 */
export function sectionsText(sections: WholeLampPart['sections']): string {
  return sections.map(sectionText).join('; ');
}

function sectionText({ does, light }: WholeLampSection): string {
  if (light.kind === 'socket') return `${does} socket ${light.base}`;
  const { colour, watts, atVolts, lumens, ballast, builtInLoadOhms, twin, sweep } = light;
  return [
    `${does} panel ${colour} ${watts} W ${atVolts} V ${lumens} lm`,
    ...(twin ? [`dim ${twin.dimWatts} W ${twin.topology}`] : []),
    ...(builtInLoadOhms ? [`load ${builtInLoadOhms} ohm`] : []),
    ...(sweep ? [`sweep ${sweep.seconds} s x ${sweep.segments}`] : []),
    ballast.kind === 'converter'
      ? `converter ${ballast.startVolts} V`
      : `${ballast.kind === 'series-resistor' ? 'series' : 'current'} ${ballast.forwardVolts} V`,
  ].join(' ');
}

const NUMBER = String.raw`(\d+(?:[.,]\d+)?)`;
const PANEL = new RegExp(
  String.raw`^(\S+) panel (amber|red|white|warm) ${NUMBER} ?W ${NUMBER} ?V ${NUMBER} ?lm` +
    `(?: dim ${NUMBER} ?W(?: (own-resistors|shared-regulator|shared-converter|unknown))?)?` +
    String.raw`(?: load ${NUMBER} ?(?:ohm|Ω))?(?: sweep ${NUMBER} ?s [x×] (\d+))?(?: (series|current|converter) ${NUMBER} ?V)?$`,
);
const SOCKET = /^(\S+) socket (\S+)$/;

/** Usual string volts of a panel, by the volts it is printed for (typical). */
const USUAL_STRING = 6.3;

/** Reads what `sectionsText` writes; says which section cannot be read, and how one is written. */
export function sectionsFromText(
  text: string,
): { ok: true; sections: WholeLampSection[] } | { ok: false; problem: string } {
  const sections: WholeLampSection[] = [];
  for (const piece of text.split(';').map((each) => each.trim().replace(/\s+/g, ' '))) {
    if (piece === '') continue;
    const section = sectionFromText(piece);
    if (!section)
      return {
        ok: false,
        problem: `"${piece}" is no section. Write for instance "turn panel amber 4 W 12.8 V 350 lm" or "reverse socket BA15s"; functions are ${CircuitKind.options.join(', ')}.`,
      };
    sections.push(section);
  }
  return { ok: true, sections };
}

function sectionFromText(piece: string): WholeLampSection | null {
  const number = (value: string | undefined) => Number((value ?? '').replace(',', '.'));
  const socket = SOCKET.exec(piece);
  if (socket) {
    const does = CircuitKind.safeParse(socket[1]);
    const base = BaseId.safeParse(socket[2]);
    return does.success && base.success
      ? { does: does.data, light: { kind: 'socket', base: base.data } }
      : null;
  }
  const panel = PANEL.exec(piece);
  const does = CircuitKind.safeParse(panel?.[1]);
  if (!panel || !does.success) return null;
  const [, , colour, watts, atVolts, lumens, dim, topology, load, sweep, segments, driver, driverVolts] =
    panel;
  const volts = driver ? number(driverVolts) : USUAL_STRING * (number(atVolts) > 20 ? 2 : 1);
  return {
    does: does.data,
    light: {
      kind: 'panel',
      colour: colour as 'amber' | 'red' | 'white' | 'warm',
      watts: number(watts),
      atVolts: number(atVolts),
      lumens: number(lumens),
      ballast:
        driver === 'converter'
          ? { kind: 'converter', startVolts: volts }
          : { kind: driver === 'series' ? 'series-resistor' : 'constant-current', forwardVolts: volts },
      ...(load ? { builtInLoadOhms: number(load) } : {}),
      ...(dim
        ? { twin: { topology: (topology ?? 'unknown') as 'own-resistors', dimWatts: number(dim) } }
        : {}),
      ...(sweep ? { sweep: { seconds: number(sweep), segments: number(segments) } } : {}),
    },
  };
}

/** `1 earth; 2 tail [grey/red]`, of several plugs `A:1 earth; B:1 tail`, as a pin map. */
export function pinsFromText(text: string): WholeLampPart['pinMap'] {
  return text
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean)
    .map((each) => {
      const [, cavity = each, does = '', colour = ''] =
        /^(\S+)\s*([^[]*?)\s*(?:\[([^\]]*)\])?$/.exec(each) ?? [];
      return { cavity, does, ...(colour.trim() ? { colour: colour.trim() } : {}) };
    });
}

import { baseRecord } from '../catalogue/bases.ts';
import { signalFilament } from '../catalogue/bulbs.ts';
import { ledElements } from '../circuit/engine/ledElements.ts';
import { CAPACITOR_OHMS, type Element, FLOATING_OHMS } from '../circuit/engine/netlist.ts';
import { twinLedElements } from '../circuit/engine/twinLedElements.ts';
import type { DecoderPart, LedPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { CONTACTS, ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import type { SocketContent } from './fitment.ts';

/** Resistance of a bulb's contacts in its socket, ohms (typical of clean ones). */
const SOCKET_CONTACT_OHMS = 2e-3;
/** The copper that ties both earth contacts of an LED wedge together, ohms. */
const EARTH_TIE_OHMS = 5e-3;
/** A decoder's blocking diode, a Schottky of some amperes (typical). */
const DECODER_DIODE = { saturationAmps: 1e-5, emission: 1.1 };

export interface Socket {
  lamp: Lamp;
  content: SocketContent;
  /** whether a circuit feeds the dim contact */
  hasDim: boolean;
  decoder: DecoderPart | undefined;
  /** share of the time each feed is on */
  duty: { main: number; dim: number };
  /** contact that says the bright feed is on, for a bulb that listens to it */
  brightControl: string;
}

/**
 * What stands between the feed contacts of a lamp and its earth: socket contacts and the inside of the bulb.
 *
 * @throws RangeError when an LED's printed figures contradict each other
 */
export function socketElements(socket: Socket): Element[] {
  const { lamp, content } = socket;
  if (content.kind === 'empty') return [];
  const earth = NODES.earth(lamp.id);
  if (content.kind === 'led' && wiringClashes(lamp, content.part)) {
    return clashingWedge(lamp, content.part, socket.brightControl);
  }
  const main = `${lamp.id}.cap`;
  const dim = `${lamp.id}.dim-cap`;
  return [
    ...contact(lamp.id, 'main', main),
    ...(socket.hasDim ? contact(lamp.id, 'dim', dim) : []),
    ...(content.kind === 'filament'
      ? filaments(socket, content, main, dim, earth)
      : ledInside(socket, content.part, main, dim, earth)),
  ];
}

function contact(lampId: string, input: 'main' | 'dim', to: string): Element[] {
  return [
    seatedContact(ELEMENTS.contact(lampId, input), NODES.feed(lampId, input), to, lampId),
    { kind: 'resistor', id: `${to}-leak`, a: to, b: 'earth', ohms: FLOATING_OHMS },
  ];
}

function seatedContact(id: string, a: string, b: string, lampId: string): Element {
  return {
    kind: 'switch',
    id,
    a,
    b,
    control: CONTACTS.seated(lampId),
    closedOhms: SOCKET_CONTACT_OHMS,
  };
}

function filaments(
  { lamp, hasDim, duty }: Socket,
  { bulb }: Extract<SocketContent, { kind: 'filament' }>,
  main: string,
  dim: string,
  earth: string,
): Element[] {
  const shareOf = (share: number) => (share < 1 ? { duty: share } : {});
  const bright: Element = {
    kind: 'filament',
    id: ELEMENTS.bulb(lamp.id),
    a: main,
    b: earth,
    rating: signalFilament(bulb),
    ...shareOf(duty.main),
  };
  const dimRating = bulb.filaments.find((filament) => filament.role === 'dim');
  if (!hasDim || !dimRating) return [bright];
  return [
    bright,
    {
      kind: 'filament',
      id: ELEMENTS.dimFilament(lamp.id),
      a: dim,
      b: earth,
      rating: dimRating,
      ...shareOf(duty.dim),
    },
  ];
}

function ledInside(socket: Socket, part: LedPart, main: string, dim: string, earth: string): Element[] {
  const { lamp, content, hasDim, decoder, brightControl } = socket;
  const reversed = content.kind === 'led' && content.reversed === true;
  const id = ELEMENTS.bulb(lamp.id);
  if (part.twin && hasDim) return twinLedElements(part, id, main, dim, earth, brightControl);
  const fed = decoder ? `${lamp.id}.decoded` : main;
  const [plus, minus] = reversed ? [earth, fed] : [fed, earth];
  const elements = decoder ? decoderElements(lamp.id, decoder, main, fed, earth) : [];
  if (part.sweep) return [...elements, ...segments(lamp.id, part, plus, minus)];
  elements.push(...ledElements(part, id, plus, minus));
  if (part.switchback && hasDim) {
    const park = `${lamp.id}.park`;
    const { parkWatts } = part.switchback;
    const { builtInLoadOhms: _, capacitorFarads: __, ...string } = part;
    elements.push(
      {
        kind: 'switch',
        id: park,
        a: dim,
        b: `${park}-in`,
        control: CONTACTS.park(lamp.id),
        closedOhms: 0.05,
      },
      { kind: 'resistor', id: `${park}-leak`, a: `${park}-in`, b: earth, ohms: FLOATING_OHMS },
      ...ledElements({ ...string, watts: parkWatts }, ELEMENTS.dimFilament(lamp.id), `${park}-in`, earth),
    );
  }
  return elements;
}

/** The segments of a sequential lamp are strings of equal share, each behind a contact the lamp's clock closes. */
function segments(lampId: string, part: LedPart, plus: string, minus: string): Element[] {
  const count = part.sweep?.segments ?? 1;
  const share: LedPart = { ...part, watts: part.watts / count };
  delete share.builtInLoadOhms;
  const load: Element[] = part.builtInLoadOhms
    ? [
        {
          kind: 'resistor',
          id: `${ELEMENTS.bulb(lampId)}.load`,
          a: plus,
          b: minus,
          ohms: part.builtInLoadOhms,
        },
      ]
    : [];
  return Array.from({ length: count }, (_, index) => {
    const id = ELEMENTS.segment(lampId, index);
    return [
      {
        kind: 'switch',
        id: `${id}-switch`,
        a: plus,
        b: `${id}-in`,
        control: CONTACTS.segment(lampId, index),
        closedOhms: 0.05,
      } satisfies Element,
      { kind: 'resistor', id: `${id}-leak`, a: `${id}-in`, b: minus, ohms: FLOATING_OHMS } satisfies Element,
      ...ledElements(share, id, `${id}-in`, minus),
    ];
  })
    .flat()
    .concat(load);
}

function decoderElements(
  lampId: string,
  decoder: DecoderPart,
  fed: string,
  held: string,
  earth: string,
): Element[] {
  const id = `${lampId}.decoder`;
  const elements: Element[] = [
    { kind: 'diode', id: `${id}-diode`, a: fed, b: held, ...DECODER_DIODE },
    { kind: 'resistor', id: `${id}-leak`, a: held, b: earth, ohms: FLOATING_OHMS },
  ];
  if (decoder.capacitorFarads) {
    elements.push({
      kind: 'capacitor',
      id: `${id}-capacitor`,
      a: held,
      b: earth,
      farads: decoder.capacitorFarads,
      seriesOhms: CAPACITOR_OHMS,
    });
  }
  if (decoder.loadOhms)
    elements.push({ kind: 'resistor', id: `${id}-load`, a: fed, b: earth, ohms: decoder.loadOhms });
  return elements;
}

/** An LED of one socket wiring in a twin wedge socket of the other. */
export function wiringClashes(lamp: Lamp, part: LedPart): boolean {
  return (
    baseRecord(lamp.base).ck === true &&
    part.twin !== undefined &&
    (part.socketWiring ?? 'standard') !== (lamp.socketWiring ?? 'standard')
  );
}

/** What lies at the four contacts, front and back of both flanks, in the two wirings. */
const CORNERS = {
  standard: ['main', 'earth', 'earth', 'dim'],
  ck: ['main', 'dim', 'earth', 'earth'],
} as const;

/**
 * Corner meets corner: where the socket brings the dim feed and the LED has an earth, they are joined, and the
 * LED's other earth contact ties them to the vehicle's.
 */
function clashingWedge(lamp: Lamp, part: LedPart, brightControl: string): Element[] {
  const id = ELEMENTS.bulb(lamp.id);
  const socket = CORNERS[lamp.socketWiring ?? 'standard'];
  const bulb = CORNERS[part.socketWiring ?? 'standard'];
  const inside = { main: `${id}.main`, dim: `${id}.dim-in`, earth: `${id}.earth` };
  const outside = {
    main: NODES.feed(lamp.id, 'main'),
    dim: NODES.feed(lamp.id, 'dim'),
    earth: NODES.earth(lamp.id),
  };
  const names = [
    ELEMENTS.contact(lamp.id, 'main'),
    ELEMENTS.contact(lamp.id, 'dim'),
    `${lamp.id}.contact-third`,
    `${lamp.id}.contact-fourth`,
  ];
  return [
    ...socket.map((at, corner) => {
      const touch = bulb[corner] ?? 'earth';
      return seatedContact(names[corner] ?? '', outside[at], `${inside[touch]}${corner}`, lamp.id);
    }),
    ...socket.map((_, corner): Element => {
      const touch = bulb[corner] ?? 'earth';
      return {
        kind: 'resistor',
        id: `${id}.tie${corner}`,
        a: `${inside[touch]}${corner}`,
        b: inside[touch],
        ohms: EARTH_TIE_OHMS,
      };
    }),
    ...Object.values(inside).map(
      (node): Element => ({
        kind: 'resistor',
        id: `${node}-leak`,
        a: node,
        b: 'earth',
        ohms: FLOATING_OHMS,
      }),
    ),
    ...twinLedElements(part, id, inside.main, inside.dim, inside.earth, brightControl),
  ];
}

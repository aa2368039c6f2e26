import type { Fitment, SocketContent } from '../simulation/fitment.ts';

const texts = new WeakMap<object, string>();

/** A part, bulb or lamp as text. None is ever changed in place, so that each is written out once. */
export function asText(what: object): string {
  let text = texts.get(what);
  if (text === undefined) {
    text = JSON.stringify(what);
    texts.set(what, text);
  }
  return text;
}

/** What is in a socket as text: equal where it is electrically the same. */
export function contentAsText(content: SocketContent | undefined): string {
  switch (content?.kind) {
    case 'filament':
      return asText(content.bulb);
    case 'led':
      return asText(content.part);
    default:
      return 'empty';
  }
}

/**
 * All that the currents of a fitment depend on, whoever counts them: a harness and a tapped resistor of the same ohms, or
 * a controller told of LEDs, draw what the others do.
 */
export function electricsOf({ contents, resistors, flasher, wired }: Fitment): string {
  return JSON.stringify([
    [...contents].map(([lampId, content]) => [lampId, contentAsText(content)]),
    resistors.map(({ lampId, input, connection, pieces }) => [
      lampId,
      input,
      connection,
      pieces.map(({ ohms, tolerance }) => [ohms, tolerance]),
    ]),
    wired,
    flasher.kind === 'controller' ? 'controller' : { ...flasher, watchesRepeaters: undefined },
  ]);
}

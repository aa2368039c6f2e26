import { bulbById } from '../catalogue/bulbs.ts';
import type { Shelf } from '../model/part.ts';
import { genericLedName } from './genericLed.ts';
import { isSingle, type QuickQuestion, quickLampName } from './question.ts';

/** `Rear turn, both`, `P21W`, `Plain LED, 3 W`: what a question was told, in a few words each. */
export function saidWords(
  question: QuickQuestion,
  shelf: Shelf,
): { lamps: string; bulb: string; led: string } {
  const { lamps, sides, led } = question;
  const bulb = question.bulb === null ? undefined : bulbById(question.bulb);
  const part = led.kind === 'part' ? shelf.find((each) => each.id === led.partId) : undefined;
  const watts = led.kind !== 'part' && led.watts !== null ? `, ${led.watts} W` : '';
  return {
    lamps: isSingle(lamps)
      ? quickLampName(lamps)
      : `${quickLampName(lamps)}, ${sides === 'both' ? 'both sides' : sides}`,
    bulb: bulb ? (bulb.names[0] ?? bulb.id) : 'bulb not known',
    led: part?.code ?? (led.kind === 'part' ? 'LED not known' : `${genericLedName(led.kind)}${watts}`),
  };
}

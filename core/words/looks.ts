import type { LookId } from '../evidence/looks.ts';
import { regionWords } from '../formatting/regionWords.ts';

/** A look or a trial in words. */
export interface LookWords {
  /** what to do */
  act: string;
  /** what its outcomes mean */
  means: string;
}

/** Every look and trial there is to offer. */
export const LOOK_WORDS = {
  listen: {
    act: 'Hazard on: listen for a click under the dash',
    means: 'A click is a relay. Silence is mostly a controller.',
  },
  relay: {
    act: 'Find the relay and read what is printed on it',
    means: 'Its kind and its load settle how it flashes.',
  },
  trial: {
    act: 'Fit them on one side and switch on, engine off',
    means: 'Normal, fast, slow or a message: each tells what watches, and from how much on.',
  },
  'trial-lights': {
    act: 'The same with the lights on, engine off',
    means: 'Fast only with the lights on is a shared earth, or a threshold that lies close.',
  },
  'trial-engine': {
    act: 'The same with the engine running',
    means: 'LEDs and filaments follow the supply in another way: what it does now bounds the threshold.',
  },
  'one-filament': {
    act: 'Put one filament bulb back on that side, the LED stays in the other',
    means: 'Normal with one filament says how much load is missing; fast says that even that is too little.',
  },
  outputs: {
    act: 'Stock bulbs in: lay one more stock bulb’s load across the rear turn feed, and take the front turn bulb out',
    means:
      'Still noticed: front and rear hang on outputs of their own, and a load at the rear does nothing for the front. No longer noticed: one output drives the side. Say which in Identify.',
    inShort:
      'Stock bulbs in, one more stock bulb’s load across the rear turn feed, the front turn bulb out: still noticed means outputs a corner, no longer noticed one output for the side.',
  },
  'bulb-number': {
    act: 'Read the number on the stock bulb',
    means: 'Bulbs that interchange draw differently.',
  },
  watts: {
    act: 'Read the watts on the LED or its packet',
    means: 'Without them it is judged from the least to the most that is sold for this bulb.',
  },
  glow: {
    act: 'Fit one and wait ten minutes with the doors shut',
    means: 'A glow or a flicker while it is off is a lamp that is watched or leaked to.',
  },
  watched: {
    act: 'Take one stock bulb out and switch on, engine running',
    means: 'A message on the dash: the circuit is watched. None within a minute: it mostly is not.',
  },
  'brake-wire': {
    act: 'Lamp out, key on, pedal up: measure its wire',
    means: 'Over 2 V says that a control unit reads it; then one filament stays, or a bleed resistor.',
  },
  pilot: {
    act: 'Look at the turn pilots in the dash: one for both sides, or one for each?',
    means: 'Through a single one between the sides LEDs of the other side light too: all four flash.',
  },
} satisfies Record<LookId, LookWords & { inShort?: string }>;

/** A look in the words of a region. */
export function wordsOfLook(id: LookId, region: 'UN' | 'US'): LookWords {
  const { act, means } = LOOK_WORDS[id];
  return { act: regionWords(region, act), means: regionWords(region, means) };
}

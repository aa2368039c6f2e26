import type { LightSwitch } from '../vehicle/lampWork.ts';

const WORDS: Record<LightSwitch, string> = {
  'turn-left': 'key on, left turn',
  'turn-right': 'key on, right turn',
  turn: 'key on, turn',
  brake: 'brake',
  lights: 'lights on',
  reverse: 'key on, reverse',
  fog: 'lights and fog on',
  'dipped-beam': 'key and lights on',
  'main-beam': 'key, lights and main beam on',
  door: 'a door open',
  lid: 'its lid or flap open',
  'lamp-switch': 'its own switch on',
  daytime: 'key on, lights off',
  'cornering-left': 'key and lights on, left turn',
  'cornering-right': 'key and lights on, right turn',
  cornering: 'key and lights on, turn',
  work: 'work lamps on',
  beacon: 'beacon on',
  key: 'key on, engine off',
};

/** What the driver switches on: `key on, left turn; lights on`. */
export function switchWords(switches: readonly LightSwitch[]): string {
  return switches.map((each) => WORDS[each]).join('; ');
}

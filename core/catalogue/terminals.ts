import { fromMemory } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';
/** A marking on a relay, switch or plug, and what it stands for. */
export interface TerminalRecord {
  mark: string;
  means: string;
  /** letters met on relays for the same thing */
  letters?: readonly string[];
  source: Source;
}

const DIN = fromMemory('DIN 72552');

export const TERMINALS: readonly TerminalRecord[] = [
  { mark: '15', means: 'switched supply, on with the key', source: DIN },
  { mark: '30', means: 'battery, always live', letters: ['B', '+', 'X'], source: DIN },
  { mark: '31', means: 'earth', letters: ['E', '−'], source: DIN },
  { mark: '49', means: 'flasher, supply in', letters: ['B', '+', 'X'], source: DIN },
  { mark: '49a', means: 'flasher, out to the turn lamps', letters: ['L'], source: DIN },
  { mark: 'C', means: 'first turn pilot', letters: ['P'], source: DIN },
  { mark: 'C2', means: 'second turn pilot, of a trailer', source: DIN },
  { mark: 'L', means: 'turn lamps, left', source: DIN },
  { mark: 'R', means: 'turn lamps, right', source: DIN },
  { mark: '54', means: 'stop lamps', source: DIN },
  { mark: '54g', means: 'trailer: fog or brake feed', source: DIN },
  { mark: '55', means: 'fog lamps', source: DIN },
  { mark: '56a', means: 'main beam', source: DIN },
  { mark: '56b', means: 'dipped beam', source: DIN },
  { mark: '58', means: 'tail, position, plate and instrument lamps', source: DIN },
  { mark: '58L', means: 'tail and position, left', source: DIN },
  { mark: '58R', means: 'tail and position, right', source: DIN },
  { mark: '61', means: 'charge lamp, at the alternator', letters: ['D+'], source: DIN },
];

/** A pin of a trailer socket. */
export interface TrailerPin {
  pin: string;
  means: string;
  colour: string;
}

export interface TrailerSocket {
  name: string;
  source: Source;
  pins: readonly TrailerPin[];
}

export const TRAILER_SOCKETS: readonly TrailerSocket[] = [
  {
    name: 'Seven pins, 12 V',
    source: fromMemory('ISO 1724'),
    pins: [
      { pin: '1', means: 'left turn (L)', colour: 'yellow' },
      { pin: '2', means: 'rear fog (54g)', colour: 'blue' },
      { pin: '3', means: 'earth (31)', colour: 'white' },
      { pin: '4', means: 'right turn (R)', colour: 'green' },
      { pin: '5', means: 'right tail and plate (58R)', colour: 'brown' },
      { pin: '6', means: 'stop (54)', colour: 'red' },
      { pin: '7', means: 'left tail (58L)', colour: 'black' },
    ],
  },
  {
    name: 'Four flat ways',
    source: fromMemory('SAE J1239'),
    pins: [
      { pin: 'bare', means: 'earth', colour: 'white' },
      { pin: '2', means: 'tail', colour: 'brown' },
      { pin: '3', means: 'left stop and turn', colour: 'yellow' },
      { pin: '4', means: 'right stop and turn', colour: 'green' },
    ],
  },
];

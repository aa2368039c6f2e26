import type { Part } from '../../core/model/part.ts';

/** Whole lamps: one with its own panels throughout, one that keeps the old turn and reverse bulbs. */
export const WHOLE_LAMPS: readonly Part[] = [
  {
    kind: 'whole-lamp',
    id: 'lamp-kestrel',
    code: 'KESTREL-R',
    name: 'Rear lamp, all LED: turn, stop and tail, reverse',
    end: 'rear',
    supplyRange: [10, 16],
    market: 'UN',
    sections: [
      {
        does: 'turn',
        light: {
          kind: 'panel',
          colour: 'amber',
          watts: 4,
          atVolts: 12.8,
          lumens: 350,
          ballast: { kind: 'constant-current', forwardVolts: 6.3 },
        },
      },
      {
        does: 'stop',
        light: {
          kind: 'panel',
          colour: 'red',
          watts: 3,
          atVolts: 12.8,
          lumens: 220,
          ballast: { kind: 'constant-current', forwardVolts: 6.3 },
          twin: { topology: 'own-resistors', dimWatts: 0.5 },
        },
      },
      {
        does: 'reverse',
        light: {
          kind: 'panel',
          colour: 'white',
          watts: 4,
          atVolts: 12.8,
          lumens: 420,
          ballast: { kind: 'converter', startVolts: 8 },
        },
      },
    ],
    connector: 'six cavities, grey',
    pinMap: [
      { cavity: '1', does: 'earth' },
      { cavity: '2', does: 'tail' },
      { cavity: '3', does: 'stop' },
      { cavity: '4', does: 'turn' },
      { cavity: '5', does: 'reverse' },
      { cavity: '6', does: 'dummy cap' },
    ],
    movesOver: ['foam seal', 'two clips'],
    price: 64,
    stock: 2,
  },
  {
    kind: 'whole-lamp',
    id: 'lamp-merlin',
    code: 'MERLIN-R',
    name: 'Rear lamp: LED stop and tail, sockets for turn and reverse',
    end: 'rear',
    supplyRange: [10, 16],
    market: 'any',
    sections: [
      { does: 'turn', light: { kind: 'socket', base: 'BA15s' } },
      {
        does: 'stop',
        light: {
          kind: 'panel',
          colour: 'red',
          watts: 4,
          atVolts: 12.8,
          lumens: 240,
          ballast: { kind: 'series-resistor', forwardVolts: 6.3 },
          twin: { topology: 'own-resistors', dimWatts: 0.6 },
        },
      },
      { does: 'reverse', light: { kind: 'socket', base: 'BA15s' } },
    ],
    connector: 'five cavities, black',
    pinMap: [
      { cavity: '1', does: 'tail' },
      { cavity: '2', does: 'stop' },
      { cavity: '3', does: 'turn' },
      { cavity: '4', does: 'reverse' },
      { cavity: '5', does: 'earth' },
    ],
    movesOver: ['turn bulb', 'reverse bulb', 'rubber seal'],
    price: 46,
    stock: 2,
  },
];

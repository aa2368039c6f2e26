import type { KitVariant } from '../../core/model/kit.ts';
import type { Part } from '../../core/model/part.ts';

/** The two lamps, their plugs and what goes across the turn feeds: the same in every variant but for the resistor. */
function uses(resistor: 'r-6' | 'r-22'): KitVariant['uses'] {
  return [
    { itemId: 'lamp', count: 2 },
    { itemId: resistor, count: 2, across: { does: 'turn', end: 'rear' } },
    { itemId: 'standoff', count: 4 },
  ];
}

const LED_SENSOR = 'blind-spot sensor, with its bracket';

/** A kit for the pool cars: rear lamps for three kinds of them. Every name, code and price is invented. */
export const KITS: readonly Part[] = [
  {
    kind: 'whole-lamp',
    id: 'lamp-heron',
    code: 'HERON-R',
    name: 'Rear lamp of the HERON-RK kit: turn, stop and tail, reverse',
    end: 'rear',
    supplyRange: [10, 16],
    market: 'any',
    models: ['Fieldfare 5'],
    fromYear: 2012,
    toYear: 2020,
    replaces: 'any',
    sections: [
      {
        does: 'turn',
        light: {
          kind: 'panel',
          colour: 'amber',
          watts: 3.5,
          atVolts: 12.8,
          lumens: 330,
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
          lumens: 210,
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
          lumens: 400,
          ballast: { kind: 'converter', startVolts: 8 },
        },
      },
    ],
    connector: 'two plugs, six and three cavities',
    pinMap: [
      { cavity: 'A:1', does: 'earth', colour: 'brown' },
      { cavity: 'A:2', does: 'tail', colour: 'grey' },
      { cavity: 'A:3', does: 'stop', colour: 'black/red' },
      { cavity: 'A:4', does: 'turn', colour: 'black/white' },
      { cavity: 'A:5', does: 'reverse', colour: 'blue' },
      { cavity: 'A:6', does: 'dummy cap' },
      { cavity: 'B:1', does: 'earth', colour: 'brown' },
      { cavity: 'B:2', does: 'dummy cap' },
      { cavity: 'B:3', does: 'dummy cap' },
    ],
    movesOver: ['foam seal', 'three nuts'],
    price: 0,
    stock: 0,
    look: {
      plug: 'six cavities, grey; three cavities, black',
      pins: 9,
      tabs: 'two, top and outer edge',
      grommetMm: 14,
      wayUp: 'drain hole down',
    },
    warrantyMonths: 24,
    warrantyVoid: 'a lead cut on the lamp’s own loom',
  },
  {
    kind: 'kit',
    id: 'kit-heron',
    code: 'HERON-RK',
    name: 'Rear lamp kit, left and right, with plugs, resistors and sensor brackets',
    price: 189,
    stock: 1,
    seller: 'Millrace Supply',
    orderCode: 'MR-2290',
    warrantyMonths: 24,
    warrantyVoid: 'a lead cut on the lamp’s own loom',
    look: {
      tabs: 'two lamps, four standoffs, two caps in the bag',
      wayUp: 'lamps marked L and R on the back',
    },
    sheet: {
      items: [
        { id: 'lamp', what: 'Rear lamp HERON-R', count: 2, partId: 'lamp-heron' },
        { id: 'r-6', what: 'Resistor 6 Ω 50 W', count: 2, resistor: { ohms: 6, watts: 50, tolerance: 0.05 } },
        {
          id: 'r-22',
          what: 'Resistor 22 Ω 50 W',
          count: 2,
          resistor: { ohms: 22, watts: 50, tolerance: 0.05 },
        },
        { id: 'standoff', what: 'Standoff 10 mm', count: 4 },
        { id: 'bracket', what: 'Sensor bracket', count: 2 },
        { id: 'link', what: 'Link lead 150 mm', count: 2 },
      ],
      plugs: [
        { id: 'a', what: 'A, six cavities, grey' },
        { id: 'b', what: 'B, three cavities, black' },
        { id: 'c', what: 'C, sensor, four cavities' },
      ],
      questions: [
        { id: 'year', about: 'year', from: 2012, to: 2020 },
        {
          id: 'lamp',
          about: 'lamp',
          text: 'Rear lamps from the works',
          answers: [
            { id: 'filament', text: 'with bulbs' },
            { id: 'led', text: 'factory LED' },
          ],
        },
        {
          id: 'sensor',
          about: 'module',
          text: 'Blind-spot sensor in the lamp',
          answers: [
            { id: 'with', text: 'with' },
            { id: 'without', text: 'without' },
          ],
        },
      ],
      impossible: [{ lamp: ['led'], sensor: ['without'] }],
      variants: [
        {
          id: 'bulbs',
          name: 'With bulbs, no sensor',
          when: { lamp: ['filament'], sensor: ['without'] },
          uses: uses('r-6'),
          used: ['a'],
          capped: ['b', 'c'],
          links: [],
          modules: [],
        },
        {
          id: 'bulbs-sensor',
          name: 'With bulbs and sensor',
          when: { lamp: ['filament'], sensor: ['with'] },
          uses: [...uses('r-6'), { itemId: 'bracket', count: 2 }],
          used: ['a', 'c'],
          capped: ['b'],
          links: [],
          modules: [LED_SENSOR],
        },
        {
          id: 'led-to-2016',
          name: 'Factory LED to 2016',
          when: { year: { from: 2012, to: 2016 }, lamp: ['led'] },
          uses: [...uses('r-22'), { itemId: 'bracket', count: 2 }, { itemId: 'link', count: 2 }],
          used: ['a', 'b', 'c'],
          capped: [],
          links: [{ from: 'B cavity 2', to: 'grey/white of the old plug' }],
          modules: [LED_SENSOR],
        },
        {
          id: 'led-from-2017',
          name: 'Factory LED from 2017',
          when: { year: { from: 2017, to: 2020 }, lamp: ['led'] },
          uses: [...uses('r-22'), { itemId: 'bracket', count: 2 }, { itemId: 'link', count: 2 }],
          used: ['a', 'b', 'c'],
          capped: [],
          links: [{ from: 'B cavity 2', to: 'brown/white of the old plug' }],
          modules: [LED_SENSOR],
        },
      ],
    },
  },
];

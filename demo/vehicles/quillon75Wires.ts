import type { Cavity, ColourCode, Connector, ProofMethod } from '../../core/model/vehicle/connector.ts';
import type { Side } from '../../core/model/vehicle/lamp.ts';
import type { Opening } from '../../core/model/vehicle/opening.ts';

const SIDES: readonly Side[] = ['left', 'right'];

/** How the van's turn lamps and its flasher are got at. */
export const QUILLON_75_OPENINGS: Opening[] = [
  ...SIDES.flatMap((side): Opening[] => [
    {
      id: `front-${side}`,
      name: `Front ${side}`,
      of: 'lamps',
      where: 'bonnet up, behind the headlamp',
      undo: [
        { kind: 'plug', count: 1, catch: 'press the tab', where: 'on the bulb holder' },
        { kind: 'piece', what: 'bulb holder', how: 'turn it anticlockwise, a quarter' },
      ],
      needs: [],
      tools: ['torch'],
      minutes: [3, 6],
      differs:
        side === 'left' ? 'the washer bottle is in front of the right one' : 'no washer bottle on the left',
      hazards: [],
    },
    {
      id: `repeater-${side}`,
      name: `Repeater ${side}`,
      of: 'lamps',
      where: 'in the wing',
      undo: [
        { kind: 'clip', count: 1, edge: 'rear', pull: 'outwards' },
        { kind: 'piece', what: 'bulb holder', how: 'twist it' },
      ],
      needs: [],
      tools: ['plastic pry tool'],
      minutes: [2, 4],
      differs: '',
      hazards: [],
    },
    {
      id: `rear-${side}`,
      name: `Rear ${side}`,
      of: 'lamps',
      where: 'lens off from outside',
      undo: [
        { kind: 'fastener', what: 'screw', size: 'cross-head', count: 1, lengthMm: 45, where: 'at the top' },
        {
          kind: 'fastener',
          what: 'screw',
          size: 'cross-head',
          count: 4,
          lengthMm: 30,
          washer: true,
          where: 'the rest',
        },
        { kind: 'piece', what: 'lens with its seal', how: 'ease it off evenly' },
      ],
      needs: [],
      tools: ['cross-head screwdriver'],
      minutes: [4, 8],
      differs: '',
      hazards: [],
    },
  ]),
  {
    id: 'flasher',
    name: 'Flasher relay',
    of: 'flasher',
    where: 'under the dash, beside the column; hazard on, it clicks there',
    undo: [
      { kind: 'piece', what: 'lower dash cover', how: 'pull it down' },
      { kind: 'plug', count: 1, catch: 'pull, no catch', where: 'relay in its socket' },
    ],
    needs: [],
    tools: ['torch', 'plastic pry tool'],
    minutes: [4, 12],
    differs: '',
    hazards: [],
  },
];

type Wire = readonly [base: ColourCode, tracer?: ColourCode];

function feed(id: string, [base, tracer]: Wire, circuitId: string, provedBy: ProofMethod): Cavity {
  return {
    id,
    colour: tracer ? { base, tracer } : { base },
    areaMm2: 1,
    use: { does: 'feed', circuitIds: [circuitId] },
    provedBy,
  };
}

/**
 * The plugs behind the van's lamps.
 *
 * @param turnBy how its turn feeds and its earth were proved
 */
export function quillon75Connectors(turnBy: ProofMethod): Connector[] {
  return SIDES.flatMap((side): Connector[] => {
    const turn: Wire = ['BK', side === 'left' ? 'WH' : 'GN'];
    const tail: Wire = ['GY', side === 'left' ? 'BK' : 'RD'];
    const earth = (id: string): Cavity => ({
      id,
      colour: { base: 'BN' },
      areaMm2: 1.5,
      use: { does: 'earth' },
      provedBy: turnBy,
    });
    return [
      {
        id: `plug-rear-${side}`,
        name: `Plug of rear ${side}`,
        at: {
          kind: 'lamps',
          lampIds: [`rear-${side}`, `stop-tail-${side}`, side === 'left' ? 'rear-fog' : 'reverse'],
        },
        housing: 'grey, six cavities',
        cavities: [
          feed('1', turn, `turn-${side}`, turnBy),
          feed('2', tail, `tail-${side}`, 'colour'),
          feed('3', ['BK', 'RD'], 'stop', 'colour'),
          earth('4'),
          side === 'left'
            ? feed('5', ['GY', 'WH'], 'rear-fog', 'colour')
            : feed('5', ['BU', 'BK'], 'reverse', 'colour'),
          { id: '6', use: { does: 'nothing' } },
        ],
      },
      {
        id: `plug-front-${side}`,
        name: `Plug of front ${side}`,
        at: { kind: 'lamps', lampIds: [`front-${side}`, `position-${side}`] },
        housing: 'black, three cavities',
        cavities: [
          feed('1', turn, `turn-${side}`, turnBy),
          feed('2', tail, `tail-${side}`, 'colour'),
          earth('3'),
        ],
      },
    ];
  });
}

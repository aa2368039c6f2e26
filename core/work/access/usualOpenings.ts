import { commonPractice } from '../../formatting/source.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { Fastening, Opening } from '../../model/vehicle/opening.ts';

/** A way something is usually opened: offered by kind of lamp, corrected in a moment. */
export interface UsualOpening {
  id: string;
  /** `Lens off from outside` */
  name: string;
  of: Opening['of'];
  undo: readonly Fastening[];
  tools: readonly string[];
  minutes: readonly [number, number];
  hazards?: Opening['hazards'];
  /** lamps it is usual for; of trim and flasher none */
  usualFor?: (lamp: Pick<Lamp, 'end' | 'role' | 'side' | 'base'>) => boolean;
}

export const USUAL_SOURCE = commonPractice('how most lamps of that kind are opened; look at the one in hand');

const screws = (count: number, where: string, size = 'cross-head'): Fastening => ({
  kind: 'fastener',
  what: 'screw',
  size,
  count,
  where,
});
const nuts = (count: number, where: string): Fastening => ({
  kind: 'fastener',
  what: 'nut',
  size: '10 mm',
  count,
  washer: true,
  where,
});
const plug = (where = 'behind the lamp'): Fastening => ({
  kind: 'plug',
  count: 1,
  catch: 'press the tab',
  where,
});
const holder: Fastening = {
  kind: 'piece',
  what: 'bulb holder',
  how: 'turn anticlockwise, a quarter or less',
};
const outside = ({ end }: Pick<Lamp, 'end'>) => end === 'front' || end === 'rear';

export const USUAL_OPENINGS: readonly UsualOpening[] = [
  {
    id: 'lens-screws',
    name: 'Lens off from outside',
    of: 'lamps',
    undo: [
      screws(4, 'corners of the lens'),
      { kind: 'piece', what: 'lens with its seal', how: 'ease it off evenly' },
    ],
    tools: ['cross-head screwdriver'],
    minutes: [4, 8],
    usualFor: (lamp) => outside(lamp),
  },
  {
    id: 'behind-holder',
    name: 'From behind: the holder turns out',
    of: 'lamps',
    undo: [holder],
    tools: ['torch'],
    minutes: [2, 5],
    usualFor: (lamp) => outside(lamp),
  },
  {
    id: 'behind-cover',
    name: 'From behind: cover, then the holder',
    of: 'lamps',
    undo: [{ kind: 'piece', what: 'dust cover', how: 'turn or unclip it' }, holder],
    tools: ['torch'],
    minutes: [3, 6],
    usualFor: (lamp) => lamp.end === 'front',
  },
  {
    id: 'lamp-screws-pins',
    name: 'Whole lamp out: screws, then guide pins',
    of: 'lamps',
    undo: [
      screws(2, 'at the inner edge, tailgate open', 'T20'),
      { kind: 'guide-pin', count: 2, pull: 'rearwards' },
      plug(),
      { kind: 'piece', what: 'bulb carrier', how: 'press its catches' },
    ],
    tools: ['T20 driver', 'plastic pry tool'],
    minutes: [4, 9],
    usualFor: (lamp) => lamp.end === 'rear' && lamp.side !== 'centre',
  },
  {
    id: 'lamp-nuts-inside',
    name: 'Whole lamp out: nuts from inside, behind the trim',
    of: 'lamps',
    undo: [
      nuts(3, 'behind the side trim'),
      plug(),
      { kind: 'piece', what: 'lamp with its seal', how: 'push it out evenly' },
    ],
    tools: ['10 mm socket', 'plastic pry tool'],
    minutes: [6, 14],
    usualFor: (lamp) => lamp.end === 'rear' && lamp.side !== 'centre',
  },
  {
    id: 'bumper-off',
    name: 'Bumper off',
    of: 'lamps',
    undo: [
      screws(6, 'along the upper edge', 'T25'),
      { kind: 'fastener', what: 'push rivet', size: '8 mm', count: 6, where: 'underneath' },
      { kind: 'clip', count: 2, edge: 'outer', pull: 'outwards' },
      plug('behind the bumper'),
    ],
    tools: ['T25 driver', 'rivet puller', 'plastic pry tool'],
    minutes: [20, 45],
    usualFor: (lamp) => outside(lamp) && lamp.side !== 'centre',
  },
  {
    id: 'repeater-push',
    name: 'Push forwards, ease the rear edge out',
    of: 'lamps',
    undo: [{ kind: 'clip', count: 1, edge: 'rear', pull: 'outwards' }, holder],
    tools: ['plastic pry tool'],
    minutes: [2, 4],
    usualFor: ({ end }) => end === 'side',
  },
  {
    id: 'pry-lens',
    name: 'Lens off from its marked edge',
    of: 'lamps',
    undo: [{ kind: 'clip', count: 2, edge: 'front', pull: 'down' }],
    tools: ['plastic pry tool'],
    minutes: [1, 4],
    usualFor: ({ end }) => end === 'inside' || end === 'side',
  },
  {
    id: 'plate-push',
    name: 'Press the lamp sideways out of its cut-out',
    of: 'lamps',
    undo: [{ kind: 'clip', count: 1, edge: 'inner', pull: 'outwards' }],
    tools: ['plastic pry tool'],
    minutes: [1, 4],
    usualFor: ({ end, base }) => end === 'rear' && (base.startsWith('SV') || base === 'W2.1x9.5d'),
  },
  {
    id: 'third-brake-clips',
    name: 'Cover inside, two clips',
    of: 'lamps',
    undo: [
      { kind: 'clip', count: 2, edge: 'bottom', pull: 'down' },
      plug(),
      { kind: 'piece', what: 'bulb carrier', how: 'press its catches' },
    ],
    tools: ['plastic pry tool'],
    minutes: [3, 8],
    usualFor: ({ end, side }) => end === 'rear' && side === 'centre',
  },
  {
    id: 'cluster-out',
    name: 'Cluster out, the holder twists out',
    of: 'lamps',
    undo: [
      screws(4, 'frame of the cluster'),
      { kind: 'piece', what: 'cluster', how: 'tip it forwards, the flexible circuit tears' },
      plug('back of the cluster'),
      { kind: 'piece', what: 'panel bulb holder', how: 'twist' },
    ],
    tools: ['cross-head screwdriver', 'plastic pry tool'],
    minutes: [15, 35],
    usualFor: ({ end }) => end === 'dash',
  },
  {
    id: 'side-trim',
    name: 'Side trim of the boot or load bay',
    of: 'trim',
    undo: [
      { kind: 'fastener', what: 'push rivet', size: '6 mm', count: 3, where: 'edge of the trim' },
      { kind: 'clip', count: 4, edge: 'all round', pull: 'inwards' },
    ],
    tools: ['rivet puller', 'plastic pry tool'],
    minutes: [4, 10],
  },
  {
    id: 'pillar-trim',
    name: 'Pillar or roof trim, a curtain airbag behind it',
    of: 'trim',
    undo: [{ kind: 'clip', count: 4, edge: 'all round', pull: 'inwards' }],
    tools: ['plastic pry tool'],
    minutes: [5, 12],
    hazards: ['curtain-airbag'],
  },
  {
    id: 'arch-liner',
    name: 'Wheel arch liner',
    of: 'trim',
    undo: [
      screws(6, 'edge of the arch', 'T20'),
      { kind: 'fastener', what: 'push rivet', size: '8 mm', count: 2, where: 'underneath' },
    ],
    tools: ['T20 driver', 'rivet puller'],
    minutes: [6, 15],
  },
  {
    id: 'flasher-dash',
    name: 'Flasher under the dash, beside the column',
    of: 'flasher',
    undo: [
      { kind: 'piece', what: 'lower dash cover', how: 'pull down' },
      { kind: 'plug', count: 1, catch: 'pull, no catch', where: 'relay in its socket' },
    ],
    tools: ['torch', 'plastic pry tool'],
    minutes: [4, 12],
  },
  {
    id: 'flasher-fuse-box',
    name: 'Flasher in the fuse box',
    of: 'flasher',
    undo: [
      { kind: 'piece', what: 'fuse box lid', how: 'unclip it' },
      { kind: 'plug', count: 1, catch: 'pull, no catch', where: 'relay in its socket' },
    ],
    tools: ['torch'],
    minutes: [1, 4],
  },
  {
    id: 'flasher-under-seat',
    name: 'Flasher under seat or side cover',
    of: 'flasher',
    undo: [
      screws(2, 'side cover'),
      { kind: 'plug', count: 1, catch: 'pull, no catch', where: 'relay on its rubber mount' },
    ],
    tools: ['cross-head screwdriver'],
    minutes: [3, 8],
  },
];

/** The usual ways to open one lamp, or trim, or to get at the flasher. */
export function usualOpeningsFor(of: Opening['of'], lamp?: Lamp): UsualOpening[] {
  return USUAL_OPENINGS.filter((each) => each.of === of && (!lamp || (each.usualFor?.(lamp) ?? true)));
}

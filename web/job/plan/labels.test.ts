import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { demoJobs } from '../../../demo/jobs.ts';
import { THIRTY_LAMP_JOB } from '../../../tests/bench/large.ts';
import { cross, LABEL_EDGE, type LabelPlace, labelPlaces, namesThatFit } from './labels.ts';
import { outlineIn } from './planGeometry.ts';

const SIZES = [
  [416, 400, 36],
  [416, 330, 19],
  [362, 300, 19],
  [700, 900, 36],
] as const;
const jobs = [...demoJobs(), THIRTY_LAMP_JOB];

describe('names beside the plan', () => {
  it.each([
    ['library-route-1', 416, 400, 36],
    ['gritter-4', 416, 330, 19],
    ['gritter-4', 362, 300, 19],
    ['exhibition-trailer', 416, 280, 36],
  ] as const)('of %s in %i by %i never lie over each other, nor outside', (id, width, height, line) => {
    const { kind, lamps } = demoJob(id).vehicle;
    const outside = lamps.filter((lamp) => lamp.end !== 'inside' && lamp.end !== 'dash');
    const places = labelPlaces(outside, outlineIn(kind, width, height), height, line);
    expect(places.length).toBe(outside.length);
    for (const flank of ['left', 'right']) {
      const ys = places.filter((place) => place.flank === flank).map((place) => place.y);
      for (const [index, y] of ys.entries()) {
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(height);
        if (index > 0) expect(y - (ys[index - 1] ?? 0)).toBeGreaterThanOrEqual(line - 1e-6);
      }
    }
  });

  it.each(jobs.map((job) => [job.id, job] as const))(
    'of %s have leaders that cross neither each other nor a name',
    (_, { vehicle }) => {
      for (const [width, height, line] of SIZES) {
        const all = labelPlaces(vehicle.lamps, outlineIn(vehicle.kind, width, height), height, line);
        const outside = vehicle.lamps.filter((lamp) => lamp.end !== 'inside' && lamp.end !== 'dash');
        const some = labelPlaces(outside, outlineIn(vehicle.kind, width, height), height, line);
        for (const places of [all, some]) {
          expect(crossings(places)).toEqual([]);
          for (const { flank, leader } of places)
            for (const { x } of leader)
              expect(flank === 'left' ? x - LABEL_EDGE : width - LABEL_EDGE - x).toBeGreaterThan(0);
        }
      }
    },
  );

  it('of three hundred lamps are as many as there is room for, one of each function and the one in hand among them', () => {
    const [lamp] = THIRTY_LAMP_JOB.vehicle.lamps;
    if (!lamp) throw new Error('no lamp');
    const SIDES = ['left', 'right', 'centre'] as const;
    const many = Array.from({ length: 300 }, (_, at) => ({
      ...lamp,
      id: `lamp-${at}`,
      side: SIDES[at % 3] ?? 'left',
      plan: { across: 0.1 + 0.2 * (at % 5), along: ((at * 37) % 100) / 100 },
    }));
    const functionOf = ({ id }: { id: string }) => `function ${Math.floor(Number(id.slice(5)) / 60)}`;
    const named = namesThatFit(many, 16, 'lamp-299', functionOf);
    const places = labelPlaces(named, outlineIn('lorry', 416, 330), 330, 19);
    for (const flank of ['left', 'right'])
      expect(places.filter((place) => place.flank === flank).length).toBeLessThanOrEqual(17);
    for (const { y } of places) expect(y).toBeGreaterThan(0);
    expect(crossings(places)).toEqual([]);
    expect(named.map(({ id }) => id)).toContain('lamp-299');
    for (let each = 0; each < 5; each += 1)
      for (const side of ['left', 'right'])
        expect(named.some((one) => one.side === side && functionOf(one) === `function ${each}`)).toBe(true);
  });

  it('are swapped where in the order of their lamps the leaders would cross', () => {
    const { vehicle } = demoJob('library-route-1');
    const outline = outlineIn(vehicle.kind, 416, 400);
    const places = labelPlaces(vehicle.lamps, outline, 400, 19);
    const straight = places.toSorted((a, b) => a.leader[0].y - b.leader[0].y || 0);
    expect(places.map((place) => place.lampId)).not.toEqual(straight.map((place) => place.lampId));
    expect(new Set(places.map((place) => place.lampId)).size).toBe(vehicle.lamps.length);
  });
});

function crossings(places: readonly LabelPlace[]): string[] {
  const found: string[] = [];
  for (const [index, one] of places.entries()) {
    for (const other of places.slice(index + 1)) {
      const legs = (place: LabelPlace) => {
        const [from, bend, to] = place.leader;
        return [
          [from, bend],
          [bend, to],
        ] as const;
      };
      if (legs(one).some(([a, b]) => legs(other).some(([c, d]) => cross(a, b, c, d))))
        found.push(`${one.lampId} and ${other.lampId}`);
    }
  }
  return found;
}

describe('two lines', () => {
  it('cross where each parts the ends of the other, and not where they only would, longer', () => {
    const at = (x: number, y: number) => ({ x, y });
    expect(cross(at(0, 0), at(10, 10), at(0, 10), at(10, 0))).toBe(true);
    expect(cross(at(0, 0), at(4, 4), at(0, 10), at(10, 0))).toBe(false);
    expect(cross(at(0, 0), at(10, 0), at(0, 1), at(10, 1))).toBe(false);
  });
});

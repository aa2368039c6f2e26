import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import { routeReasons } from '../../words/work/route.ts';
import { Grounds, type Place } from './places.ts';
import { type Panel, routeOf, USUAL_HABITS, type Visit } from './route.ts';
import { cheapestTour, EXACT_STOPS, lengthOf, type Stop } from './tour.ts';

const grounds = new Grounds(QUILLON_75);

/** Panels anywhere round the van; some need an earlier one open. */
const panelsOf = (most: number, least = 1) =>
  fc
    .array(
      fc.record({
        round: fc.double({ min: 0, max: grounds.aroundM - 0.01, noNaN: true }),
        off: fc.constantFrom(0, 0, 0, 3),
        side: fc.constantFrom('left' as const, 'right' as const),
        need: fc.option(fc.nat({ max: 8 }), { freq: 3 }),
        battery: fc.boolean(),
      }),
      { minLength: least, maxLength: most },
    )
    .map((rows) =>
      rows.map(
        ({ round, off, side, need, battery }, at): Panel => ({
          id: `p${at}`,
          side,
          place: { roundM: round, offM: off },
          needs: need !== null && need < at && rows[need]?.side === side ? [`p${need}`] : [],
          lamps: 1,
          batteryOff: battery,
        }),
      ),
    );

function* permutations<T>(list: readonly T[]): Generator<T[]> {
  if (list.length === 0) yield [];
  for (let at = 0; at < list.length; at += 1)
    for (const rest of permutations([...list.slice(0, at), ...list.slice(at + 1)]))
      yield [list[at] as T, ...rest];
}

describe('cheapestTour', () => {
  const stopsOf = (panels: readonly Panel[]): Stop[] => panels.map(({ id, needs }) => ({ id, after: needs }));
  const costOf = (panels: readonly Panel[]) => {
    const places = new Map(panels.map(({ id, place }) => [id, place]));
    const at = (id: string | undefined): Place => (id && places.get(id)) || grounds.seat;
    return (from: string | undefined, to: string | undefined) => grounds.minutes(at(from), at(to));
  };

  it('is what trying every order of up to nine stops finds', () => {
    const check = (panels: readonly Panel[]) => {
      const stops = stopsOf(panels);
      const cost = costOf(panels);
      const allowed = (order: readonly string[]) =>
        stops.every(({ id, after }) => after.every((each) => order.indexOf(each) < order.indexOf(id)));
      let least = Number.POSITIVE_INFINITY;
      for (const order of permutations(stops.map(({ id }) => id)))
        if (allowed(order)) least = Math.min(least, lengthOf(order, cost));
      const tour = cheapestTour(stops, cost);
      expect(tour?.cost).toBeCloseTo(least, 9);
      expect(tour?.atLeast).toBe(tour?.cost);
      expect(allowed(tour?.order ?? [])).toBe(true);
      expect(lengthOf(tour?.order ?? [], cost)).toBeCloseTo(least, 9);
    };
    fc.assert(fc.property(panelsOf(7), check), { numRuns: 40 });
    const [nine] = fc.sample(panelsOf(9, 9), { numRuns: 1, seed: 4 });
    check(nine ?? []);
  });

  it('keeps to what comes first and shows a bound, where there are too many stops to weigh every order', () => {
    const many = fc.sample(panelsOf(26, EXACT_STOPS + 4), { numRuns: 6, seed: 2 });
    for (const panels of many) {
      const tour = cheapestTour(stopsOf(panels), costOf(panels));
      expect(tour?.order.length).toBe(panels.length);
      expect(tour?.atLeast).toBeLessThanOrEqual(tour?.cost ?? 0);
      for (const { id, needs } of panels)
        for (const need of needs)
          expect(tour?.order.indexOf(need)).toBeLessThan(tour?.order.indexOf(id) ?? 0);
    }
  });

  it('finds no round where two stops each wait for the other', () => {
    const circle = [
      { id: 'a', after: ['b'] },
      { id: 'b', after: ['a'] },
    ];
    expect(cheapestTour(circle, () => 1)).toBeNull();
  });
});

describe('routeOf', () => {
  /**
   * The least walking of anybody alone who swaps bulbs with everything off and looks at them with everything on, found by
   * trying whatever may be done next: no rounds, no phases. What is longer than a known walk is not followed up.
   */
  const leastWalking = (panels: readonly Panel[], noMoreThan: number): number => {
    let least = noMoreThan + 1e-6;
    const go = (worked: string[], checked: string[], at: Place, lit: boolean, walked: number): void => {
      if (walked >= least) return;
      if (checked.length === panels.length) {
        least = Math.min(least, walked + grounds.minutes(at, grounds.seat));
        return;
      }
      const step = (place: Place) => walked + grounds.minutes(at, place);
      for (const { id, place, needs } of panels) {
        if (!lit && !worked.includes(id) && needs.every((each) => worked.includes(each)))
          go([...worked, id], checked, place, lit, step(place));
        const closes = panels.every((each) => !each.needs.includes(id) || checked.includes(each.id));
        if (lit && worked.includes(id) && !checked.includes(id) && closes)
          go(worked, [...checked, id], place, lit, step(place));
      }
      // Switching is only worth the way where something was done since.
      if (at !== grounds.seat) go(worked, checked, grounds.seat, !lit, step(grounds.seat));
    };
    go([], [], grounds.seat, false, 0);
    return least;
  };

  it('needs no more walking than any other order of opening, switching, seeing and closing', () => {
    fc.assert(
      fc.property(panelsOf(3), (drawn) => {
        const panels = drawn.map((panel) => ({ ...panel, batteryOff: false }));
        const route = routeOf(QUILLON_75, panels, { ...USUAL_HABITS, sides: 'both' });
        expect(route.walkMinutes).toBeCloseTo(leastWalking(panels, route.walkMinutes), 5);
        expect(route.atLeastMinutes).toBe(route.walkMinutes);
      }),
      { numRuns: 30 },
    );
  });

  it('opens and closes each panel once, one side whole before the other, whatever the habits', () => {
    fc.assert(
      fc.property(
        panelsOf(8),
        fc.record({
          sides: fc.constantFrom('one-first' as const, 'both' as const),
          testing: fc.constantFrom('before-closing' as const, 'after' as const),
          joints: fc.constant('crimps' as const),
          battery: fc.constant('where-needed' as const),
          relay: fc.constant('last' as const),
          helper: fc.boolean(),
        }),
        (panels, habits) => {
          const { rounds } = routeOf(QUILLON_75, panels, habits);
          const visits = rounds.flatMap((round) => round.visits);
          const acts = (id: string) =>
            visits.flatMap((visit) => ('panelId' in visit && visit.panelId === id ? [visit.act] : []));
          for (const { id } of panels) {
            const opened = acts(id).filter((act) => act === 'work' || act === 'whole');
            expect(opened.length).toBe(1);
          }
          const at = (test: (visit: Visit) => boolean) => visits.findIndex(test);
          for (const { id, needs } of panels)
            for (const need of needs) {
              const open = (each: string) => at((visit) => 'panelId' in visit && visit.panelId === each);
              expect(open(need)).toBeLessThan(open(id));
            }
          for (const round of rounds) {
            const order = round.visits;
            const off = order.findIndex(({ act }) => act === 'battery-off');
            const on = order.findIndex(({ act }) => act === 'battery-on');
            for (const panel of panels.filter(({ batteryOff }) => batteryOff)) {
              const worked = order.findIndex(
                (visit) =>
                  'panelId' in visit &&
                  visit.panelId === panel.id &&
                  (visit.act === 'work' || visit.act === 'whole'),
              );
              if (worked < 0) continue;
              expect(off).toBeLessThan(worked);
              expect(on).toBeGreaterThan(worked);
            }
          }
          if (habits.sides === 'one-first') {
            const sides = rounds.map(({ of }) => of);
            expect(sides).toEqual([...new Set(sides)].flatMap((of) => sides.filter((each) => each === of)));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('saves the walks that lamp by lamp would cost, and says why it is so', () => {
    const panels = ['a', 'b', 'c'].map(
      (id, at): Panel => ({
        id,
        side: 'left',
        place: { roundM: 2 + 3 * at, offM: 0 },
        needs: [],
        lamps: 2,
        batteryOff: false,
      }),
    );
    const route = routeOf(QUILLON_75, panels, USUAL_HABITS);
    expect(route.walkMinutes).toBeLessThan(route.lampByLampMinutes);
    expect(routeReasons(route.grounds).join(' ')).toContain('Each of 3 panels is opened once, for 6 lamps.');
  });
});

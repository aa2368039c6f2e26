import type { WorkHabits } from '../../model/job.ts';
import type { Side } from '../../model/vehicle/lamp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { Grounds, type Place } from './places.ts';
import { cheapestTour, type Stop, type Tour } from './tour.ts';

/** One panel to be worked on, or one that is only in the way of others. */
export interface Panel {
  id: string;
  side: Side | 'centre';
  place: Place;
  /** panels that must be open before this one is */
  needs: readonly string[];
  /** lamps behind it that are worked on; none of one that is only in the way */
  lamps: number;
  /** the battery is off while it is worked on */
  batteryOff: boolean;
}

export type Visit =
  /** opened, worked on and left open; then seen lit and closed; or both at once */
  { act: 'work' | 'check' | 'whole'; panelId: string } | { act: 'battery-off' | 'battery-on' };

/** A round from the driver's seat and back to it, over the panels of one side or of all. */
export interface Round {
  of: Side | 'all' | 'centre';
  /** whether everything it looks at is switched on: nothing is swapped then */
  lit: boolean;
  visits: readonly Visit[];
}

export interface Route {
  rounds: readonly Round[];
  walkMinutes: number;
  /** no order of these rounds needs less walking than this; the same as `walkMinutes` where it was searched exactly */
  atLeastMinutes: number;
  /** what walking and opening each lamp by itself would need */
  lampByLampMinutes: number;
  grounds: RouteGrounds;
}

/** Why the work is in this order, as data: `words/work/route.ts` says it. */
export interface RouteGrounds extends Pick<WorkHabits, 'helper' | 'testing'> {
  /** those with work behind them, a count */
  panels: number;
  lamps: number;
  /** rounds for which everything looked at is switched on */
  litRounds: number;
  firstSide: Side | null;
  /** something needs the battery off */
  batteryOff: boolean;
  /** something is opened only because it is in the way */
  inTheWay: boolean;
}

export const USUAL_HABITS: WorkHabits = {
  sides: 'one-first',
  testing: 'before-closing',
  joints: 'crimps',
  battery: 'where-needed',
  relay: 'last',
  helper: false,
};

/**
 * The order in which panels are opened, worked on, seen lit and closed, with the least walking: each panel opened once,
 * one side whole before the other where that is wished, switches worked once a round and not once a lamp. Whoever is
 * alone opens and works a side in one round, switches on, and sees and closes it in a second: no order needs fewer walks,
 * since rounds from one seat can be joined without getting longer. With a helper in the seat one round does both.
 */
export function routeOf(vehicle: Vehicle, panels: readonly Panel[], habits: WorkHabits): Route {
  const grounds = new Grounds(vehicle);
  const options = phasesOf(panels, habits).map((phases) => {
    const rounds = phases.flatMap((phase) => roundsOf(grounds, phase, habits));
    const walk = rounds.reduce((sum, { tour }) => sum + tour.cost, 0);
    return { rounds, walk, atLeast: rounds.reduce((sum, { tour }) => sum + tour.atLeast, 0) };
  });
  const best = options.reduce((least, each) => (each.walk < least.walk - 1e-9 ? each : least));
  const rounds = best.rounds.map(({ round }) => round);
  const lampByLamp = lampByLampMinutes(grounds, panels, habits);
  return {
    rounds,
    walkMinutes: best.walk,
    atLeastMinutes: best.atLeast,
    lampByLampMinutes: lampByLamp,
    grounds: groundsOf(panels, habits, rounds),
  };
}

interface Phase {
  of: Round['of'];
  panels: readonly Panel[];
}

/** The ways to cut the work into phases: which side comes first is open. */
function phasesOf(panels: readonly Panel[], { sides }: WorkHabits): Phase[][] {
  const on = (side: Panel['side']) => panels.filter((panel) => panel.side === side);
  if (sides === 'both' || on('left').length === 0 || on('right').length === 0) {
    const of = on('left').length === 0 && on('right').length === 0 ? 'centre' : 'all';
    return [panels.length === 0 ? [] : [{ of, panels: withNeeded(panels, panels) }]];
  }
  return (['left', 'right'] as const).map((first) => {
    const second = first === 'left' ? 'right' : 'left';
    // What is in the middle comes with the second side: by then the first is closed and compared.
    return [
      { of: first, panels: withNeeded(on(first), panels) },
      { of: second, panels: withNeeded([...on(second), ...on('centre')], panels, on(first)) },
    ];
  });
}

/** Some panels and all that must be open for them. */
function withNeeded(some: readonly Panel[], all: readonly Panel[], done: readonly Panel[] = []): Panel[] {
  const found = new Map(some.map((panel) => [panel.id, panel]));
  for (let grown = true; grown; ) {
    grown = false;
    for (const { needs } of [...found.values()])
      for (const id of needs) {
        const needed = all.find((panel) => panel.id === id);
        if (!needed || found.has(id)) continue;
        // A panel of the side that is closed already is opened again only to get by, not to be worked on.
        found.set(id, done.includes(needed) ? { ...needed, lamps: 0 } : needed);
        grown = true;
      }
  }
  return [...found.values()];
}

const OFF = 'battery-off';
const ON = 'battery-on';
const CLOSE = '/close';

function roundsOf(
  grounds: Grounds,
  { of, panels }: Phase,
  habits: WorkHabits,
): { round: Round; tour: Tour }[] {
  const places = new Map<string, Place>(panels.map(({ id, place }) => [id, place]));
  for (const id of [OFF, ON]) places.set(id, grounds.nose);
  const at = (id: string | undefined) => (id && places.get(id.replace(CLOSE, ''))) || grounds.seat;
  const cost = (from: string | undefined, to: string | undefined) => grounds.minutes(at(from), at(to));
  const round = (lit: boolean, stops: readonly Stop[], act: (id: string) => 'work' | 'check' | 'whole') => {
    const tour = cheapestTour(stops, cost) ?? { order: stops.map(({ id }) => id), cost: 0, atLeast: 0 };
    return { round: { of, lit, visits: tour.order.map((id) => visitOf(id, act(id))) }, tour };
  };
  const off = panels.filter(({ batteryOff }) => batteryOff).map(({ id }) => id);
  const battery = (last: readonly string[]): Stop[] =>
    off.length === 0
      ? []
      : [
          { id: OFF, after: [] },
          { id: ON, after: [OFF, ...last] },
        ];
  const afterOff = (id: string) => (off.includes(id) ? [OFF] : []);
  const atOnce = habits.helper && off.length === 0;
  if (atOnce || habits.testing === 'after') {
    // What others need stays open until they are closed.
    const kept = new Set(panels.flatMap(({ needs }) => needs).filter((id) => places.has(id)));
    const closed = ({ id }: Panel) => (kept.has(id) ? `${id}${CLOSE}` : id);
    const stops = panels.flatMap(({ id, needs }): Stop[] => [
      { id, after: [...needs, ...afterOff(id)] },
      ...(kept.has(id)
        ? [
            {
              id: `${id}${CLOSE}`,
              after: [id, ...panels.filter((each) => each.needs.includes(id)).map(closed)],
            },
          ]
        : []),
    ]);
    const act = (id: string) => (kept.has(id) ? 'work' : 'whole');
    const first = round(atOnce, [...stops, ...battery(off)], act);
    if (atOnce) return [first];
    const looks = panels.filter(({ lamps }) => lamps > 0).map(({ id }) => ({ id, after: [] }));
    return [first, round(true, looks, () => 'check')];
  }
  const work = panels.map(({ id, needs }) => ({ id, after: [...needs, ...afterOff(id)] }));
  // Closing goes the other way: what was opened for others is closed after them.
  const check = panels.map(({ id }) => ({
    id,
    after: panels.filter(({ needs }) => needs.includes(id)).map((each) => each.id),
  }));
  return [round(false, [...work, ...battery(off)], () => 'work'), round(true, check, () => 'check')];
}

function visitOf(id: string, act: 'work' | 'check' | 'whole'): Visit {
  if (id === OFF || id === ON) return { act: id };
  return id.endsWith(CLOSE) ? { act: 'check', panelId: id.slice(0, -CLOSE.length) } : { act, panelId: id };
}

/** Every lamp by itself, in the order of the list: open, swap, to the seat and back to see it lit, close. */
function lampByLampMinutes(grounds: Grounds, panels: readonly Panel[], { helper }: WorkHabits): number {
  let minutes = 0;
  let last = grounds.seat;
  for (const { place, lamps, batteryOff } of panels)
    for (let lamp = 0; lamp < lamps; lamp += 1) {
      // Off before and on again after, for each by itself.
      if (batteryOff) {
        minutes += grounds.minutes(last, grounds.nose) + 2 * grounds.minutes(grounds.nose, place);
        last = place;
      }
      minutes += grounds.minutes(last, place) + (helper ? 0 : 2 * grounds.minutes(place, grounds.seat));
      last = place;
    }
  return minutes + grounds.minutes(last, grounds.seat);
}

function groundsOf(
  panels: readonly Panel[],
  { helper, testing }: WorkHabits,
  rounds: readonly Round[],
): RouteGrounds {
  const worked = panels.filter(({ lamps }) => lamps > 0);
  const first = rounds[0]?.of;
  return {
    panels: worked.length,
    lamps: worked.reduce((sum, panel) => sum + panel.lamps, 0),
    litRounds: rounds.filter(({ lit }) => lit).length,
    firstSide: first === 'left' || first === 'right' ? first : null,
    helper,
    testing,
    batteryOff: panels.some(({ batteryOff }) => batteryOff),
    inTheWay: worked.length < panels.length,
  };
}

import type { Job, WorkHabits } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { flashes } from '../model/scope.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { flasherOpening, type OpenedWith, openingsOf } from './access/openings.ts';
import { Grounds } from './order/places.ts';
import { type Panel, type Round, type Route, routeOf, USUAL_HABITS } from './order/route.ts';
import { vehicleCureSteps } from './steps/cureSteps.ts';
import type { FitStep } from './steps/fitStep.ts';
import {
  batteryStep,
  compareStep,
  firstSteps,
  lastSteps,
  switchOffStep,
  switchOnStep,
} from './steps/frameSteps.ts';
import { kitSteps } from './steps/kitSteps.ts';
import { hasWork } from './steps/lampSteps.ts';
import { closeStep, openSteps, testStep } from './steps/panelSteps.ts';
import type { LaterCure } from './steps/stepAbout.ts';
import { type LearntTimes, timed } from './times.ts';

/** The whole work of a job: its steps in order, and why they are in that order. */
export interface WorkPlan {
  steps: readonly FitStep[];
  route: Route;
  habits: WorkHabits;
  /** what opening each lamp's panel for itself would cost more, minutes */
  openingSavedMinutes: number;
}

/** How somebody works who has said nothing of it. */
export function habitsOf({ habits }: Pick<Job, 'habits'>): WorkHabits {
  return habits ?? USUAL_HABITS;
}

/**
 * The work in order: make safe, then one side whole (each panel opened once, seen lit before it is closed), compare it
 * with the other side while that is still stock, then the other side, then both; or as the installer's habits have it.
 *
 * @param times what such steps took on other jobs
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function workPlan(job: Job, shelf: Shelf, times?: LearntTimes): WorkPlan {
  const habits = habitsOf(job);
  const opened = new Map(openingsOf(job.vehicle).map((each) => [each.opening.id, each]));
  const panels = panelsOf(job, shelf, habits, [...opened.values()]);
  const route = routeOf(job.vehicle, panels, habits);
  const others = cureSteps(job, shelf, opened);
  const kits = kitSteps(job, shelf);
  if (panels.length === 0 && others.length === 0 && kits.length === 0)
    return { steps: [], route, habits, openingSavedMinutes: 0 };
  const rounds = new RoundSteps(job, shelf, opened, comesLater(job, habits)).of(route.rounds);
  const first = [...rounds, ...others].find(({ kind }) => kind !== 'open');
  const inOrder = habits.relay === 'first' ? [...others, ...rounds] : [...rounds, ...others];
  const steps = [
    ...firstSteps(job, shelf, first ? [first.id] : []),
    ...kits,
    ...inOrder,
    ...lastSteps(job, flashes(job)),
  ];
  return {
    steps: steps.map((step) => ({
      ...step,
      ...(times?.has(step.timedAs)
        ? { minutes: timed(step, times), recorded: times.get(step.timedAs)?.length ?? 0 }
        : {}),
    })),
    route,
    habits,
    openingSavedMinutes: panels.reduce((sum, { id, lamps }) => {
      const minutes = opened.get(id)?.opening.minutes ?? [0, 0];
      return sum + (Math.max(0, lamps - 1) * (minutes[0] + minutes[1])) / 2;
    }, 0),
  };
}

/** What of a cure is done after the lamps, and decides how they flash; null where nothing is. */
function comesLater({ vehicleCures }: Job, { relay }: WorkHabits): LaterCure | null {
  if (relay === 'first') return null;
  const planned = (['flasher-relay', 'controller-setting'] as const).find((each) =>
    vehicleCures.some(({ kind }) => kind === each),
  );
  return planned ?? null;
}

/**
 * The steps of a job in the order they are done.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function fitSteps(job: Job, shelf: Shelf): FitStep[] {
  return [...workPlan(job, shelf).steps];
}

/** Sum of the steps that are left, minutes. */
export function minutesLeft(steps: readonly FitStep[], done: (id: string) => boolean): [number, number] {
  const open = steps.filter((step) => !done(step.id));
  return [
    open.reduce((sum, step) => sum + step.minutes[0], 0),
    open.reduce((sum, step) => sum + step.minutes[1], 0),
  ];
}

/** The panels of a job: those with work behind them, and what must be open for them. */
export function panelsOf(
  job: Job,
  shelf: Shelf,
  habits: WorkHabits,
  openings: readonly OpenedWith[] = openingsOf(job.vehicle),
): Panel[] {
  const grounds = new Grounds(job.vehicle);
  const panel = (each: OpenedWith, lamps: number, side: Panel['side']): Panel => ({
    id: each.opening.id,
    side,
    place: grounds.of(each),
    needs: each.opening.needs.filter((id) => openings.some(({ opening }) => opening.id === id)),
    lamps,
    batteryOff: habits.battery === 'throughout' || each.opening.hazards.includes('curtain-airbag'),
  });
  const found = new Map<string, Panel>();
  for (const each of openings) {
    const worked = each.lamps.filter((lamp) => hasWork(job, shelf, lamp));
    const [first] = worked;
    if (first) found.set(each.opening.id, panel(each, worked.length, first.side));
  }
  for (let grown = true; grown; ) {
    grown = false;
    for (const { needs, side } of [...found.values()])
      for (const id of needs) {
        const needed = openings.find(({ opening }) => opening.id === id);
        if (!needed || found.has(id)) continue;
        found.set(id, panel(needed, 0, side));
        grown = true;
      }
  }
  return [...found.values()];
}

/** Cures that are no load on a lamp; the flasher's with the way to it. */
function cureSteps(job: Job, shelf: Shelf, opened: ReadonlyMap<string, OpenedWith>): FitStep[] {
  const steps = vehicleCureSteps(job);
  const access = flasherOpening(job.vehicle);
  const flasher = access && opened.get(access.id);
  if (!flasher || !steps.some(({ id }) => id === 'cure-flasher')) return steps;
  return steps.flatMap((step) =>
    step.id === 'cure-flasher'
      ? [...openSteps(job, shelf, flasher), step, closeStep(job, shelf, flasher)]
      : [step],
  );
}

/** The steps of the rounds of a route. */
class RoundSteps {
  private readonly seen = new Set<string>();

  constructor(
    private readonly job: Job,
    private readonly shelf: Shelf,
    private readonly opened: ReadonlyMap<string, OpenedWith>,
    /** what of the cure comes after the lamps, and decides how they flash */
    private readonly later: LaterCure | null,
  ) {}

  of(rounds: readonly Round[]): FitStep[] {
    const sides = new Set(rounds.flatMap(({ of }) => (of === 'left' || of === 'right' ? [of] : [])));
    return rounds.flatMap((round, at) => {
      const steps = this.visits(round);
      const last = rounds.findLastIndex(({ of }) => of === round.of) === at;
      return [...steps, ...(last ? this.ending(round, sides.size > 1 && at < rounds.length / 2) : [])];
    });
  }

  private visits(round: Round): FitStep[] {
    const steps = round.visits.flatMap((visit): FitStep[] => {
      if (!('panelId' in visit)) return [batteryStep(visit.act, round.of)];
      const opened = this.opened.get(visit.panelId);
      if (!opened) return [];
      const tests = testStep(this.job, this.shelf, opened);
      const closing = closeStep(this.job, this.shelf, opened);
      const opening = openSteps(this.job, this.shelf, opened);
      if (visit.act === 'work') return opening;
      if (visit.act === 'check') return [...tests, closing];
      return [...opening, ...(round.lit ? tests : []), closing];
    });
    const unique = steps.filter(({ id }) => !this.seen.has(id) && this.seen.add(id));
    const tests = unique.filter(({ kind }) => kind === 'test');
    const lamps = round.visits.flatMap((visit): readonly Lamp[] =>
      'panelId' in visit ? (this.opened.get(visit.panelId)?.lamps ?? []) : [],
    );
    const worked = lamps.filter((lamp) => hasWork(this.job, this.shelf, lamp));
    if (!round.lit || tests.length === 0 || round.visits.some(({ act }) => act === 'whole')) return unique;
    return [
      switchOnStep(
        this.job,
        round,
        worked,
        tests.map(({ id }) => id),
      ),
      ...unique,
    ];
  }

  private ending(round: Round, before: boolean): FitStep[] {
    // Sides of which none flashes are told apart by looking, each panel has been tested by then.
    if (flashes(this.job) && (round.of === 'left' || round.of === 'right'))
      return [compareStep(round.of, before, this.later)];
    if (flashes(this.job) && round.of === 'all')
      return (['left', 'right'] as const)
        .filter((side) =>
          this.job.vehicle.lamps.some((lamp) => lamp.side === side && hasWork(this.job, this.shelf, lamp)),
        )
        .map((side) => compareStep(side, false, this.later));
    return round.lit ? [switchOffStep(round, ['long-run', 'hazard'])] : [];
  }
}

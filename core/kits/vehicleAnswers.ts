import type { Job, JobKit } from '../model/job.ts';
import type { KitQuestion, KitSheet } from '../model/kit.ts';
import { scopeLamps } from '../model/scope.ts';
import { answersOf } from './space.ts';

/** Where an answer comes from. */
export type AnsweredBy = 'vehicle' | 'installer';

export interface KitAnswers {
  /** by question; of what nobody knows there is none */
  answers: Readonly<Record<string, string>>;
  by: Readonly<Record<string, AnsweredBy>>;
}

/**
 * What the vehicle's own record says to a sheet's questions, where it was looked at: its year, its market, whether its lamps
 * have bulbs or LEDs from the works, whether modules live in them. What was said to the kit itself goes before it.
 */
export function vehicleAnswers(sheet: KitSheet, job: Job, kit?: Pick<JobKit, 'answers'>): KitAnswers {
  const answers: Record<string, string> = {};
  const by: Record<string, AnsweredBy> = {};
  for (const question of sheet.questions) {
    const said = kit?.answers[question.id];
    const known = said ?? knownOf(question, job);
    if (known === undefined || !answersOf(question).includes(known)) continue;
    answers[question.id] = known;
    by[question.id] = said === undefined ? 'vehicle' : 'installer';
  }
  return { answers, by };
}

/** Words an answer may be called by, for what a vehicle's record knows. */
const CALLED = {
  filament: ['filament', 'bulb', 'bulbs', 'halogen'],
  led: ['led', 'factory-led', 'leds', 'led-lamp'],
  yes: ['yes', 'with', 'present', 'fitted'],
  no: ['no', 'without', 'none', 'absent'],
  UN: ['un', 'ece', 'europe', 'eu'],
  US: ['us', 'na', 'north-america', 'usa'],
} as const;

function knownOf(question: KitQuestion, job: Job): string | undefined {
  const { vehicle } = job;
  const called = (what: keyof typeof CALLED | null) =>
    what === null
      ? undefined
      : answersOf(question).find((answer) =>
          (CALLED[what] as readonly string[]).includes(answer.toLowerCase()),
        );
  switch (question.about) {
    case 'year':
      return String(vehicle.year);
    case 'market':
      return called(vehicle.region);
    case 'lamp':
      return called(lampKind(job));
    case 'module':
      return called(hasModule(job));
    default:
      return undefined;
  }
}

/** A bulb somebody has read, or LEDs from the works; null where nobody has looked, or where it has both. */
function lampKind(job: Job): 'filament' | 'led' | null {
  const lamps = scopeLamps(job).filter(({ end }) => end !== 'inside' && end !== 'dash');
  const works = lamps.filter(({ works }) => works).length;
  if (works > 0) return works === lamps.length ? 'led' : null;
  return lamps.some(({ id }) => job.identified[id] !== undefined) ? 'filament' : null;
}

function hasModule({ vehicle }: Job): 'yes' | 'no' | null {
  if (vehicle.lamps.some(({ module }) => module)) return 'yes';
  const said = vehicle.facts?.lampModules;
  return said === undefined ? null : said ? 'yes' : 'no';
}

import type { ChangedField } from '../merge/changedFields.ts';
import { isList, type Json, nameAt, stepsOf } from '../merge/leaves.ts';
import type { Question } from '../merge/mergeDocuments.ts';
import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';

/** A question as somebody reads it. */
export interface AskedInWords {
  /** `LED chosen for Rear turn, left` */
  what: string;
  mine: string;
  theirs: string;
}

const TOPS: Record<string, string> = {
  title: 'Title of the job',
  createdAt: 'When the job was begun',
  vehicle: 'Vehicle',
  scope: 'Which lamps the job converts',
  reopened: 'What an earlier version took for granted',
  lookOver: 'Look over',
  identified: 'Bulb found in',
  chosen: 'LED chosen for',
  cures: 'Resistors of',
  vehicleCures: 'Cure',
  capsules: 'Capsule of',
  fit: 'Step of the work',
  habits: 'How you work',
  polarity: 'Which way round the LED sits in',
  lost: 'Lost piece',
  repairs: 'Repair',
  later: 'Left for later',
  leftOff: 'Where the work was left off',
  attempts: 'Tried',
  pieces: 'Pieces',
  kits: 'Kit',
  wrongParts: 'Wrong part',
  ledger: 'Ledger',
  rechecks: 'Recheck',
  handOver: 'Hand over',
};

const FIELDS: Record<string, string> = {
  stockBulbsKeptAt: 'where the stock bulbs are kept',
  warrantyUntil: 'warranty until',
  note: 'note',
  filedAt: 'filed',
  doneAt: 'done',
  startedAt: 'begun',
  pausedSeconds: 'paused',
  waitingFor: 'waits for',
  trouble: 'trouble',
  hourPrice: 'price of an hour',
  batteryAh: 'battery, Ah',
  lampIds: 'lamps',
  name: 'name',
  year: 'year',
  lengthM: 'length of wire',
  areaMm2: 'cross-section of wire',
  condition: 'condition',
  warnings: 'warnings',
  price: 'price',
  code: 'code',
  watts: 'watts',
  text: 'text',
  due: 'due',
  aim: 'aim',
};

/**
 * A question of a merge in words.
 *
 * @param job one of the two, to call lamps and circuits by their names
 * @param shelf to call parts by their codes
 */
export function askedInWords(question: Question, job: Job, shelf: Shelf): AskedInWords {
  const say = (value: Json | undefined) => valueInWords(value, job, shelf);
  return {
    what: fieldInWords(question.path, job, shelf),
    mine: say(question.mine),
    theirs: say(question.theirs),
  };
}

/** What is not as it was, in words: `Title of the job: Route 3, was Route 2`. */
export function changeInWords({ path, before, after }: ChangedField, job: Job, shelf: Shelf): string {
  const what = fieldInWords(path, job, shelf);
  if (isOrder(path)) return what;
  const say = (value: Json | undefined) => valueInWords(value, job, shelf);
  if (before === undefined) return `${what}: ${say(after)}`;
  return `${what}: ${say(after)}, was ${say(before)}`;
}

/** A question about a part in words: `LARK-21: price`. */
export function partAskedInWords(question: Question, part: Part, shelf: Shelf): AskedInWords {
  const say = (value: Json | undefined) => valueInWords(value, null, shelf);
  const [field = ''] = stepsOf(question.path);
  return {
    what: `${part.code}: ${FIELDS[field] ?? plain(field)}`,
    mine: say(question.mine),
    theirs: say(question.theirs),
  };
}

/** Whether it is of the order of a list's items. */
function isOrder(path: string): boolean {
  return nameAt(path) === '#';
}

function fieldInWords(path: string, job: Job, shelf: Shelf): string {
  if (path === '') return 'The plan as a whole';
  const [top = '', ...rest] = isOrder(path) ? stepsOf(path).slice(0, -1) : stepsOf(path);
  const words = rest.map((step) => nameOf(step, job, shelf) ?? FIELDS[step] ?? plain(step));
  const what = [TOPS[top] ?? plain(top), ...words].join(', ').replace(/( for| of| in), /, '$1 ');
  return isOrder(path) ? `Order of: ${what}` : what;
}

/** What an id is called. */
function nameOf(id: string, { vehicle, repairs, later, rechecks }: Job, shelf: Shelf): string | undefined {
  const named = [...vehicle.lamps, ...vehicle.circuits, ...vehicle.fuses, ...vehicle.earthPoints].find(
    (each) => each.id === id,
  );
  if (named) return named.name;
  const text = later?.find((each) => each.id === id)?.text ?? rechecks?.find((each) => each.id === id)?.what;
  return text ?? repairs?.find((each) => each.id === id)?.note ?? shelf.find((part) => part.id === id)?.code;
}

const LONGEST = 160;

function valueInWords(value: Json | undefined, job: Job | null, shelf: Shelf): string {
  if (value === undefined) return 'taken out';
  if (value === null) return 'none, on purpose';
  if (value === '') return 'empty';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return (job && nameOf(value, job, shelf)) ?? value.slice(0, LONGEST);
  if (typeof value === 'number') return String(value);
  if (isList(value))
    return (
      value
        .map((each) => valueInWords(each, job, shelf))
        .join(', ')
        .slice(0, LONGEST) || 'none'
    );
  const { name, text, what, code } = value as Record<string, Json>;
  const called = [name, text, what, code].find((each) => typeof each === 'string');
  if (typeof called === 'string') return called.slice(0, LONGEST);
  const parts = Object.entries(value).map(
    ([key, each]) => `${FIELDS[key] ?? plain(key)} ${valueInWords(each, job, shelf)}`,
  );
  return parts.join('; ').slice(0, LONGEST);
}

/** A name of the file's as words: `inTheWay` is `in the way`. */
function plain(name: string): string {
  return nameAt(name)
    .replaceAll(/([a-z])([A-Z])/g, '$1 $2')
    .replaceAll(/[-_]/g, ' ')
    .toLowerCase();
}

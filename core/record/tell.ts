import equal from 'fast-deep-equal';
import type { Evidence, Mark, Method, Observation } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { ONE_VISIT } from '../model/visits.ts';
import { whenSeen } from '../model/whenSeen.ts';

type Recorded = Pick<Job, 'vehicle' | 'evidence'>;

/** Where a record comes from: an id nobody else gives, the time by the clock there, the device. */
export interface Teller {
  id: string;
  at: string;
  /** null where nobody keeps count: the command line, an example */
  device: string | null;
}

type Signed = 'id' | 'at' | 'vehicleId' | 'visit' | 'device' | 'method';

/** What was seen, before it is signed. */
export type Said<O extends Observation = Observation> = O extends Observation
  ? Omit<O, Signed> & { method?: Method }
  : never;

/** How each kind comes on record where nobody says otherwise. */
const USUAL_METHOD: Record<Observation['kind'], Method> = {
  trial: 'seen',
  rate: 'typed',
  proof: 'seen',
  cell: 'seen',
  place: 'seen',
  clue: 'told',
  cause: 'seen',
  pin: 'meter',
  light: 'meter',
  'light-ratio': 'photographed',
  heat: 'meter',
  setting: 'told',
  'came-back': 'told',
};

/** What was seen of a job's vehicle as a record of its log, signed. */
export function signed<O extends Observation>(job: Recorded, said: Said<O>, teller: Teller): O {
  return { method: USUAL_METHOD[said.kind], ...said, ...signatureOf(job, teller) } as unknown as O;
}

/** A word on a record of a job's log: that it stands no longer, or stands again. */
export function mark(job: Recorded, of: string, stands: boolean, teller: Teller): Mark {
  return { kind: 'mark', of, stands, ...signatureOf(job, teller) };
}

/** A record told anew in the place of the one it was: of when the thing was seen, signed by who corrects it. */
export function corrected<O extends Observation>(job: Recorded, of: O, teller: Teller): O {
  return { ...of, ...signatureOf(job, teller), at: of.at, visit: of.visit, replaces: of.id };
}

function signatureOf({ vehicle, evidence }: Recorded, { id, at, device }: Teller) {
  return {
    id,
    at,
    vehicleId: vehicle.id,
    visit: visitAt(evidence, at) ?? `visit-${id}`.slice(0, 64),
    device: device === null ? null : { id: device, count: highestCount(evidence) + 1 },
  };
}

/**
 * A log without the drafts of what is still being typed: a record told moments ago, in the very field whose next letter
 * tells it anew, was never anybody's word.
 *
 * @param before ids of what was told by the letters so far
 * @param next what the next one told, at the end of the log
 * @returns the log, and the ids of what was told by all of them
 */
export function withoutDrafts(
  evidence: readonly Evidence[],
  before: readonly string[],
  next: readonly Evidence[],
): { evidence: Evidence[]; told: string[] } {
  const drafts = new Map(
    next.flatMap((each) =>
      'replaces' in each && each.replaces !== undefined && before.includes(each.replaces)
        ? [[each.replaces, each.id]]
        : [],
    ),
  );
  const earlier = new Map(evidence.flatMap((each) => (drafts.has(each.id) ? [[each.id, each]] : [])));
  return {
    evidence: evidence.flatMap((each) => {
      if (drafts.has(each.id)) return [];
      const draft = 'replaces' in each && each.replaces !== undefined && earlier.get(each.replaces);
      if (!draft || drafts.get(draft.id) !== each.id) return [each];
      const { replaces: _, ...rest } = each;
      return ['replaces' in draft && draft.replaces ? { ...rest, replaces: draft.replaces } : rest];
    }) as Evidence[],
    told: [...before.filter((id) => !drafts.has(id)), ...next.map(({ id }) => id)],
  };
}

/** What a record has become: the one that stands in its place, or itself where it was never corrected. */
export function becomes(evidence: readonly Evidence[], id: string): string {
  const next = evidence.findLast((each) => 'replaces' in each && each.replaces === id && each.id !== id);
  return next && evidence.indexOf(next) > evidence.findIndex((each) => each.id === id)
    ? becomes(evidence, next.id)
    : id;
}

/** The ids of all that a record stands in the place of. */
function correctedBy(evidence: readonly Evidence[], id: string): string[] {
  const ids: string[] = [];
  for (let next: string | undefined = id; next !== undefined; ) {
    const at: string = next;
    const found = evidence.find((each) => each.id === at);
    next = found && 'replaces' in found ? found.replaces : undefined;
    if (next === id || (next !== undefined && ids.includes(next))) break;
    if (next !== undefined) ids.push(next);
  }
  return ids;
}

/** The highest counter on a log, whoever counted: what is told next stands behind all that was known, on every device. */
function highestCount(evidence: readonly Evidence[]): number {
  return evidence.reduce((most, { device }) => Math.max(most, device?.count ?? 0), 0);
}

/** The visit that is under way at a time; null where the last one is over. */
function visitAt(evidence: readonly Evidence[], at: string): string | null {
  const last = evidence.findLast((each) => !('from' in each && each.from));
  if (!last) return null;
  const own = evidence.filter((each) => !('from' in each && each.from));
  // A clock that was wrong for a while begins no visit.
  const [before, now] = whenSeen([...own, { at }]).slice(-2);
  return before && now && now.ms - before.ms < ONE_VISIT ? last.visit : null;
}

/**
 * What an edit made of a log, as records that go to its end: nothing in it is changed. What was taken out is marked, what
 * was changed is told anew in its place.
 *
 * @param idOf an id for the n-th further record, the same each time the edit is made
 */
export function furtherRecords(
  before: Recorded,
  after: readonly Evidence[],
  idOf: (nth: number) => string,
  at: string,
  device: string | null,
): Evidence[] {
  // Most edits are of something else.
  if (after === before.evidence) return [];
  const job = { vehicle: before.vehicle, evidence: [...before.evidence] };
  const here = new Map(before.evidence.map((each) => [each.id, each]));
  const left = new Set(after.map(({ id }) => id));
  let nth = 0;
  const teller = (): Teller => ({ id: idOf(nth++), at, device });
  const tell = (each: Evidence) => void job.evidence.push(each);
  // What was corrected does not come back where its correction is taken back.
  const gone = new Set(
    before.evidence.flatMap(({ id }) => (left.has(id) ? [] : [id, ...correctedBy(before.evidence, id)])),
  );
  for (const id of gone) tell(mark(job, id, false, teller()));
  for (const each of after) {
    const old = here.get(each.id);
    if (!old) tell(each);
    else if (old !== each && each.kind !== 'mark' && !equal(old, each)) tell(corrected(job, each, teller()));
  }
  return job.evidence.slice(before.evidence.length);
}

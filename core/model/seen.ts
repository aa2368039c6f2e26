import type {
  CellLook,
  Evidence,
  HeatReading,
  LampEvidence,
  Observation,
  PinReading,
  RateReading,
  Trial,
} from './evidence.ts';

// Apart from the schema, so that who only reads what was seen does not load what checks files.
/** A job, as far as what was seen goes. */
interface Seen {
  evidence: readonly Evidence[];
}

const known = new WeakMap<readonly Evidence[], readonly Observation[]>();

/**
 * What of a log stands, in the order it was told: without what was taken back, and with each correction in the place of
 * what it corrects. The one way anybody reads a log.
 */
export function standing({ evidence }: Seen): readonly Observation[] {
  let kept = known.get(evidence);
  if (!kept) {
    kept = resolved(evidence);
    known.set(evidence, kept);
  }
  return kept;
}

function resolved(evidence: readonly Evidence[]): Observation[] {
  const stands = standsOf(evidence);
  const shown = evidence.filter((each): each is Observation => each.kind !== 'mark' && stands(each.id));
  if (!shown.some(({ replaces }) => replaces !== undefined)) return shown;
  // A correction tells of when the thing was seen, not of when it was corrected.
  const places = new Map(evidence.map(({ id }, index) => [id, index]));
  const corrects = new Map(
    evidence.flatMap((each) => ('replaces' in each && each.replaces ? [[each.id, each.replaces]] : [])),
  );
  const placeOf = (id: string) => {
    let first = id;
    // Two records that name each other are a stranger's: a chain is walked no further than it can be long.
    for (let steps = 0; steps < evidence.length; steps++) {
      const earlier = corrects.get(first);
      if (earlier === undefined || !places.has(earlier)) break;
      first = earlier;
    }
    return places.get(first) ?? 0;
  };
  return shown
    .map((each) => ({ each, place: placeOf(each.id) }))
    .toSorted((a, b) => a.place - b.place)
    .map(({ each }) => each);
}

/**
 * Whether the record of an id stands. The last word on each counts. What was taken back says nothing any more, neither as a
 * mark nor as a correction; what was corrected still takes the place of what it corrected itself.
 */
export function standsOf(evidence: readonly Evidence[]): (id: string) => boolean {
  const said = new Map<string, 'stands' | 'taken back' | 'corrected'>();
  const say = (id: string, word: 'stands' | 'taken back' | 'corrected') => {
    if (!said.has(id)) said.set(id, word);
  };
  for (const each of evidence.toReversed()) {
    if (said.get(each.id) === 'taken back') continue;
    if (each.kind === 'mark') say(each.of, each.stands ? 'stands' : 'taken back');
    else if (each.replaces !== undefined) say(each.replaces, 'corrected');
  }
  return (id) => (said.get(id) ?? 'stands') === 'stands';
}

/** What was seen of lamps at work, with what was fitted then. */
export function lampEvidenceOf(job: Seen): LampEvidence[] {
  return standing(job).filter((each): each is LampEvidence => 'fitted' in each);
}

/** What was measured at the cavities of one plug, in the order it was. */
export function pinReadingsOf(job: Seen, connectorId: string): PinReading[] {
  return standing(job).filter(
    (each): each is PinReading => each.kind === 'pin' && each.connectorId === connectorId,
  );
}

/** Every trial of a job, as they were recorded. */
export function trialsOf(job: Seen): Trial[] {
  return standing(job).filter((each) => each.kind === 'trial');
}

/** Every flash rate a job has on record. */
export function ratesOf(job: Seen): RateReading[] {
  return standing(job).filter((each) => each.kind === 'rate');
}

/** Every cell of the proving grid that was looked at. */
export function cellLooksOf(job: Seen): CellLook[] {
  return standing(job).filter((each) => each.kind === 'cell');
}

const heatRead = new WeakMap<readonly Evidence[], readonly HeatReading[]>();

/** Every temperature a job has on record. */
export function heatReadingsOf(job: Seen): readonly HeatReading[] {
  let kept = heatRead.get(job.evidence);
  if (!kept) {
    kept = standing(job).filter((each) => each.kind === 'heat');
    heatRead.set(job.evidence, kept);
  }
  return kept;
}

/** Whether two lists hold the very same things in the same order. */
export function sameItems(a: readonly object[], b: readonly object[]): boolean {
  return a.length === b.length && a.every((each, index) => each === b[index]);
}

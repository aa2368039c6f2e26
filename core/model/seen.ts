import type { CellLook, Evidence, LampEvidence, PinReading, RateReading, Trial } from './evidence.ts';

// Apart from the schema, so that who only reads what was seen does not load what checks files.
/** A job, as far as what was seen goes. */
interface Seen {
  evidence: readonly Evidence[];
}

/** What was seen of lamps at work, with what was fitted then. */
export function lampEvidenceOf({ evidence }: Seen): LampEvidence[] {
  return evidence.filter((each): each is LampEvidence => 'fitted' in each);
}

/** What was measured at the cavities of one plug, in the order it was. */
export function pinReadingsOf({ evidence }: Seen, connectorId: string): PinReading[] {
  return evidence.filter(
    (each): each is PinReading => each.kind === 'pin' && each.connectorId === connectorId,
  );
}

/** Every trial of a job, as they were recorded. */
export function trialsOf({ evidence }: Seen): Trial[] {
  return evidence.filter((each) => each.kind === 'trial');
}

/** Every flash rate a job has on record. */
export function ratesOf({ evidence }: Seen): RateReading[] {
  return evidence.filter((each) => each.kind === 'rate');
}

/** Every cell of the proving grid that was looked at. */
export function cellLooksOf({ evidence }: Seen): CellLook[] {
  return evidence.filter((each) => each.kind === 'cell');
}

/** Whether two lists hold the very same things in the same order. */
export function sameItems(a: readonly object[], b: readonly object[]): boolean {
  return a.length === b.length && a.every((each, index) => each === b[index]);
}

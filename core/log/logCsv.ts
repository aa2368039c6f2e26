import { toCsv } from '../formats/csv.ts';
import { ageOf } from './answers.ts';
import type { LogLine } from './lines.ts';

const HEADER = [
  'vehicle',
  'fleet_number',
  'model',
  'job',
  'place',
  'part',
  'code',
  'name',
  'pieces',
  'fitted_at',
  'by',
  'batch',
  'state',
  'ended_at',
  'why',
  'age_days',
  'warranty_until',
  'known_from',
] as const;

/** The log as a table: a row a part at a place. Times are ISO 8601. */
export function logCsv(lines: readonly LogLine[]): string {
  return toCsv(
    HEADER,
    lines.map((line) => {
      const age = ageOf(line);
      return [
        line.vehicle,
        line.fleetNumber,
        line.model,
        line.jobId,
        line.place,
        line.partId,
        line.code,
        line.name,
        line.pieces,
        line.fittedAt,
        line.by,
        line.batch,
        line.state,
        line.endedAt,
        line.why,
        age === null ? null : Math.round(age),
        line.warrantyUntil,
        line.from,
      ];
    }),
  );
}

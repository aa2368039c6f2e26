import Papa from 'papaparse';
import type { PinReading } from '../model/evidence.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { connectorsOf } from '../wiring/connectors.ts';

/** Readings of a plug as a table: `connector,cavity,on,how,volts,ohms,seen,lamp`. */
export const PIN_COLUMNS = ['connector', 'cavity', 'on', 'how', 'volts', 'ohms', 'seen', 'lamp'] as const;

export type PinReadingRow = Pick<
  PinReading,
  'connectorId' | 'cavity' | 'circuitId' | 'how' | 'seen' | 'quantity' | 'lampId'
>;

export type PinReadingsResult =
  | { ok: true; readings: readonly PinReadingRow[] }
  | { ok: false; problems: readonly string[] };

const HOWS: readonly PinReading['how'][] = ['volts', 'peak', 'ohms-in', 'ohms-out', 'probe'];
const SEEN: readonly PinReading['seen'][] = [
  'steady',
  'bouncing',
  'nothing',
  'open',
  'lit-bright',
  'lit-dim',
  'dark',
];
const MOST_ROWS = 2000;
/** What a meter shows for more ohms than it can measure (common practice). */
const OVER_LIMIT = /^(o\.?l\.?|over|∞|inf(inity)?)$/i;

/** Reads a table of pin readings for one vehicle; every row that cannot be used is named with what to do. */
export function readPinReadings(text: string, vehicle: Vehicle): PinReadingsResult {
  const { data } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
  });
  const missing = (['connector', 'cavity', 'on', 'how'] as const).filter(
    (column) => data[0] !== undefined && !(column in data[0]),
  );
  if (data.length === 0) return refuse('There is no reading in the table. Its first row names the columns.');
  if (missing.length > 0)
    return refuse(
      `The table has no column ${missing.join(', ')}. Its columns are ${PIN_COLUMNS.join(', ')}.`,
    );
  if (data.length > MOST_ROWS) return refuse(`The table has more than ${MOST_ROWS} rows. Split it.`);
  const problems: string[] = [];
  const readings = data.flatMap((row, at) => {
    const read = readRow(row, vehicle);
    if (typeof read !== 'string') return [read];
    problems.push(`row ${at + 2}: ${read}`);
    return [];
  });
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, 12) } : { ok: true, readings };
}

function refuse(problem: string): PinReadingsResult {
  return { ok: false, problems: [problem] };
}

/** One row, or what is wrong with it. */
function readRow(row: Record<string, string>, vehicle: Vehicle): PinReadingRow | string {
  const connectors = connectorsOf(vehicle).map(({ connector }) => connector);
  const connector = connectors.find(({ id }) => id === row.connector);
  if (!connector)
    return `there is no plug "${row.connector ?? ''}". Plugs are ${connectors.map(({ id }) => id).join(', ')}.`;
  const cavity = connector.cavities.find(({ id }) => id === row.cavity);
  if (!cavity)
    return `plug ${connector.id} has no cavity "${row.cavity ?? ''}". It has ${connector.cavities.map(({ id }) => id).join(', ')}.`;
  const on = row.on ?? '';
  const circuit = vehicle.circuits.find(
    ({ id, name }) => id === on || name.toLowerCase() === on.toLowerCase(),
  );
  if (!circuit && on !== '' && on !== 'off')
    return `there is no circuit "${on}". Write off, or one of ${vehicle.circuits.map(({ id }) => id).join(', ')}.`;
  const how = HOWS.find((each) => each === row.how);
  if (!how) return `"${row.how ?? ''}" is no way to measure. Write one of ${HOWS.join(', ')}.`;
  const inOhms = how === 'ohms-in' || how === 'ohms-out';
  const misplaced = misplacedFigure(row, how);
  if (misplaced) return misplaced;
  const over = inOhms && OVER_LIMIT.test(row.ohms ?? '');
  const volts = figure(row.volts, -60, 60);
  const ohms = over ? undefined : figure(row.ohms, 0, 1e8);
  if (volts === null) return `"${row.volts}" is no volts between -60 and 60. Use a point, no unit.`;
  if (ohms === null) return `"${row.ohms}" is no ohms between 0 and 100000000. Use a point, no unit.`;
  if (over && row.seen && row.seen !== 'open')
    return `"${row.ohms}" is an open circuit, and it says ${row.seen}.`;
  const seen = over
    ? 'open'
    : row.seen
      ? SEEN.find((each) => each === row.seen)
      : volts !== undefined || ohms !== undefined
        ? 'steady'
        : undefined;
  if (!seen) return `it has no figure, and "${row.seen ?? ''}" is none of ${SEEN.join(', ')}.`;
  const lamp = vehicle.lamps.find(({ id }) => id === row.lamp);
  if (row.lamp && !lamp) return `there is no lamp "${row.lamp}".`;
  return {
    connectorId: connector.id,
    cavity: cavity.id,
    circuitId: circuit?.id ?? null,
    how,
    seen,
    ...(volts === undefined ? {} : { quantity: { value: volts, unit: 'V' as const, uncertainty: null } }),
    ...(ohms === undefined ? {} : { quantity: { value: ohms, unit: 'Ω' as const, uncertainty: null } }),
    ...(lamp ? { lampId: lamp.id } : {}),
  };
}

/** What is said of a figure that stands where its way to measure shows none; null where all stand right. */
function misplacedFigure({ volts, ohms }: Record<string, string>, how: PinReading['how']): string | null {
  if (how === 'probe')
    return volts || ohms
      ? `it has the figure "${volts || ohms}", and a probe shows no figure. Write what it showed under seen.`
      : null;
  const inOhms = how === 'ohms-in' || how === 'ohms-out';
  const wrong = inOhms ? volts : ohms;
  const [under, right] = inOhms ? ['volts', 'ohms'] : ['ohms', 'volts'];
  return wrong
    ? `its figure "${wrong}" stands under ${under}, and it was measured by ${how}. Write it under ${right}, or another way to measure.`
    : null;
}

/** A figure of a table: undefined where the field is empty, null where it is none or out of bounds. */
function figure(text: string | undefined, least: number, most: number): number | undefined | null {
  if (!text) return undefined;
  const value = Number(text);
  return Number.isFinite(value) && value >= least && value <= most ? value : null;
}

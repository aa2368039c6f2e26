// Longer than 300 lines: a part of each kind from its row and back, side by side.
import type { z } from 'zod';
import { ledProblems } from '../circuit/engine/ledProblems.ts';
import { Part, type WholeLampPart } from '../model/part.ts';
import { COLUMNS, columnsOf, type PartKind } from './columns.ts';
import { pinsFromText, sectionsFromText, sectionsText } from './sectionText.ts';

/** A part as text cells by column name; what it does not have is empty. */
export type Row = Record<string, string>;

export type RowResult =
  | { ok: true; part: Part }
  /** problems by column name; an empty name is the row as a whole */
  | { ok: false; problems: readonly { column: string; text: string }[] };

const text = (value: number | string | boolean | undefined) =>
  value === undefined ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value);
/** A factor of a thousand or a million leaves digits of dust behind. */
const tidy = (value: number | undefined) => (value === undefined ? undefined : Number(value.toPrecision(9)));

/** The cells of a part. */
export function rowOfPart(part: Part): Row {
  const { kind, code, name, price, stock } = part;
  const common: Row = { kind, code, name, price: text(price), stock: text(stock) };
  switch (part.kind) {
    case 'led':
      return {
        ...common,
        bases: part.bases.join(' '),
        colour: part.colour,
        kelvin: text(part.kelvin),
        lumens: text(part.lumens),
        beam: text(part.beam),
        strobes: text(part.strobes),
        watts: text(part.watts),
        at_volts: text(part.atVolts),
        supply_low: text(part.supplyRange[0]),
        supply_high: text(part.supplyRange[1]),
        polarity: part.polarity,
        ballast: part.ballast.kind,
        forward_volts: part.ballast.kind === 'converter' ? '' : text(part.ballast.forwardVolts),
        start_volts: part.ballast.kind === 'converter' ? text(part.ballast.startVolts) : '',
        built_in_load_ohms: text(part.builtInLoadOhms),
        capacitor_uf: text(tidy(part.capacitorFarads && part.capacitorFarads * 1e6)),
        dim_watts: text(part.twin?.dimWatts),
        twin_topology: text(part.twin?.topology),
        socket_wiring: text(part.socketWiring),
        park_colour: text(part.switchback?.parkColour),
        park_watts: text(part.switchback?.parkWatts),
        park_lumens: text(part.switchback?.parkLumens),
        park_hold_s: text(part.switchback?.holdSeconds),
        sweep_s: text(part.sweep?.seconds),
        sweep_segments: text(part.sweep?.segments),
        length_mm: text(part.lengthMm),
        diameter_mm: text(part.diameterMm),
        cooling: text(part.cooling),
        sealed: text(part.sealed),
        warranty_months: text(part.warrantyMonths),
      };
    case 'whole-lamp':
      return { ...common, ...wholeLampCells(part) };
    case 'resistor':
      return {
        ...common,
        ohms: text(part.ohms),
        watts: text(part.watts),
        tolerance_percent: text(tidy(part.tolerance * 100)),
        leads_mm: text(part.leadsMm),
      };
    case 'harness':
      return {
        ...common,
        bases: part.bases.join(' '),
        ohms: text(part.ohms),
        watts: text(part.watts),
        tolerance_percent: text(tidy(part.tolerance * 100)),
        dim_ohms: text(part.dimOhms),
        leads_mm: text(part.leadsMm),
      };
    case 'flasher':
      return {
        ...common,
        system_volts: text(part.systemVolts),
        terminal_supply: part.terminals.supply,
        terminal_lamps: part.terminals.lamps,
        terminal_earth: text(part.terminals.earth),
        terminal_pilot: text(part.terminals.pilot),
        terminal_order: text(part.terminals.order?.join(' ')),
        needs_earth: text(part.needsEarth),
        slowest_per_min: text(part.slowestRate),
        fastest_per_min: text(part.fastestRate),
        on_percent: text(tidy(part.onFraction * 100)),
        min_amps: text(part.minAmps),
        rated_amps: text(part.ratedAmps),
        contact_milliohms: text(tidy(part.contactOhms * 1000)),
        faster_when: text(part.adjuster?.fasterWhen),
        turned_off: text(part.adjuster?.turnedOff),
        settle_s: text(part.adjuster?.settleSeconds),
        height_mm: text(part.heightMm),
      };
    case 'decoder':
      return {
        ...common,
        capacitor_uf: text(tidy(part.capacitorFarads && part.capacitorFarads * 1e6)),
        load_ohms: text(part.loadOhms),
      };
    case 'consumable':
      return { ...common, use: part.use };
  }
}

function wholeLampCells(part: WholeLampPart): Row {
  return {
    end: part.end,
    market: part.market,
    supply_low: text(part.supplyRange[0]),
    supply_high: text(part.supplyRange[1]),
    sections: sectionsText(part.sections),
    connector: part.connector,
    pins: part.pinMap.map(({ cavity, does }) => `${cavity} ${does}`).join('; '),
    moves_over: part.movesOver.join('; '),
  };
}

/**
 * Reads the cells of a part. Nothing is guessed: a cell that cannot be what its column holds is a problem that says
 * what to write.
 *
 * @param id the part's id; one made from its code where left out
 */
export function partFromRow(row: Row, id?: string): RowResult {
  const cell = (name: string) => (row[name] ?? '').trim();
  const kind = COLUMNS[0]?.choices?.find((each): each is PartKind => each === cell('kind'));
  if (!kind)
    return refuse('kind', `"${cell('kind')}" is no kind of part. Write ${COLUMNS[0]?.choices?.join(', ')}.`);
  const problems: { column: string; text: string }[] = [];
  const numbers: Record<string, number | undefined> = {};
  for (const column of columnsOf(kind)) {
    const value = cell(column.name);
    if (value === '') {
      if (column.required) problems.push({ column: column.name, text: `${column.label} is missing.` });
      continue;
    }
    if (column.type === 'number') {
      const number = Number(value.replace(',', '.'));
      if (Number.isFinite(number)) numbers[column.name] = number;
      else
        problems.push({
          column: column.name,
          text: `"${value}" is not a number. Write it without a unit${column.unit ? `, in ${column.unit}` : ''}.`,
        });
    }
    if (column.choices && !column.choices.includes(value))
      problems.push({ column: column.name, text: `"${value}" is not one of ${column.choices.join(', ')}.` });
    if (column.type === 'yes-no' && value !== 'yes' && value !== 'no')
      problems.push({ column: column.name, text: `"${value}" should be yes or no.` });
  }
  if (problems.length > 0) return { ok: false, problems };
  const shaped = shape(kind, cell, numbers);
  if ('problem' in shaped) return refuse(shaped.column, shaped.problem);
  const parsed = Part.safeParse({ id: id ?? idFor(kind, cell('code')), ...shaped.part });
  if (!parsed.success)
    return { ok: false, problems: parsed.error.issues.slice(0, 6).map((issue) => inWords(issue)) };
  if (parsed.data.kind === 'led') {
    const [wrong] = ledProblems(parsed.data);
    if (wrong) return refuse('', wrong);
    const [low, high] = parsed.data.supplyRange;
    if (low > high)
      return refuse('supply_low', `It is made for ${low} to ${high} V: put the lower figure first.`);
  }
  return { ok: true, part: parsed.data };
}

function refuse(column: string, problem: string): RowResult {
  return { ok: false, problems: [{ column, text: problem }] };
}

/** The same code always has the same id, so that a table read twice changes parts instead of doubling them. */
export function idFor(kind: PartKind, code: string): string {
  const slug = code
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${kind}-${slug || 'part'}`.slice(0, 64);
}

const listOf = (value: string) => value.split(/[\s;]+/).filter(Boolean);

type Shaped = { part: Record<string, unknown> } | { column: string; problem: string };

function shape(
  kind: PartKind,
  cell: (name: string) => string,
  number: Readonly<Record<string, number | undefined>>,
): Shaped {
  const common = { kind, code: cell('code'), name: cell('name'), price: number.price, stock: number.stock };
  const some = (fields: Record<string, unknown>) =>
    Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined && value !== ''));
  const supplyRange = [number.supply_low, number.supply_high];
  switch (kind) {
    case 'led': {
      const converter = cell('ballast') === 'converter';
      const driver = converter ? number.start_volts : number.forward_volts;
      if (driver === undefined)
        return {
          column: converter ? 'start_volts' : 'forward_volts',
          problem: converter
            ? 'A converter needs the volts it starts at; 8 is usual.'
            : 'The volts of the LED string are needed; 6.3 is usual at 12 V, 12.6 at 24 V.',
        };
      const switchback = cell('park_colour') !== '';
      return {
        part: {
          ...common,
          bases: listOf(cell('bases')),
          colour: cell('colour'),
          watts: number.watts,
          atVolts: number.at_volts,
          supplyRange,
          polarity: cell('polarity'),
          ballast: converter
            ? { kind: 'converter', startVolts: driver }
            : { kind: cell('ballast'), forwardVolts: driver },
          lumens: number.lumens,
          lengthMm: number.length_mm,
          diameterMm: number.diameter_mm,
          ...some({
            kelvin: number.kelvin,
            builtInLoadOhms: number.built_in_load_ohms,
            capacitorFarads: number.capacitor_uf === undefined ? undefined : number.capacitor_uf * 1e-6,
            socketWiring: cell('socket_wiring'),
            strobes: number.strobes,
            beam: cell('beam'),
            cooling: cell('cooling'),
            sealed: cell('sealed') === '' ? undefined : cell('sealed') === 'yes',
            warrantyMonths: number.warranty_months,
            twin:
              number.dim_watts === undefined
                ? undefined
                : { topology: cell('twin_topology') || 'unknown', dimWatts: number.dim_watts },
            switchback: switchback
              ? {
                  parkColour: cell('park_colour'),
                  parkWatts: number.park_watts,
                  parkLumens: number.park_lumens,
                  holdSeconds: number.park_hold_s ?? 1,
                }
              : undefined,
            sweep:
              number.sweep_s === undefined
                ? undefined
                : { seconds: number.sweep_s, segments: number.sweep_segments ?? 6 },
          }),
        },
      };
    }
    case 'whole-lamp': {
      const sections = sectionsFromText(cell('sections'));
      if (!sections.ok) return { column: 'sections', problem: sections.problem };
      return {
        part: {
          ...common,
          end: cell('end'),
          market: cell('market'),
          supplyRange,
          sections: sections.sections,
          connector: cell('connector'),
          pinMap: pinsFromText(cell('pins')),
          movesOver: cell('moves_over')
            .split(';')
            .map((each) => each.trim())
            .filter(Boolean),
        },
      };
    }
    case 'resistor':
    case 'harness':
      return {
        part: {
          ...common,
          ohms: number.ohms,
          watts: number.watts,
          tolerance: (number.tolerance_percent ?? 0) / 100,
          ...(kind === 'harness' ? { bases: listOf(cell('bases')) } : {}),
          ...some({ dimOhms: number.dim_ohms, leadsMm: number.leads_mm }),
        },
      };
    case 'flasher':
      return {
        part: {
          ...common,
          systemVolts: Number(cell('system_volts')),
          terminals: {
            supply: cell('terminal_supply'),
            lamps: cell('terminal_lamps'),
            ...some({ earth: cell('terminal_earth'), pilot: cell('terminal_pilot') }),
            ...(cell('terminal_order') ? { order: cell('terminal_order').split(/[\s,]+/) } : {}),
          },
          needsEarth: cell('needs_earth') === 'yes',
          slowestRate: number.slowest_per_min,
          fastestRate: number.fastest_per_min,
          onFraction: (number.on_percent ?? 0) / 100,
          minAmps: number.min_amps,
          ratedAmps: number.rated_amps,
          contactOhms: (number.contact_milliohms ?? 0) / 1000,
          heightMm: number.height_mm,
          ...(cell('faster_when')
            ? {
                adjuster: {
                  fasterWhen: cell('faster_when'),
                  settleSeconds: number.settle_s ?? 0,
                  ...(cell('turned_off') ? { turnedOff: cell('turned_off') } : {}),
                },
              }
            : {}),
        },
      };
    case 'decoder':
      return {
        part: {
          ...common,
          ...some({
            capacitorFarads: number.capacitor_uf === undefined ? undefined : number.capacitor_uf * 1e-6,
            loadOhms: number.load_ohms,
          }),
        },
      };
    case 'consumable':
      return { part: { ...common, use: cell('use') } };
  }
}

/** Which column a property of the model is written in. */
const COLUMN_OF: Record<string, string> = {
  bases: 'bases',
  lumens: 'lumens',
  watts: 'watts',
  atVolts: 'at_volts',
  supplyRange: 'supply_low',
  kelvin: 'kelvin',
  lengthMm: 'length_mm',
  diameterMm: 'diameter_mm',
  builtInLoadOhms: 'built_in_load_ohms',
  capacitorFarads: 'capacitor_uf',
  twin: 'dim_watts',
  switchback: 'park_watts',
  sweep: 'sweep_s',
  strobes: 'strobes',
  warrantyMonths: 'warranty_months',
  ohms: 'ohms',
  tolerance: 'tolerance_percent',
  dimOhms: 'dim_ohms',
  leadsMm: 'leads_mm',
  slowestRate: 'slowest_per_min',
  fastestRate: 'fastest_per_min',
  onFraction: 'on_percent',
  minAmps: 'min_amps',
  ratedAmps: 'rated_amps',
  contactOhms: 'contact_milliohms',
  heightMm: 'height_mm',
};

function inWords(issue: z.core.$ZodIssue): { column: string; text: string } {
  const property = String(issue.path[0] ?? '');
  const column = COLUMN_OF[property] ?? property;
  return { column, text: `${issue.message.replace(/\.$/, '')}.` };
}

import { ScpiError } from './scpiErrors.ts';

/** One parameter as it was written. */
export type ScpiParameter =
  | { kind: 'number'; value: number }
  | { kind: 'text'; value: string }
  | { kind: 'word'; value: string };

/** A command the instrument knows: how it is written, and what it does. */
export interface ScpiCommand {
  /** `MEASure[:SCALar]:VOLTage[:DC]?` */
  pattern: string;
  /** @returns what a query answers; nothing of a command */
  run(parameters: readonly ScpiParameter[]): string | undefined;
}

interface Compiled extends ScpiCommand {
  expression: RegExp;
}

/** The part of a header in square brackets may be left out; of each word its capitals alone or the whole of it will do. */
export function compiled(commands: readonly ScpiCommand[]): readonly Compiled[] {
  return commands.map((command) => ({ ...command, expression: expressionOf(command.pattern) }));
}

function expressionOf(pattern: string): RegExp {
  const query = pattern.endsWith('?');
  const bare = query ? pattern.slice(0, -1) : pattern;
  if (bare.startsWith('*')) return new RegExp(`^\\${bare}${query ? '\\?' : ''}$`, 'i');
  const body = bare.replace(
    /(\[?):?([A-Za-z]+)(\]?)/g,
    (_, open: string, word: string, close: string, at: number) => {
      const short = word.replace(/[a-z]/g, '');
      const either = short === word ? word : `(?:${short}|${word})`;
      const colon = at === 0 ? '' : ':';
      return open || close ? `(?:${colon}${either})?` : `${colon}${either}`;
    },
  );
  return new RegExp(`^:?${body}${query ? '\\?' : ''}$`, 'i');
}

/** The messages of a line, parted at semicolons outside quotes. @throws ScpiError where a quote is left open */
export function unitsOf(line: string): string[] {
  const units: string[] = [];
  let quote = '';
  let unit = '';
  for (const character of line) {
    if (quote) quote = character === quote ? '' : quote;
    else if (character === '"' || character === "'") quote = character;
    if (character === ';' && !quote) {
      units.push(unit);
      unit = '';
    } else unit += character;
  }
  if (quote) throw new ScpiError('syntax');
  units.push(unit);
  return units.map((each) => each.trim()).filter((each) => each !== '');
}

/**
 * Finds and runs one message. After a semicolon a header goes on from the branch of the one before.
 *
 * @param branch of the message before, `MEASure:VOLTage:`
 * @returns what it answers, and the branch for the next
 * @throws ScpiError with the standard's error
 */
export function execute(
  commands: readonly Compiled[],
  unit: string,
  branch: string,
): { answer: string | undefined; branch: string } {
  if (/[^\x20-\x7e\t]/.test(unit)) throw new ScpiError('character');
  const written = /^([*:]?[A-Za-z][A-Za-z0-9_]*(?::[A-Za-z][A-Za-z0-9_]*)*\??)(?:\s+(.*))?$/.exec(unit);
  if (!written) throw new ScpiError('syntax');
  const header = written[1] ?? '';
  const relative = header.startsWith('*') || header.startsWith(':') ? header : branch + header;
  const found =
    commands.find(({ expression }) => expression.test(relative)) ??
    commands.find(({ expression }) => expression.test(header));
  if (!found) throw new ScpiError('undefinedHeader');
  const path = relative.replace(/^:/, '');
  const next = header.startsWith('*') ? branch : path.slice(0, path.lastIndexOf(':') + 1);
  return { answer: found.run(parametersOf(written[2] ?? '')), branch: next };
}

function parametersOf(text: string): ScpiParameter[] {
  if (text.trim() === '') return [];
  const parts = text.match(/"[^"]*"|'[^']*'|[^,]+/g) ?? [];
  if (parts.length - 1 !== (text.replace(/"[^"]*"|'[^']*'/g, '').match(/,/g) ?? []).length)
    throw new ScpiError('syntax');
  return parts.map((part): ScpiParameter => {
    const value = part.trim();
    if (/^(["']).*\1$/.test(value)) return { kind: 'text', value: value.slice(1, -1) };
    if (/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(value)) return { kind: 'number', value: Number(value) };
    if (/^[A-Za-z][\w:/.-]*$/.test(value)) return { kind: 'word', value };
    throw new ScpiError('syntax');
  });
}

/** The only parameter, a number in the unit of its command. @throws ScpiError where it is missing, no number or out of range */
export function numberFrom(parameters: readonly ScpiParameter[], least: number, most: number): number {
  const [first, ...more] = parameters;
  if (!first) throw new ScpiError('missing');
  if (more.length > 0) throw new ScpiError('notAllowed');
  if (first.kind !== 'number') throw new ScpiError('dataType');
  if (first.value < least || first.value > most) throw new ScpiError('range');
  return first.value;
}

/** The only parameter, a name in quotes or a word. @throws ScpiError where it is missing or a number */
export function nameFrom(parameters: readonly ScpiParameter[]): string {
  const [first, ...more] = parameters;
  if (!first) throw new ScpiError('missing');
  if (more.length > 0) throw new ScpiError('notAllowed');
  if (first.kind === 'number') throw new ScpiError('dataType');
  return first.value;
}

/** @throws ScpiError where there is a parameter all the same */
export function noneFrom(parameters: readonly ScpiParameter[]): void {
  if (parameters.length > 0) throw new ScpiError('notAllowed');
}

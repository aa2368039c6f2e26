import { readFile } from 'node:fs/promises';
import type { JobFile } from '../core/formats/jobFile.ts';
import { readKit } from '../core/formats/kitFile.ts';
import { pickListCsv } from '../core/formats/pickListCsv.ts';
import { textOfFile } from '../core/formats/textOfFile.ts';
import { pickList } from '../core/inventory/picklist.ts';
import { askSheet } from '../core/kits/askSheet.ts';
import { checkSheet } from '../core/kits/checkSheet.ts';
import { TooEntangledError } from '../core/kits/cover.ts';
import { leftInBox } from '../core/kits/jobKits.ts';
import { answersOf, answerText } from '../core/kits/space.ts';
import type { KitQuestion, KitSheet, KitVariant } from '../core/model/kit.ts';
import { kitUseWords, listed, questionWords, sheetFaultWords } from '../core/words/kits.ts';
import { fitSteps } from '../core/work/fitSteps.ts';
import { EXIT, type Output } from './output.ts';

export const PICKING_OPTIONS = {
  csv: { type: 'boolean' },
  set: { type: 'string', multiple: true },
  check: { type: 'boolean' },
} as const;
export type PickingFlags = { csv?: boolean; set?: string[]; check?: boolean };

/** `vumble picklist`: what to take and what to buy first, packs with it. */
export function picklist(
  { job, parts }: JobFile,
  flags: PickingFlags & { json?: boolean },
  output: Output,
): number {
  const list = pickList(job, parts, fitSteps(job, parts));
  if (flags.json) {
    const { lines, tools, knownTotal, boughtTotal, unpriced } = list;
    output.out(JSON.stringify({ lines, tools, usedTotal: knownTotal, boughtTotal, unpriced }, null, 2));
  } else if (flags.csv) output.out(pickListCsv(list).trimEnd());
  else
    output.out(
      [
        ...list.lines.map(({ code, what, why, quantity, toBuy, packs, spare }) => {
          const buy =
            packs && packs.count > 0
              ? `${toBuy} (${packs.count} × ${packs.of}, ${spare} over)`
              : String(toBuy);
          return `${String(quantity).padStart(4)}  buy ${buy.padEnd(4)}  ${[code, what].filter(Boolean).join('  ')}  for ${why}`;
        }),
        '',
        `Parts as used ${list.knownTotal.toFixed(2)}, to pay for what is missing ${list.boughtTotal.toFixed(2)}${list.unpriced > 0 ? `, ${list.unpriced} lines without a price` : ''}.`,
        ...list.tools.map(({ place, tools }) => `${place}: ${tools.join(', ')}`),
      ].join('\n'),
    );
  return EXIT.fine;
}

/** `vumble kit`: checks a sheet as a whole, or says which variant applies, or which question is still open. */
export async function kit(
  path: string,
  flags: PickingFlags & { json?: boolean },
  output: Output,
): Promise<number> {
  const sheet = await readSheet(path, output);
  if (!sheet) return EXIT.badInput;
  if (flags.check) return checked(sheet, flags.json === true, output);
  const answers = answersFrom(sheet, flags.set ?? []);
  if (typeof answers === 'string') {
    output.error(answers);
    return EXIT.badInput;
  }
  try {
    return told(sheet, answers, flags.json === true, output);
  } catch (error) {
    if (!(error instanceof TooEntangledError)) throw error;
    output.error(error.message);
    return EXIT.badInput;
  }
}

async function readSheet(path: string, output: Output): Promise<KitSheet | null> {
  try {
    const read = textOfFile(new Uint8Array(await readFile(path)));
    if (!read.ok) {
      output.error(read.problem);
      return null;
    }
    const { sheet, problems } = readKit(read.text);
    for (const { line, text: problem } of problems) output.error(`line ${line}: ${problem}`);
    // A sheet with a line left out is another sheet.
    return problems.length > 0 ? null : sheet;
  } catch (error) {
    output.error(`Cannot read ${path}: ${(error as Error).message}`);
    return null;
  }
}

function checked(sheet: KitSheet, json: boolean, output: Output): number {
  const faults = checkSheet(sheet);
  const words = faults.map((fault) => sheetFaultWords(sheet, fault));
  if (json) output.out(JSON.stringify({ sound: faults.length === 0, faults, words }, null, 2));
  else output.out(words.length > 0 ? words.join('\n') : 'Every vehicle has one variant, and none has two.');
  return faults.length === 0 ? EXIT.fine : EXIT.fallsShort;
}

/** `year=2012`, `lamp=filament`: a question by its id, its words or what it is about; an answer by its id or its words. */
function answersFrom(sheet: KitSheet, said: readonly string[]): Record<string, string> | string {
  const answers: Record<string, string> = {};
  for (const each of said) {
    const at = each.indexOf('=');
    const name = each.slice(0, at).trim().toLowerCase();
    const value = each.slice(at + 1).trim();
    const question = at > 0 ? findQuestion(sheet, name) : undefined;
    if (!question)
      return `--set takes QUESTION=ANSWER, not "${each}". Questions are ${sheet.questions.map(({ id }) => id).join(', ')}.`;
    const answer = answersOf(question).find(
      (id) => id === value || answerText(question, id).toLowerCase() === value.toLowerCase(),
    );
    if (answer === undefined) return `"${value}" is no answer to ${question.id}. ${answerList(question)}`;
    answers[question.id] = answer;
  }
  return answers;
}

function findQuestion({ questions }: KitSheet, name: string): KitQuestion | undefined {
  const called = (question: KitQuestion) =>
    [question.id, questionWords(question)].map((each) => each.toLowerCase());
  const about = questions.filter((question) => question.about === name);
  return (
    questions.find((question) => called(question).includes(name)) ??
    (about.length === 1 ? about[0] : undefined)
  );
}

function answerList(question: KitQuestion): string {
  return question.about === 'year'
    ? `Years go from ${question.from} to ${question.to}.`
    : `Answers are ${question.answers.map(({ id, text }) => (id === text ? id : `${id} (${text})`)).join(', ')}.`;
}

function told(sheet: KitSheet, answers: Record<string, string>, json: boolean, output: Output): number {
  const { settled, open, left, gap, contradicts } = askSheet(sheet, answers);
  const names = (ids: readonly string[]) =>
    ids.map((id) => sheet.plugs.find((plug) => plug.id === id)?.what ?? id);
  if (settled) {
    const stays = leftInBox(sheet, settled).map(({ item, count }) => ({ what: item.what, count }));
    const parts = settled.uses.map((use) => kitUseWords(sheet, use));
    if (json)
      output.out(
        JSON.stringify(
          {
            variant: settled.name,
            parts,
            plugsUsed: names(settled.used),
            plugsCapped: names(settled.capped),
            links: settled.links,
            modules: settled.modules,
            staysInBox: stays,
          },
          null,
          2,
        ),
      );
    else output.out(variantInWords(settled, parts, names, stays));
    return EXIT.fine;
  }
  const [question] = open;
  const why = contradicts
    ? 'There is no such vehicle by this sheet.'
    : left.length === 0
      ? 'The sheet has no variant for this vehicle.'
      : question
        ? `Still open: ${questionWords(question)} ${answerList(question)}`
        : 'More than one variant applies: check the sheet.';
  if (json)
    output.out(
      JSON.stringify(
        {
          variant: null,
          open: question
            ? { id: question.id, question: questionWords(question), answers: answersOf(question) }
            : null,
          left: left.map(({ name }) => name),
          gap,
          why,
        },
        null,
        2,
      ),
    );
  else
    output.out(
      [why, ...(left.length > 0 ? [`May still be: ${left.map(({ name }) => name).join('; ')}`] : [])].join(
        '\n',
      ),
    );
  return EXIT.fallsShort;
}

function variantInWords(
  { name, used, capped, links, modules }: KitVariant,
  parts: readonly string[],
  names: (ids: readonly string[]) => string[],
  stays: readonly { what: string; count: number }[],
): string {
  return [
    name,
    `Parts: ${parts.join('; ')}`,
    `Plugged in: ${listed(names(used))}`,
    `Capped: ${listed(names(capped))}`,
    `Links: ${listed(links.map(({ from, to }) => `${from} to ${to}`))}`,
    `Moved over: ${listed(modules)}`,
    `In the box stays: ${listed(
      stays.map(({ what, count }) => `${count} × ${what}`),
      'nothing',
    )}`,
  ].join('\n');
}

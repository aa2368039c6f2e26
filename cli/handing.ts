import { readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import ELK from 'elkjs/lib/elk.bundled.js';
import { cureBoard } from '../core/cures/board/board.ts';
import { type JobFile, jobFileOf, readJobFile, writeJobFile } from '../core/formats/jobFile.ts';
import { type Pack, type PackJob, readPack, writePack } from '../core/formats/pack.ts';
import { jobDrawings } from '../core/handoff/jobDrawings.ts';
import { type JobCopy, mergeJobs, sealedJob } from '../core/handoff/mergeJobs.ts';
import { askedInWords } from '../core/handoff/questionWords.ts';
import { logLines } from '../core/log/lines.ts';
import { logCsv } from '../core/log/logCsv.ts';
import type { Signer } from '../core/merge/history.ts';
import type { Answers } from '../core/merge/mergeDocuments.ts';
import type { Part } from '../core/model/part.ts';
import { ownersPage } from '../core/pages/ownersPage.ts';
import { onOneSheet } from '../core/pages/pdf.ts';
import { workshopPage } from '../core/pages/workshopPage.ts';
import { EXIT, type Output } from './output.ts';
import { writePdf } from './pdf.ts';

export const HANDING_OPTIONS = {
  output: { type: 'string', short: 'o' },
  base: { type: 'string' },
  answer: { type: 'string', multiple: true },
  pdf: { type: 'string' },
  workshop: { type: 'boolean' },
} as const;

export interface HandingFlags {
  output?: string;
  base?: string;
  answer?: string[];
  pdf?: string;
  workshop?: boolean;
  csv?: boolean;
  json?: boolean;
}

/** What the command line signs with: no device keeps a count for it. */
let signed = 0;
function signer(): Signer {
  signed += 1;
  return {
    id: `rev-${process.pid}-${Date.now()}-${signed}`,
    device: 'command-line',
    at: new Date().toISOString(),
  };
}

/** Something that cannot be used, in words. */
class Refused extends Error {}

/** Jobs out of files of either kind: a job file, or a pack of several. */
async function jobsIn(path: string): Promise<PackJob[]> {
  let bytes: Uint8Array;
  try {
    bytes = await readFile(path);
  } catch (error) {
    throw new Refused(`Cannot read ${path}: ${(error as Error).message}`);
  }
  const cannot = (problems: readonly string[]) =>
    new Refused(`${path} cannot be used:\n${problems.map((problem) => `  ${problem}`).join('\n')}`);
  // A ZIP archive begins with PK.
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    const read = readPack(bytes);
    if (!read.ok) throw cannot(read.problems);
    return [...read.pack.jobs];
  }
  const read = readJobFile(new TextDecoder().decode(bytes));
  if (!read.ok) throw cannot(read.problems);
  const { job, exportedAt } = read.file;
  return [{ id: job.id, title: job.title, updatedAt: exportedAt, file: read.file, history: null }];
}

async function guarded(output: Output, act: () => Promise<number>): Promise<number> {
  try {
    return await act();
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    output.error(error.message);
    return EXIT.badInput;
  }
}

/** A pack of jobs alone: the command line has no photos, shelf or settings of its own. */
function packOf(jobs: PackJob[], exportedAt: string, drawings: Pack['drawings'] = []): Pack {
  return {
    content: 'jobs',
    exportedAt,
    jobs,
    photos: [],
    shelf: null,
    partHistories: {},
    kept: {},
    drawings,
  };
}

/** `vumble pack`: jobs as one pack, with netlists and wiring sheets. */
export function pack(
  paths: readonly string[],
  { output: to }: HandingFlags,
  output: Output,
): Promise<number> {
  return guarded(output, async () => {
    if (!to) throw new Refused('Name the file to write with -o FILE.vumble.zip.');
    const jobs = new Map<string, PackJob>();
    for (const path of paths)
      for (const each of await jobsIn(path)) {
        if (jobs.has(each.id))
          throw new Refused(`${path}: job "${each.id}" is in another of these files too. Merge them first.`);
        jobs.set(each.id, each);
      }
    const drawings: { name: string; text: string }[] = [];
    for (const { file } of jobs.values())
      drawings.push(...(await jobDrawings(file.job, file.parts, new ELK())));
    const made = packOf([...jobs.values()], new Date().toISOString(), drawings);
    await writeFile(to, writePack(made));
    output.out(`${to}: ${jobs.size} ${jobs.size === 1 ? 'job' : 'jobs'}, ${drawings.length} drawings`);
    return EXIT.fine;
  });
}

/** `vumble unpack`: the jobs of a pack as files, into a directory. */
export function unpack(path: string, { output: to = '.' }: HandingFlags, output: Output): Promise<number> {
  return guarded(output, async () => {
    for (const { id, file } of await jobsIn(path)) {
      const name = join(to, `${id}.vumble.json`);
      await writeFile(name, writeJobFile(file)).catch((error: Error) => {
        throw new Refused(`Cannot write ${name}: ${error.message}`);
      });
      output.out(name);
    }
    return EXIT.fine;
  });
}

/** `vumble merge`: two copies of one job as one; what both changed is listed, and answered with --answer PATH=mine|theirs. */
export function merge(a: string, b: string, flags: HandingFlags, output: Output): Promise<number> {
  return guarded(output, async () => {
    const [mine, theirs] = [oneJob(a, await jobsIn(a)), oneJob(b, await jobsIn(b))];
    if (mine.id !== theirs.id)
      throw new Refused(
        `${a} is job "${mine.id}", ${b} is job "${theirs.id}": two copies of one job are laid together.`,
      );
    const base = flags.base === undefined ? null : oneJob(flags.base, await jobsIn(flags.base));
    const start = base ? sealedJob(base.file.job, base.history, signer()).history : null;
    const copyOf = ({ file, history }: PackJob): JobCopy => sealedJob(file.job, history ?? start, signer());
    const answers = answersOf(flags.answer ?? []);
    const made = mergeJobs(copyOf(mine), copyOf(theirs), answers, signer());
    const parts = unitedParts(mine.file.parts, theirs.file.parts);
    if (made.questions.length > 0) {
      output.out(`${made.questions.length} to choose, with --answer PATH=mine or PATH=theirs:`);
      for (const question of made.questions) {
        const { what, mine: here, theirs: there } = askedInWords(question, mine.file.job, parts);
        output.out(`  ${question.path || '""'}  ${what}: mine ${here}; theirs ${there}`);
      }
      for (const text of made.clash) output.out(`  Taken together it would not be sound: ${text}`);
      return EXIT.fallsShort;
    }
    const file: JobFile = jobFileOf(made.job, parts, new Date().toISOString());
    const text = writeJobFile(file);
    const sound = readJobFile(text);
    if (!sound.ok) throw new Refused(`What comes out cannot be used:\n${sound.problems.join('\n')}`);
    if (!flags.output) output.out(text.trimEnd());
    else if (flags.output.endsWith('.zip'))
      await writeFile(
        flags.output,
        writePack(
          packOf(
            [
              {
                id: made.job.id,
                title: made.job.title,
                updatedAt: file.exportedAt,
                file,
                history: made.history,
              },
            ],
            file.exportedAt,
          ),
        ),
      );
    else await writeFile(flags.output, text);
    return EXIT.fine;
  });
}

function oneJob(path: string, jobs: readonly PackJob[]): PackJob {
  const [job, ...others] = jobs;
  if (!job || others.length > 0)
    throw new Refused(`${path} holds ${jobs.length} jobs; one is laid together at a time.`);
  return job;
}

function answersOf(texts: readonly string[]): Answers {
  return Object.fromEntries(
    texts.map((text) => {
      const at = text.lastIndexOf('=');
      const whose = text.slice(at + 1);
      if (at < 0 || (whose !== 'mine' && whose !== 'theirs'))
        throw new Refused(`--answer is PATH=mine or PATH=theirs, not "${text}".`);
      return [text.slice(0, at), whose];
    }),
  );
}

function unitedParts(mine: readonly Part[], theirs: readonly Part[]): Part[] {
  const here = new Set(mine.map(({ id }) => id));
  return [...mine, ...theirs.filter(({ id }) => !here.has(id))];
}

/** `vumble log`: everything fitted in some jobs, as a table or JSON. */
export function log(paths: readonly string[], { json, csv }: HandingFlags, output: Output): Promise<number> {
  return guarded(output, async () => {
    const jobs: PackJob[] = [];
    for (const path of paths) jobs.push(...(await jobsIn(path)));
    const parts = jobs.reduce<Part[]>((all, { file }) => unitedParts(all, file.parts), []);
    const lines = logLines(
      jobs.map(({ file }) => file.job),
      parts,
    );
    if (json) output.out(JSON.stringify(lines, null, 2));
    else if (csv) output.out(logCsv(lines).trimEnd());
    else
      for (const line of lines)
        output.out(
          `${line.code.padEnd(14)} ${String(line.pieces).padStart(3)}  ${line.vehicle}, ${line.place || 'elsewhere'}, ${line.fittedAt?.slice(0, 10) ?? 'day not known'}: ${line.state}${line.why ? `, ${line.why}` : ''}`,
        );
    return EXIT.fine;
  });
}

/** `vumble handover`: the owner's page as PDF, or the workshop's. */
export function handover(path: string, { pdf, workshop }: HandingFlags, output: Output): Promise<number> {
  return guarded(output, async () => {
    if (!pdf) throw new Refused('Name the file to write with --pdf FILE.');
    const { file } = oneJob(path, await jobsIn(path));
    const context = {
      board: cureBoard(file.job, file.parts),
      day: (date: string) => date.slice(0, 10),
      moment: (at: string) => at.slice(0, 16).replace('T', ' '),
    };
    const page = (workshop ? workshopPage : ownersPage)(file.job, file.parts, context);
    const { bytes, sheets } = await onOneSheet(page, writePdf);
    await writeFile(pdf, bytes);
    output.out(`${basename(pdf)}: ${sheets} ${sheets === 1 ? 'sheet' : 'sheets'} of A4`);
    return EXIT.fine;
  });
}

import { randomId } from '@mantine/hooks';
import type { Job } from '../../core/model/job.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';
import {
  type Act,
  actOf,
  type EditOptions,
  type Recipe,
  redoJob,
  storeActs,
  undoJob,
  type Written,
} from './edits.ts';
import { isFull } from './isFull.ts';
import { jobCheck } from './jobCheck.ts';
import { finishNoted, noteAct, strikeNotes } from './notes.ts';

/** What another tab seemed to be storing is looked at again so much later, ms. */
const LOOK_AGAIN = 15_000;

/** An act of this tab that is not stored yet. */
interface Pending extends Act {
  noteId: string;
  noted: Promise<boolean>;
  refused(error: Error): void;
}

/** What this tab knows of one job, and what it still has to store of it. */
interface Line {
  /** the newest reading there was */
  stored: Written | null;
  /** the job with everything that is on its way */
  head: Job | null;
  waiting: Pending[];
  storing: Promise<void> | null;
  /** what there is no room for; null where all is stored, or on its way */
  held: Held | null;
}

/** Acts on a job that the browser has no room to store: they stand in this tab alone. */
export interface Held {
  /** the job with them */
  job: Job;
  acts: number;
  /** what was done last */
  label: string;
}

/**
 * Stores what one tab does to its jobs. An act is noted as it is made, and stored with all that came while the one before
 * was being stored: fast typing on a slow machine costs few writes, and no more of them than it can do.
 */
export class JobWriter {
  private readonly lines = new Map<string, Line>();
  /** Edits join within one tab: one undo takes back what was typed there. */
  private readonly tab = randomId('tab-');
  private earlier: Promise<unknown> | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly db: VumbleDatabase = appDatabase) {}

  /** Stores what earlier pages left; what is done here comes after it. */
  finishEarlier(): Promise<unknown> {
    this.earlier ??= this.finish();
    return this.earlier;
  }

  private async finish(): Promise<void> {
    try {
      const { left } = await finishNoted(this.db, (id) => this.isWaiting(id));
      if (left > 0) setTimeout(() => this.finish(), LOOK_AGAIN);
    } catch {
      // A store that cannot be opened says so itself, on the screen that needs it.
    }
  }

  /** Whether an act of this tab waits to be stored; none of them is before what earlier pages left. */
  private isWaiting(id: string): boolean {
    return [...this.lines.values()].some(({ waiting }) => waiting.some(({ noteId }) => noteId === id));
  }

  /** Tells of a job as it was read. */
  saw(jobId: string, { job, rev }: Written): void {
    const line = this.lineOf(jobId);
    if (!line.stored || rev >= line.stored.rev) line.stored = { job, rev };
  }

  /**
   * Makes a change of a job that was read before.
   *
   * @param refused told why where it was not stored after all
   * @throws the error of a recipe that refuses: nothing is changed then
   */
  edit(
    jobId: string,
    label: string,
    recipe: Recipe,
    options: EditOptions,
    refused: (error: Error) => void,
  ): void {
    const line = this.lineOf(jobId);
    const base = line.head ?? line.stored?.job;
    if (!base) throw new Error('A job is edited that was not read.');
    const mergeKey = options.mergeKey ? `${this.tab} ${options.mergeKey}` : '';
    const act = actOf(label, recipe, { mergeKey });
    const [head, { forward, backward, told }] = act.change(base);
    if (forward.length + told.length === 0) return;
    line.head = head;
    const id = crypto.randomUUID?.() ?? randomId('act-');
    const noted = noteAct({ id, jobId, label, mergeKey, at: act.at, forward, backward, told }, this.db);
    line.waiting.push({ ...act, noteId: id, noted, refused });
    line.storing ??= this.store(jobId, line);
  }

  /** What of a job there is no room for; null where there is. */
  held(jobId: string): Held | null {
    return this.lines.get(jobId)?.held ?? null;
  }

  /** Jobs of which something is in this tab alone. */
  allHeld(): string[] {
    return [...this.lines].flatMap(([jobId, { held }]) => (held ? [jobId] : []));
  }

  /** Tries once more to store what there was no room for. */
  async tryAgain(jobId: string): Promise<void> {
    const line = this.lineOf(jobId);
    if (line.waiting.length > 0) line.storing ??= this.store(jobId, line);
    await line.storing;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Waits until everything done to a job is stored. */
  async settled(jobId: string): Promise<void> {
    await this.finishEarlier();
    await this.lines.get(jobId)?.storing;
  }

  /** Waits until everything done in this tab is stored. */
  async allSettled(): Promise<void> {
    await Promise.all([...this.lines.keys()].map((jobId) => this.settled(jobId)));
  }

  /** Takes back the newest edit, once what was done before is stored. Returns its label, or null when there is none. */
  async undo(jobId: string): Promise<string | null> {
    await this.settled(jobId);
    const line = this.lines.get(jobId);
    return line?.held ? this.dropLast(line) : undoJob(jobId, this.db);
  }

  /** Does the oldest undone edit again. Returns its label, or null when there is none. */
  async redo(jobId: string): Promise<string | null> {
    await this.settled(jobId);
    return redoJob(jobId, this.db);
  }

  private lineOf(jobId: string): Line {
    const line = this.lines.get(jobId) ?? {
      stored: null,
      head: null,
      waiting: [],
      storing: null,
      held: null,
    };
    this.lines.set(jobId, line);
    return line;
  }

  private async store(jobId: string, line: Line): Promise<void> {
    await this.finishEarlier();
    let room = true;
    while (room && line.waiting.length > 0) {
      const acts = line.waiting.splice(0);
      room = await this.storeAll(jobId, line, acts);
    }
    // What is on its way is all in what is stored, unless there was no room for it.
    line.head = ahead(line);
    line.storing = null;
    this.tellHeld(line, room);
  }

  private tellHeld(line: Line, room: boolean): void {
    const before = line.held;
    const label = line.waiting.at(-1)?.label ?? '';
    line.held = room || !line.head ? null : { job: line.head, acts: line.waiting.length, label };
    if (line.waiting.length === 0) line.head = null;
    if (before || line.held) for (const listener of this.listeners) listener();
  }

  /** Takes back what was done last of what there is no room for, with what was typed into the same field before it. */
  private dropLast(line: Line): string | null {
    const last = line.waiting.pop();
    if (!last) return null;
    const dropped = [last];
    while (last.mergeKey && line.waiting.at(-1)?.mergeKey === last.mergeKey)
      dropped.push(line.waiting.pop() as Pending);
    this.strike(dropped);
    line.head = ahead(line);
    this.tellHeld(line, line.waiting.length === 0);
    return last.label;
  }

  private async strike(acts: readonly Pending[]): Promise<void> {
    const ids = acts.map(({ noteId }) => noteId);
    await strikeNotes(ids, this.db).catch(() => {
      // They stay noted: the next start knows which are stored, and sets aside what no longer goes with the job.
    });
  }

  /**
   * Together; where that is refused one by one, so that one that cannot be stored takes no other along. Tells whether there
   * was room: what there is none for waits here on.
   */
  private async storeAll(jobId: string, line: Line, acts: readonly Pending[]): Promise<boolean> {
    try {
      const noted = await Promise.all(acts.map(async (each) => ({ ...each, isNoted: await each.noted })));
      const known = noted.map(({ isNoted, noteId, ...act }) => (isNoted ? { ...act, noteId } : act));
      const checked = await jobCheck();
      this.saw(jobId, await storeActs(this.db, jobId, known, checked));
      await this.strike(acts);
    } catch (error) {
      if (isFull(error as Error)) {
        line.waiting.unshift(...acts);
        return false;
      }
      const [first, ...others] = acts;
      if (!first) return true;
      if (others.length === 0) {
        first.refused(error as Error);
        line.head = ahead(line);
        await this.strike([first]);
      } else
        for (const [at, each] of acts.entries())
          if (!(await this.storeAll(jobId, line, [each]))) {
            // Right behind the one that waits again: what came meanwhile was done after them.
            line.waiting.splice(1, 0, ...acts.slice(at + 1));
            return false;
          }
    }
    return true;
  }
}

/** The job with what still waits to be stored; what does not go with it any more is told of when its turn comes. */
function ahead({ stored, waiting }: Line): Job | null {
  return waiting.reduce<Job | null>((job, act) => {
    try {
      return job && act.change(job)[0];
    } catch {
      return job;
    }
  }, stored?.job ?? null);
}

/** The writer of this tab. */
export const writer = new JobWriter();

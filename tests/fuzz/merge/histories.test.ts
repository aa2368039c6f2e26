/**
 * Two and three copies of a job, edited at random and exchanged in any order, twice, or not at all; questions answered at
 * random, now and then differently on two copies. In the end all are equal and sound, nothing told is lost, and whatever two
 * copies wrote without knowing of each other was asked. Who knew what is kept here as sets of edits, without the graph the
 * merge goes by. `npm run fuzz` runs more.
 */
import { expect, it } from 'vitest';
import { jobOwnProblems } from '../../../core/formats/jobFile.ts';
import { type JobCopy, mergeJobs, sealedJob, WHOLE } from '../../../core/handoff/mergeJobs.ts';
import { fieldsOf, type Json, same } from '../../../core/merge/leaves.ts';
import type { Answers } from '../../../core/merge/mergeDocuments.ts';
import { Job } from '../../../core/model/job.ts';
import { newJob } from '../../../core/model/newJob.ts';
import { standing } from '../../../core/model/seen.ts';
import { seeded } from '../../../core/numerics/random.ts';
import { TANSY_50 } from '../../../demo/vehicles/tansy50.ts';
import { type Draw, EDITS } from './randomEdits.ts';

const RUNS = process.env.VUMBLE_FUZZ ? 20_000 : 1000;
const SEED = Number(process.env.VUMBLE_SEED ?? 20261130);

/** A value somebody wrote into a field, with the edits that wrote it. */
type Register = { value: string; edits: ReadonlySet<string> };

/** A copy with a memory of its own of what it knows: edits by name, and for each field whose value stands. */
interface Held {
  device: string;
  copy: JobCopy;
  sealed: Job | null;
  knows: Set<string>;
  fields: Map<string, Register>;
  told: Set<string>;
}

type Package = Pick<Held, 'copy' | 'knows' | 'fields' | 'told'>;

class Story {
  readonly copies: Held[];
  readonly told = new Set<string>();
  /** questions, and fields that differed and were taken without one: a run without either shows nothing */
  readonly seen = { asked: 0, taken: 0 };
  private readonly edits: typeof EDITS;
  private count = 0;

  constructor(
    private readonly draw: Draw,
    devices: number,
  ) {
    // A few kinds of edit a story: what hardly ever meets tells nothing of what happens then.
    this.edits = Array.from({ length: 5 }, () => draw.pick(EDITS));
    const job = Job.parse(newJob('courier', 'Courier', TANSY_50, '2026-11-01T08:00:00.000Z'));
    const copy = sealedJob(job, null, this.signer('desk'));
    this.copies = Array.from({ length: devices }, (_, index) => ({
      device: `device-${index}`,
      copy,
      sealed: copy.job,
      knows: new Set<string>(),
      fields: new Map<string, Register>(),
      told: new Set<string>(),
    }));
  }

  edit(held: Held): void {
    const n = `${held.device.at(-1)}${this.count++}`;
    const edited = this.draw.pick(this.edits)(held.copy.job, this.draw, n, held.device);
    const parsed = Job.safeParse(edited?.job);
    if (!edited || !parsed.success || jobOwnProblems(parsed.data).length > 0) return;
    for (const { id } of edited.job.evidence) {
      held.told.add(id);
      this.told.add(id);
    }
    held.copy = { ...held.copy, job: parsed.data };
    held.knows.add(n);
    for (const path of edited.wrote) {
      const value = valueAt(held.copy.job, path);
      // Writing what stands there already is no edit.
      if (value !== held.fields.get(path)?.value) held.fields.set(path, { value, edits: new Set([n]) });
    }
  }

  /** A copy as it leaves its device. */
  send(held: Held): Package {
    // Sealed is sealed: nothing was done to it since.
    if (held.sealed !== held.copy.job)
      held.copy = sealedJob(held.copy.job, held.copy.history, this.signer(held.device));
    held.sealed = held.copy.job;
    return {
      copy: held.copy,
      knows: new Set(held.knows),
      fields: new Map(held.fields),
      told: new Set(held.told),
    };
  }

  receive(held: Held, from: Package): void {
    this.send(held);
    const answers: Record<string, 'mine' | 'theirs'> = {};
    let merge = mergeJobs(held.copy, from.copy, answers, this.signer(held.device));
    const first = new Set(merge.questions.map(({ path }) => path));
    for (let asked = 0; merge.questions.length > 0; asked += 1) {
      if (asked > 20) throw new Error('questions without end');
      for (const { path } of merge.questions) answers[path] = this.draw.pick(['mine', 'theirs'] as const);
      merge = mergeJobs(held.copy, from.copy, answers, this.signer(held.device));
    }
    this.checkAsked(held, from, answers, merge.job);
    const before = held.copy;
    held.copy = { job: merge.job, history: merge.history };
    held.sealed = merge.job;
    this.mergeMemory(held, from, before, answers);
    expect(first.size === 0 || merge.forward === null).toBe(true);
  }

  /** Whatever both wrote without knowing of the other is among the questions, and no single field is asked for nothing. */
  private checkAsked(held: Held, from: Package, answers: Answers, merged: Job): void {
    const asked = Object.keys(answers);
    this.seen.asked += asked.length;
    for (const path of new Set([...held.fields.keys(), ...from.fields.keys()])) {
      const [mine, theirs] = [held.fields.get(path), from.fields.get(path)];
      if (!mine && !theirs) continue;
      const mineUnknown = [...(mine?.edits ?? [])].some((edit) => !from.knows.has(edit));
      const theirsUnknown = [...(theirs?.edits ?? [])].some((edit) => !held.knows.has(edit));
      const [before, there, after] = [held.copy.job, from.copy.job, merged].map((job) => valueAt(job, path));
      if (before === there) {
        expect(after, path).toBe(before);
        continue;
      }
      const found = asked.some((each) => each === WHOLE || path === each || path.startsWith(`${each}/`));
      // What is decided with something that was deleted is asked there.
      const together = asked.some((each) => path.includes(each.slice(each.lastIndexOf('/') + 1)));
      if (found || together) continue;
      this.seen.taken += 1;
      expect(mineUnknown && theirsUnknown, `${path} was changed on both and not asked (${asked})`).toBe(
        false,
      );
      // Where one side alone wrote, that stands; a field that went with its list item is that item's business.
      if (before === 'gone' || there === 'gone') continue;
      if (mineUnknown) expect(after, path).toBe(before);
      if (theirsUnknown) expect(after, path).toBe(there);
    }
  }

  private mergeMemory(held: Held, from: Package, before: JobCopy, answers: Answers): void {
    const answer = `answer-${this.count++}`;
    for (const path of new Set([...held.fields.keys(), ...from.fields.keys()])) {
      const [mine, theirs] = [held.fields.get(path), from.fields.get(path)];
      const value = valueAt(held.copy.job, path);
      const isMine = value === (mine?.value ?? valueAt(before.job, path));
      const isTheirs = value === (theirs?.value ?? valueAt(from.copy.job, path));
      const edits = new Set<string>();
      const wasAsked = Object.keys(answers).some((each) => each === WHOLE || path.startsWith(each));
      if (wasAsked) edits.add(answer);
      else {
        if (isMine) for (const edit of mine?.edits ?? []) edits.add(edit);
        if (isTheirs) for (const edit of theirs?.edits ?? []) edits.add(edit);
      }
      held.fields.set(path, { value, edits });
    }
    for (const each of from.knows) held.knows.add(each);
    held.knows.add(answer);
    for (const each of from.told) held.told.add(each);
    for (const { id } of held.copy.job.evidence) {
      held.told.add(id);
      this.told.add(id);
    }
  }

  private signer(device: string) {
    return { id: `rev-${this.count++}`, device, at: '2026-11-02T08:00:00.000Z' };
  }
}

const known = new WeakMap<Job, ReadonlyMap<string, Json>>();

function valueAt(job: Job, path: string): string {
  let fields = known.get(job);
  if (!fields) {
    const { evidence: _, ...plan } = job;
    fields = fieldsOf(plan as Json);
    known.set(job, fields);
  }
  const value = fields.get(path);
  return value === undefined ? 'gone' : JSON.stringify(value);
}

function tell(seed: number): Story['seen'] {
  const random = seeded(seed);
  const draw: Draw = {
    below: (bound) => Math.floor(random() * bound),
    pick: (from) => from[Math.floor(random() * from.length)] as never,
  };
  const story = new Story(draw, 2 + draw.below(2));
  const { copies } = story;
  const onTheWay: Package[] = [];
  const steps = 6 + draw.below(14);
  for (let step = 0; step < steps; step += 1) {
    const held = draw.pick(copies);
    const what = draw.below(10);
    if (what < 7) story.edit(held);
    else if (what < 8) onTheWay.push(story.send(held));
    // Out of order, twice, or never.
    else if (onTheWay.length > 0) story.receive(held, draw.pick(onTheWay));
  }
  // Everybody hears of everybody, twice round.
  for (let round = 0; round < 2; round += 1)
    for (const to of copies) for (const from of copies) if (from !== to) story.receive(to, story.send(from));
  const [first, ...others] = copies;
  if (!first) return story.seen;
  expect(jobOwnProblems(Job.parse(first.copy.job))).toEqual([]);
  for (const other of others) expect(same(first.copy.job as Json, other.copy.job as Json)).toBe(true);
  const there = new Set(first.copy.job.evidence.map(({ id }) => id));
  for (const id of story.told) expect(there.has(id), `${id} was told and is lost`).toBe(true);
  expect(standing(first.copy.job).length).toBeLessThanOrEqual(there.size);
  const ticks = Object.values(first.copy.job.fit).flatMap((step) => step.ticks ?? []);
  expect(new Set(ticks).size).toBe(ticks.length);
  return story.seen;
}

it('copies exchanged in any order come to the same, and ask what both changed', { timeout: 600_000 }, () => {
  const seen = { asked: 0, taken: 0 };
  for (let run = 0; run < RUNS; run += 1) {
    try {
      const { asked, taken } = tell(SEED + run);
      seen.asked += asked;
      seen.taken += taken;
    } catch (error) {
      throw new Error(`history of seed ${SEED + run}: ${(error as Error).message}`, { cause: error });
    }
  }
  console.log(`${RUNS} histories: ${seen.asked} questions, ${seen.taken} fields taken without one`);
  expect(seen.asked).toBeGreaterThan(RUNS / 4);
  expect(seen.taken).toBeGreaterThan(RUNS / 4);
});

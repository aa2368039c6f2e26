import { ancestry, type History, type Revision, type Signer } from './history.ts';
import { itemsByKey, type Json, type JsonObject, nameAt, same, shapeOf, within } from './leaves.ts';
import { mergedOrder } from './order.ts';
import { otherOf, type SideName, Stamps } from './stamps.ts';

export type { SideName };

/** One of two copies of a document, sealed. */
export interface Copy<D extends Json = Json> {
  document: D;
  history: History;
}

/** What somebody must choose: both copies changed it, and neither knew of the other. */
export interface Question {
  /** the field, or the order of a list's items where it ends in `#` */
  path: string;
  /** left out: it was deleted there */
  mine?: Json | undefined;
  theirs?: Json | undefined;
  /** who wrote each, and when; null where nobody says */
  wroteMine: Revision | null;
  wroteTheirs: Revision | null;
}

export type Answers = Readonly<Record<string, SideName>>;

export interface Merge<D extends Json = Json> {
  /** both in one; what is asked stands as it is in mine meanwhile */
  document: D;
  history: History;
  /** those nobody has answered yet */
  questions: readonly Question[];
  /** one copy knew all of the other: nothing was laid together */
  forward: SideName | null;
  /** what one side deleted and the other had not touched since, with who did */
  dropped: readonly { path: string; by: SideName }[];
}

/** What is decided together: by the path of each field, the path whose answer it follows. Its own is asked. */
export type Together = ReadonlyMap<string, string>;

const APART: Together = new Map();

/**
 * Lays two copies of a document together, three-way: a field that one side wrote and the other has not heard of is taken;
 * where both wrote without knowing of each other it is asked. Which revision knew which comes from the graph of their
 * parents, so that exchanges may come in any order, twice, or cross.
 *
 * @param answers by the path of the question: whose stands
 * @param signer seals the answers; laid together without any the revision is the same on every device
 * @param together what the caller found to hang together
 */
export function mergeDocuments<D extends Json>(
  mine: Copy<D>,
  theirs: Copy<D>,
  answers: Answers,
  signer: Signer,
  together: Together = APART,
): Merge<D> {
  const knowsAll = ancestry([...mine.history.revisions, ...theirs.history.revisions]);
  if (knowsAll(mine.history.head).has(theirs.history.head))
    return { ...mine, questions: [], forward: 'mine', dropped: [] };
  if (knowsAll(theirs.history.head).has(mine.history.head))
    return { ...theirs, questions: [], forward: 'theirs', dropped: [] };
  const merging = new Merging(mine, theirs, answers, signer, together);
  const document = merging.merge('', mine.document, theirs.document) as D;
  const { questions, dropped } = merging;
  return { document, history: merging.history(), questions, forward: null, dropped };
}

/** Goes through both documents at once. What is decided here is written down by the stamps. */
class Merging {
  readonly questions: Question[] = [];
  readonly dropped: { path: string; by: SideName }[] = [];
  private readonly stamps: Stamps;
  private answered = false;

  constructor(
    mine: Copy,
    theirs: Copy,
    private readonly answers: Answers,
    private readonly signer: Signer,
    private readonly together: Together,
  ) {
    this.stamps = new Stamps(mine.history, theirs.history);
  }

  history(): History {
    return this.stamps.history(this.answered ? this.signer : null);
  }

  /** What both come to at a path; undefined where it is not there. */
  merge(path: string, mine: Json | undefined, theirs: Json | undefined): Json | undefined {
    if (same(mine, theirs)) {
      this.stamps.keepBoth(path);
      return mine;
    }
    const leader = this.together.get(path);
    if (leader !== undefined) return this.ask(leader, path, mine, theirs);
    if (mine === undefined || theirs === undefined) return this.oneHasIt(path, mine, theirs);
    const name = nameAt(path);
    const [a, b] = [shapeOf(mine, name), shapeOf(theirs, name)];
    if (a === 'object' && b === 'object') return this.objects(path, mine as JsonObject, theirs as JsonObject);
    if (a === 'list' && b === 'list')
      return this.lists(path, mine as readonly Json[], theirs as readonly Json[]);
    return this.decide(path, mine, theirs);
  }

  private decide(path: string, mine: Json | undefined, theirs: Json | undefined): Json | undefined {
    const [a, b] = [this.stamps.news('mine', path), this.stamps.news('theirs', path)];
    if (a !== b) return this.take(a ? 'mine' : 'theirs', path, a ? mine : theirs);
    return this.ask(path, path, mine, theirs);
  }

  private oneHasIt(path: string, mine: Json | undefined, theirs: Json | undefined): Json | undefined {
    const has: SideName = mine === undefined ? 'theirs' : 'mine';
    // Never there: it was added over here. Else it was deleted there, and counts where nobody wrote to it since.
    if (!this.stamps.everHad(otherOf(has), path)) return this.take(has, path, mine ?? theirs);
    return this.decide(path, mine, theirs);
  }

  private objects(path: string, mine: JsonObject, theirs: JsonObject): Json {
    this.stamps.keep(path);
    const keys = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].toSorted();
    const merged: Record<string, Json> = {};
    for (const key of keys) {
      const value = this.merge(within(path, key), mine[key], theirs[key]);
      if (value !== undefined) merged[key] = value;
    }
    this.stamps.keepGone(path);
    return merged;
  }

  private lists(path: string, mine: readonly Json[], theirs: readonly Json[]): Json {
    const name = nameAt(path);
    const [a, b] = [itemsByKey(mine, name), itemsByKey(theirs, name)];
    const merged = new Map<string, Json>();
    for (const key of [...new Set([...a.keys(), ...b.keys()])].toSorted()) {
      const item = this.merge(within(path, key), a.get(key), b.get(key));
      if (item !== undefined) merged.set(key, item);
    }
    this.stamps.keepGone(path);
    const order = this.order(path, [...a.keys()], [...b.keys()], merged);
    return order.map((key) => merged.get(key) as Json);
  }

  /** The order of a list's items: asked only where both sides put what both have in another order. */
  private order(
    path: string,
    mine: readonly string[],
    theirs: readonly string[],
    items: ReadonlyMap<string, Json>,
  ): readonly string[] {
    const there = (keys: readonly string[]) => keys.filter((key) => items.has(key));
    const [a, b] = [there(mine), there(theirs)];
    const common = new Set(a.filter((key) => b.includes(key)));
    const shared = (keys: readonly string[]) => keys.filter((key) => common.has(key));
    let first: SideName = 'mine';
    let asked = false;
    if (!same(shared(a), shared(b))) {
      const [newA, newB] = [this.stamps.wrote('mine', path), this.stamps.wrote('theirs', path)];
      asked = newA === newB;
      if (asked) first = this.answer(`${path}/#`, { mine: a, theirs: b, ...this.stamps.whoWrote(path) });
      else first = newA ? 'mine' : 'theirs';
    }
    const order = mergedOrder(first === 'mine' ? a : b, first === 'mine' ? b : a, items);
    this.stamps.putOrder(path, order, { mine, theirs }, asked);
    return order;
  }

  private ask(
    leader: string,
    path: string,
    mine: Json | undefined,
    theirs: Json | undefined,
  ): Json | undefined {
    const whose =
      leader === path
        ? this.answer(path, { mine, theirs, ...this.stamps.whoWrote(path) })
        : (this.answers[leader] ?? 'mine');
    this.stamps.chosen(whose, path);
    return whose === 'mine' ? mine : theirs;
  }

  private answer(path: string, question: Omit<Question, 'path'>): SideName {
    const answer = this.answers[path];
    if (answer === undefined) this.questions.push({ path, ...question });
    this.answered = true;
    return answer ?? 'mine';
  }

  private take(from: SideName, path: string, value: Json | undefined): Json | undefined {
    if (value === undefined) this.dropped.push({ path, by: from });
    this.stamps.take(from, path);
    return value;
  }
}

import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { ancestry, type History, type Revision, type Signer, type Written } from './history.ts';
import { same } from './leaves.ts';
import { countAfter } from './seal.ts';

export type SideName = 'mine' | 'theirs';

/** The other of two sides. */
export function otherOf(side: SideName): SideName {
  return side === 'mine' ? 'theirs' : 'mine';
}

/** One copy, and what of it the other has heard of. */
interface Side {
  history: History;
  /** paths the history knows in order, whether or not they are there now */
  paths: readonly string[];
  /** all revisions this copy has heard of */
  knows: ReadonlySet<string>;
}

/** The two histories of a merge: who wrote what, whether the other had heard of it, and what is written down of the outcome. */
export class Stamps {
  private readonly revisions: readonly Revision[];
  private readonly place: ReadonlyMap<string, number>;
  private readonly fields: Record<string, Written> = {};
  private readonly sides: Record<SideName, Side>;
  private readonly ancestors: (id: string) => ReadonlySet<string>;
  /** the place of the revision that is being made */
  private readonly next: number;

  constructor(mine: History, theirs: History) {
    const byId = new Map([...mine.revisions, ...theirs.revisions].map((each) => [each.id, each]));
    this.revisions = [...byId.values()].toSorted((a, b) => a.count - b.count || (a.id < b.id ? -1 : 1));
    this.place = new Map(this.revisions.map(({ id }, index) => [id, index]));
    this.next = this.revisions.length;
    this.ancestors = ancestry(this.revisions);
    const side = (history: History): Side => ({
      history,
      paths: Object.keys(history.fields).toSorted(),
      knows: this.ancestors(history.head),
    });
    this.sides = { mine: side(mine), theirs: side(theirs) };
  }

  /** The history of the outcome: signed where something was answered, else the same on every device. */
  history(signer: Signer | null): History {
    const { mine, theirs } = this.sides;
    const parents = [mine.history.head, theirs.history.head].toSorted();
    const revision = signer
      ? answered(signer, parents, this.revisions)
      : laidTogether(parents, this.revisions);
    return { head: revision.id, revisions: [...this.revisions, revision], fields: this.fields, told: 0 };
  }

  /** Whether a side wrote something at or in a path that the other has not heard of. */
  news(from: SideName, path: string): boolean {
    return under(this.sides[from].paths, path).some((each) => this.wrote(from, each));
  }

  /** Whether a side wrote a path itself, and the other has not heard of it. */
  wrote(from: SideName, path: string): boolean {
    const rev = this.writer(from, path);
    return rev !== undefined && !this.sides[otherOf(from)].knows.has(rev);
  }

  /** Whether a path ever was on a side. */
  everHad(side: SideName, path: string): boolean {
    return under(this.sides[side].paths, path).length > 0;
  }

  /** Of each side the last to write at or in a path that the other has not heard of. */
  whoWrote(path: string): Record<'wroteMine' | 'wroteTheirs', Revision | null> {
    const last = (from: SideName): Revision | null => {
      const revs = under(this.sides[from].paths, path).flatMap((each) =>
        this.wrote(from, each) ? [this.revAt(from, each) ?? 0] : [],
      );
      return revs.length > 0 ? (this.revisions[Math.max(...revs)] ?? null) : null;
    };
    return { wroteMine: last('mine'), wroteTheirs: last('theirs') };
  }

  /** One side's stands, as it wrote it. */
  take(from: SideName, path: string): void {
    const { history, paths } = this.sides[from];
    for (const each of under(paths, path)) {
      const rev = this.revAt(from, each);
      if (rev !== undefined) this.put(each, rev, history.fields[each]?.value);
    }
    // What only the other ever had below it is gone with it.
    const other = otherOf(from);
    for (const each of under(this.sides[other].paths, path))
      if (!(each in history.fields)) this.put(each, this.revAt(other, each) ?? this.next, undefined);
  }

  /** One side's stands because somebody said so: it is written anew, and whoever hears of it knows both. */
  chosen(whose: SideName, path: string): void {
    const { fields } = this.sides[whose].history;
    for (const each of this.both(path)) this.put(each, this.next, fields[each]?.value);
  }

  /** An object that is on both sides. */
  keep(path: string): void {
    this.put(path, this.newer(path), {});
  }

  /** Both sides say the same. */
  keepBoth(path: string): void {
    const [mine, theirs] = [this.sides.mine.history.fields, this.sides.theirs.history.fields];
    for (const each of this.both(path)) this.put(each, this.newer(each), (mine[each] ?? theirs[each])?.value);
  }

  /** What was within an object or list on either side and is on neither now. */
  keepGone(path: string): void {
    for (const each of this.both(path))
      if (each !== path && !(each in this.fields)) this.put(each, this.newer(each), undefined);
  }

  /** The order of a list's items, with the revision it is of. */
  putOrder(
    path: string,
    order: readonly string[],
    was: Record<SideName, readonly string[]>,
    asked: boolean,
  ): void {
    const [a, b] = [same(order, was.mine), same(order, was.theirs)];
    let rev: number | undefined;
    if (!asked && a && b) rev = this.newer(path);
    else if (!asked && (a || b)) rev = this.revAt(a ? 'mine' : 'theirs', path);
    this.put(path, rev ?? this.next, [...order]);
  }

  private put(path: string, rev: number, value: Written['value']): void {
    this.fields[path] = value === undefined ? { rev } : { rev, value };
  }

  private both(path: string): Set<string> {
    return new Set([...under(this.sides.mine.paths, path), ...under(this.sides.theirs.paths, path)]);
  }

  /** The later of the two revisions that wrote a path; two that knew nothing of each other and say the same are written anew. */
  private newer(path: string): number {
    const [a, b] = [this.writer('mine', path), this.writer('theirs', path)];
    const placeOf = (id: string | undefined) =>
      (id === undefined ? undefined : this.place.get(id)) ?? this.next;
    if (a === undefined || b === undefined) return placeOf(a ?? b);
    if (this.ancestors(b).has(a)) return placeOf(b);
    return this.ancestors(a).has(b) ? placeOf(a) : this.next;
  }

  private writer(side: SideName, path: string): string | undefined {
    const { fields, revisions } = this.sides[side].history;
    const field = fields[path];
    return field && revisions[field.rev]?.id;
  }

  private revAt(side: SideName, path: string): number | undefined {
    const rev = this.writer(side, path);
    return rev === undefined ? undefined : this.place.get(rev);
  }
}

function answered({ id, device, at, by }: Signer, parents: string[], known: readonly Revision[]): Revision {
  return { id, device, count: countAfter(known), parents, at, ...(by ? { by } : {}) };
}

/** The revision of two that were laid together without a question: the same wherever that is done. */
function laidTogether(parents: string[], known: readonly Revision[]): Revision {
  const heads = known.filter(({ id }) => parents.includes(id));
  return {
    id: `merged-${bytesToHex(sha256(utf8ToBytes(parents.join(' ')))).slice(0, 40)}`,
    device: null,
    count: countAfter(heads),
    parents,
    at:
      heads
        .map(({ at }) => at)
        .toSorted()
        .at(-1) ?? '',
  };
}

/** Of paths in order those at or in a path. */
function under(paths: readonly string[], path: string): readonly string[] {
  if (path === '') return paths;
  const inner = `${path}/`;
  const found: string[] = [];
  const own = firstFrom(paths, path);
  if (paths[own] === path) found.push(path);
  for (let at = firstFrom(paths, inner); paths[at]?.startsWith(inner); at += 1)
    found.push(paths[at] as string);
  return found;
}

/** The place of the first of some texts in order that is not before another. */
function firstFrom(texts: readonly string[], text: string): number {
  let [low, high] = [0, texts.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((texts[middle] as string) < text) low = middle + 1;
    else high = middle;
  }
  return low;
}

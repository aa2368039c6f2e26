/** The matrix has no pivot at this unknown: nothing ties its voltage down. */
export class SingularError extends Error {
  constructor(readonly unknown: number) {
    super(`Unknown ${unknown} is tied to nothing`);
    this.name = 'SingularError';
  }
}

/**
 * Solves symmetric sparse systems of one fixed shape again and again, as circuits of two-terminal devices
 * give them: LDLᵀ with the order of elimination and all fill-in worked out once. Lamp circuits are nearly
 * trees, so in minimum-degree order there is hardly any fill and the cost is proportional to the nodes;
 * a dense factorisation would grow with their cube.
 *
 * Use: `clear()`, `addDiagonal`/`addPair` for every conductance, `solve(rhs)`.
 */
export class SymmetricSolver {
  private readonly size: number;
  /** position of each unknown in the order of elimination */
  private readonly place: Int32Array;
  private readonly diagonal: Float64Array;
  private readonly factor: Float64Array;
  private readonly lower: Float64Array;
  private readonly keptDiagonal: Float64Array;
  private readonly keptLower: Float64Array;
  private readonly x: Float64Array;
  /** slots of column k: `start[k]` to `start[k + 1]` */
  private readonly start: Int32Array;
  private readonly row: Int32Array;
  /** per column, triples (slot, slot, target slot) of what its elimination changes off the diagonal */
  private readonly updateStart: Int32Array;
  private readonly updates: Int32Array;
  private readonly pairSlots: Int32Array;

  /**
   * @param size number of unknowns
   * @param pairs which unknowns share a conductance; the index of a pair is its handle in `addPair`
   */
  constructor(size: number, pairs: readonly (readonly [number, number])[]) {
    this.size = size;
    const { place, columns } = eliminate(size, pairs);
    this.place = place;
    this.diagonal = new Float64Array(size);
    this.start = new Int32Array(size + 1);
    columns.forEach((column, k) => {
      this.start[k + 1] = (this.start[k] ?? 0) + column.length;
    });
    const slots = this.start[size] ?? 0;
    this.row = new Int32Array(slots);
    this.lower = new Float64Array(slots);
    this.factor = new Float64Array(slots);
    this.keptDiagonal = new Float64Array(size);
    this.keptLower = new Float64Array(slots);
    this.x = new Float64Array(size);
    const slotOf = new Map<number, number>();
    columns.forEach((column, k) => {
      column.forEach((i, index) => {
        const slot = (this.start[k] ?? 0) + index;
        this.row[slot] = i;
        slotOf.set(k * size + i, slot);
      });
    });
    const find = (a: number, b: number) => slotOf.get(Math.min(a, b) * size + Math.max(a, b)) ?? -1;
    this.pairSlots = Int32Array.from(pairs, ([a, b]) => find(place[a] ?? 0, place[b] ?? 0));
    const updates: number[] = [];
    this.updateStart = new Int32Array(size + 1);
    columns.forEach((column, k) => {
      const from = this.start[k] ?? 0;
      for (let i = 0; i < column.length; i += 1) {
        for (let j = 0; j < i; j += 1) {
          updates.push(from + i, from + j, find(column[i] ?? 0, column[j] ?? 0));
        }
      }
      this.updateStart[k + 1] = updates.length;
    });
    this.updates = Int32Array.from(updates);
  }

  /** Forgets all conductances. */
  clear(): void {
    this.diagonal.fill(0);
    this.lower.fill(0);
  }

  /** Remembers the conductances as they are, for `recall`: what stays the same from step to step is added once. */
  keep(): void {
    this.keptDiagonal.set(this.diagonal);
    this.keptLower.set(this.lower);
  }

  /** Begins anew from what `keep` remembered. */
  recall(): void {
    this.diagonal.set(this.keptDiagonal);
    this.lower.set(this.keptLower);
  }

  /** Adds a conductance from an unknown to earth, S. */
  addDiagonal(unknown: number, siemens: number): void {
    const at = this.place[unknown] as number;
    this.diagonal[at] = (this.diagonal[at] as number) + siemens;
  }

  /** Adds a conductance between the two unknowns of a pair, S. */
  addPair(pair: number, a: number, b: number, siemens: number): void {
    this.addDiagonal(a, siemens);
    this.addDiagonal(b, siemens);
    const slot = this.pairSlots[pair] as number;
    this.lower[slot] = (this.lower[slot] as number) - siemens;
  }

  /**
   * Solves for the unknowns. Destroys the matrix; `clear` or `recall`, and build it again for the next.
   *
   * @param rhs currents into the unknowns, A; is not changed
   * @param out where the unknowns go, V
   * @throws SingularError when an unknown is tied to nothing
   */
  solve(rhs: Float64Array, out: Float64Array): void {
    const { size, place, diagonal, lower, factor, start, row, updateStart, updates, x } = this;
    for (let unknown = 0; unknown < size; unknown += 1) x[place[unknown] as number] = rhs[unknown] as number;
    for (let k = 0; k < size; k += 1) {
      const pivot = diagonal[k] as number;
      if (!(Math.abs(pivot) > 1e-18)) throw new SingularError(place.indexOf(k));
      const from = start[k] as number;
      const to = start[k + 1] as number;
      for (let slot = from; slot < to; slot += 1) {
        const value = lower[slot] as number;
        const share = value / pivot;
        factor[slot] = share;
        const i = row[slot] as number;
        diagonal[i] = (diagonal[i] as number) - value * share;
        x[i] = (x[i] as number) - share * (x[k] as number);
      }
      for (let u = updateStart[k] as number; u < (updateStart[k + 1] as number); u += 3) {
        const target = updates[u + 2] as number;
        lower[target] =
          (lower[target] as number) -
          (lower[updates[u] as number] as number) * (factor[updates[u + 1] as number] as number);
      }
    }
    for (let k = size - 1; k >= 0; k -= 1) {
      let value = (x[k] as number) / (diagonal[k] as number);
      for (let slot = start[k] as number; slot < (start[k + 1] as number); slot += 1) {
        value -= (factor[slot] as number) * (x[row[slot] as number] as number);
      }
      x[k] = value;
    }
    for (let unknown = 0; unknown < size; unknown += 1) out[unknown] = x[place[unknown] as number] as number;
  }
}

/** Minimum-degree order and, per eliminated unknown, the later ones it is joined to (fill-in included), in order places. */
function eliminate(
  size: number,
  pairs: readonly (readonly [number, number])[],
): { place: Int32Array; columns: number[][] } {
  const joined = Array.from({ length: size }, () => new Set<number>());
  for (const [a, b] of pairs) {
    if (a === b) continue;
    joined[a]?.add(b);
    joined[b]?.add(a);
  }
  const place = new Int32Array(size).fill(-1);
  const byUnknown: number[][] = [];
  for (let k = 0; k < size; k += 1) {
    let best = -1;
    for (let unknown = 0; unknown < size; unknown += 1) {
      if (place[unknown] === -1 && (best === -1 || (joined[unknown]?.size ?? 0) < (joined[best]?.size ?? 0)))
        best = unknown;
    }
    place[best] = k;
    const rest = [...(joined[best] ?? [])];
    byUnknown.push(rest);
    for (const a of rest) {
      joined[a]?.delete(best);
      for (const b of rest) if (a !== b) joined[a]?.add(b);
    }
  }
  const columns = byUnknown.map((column) =>
    column.map((unknown) => place[unknown] ?? 0).toSorted((a, b) => a - b),
  );
  return { place, columns };
}

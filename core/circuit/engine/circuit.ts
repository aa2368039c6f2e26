// Longer than 300 lines: assembly, Newton and steps of time share the arrays of one hot loop.
import type { Branch, Integration } from './branch.ts';
import { branchOf } from './branchOf.ts';
import { FuseBranch } from './fuseBranch.ts';
import { type ControlState, checkNetlist, EARTH, type Netlist, nodesOf } from './netlist.ts';
import { SingularError, SymmetricSolver } from './symmetricSolver.ts';

/** Newton did not settle, or a node is tied to nothing; names the node. */
export class NoSolutionError extends Error {
  constructor(
    readonly node: string,
    why: string,
  ) {
    super(`No solution at "${node}": ${why}`);
    this.name = 'NoSolutionError';
  }
}

/**
 * Two Newton steps may differ by this and count as the same, V. A board that hangs on its megohm beside a large
 * capacitor is known no better than this, by the rounding of sixteen digits.
 */
const VOLTS_TOLERANCE = 1e-6;
const RELATIVE_TOLERANCE = 1e-7;
const MOST_STEPS = 150;
/** Steps that run in circles are shortened, the more the longer it lasts. */
const DAMPING = [
  { from: 80, share: 0.1 },
  { from: 40, share: 0.3 },
  { from: 15, share: 0.6 },
] as const;
/** How many times all sources together a node may be looked for away from earth: a tangent may point at kilovolts. */
const SOURCES_REACH = 2.5;
/** A step that is not shorter than this share of the last one may be running in a circle. */
const SHRINKS = 0.9;
/** Conductances to earth, S, taken away step by step when plain Newton does not settle. */
const GMIN_STEPS = [1, 0.1, 1e-2, 1e-3, 1e-4, 1e-6, 1e-8, 0] as const;

/**
 * A netlist ready to be solved: nodal analysis, since every source has a resistance in series and so no
 * branch needs an unknown of its own. Holds the voltages of the last solution and the memory of its parts.
 */
export class Circuit {
  readonly nodes: readonly string[];
  readonly branches: readonly Branch[];
  private readonly index: ReadonlyMap<string, number>;
  private readonly byId: ReadonlyMap<string, Branch>;
  private readonly solver: SymmetricSolver;
  private readonly pairs: Int32Array;
  /** places of the branches whose tangent never moves, and of the others */
  private readonly straight: readonly number[];
  private readonly curved: readonly number[];
  private readonly fuses: readonly FuseBranch[];
  /** whether the straight ones have to be laid out again, and with which helping conductance they were */
  private stale = true;
  private laidWith = 0;
  /** no node of a passive network is farther from earth than its sources reach, capacitors filled by them included, V */
  private farthest = 0;
  private readonly straightRhs: Float64Array<ArrayBuffer>;
  private volts: Float64Array<ArrayBuffer>;
  private trial: Float64Array<ArrayBuffer>;
  private readonly before: Float64Array<ArrayBuffer>;
  private readonly rhs: Float64Array<ArrayBuffer>;

  /** @throws NetlistError when the netlist is wrong in itself, or a fuse names a wire that is not there */
  constructor(readonly netlist: Netlist) {
    checkNetlist(netlist);
    this.nodes = nodesOf(netlist);
    this.index = new Map(this.nodes.map((node, at) => [node, at]));
    const place = (node: string) => (node === EARTH ? -1 : (this.index.get(node) ?? -1));
    this.branches = netlist.elements.map((element) => branchOf(element, place(element.a), place(element.b)));
    this.byId = new Map(this.branches.map((branch) => [branch.id, branch]));
    const inner: [number, number][] = [];
    this.pairs = Int32Array.from(this.branches, ({ a, b }) => (a < 0 || b < 0 ? -1 : inner.push([a, b]) - 1));
    this.solver = new SymmetricSolver(this.nodes.length, inner);
    this.volts = new Float64Array(this.nodes.length);
    this.trial = new Float64Array(this.nodes.length);
    this.before = new Float64Array(this.nodes.length);
    this.rhs = new Float64Array(this.nodes.length);
    this.straightRhs = new Float64Array(this.nodes.length);
    const places = this.branches.map((_, at) => at);
    this.straight = places.filter((at) => this.branches[at]?.straight);
    this.curved = places.filter((at) => !this.branches[at]?.straight);
    this.fuses = this.branches.filter((branch) => branch instanceof FuseBranch);
    netlist.elements.forEach((element, at) => {
      const branch = this.branches[at];
      if (element.kind === 'fuse' && element.pulsed && branch instanceof FuseBranch)
        branch.feed(element.pulsed.map((each) => ({ ...each, branch: this.branch(each.elementId) })));
    });
  }

  /** Gives a wire another share of the time its current flows, for the fuses it passes. */
  setPulse(elementId: string, duty: number): void {
    for (const fuse of this.fuses) fuse.setPulse(elementId, duty);
  }

  private weighFuses(): void {
    for (const fuse of this.fuses) fuse.weigh((branch) => branch.current(this.across(branch)));
  }

  setControls(controls: ControlState): void {
    for (const branch of this.branches) branch.setControls(controls);
    this.stale = true;
  }

  /** Gives an element another value of its own kind: ohms of a resistor, EMF of a battery. */
  setValue(elementId: string, value: number): void {
    this.branch(elementId).setValue(value);
    this.stale = true;
  }

  /** Volts of a node over earth, in the last solution. */
  nodeVolts(node: string): number {
    if (node === EARTH) return 0;
    const at = this.index.get(node);
    if (at === undefined) throw new RangeError(`There is no node "${node}"`);
    return this.volts[at] as number;
  }

  /** Current of an element from its `a` to its `b`, A, in the last solution. */
  amps(elementId: string): number {
    const branch = this.branch(elementId);
    return branch.current(this.across(branch));
  }

  /** What heats a fuse in the last solution, its pulses counted, over what it holds for ever: a share of squares. */
  overload(elementId: string): number {
    const branch = this.branch(elementId);
    return branch.overload(this.across(branch));
  }

  /** Whether the netlist has such an element. */
  has(elementId: string): boolean {
    return this.byId.has(elementId);
  }

  /** Power an element takes, W, in the last solution. */
  watts(elementId: string): number {
    const branch = this.branch(elementId);
    const volts = this.across(branch);
    return volts * branch.current(volts);
  }

  branch(elementId: string): Branch {
    const branch = this.byId.get(elementId);
    if (!branch) throw new RangeError(`There is no element "${elementId}"`);
    return branch;
  }

  /**
   * The steady state: capacitors open, filaments settled, overloaded fuses blown, the worst first. The memory of
   * every part is set to it.
   *
   * @throws NoSolutionError naming the node that would not settle
   */
  solveSteady(): void {
    for (;;) {
      this.converge();
      this.weighFuses();
      const worst = this.mostOverloaded();
      if (!worst) break;
      worst.blow();
    }
    for (const branch of this.branches) branch.rest(this.across(branch));
  }

  /**
   * From a steady state: what it was so long after some filaments had come on. Each is warmed by itself
   * behind what its share of the source's volts was lost in, and held at that heat while the network is solved; that
   * is within a thousandth of the whole circuit run in time (tested over the demo fleet).
   *
   * @param filaments ids of those that have just come on
   * @param darkSeconds how long they were off since they were last lit and settled; infinite from cold
   * @throws NoSolutionError naming the node that would not settle
   */
  solveWarming(filaments: readonly string[], seconds: number, darkSeconds = Number.POSITIVE_INFINITY): void {
    const source = this.branches.reduce((most, branch) => Math.max(most, branch.emf), 0);
    const warming = filaments.map((id) => this.branch(id));
    for (const branch of warming) branch.warm(this.across(branch), source, seconds, darkSeconds);
    const stuck = this.newton({ kind: 'steady' }, 0) ?? null;
    for (const branch of warming) branch.release();
    if (stuck !== null)
      throw new NoSolutionError(this.nodes[stuck] ?? EARTH, 'the voltages would not settle');
  }

  /** Elements whose fuse has melted. */
  get blown(): string[] {
    return this.branches.filter((branch) => branch.blown).map((branch) => branch.id);
  }

  private mostOverloaded(): Branch | null {
    let worst: Branch | null = null;
    let most = 1;
    for (const branch of this.branches) {
      const overload = branch.overload(this.across(branch));
      if (overload > most) {
        most = overload;
        worst = branch;
      }
    }
    return worst;
  }

  private converge(): void {
    const how: Integration = { kind: 'steady' };
    if (this.newton(how, 0) === null) return;
    this.volts.fill(0);
    const stuck = this.gminStepping(how);
    if (stuck !== null)
      throw new NoSolutionError(this.nodes[stuck] ?? EARTH, 'the voltages would not settle');
  }

  /** With loads to earth that are then taken away, the answer is walked to from where it is easy. */
  private gminStepping(how: Integration): number | null {
    let stuck: number | null = null;
    for (const gmin of GMIN_STEPS) stuck = this.newton(how, gmin);
    return stuck;
  }

  /**
   * One step of time from the accepted past. The caller looks at `truncationError` and then accepts or steps shorter.
   *
   * @returns whether Newton settled
   */
  tryStep(how: Integration): boolean {
    return this.newton(how, 0) === null || this.gminStepping(how) === null;
  }

  /** Error of the last step in units of what is tolerated: above 1 it was too long. */
  truncationError(how: Integration): number {
    let worst = 0;
    for (const at of this.curved) worst = Math.max(worst, (this.branches[at] as Branch).truncationError(how));
    return worst;
  }

  /**
   * Makes the last step the past of the next.
   *
   * @returns whether a contact flipped by itself, so that the next step begins anew
   */
  accept(how: Integration): boolean {
    let flipped = false;
    this.weighFuses();
    for (const at of this.curved) {
      const branch = this.branches[at] as Branch;
      branch.accept(this.across(branch), how);
      flipped ||= branch.flipped;
    }
    return flipped;
  }

  /** Sum of the currents leaving a node by its elements, A: nought when Kirchhoff is kept. */
  imbalance(node: string): number {
    const at = this.index.get(node) ?? -2;
    let sum = 0;
    for (const branch of this.branches) {
      if (branch.a === at) sum += branch.current(this.across(branch));
      if (branch.b === at) sum -= branch.current(this.across(branch));
    }
    return sum;
  }

  private across({ a, b }: Branch): number {
    return (a < 0 ? 0 : (this.volts[a] as number)) - (b < 0 ? 0 : (this.volts[b] as number));
  }

  /** Newton's method from the present voltages. Gives null when it settled, else the node that moved most. */
  private newton(how: Integration, gmin: number): number | null {
    let restless = 0;
    let circling = false;
    let lastWorst = Number.POSITIVE_INFINITY;
    // A tangent that flung the voltages away is no place to begin the next attempt from.
    this.before.set(this.volts);
    const lost = (node: number) => {
      this.volts.set(this.before);
      return node;
    };
    for (let step = 0; step < MOST_STEPS; step += 1) {
      this.assemble(how, gmin);
      try {
        this.solver.solve(this.rhs, this.trial);
      } catch (error) {
        // A pivot lost between tangents that are far out: shorter steps, or gmin, find the way.
        if (error instanceof SingularError) return lost(error.unknown);
        throw error;
      }
      let worst = 0;
      const share = circling ? (DAMPING.find(({ from }) => step >= from)?.share ?? 1) : 1;
      for (let node = 0; node < this.trial.length; node += 1) {
        const last = this.volts[node] as number;
        const full = Math.max(-this.farthest, Math.min(this.farthest, this.trial[node] as number));
        const moved = Math.abs(full - last);
        const next = last + share * (full - last);
        this.trial[node] = next;
        const measure = moved / (VOLTS_TOLERANCE + RELATIVE_TOLERANCE * Math.abs(next));
        if (!(measure <= worst)) {
          worst = measure;
          restless = node;
        }
      }
      [this.volts, this.trial] = [this.trial, this.volts];
      circling = worst > lastWorst * SHRINKS;
      lastWorst = worst;
      if (Number.isNaN(worst)) return lost(restless);
      if (worst <= 1 && this.allConverged()) return null;
    }
    return lost(restless);
  }

  private allConverged(): boolean {
    for (const at of this.curved) {
      const branch = this.branches[at] as Branch;
      if (!branch.converged(this.across(branch))) return false;
    }
    return true;
  }

  private assemble(how: Integration, gmin: number): void {
    if (this.stale || gmin !== this.laidWith) this.layStraight(how, gmin);
    this.solver.recall();
    this.rhs.set(this.straightRhs);
    for (const at of this.curved) this.lay(at, how);
  }

  private layStraight(how: Integration, gmin: number): void {
    this.solver.clear();
    this.rhs.fill(0);
    this.farthest = 1 + SOURCES_REACH * this.branches.reduce((sum, branch) => sum + branch.emf, 0);
    if (gmin > 0) for (let node = 0; node < this.nodes.length; node += 1) this.solver.addDiagonal(node, gmin);
    for (const at of this.straight) this.lay(at, how);
    this.solver.keep();
    this.straightRhs.set(this.rhs);
    this.stale = false;
    this.laidWith = gmin;
  }

  private lay(at: number, how: Integration): void {
    const branch = this.branches[at] as Branch;
    branch.linearise(this.across(branch), how);
    const { a, b, siemens, amps } = branch;
    const pair = this.pairs[at] as number;
    if (pair >= 0) this.solver.addPair(pair, a, b, siemens);
    else if (a >= 0) this.solver.addDiagonal(a, siemens);
    else this.solver.addDiagonal(b, siemens);
    if (a >= 0) this.rhs[a] = (this.rhs[a] as number) - amps;
    if (b >= 0) this.rhs[b] = (this.rhs[b] as number) + amps;
  }
}

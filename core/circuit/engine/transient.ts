import type { Integration } from './branch.ts';
import { Circuit, NoSolutionError } from './circuit.ts';
import type { ControlState, Netlist } from './netlist.ts';

export interface TransientOptions {
  /** longest step, s */
  longestStep?: number;
  /** called after every accepted step, and once at the start */
  record?(seconds: number, circuit: Circuit): void;
}

const LONGEST_STEP = 5e-3;
const FIRST_STEP = 1e-5;
const SHORTEST_STEP = 1e-9;
/** A step half as wrong as allowed may grow; this keeps the next one from failing. */
const GROWTH = 1.8;
const SAFETY = 0.85;

/**
 * A circuit run in time. Steps are as long as the filaments' and capacitors' errors allow; a change of
 * controls is an exact moment, from which stepping begins anew with short backward-Euler steps (they damp
 * the jump) before trapezoids take over.
 */
export class Transient {
  readonly circuit: Circuit;
  private now = 0;
  private step = FIRST_STEP;
  private fresh = true;
  private readonly longest: number;
  private readonly record: NonNullable<TransientOptions['record']>;
  /** steps accepted so far */
  steps = 0;

  /**
   * @param controls at the start; filaments are cold and capacitors empty
   */
  constructor(netlist: Netlist, controls: ControlState, options: TransientOptions = {}) {
    this.circuit = new Circuit(netlist);
    this.circuit.setControls(controls);
    this.longest = options.longestStep ?? LONGEST_STEP;
    this.record = options.record ?? (() => {});
  }

  get seconds(): number {
    return this.now;
  }

  /** Changes controls at the present moment. */
  setControls(controls: ControlState): void {
    this.circuit.setControls(controls);
    this.step = FIRST_STEP;
    this.fresh = true;
  }

  /**
   * Runs to a moment exactly.
   *
   * @throws NoSolutionError when even the shortest step would not settle
   */
  advanceTo(seconds: number): void {
    while (seconds - this.now > SHORTEST_STEP / 2) {
      const left = seconds - this.now;
      // Two equal steps rather than a long one and a sliver.
      const length = this.step >= left ? left : Math.min(this.step, left / 2);
      const how: Integration = { kind: this.fresh ? 'backward-euler' : 'trapezoidal', seconds: length };
      const settled = this.circuit.tryStep(how);
      const error = settled ? this.circuit.truncationError(how) : Number.POSITIVE_INFINITY;
      if (error > 1 && length > SHORTEST_STEP) {
        this.step = length * (settled ? Math.max(0.2, SAFETY / Math.sqrt(error)) : 0.25);
        continue;
      }
      if (!settled) throw new NoSolutionError('the whole circuit', `no step of ${length} s would settle`);
      const flipped = this.circuit.accept(how);
      this.now += length;
      this.fresh = flipped;
      this.steps += 1;
      this.record(this.now, this.circuit);
      if (flipped) {
        this.step = FIRST_STEP;
        continue;
      }
      const grown = length * Math.min(GROWTH, SAFETY / Math.sqrt(Math.max(error, 1e-6)));
      if (length >= this.step * 0.99 || grown < this.step) this.step = Math.min(this.longest, grown);
    }
    this.now = seconds;
  }
}

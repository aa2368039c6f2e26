import type { BodyController, ControllerOutput } from '../model/vehicle/flasher.ts';
import { CONTACTS, ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Bench, Device } from './device.ts';
import { RESTS } from './device.ts';
import { thresholdAt } from './threshold.ts';

/** How long an output that was cut off waits before it tries again, s (typical). */
export const RETRY_SECONDS = 0.5;
/** First cold check after the key is turned, s (typical). */
const FIRST_CHECK_SECONDS = 0.15;

/** Tells the dash and the fault memory of a missing lamp. */
function tellMissing(
  bench: Bench,
  { watch, circuitId }: ControllerOutput,
  amps: number,
  found: 'lit' | 'cold-check',
): void {
  if (!watch) return;
  bench.tell({ kind: 'message', by: 'output', circuitId, message: watch.message });
  bench.tell({ kind: 'code', circuitId, code: watch.code, amps, found });
}

function thresholdOf({ watch }: ControllerOutput, emfVolts: number): number {
  if (!watch) return 0;
  return thresholdAt(watch.setting === 'led' ? watch.simulatedLed : watch.simulatedFilament, emfVolts);
}

/** The flashing part of a body controller: each turn output is switched, watched and protected by itself. */
export class ControllerTurnDevice implements Device {
  dueAt = 0;
  private phase: 'dark' | 'inrush' | 'looking' | 'lit' = 'dark';
  private startSeconds = 0;
  private onSeconds = 0;
  private periodSeconds = 0;
  private readonly off = new Set<string>();
  private readonly trips = new Map<string, number>();
  private readonly blanking: number;
  /** when the inrush is looked at, where any output does; 0 where none does */
  private readonly guard: number;

  constructor(
    private readonly controller: BodyController,
    private readonly outputs: readonly ControllerOutput[],
    private readonly emfVolts: number,
  ) {
    this.blanking = Math.max(...outputs.map((output) => output.blankingSeconds));
    this.guard = Math.max(0, ...outputs.map((output) => output.inrush?.seconds ?? 0));
  }

  /** An output that was cut off and is to be tried again is not the end of the story. */
  get settled(): boolean {
    return [...this.trips.keys()].every((id) => this.off.has(id));
  }

  act(bench: Bench): void {
    const live = this.outputs.filter((output) => !this.off.has(output.circuitId));
    const ids = live.map((output) => output.circuitId);
    switch (this.phase) {
      case 'dark':
        bench.light(ids, true);
        this.startSeconds = bench.seconds;
        this.dueAt = this.startSeconds + (this.guard > 0 ? this.guard : this.blanking);
        this.phase = this.guard > 0 ? 'inrush' : 'looking';
        break;
      case 'inrush':
        for (const output of live) {
          const amps = bench.amps(ELEMENTS.wire(output.circuitId));
          if (output.inrush && amps > output.inrush.amps)
            this.cutOff(bench, output, amps, output.inrush.amps);
        }
        this.dueAt = this.startSeconds + this.blanking;
        this.phase = 'looking';
        break;
      case 'looking':
        this.look(bench, live);
        break;
      case 'lit':
        bench.light(ids, false);
        this.dueAt = this.startSeconds + this.periodSeconds;
        this.phase = 'dark';
        break;
    }
  }

  private look(bench: Bench, live: readonly ControllerOutput[]): void {
    const { normalRate, onFraction, fastMultiplier } = this.controller;
    let fast = false;
    let weakest = { amps: 0, threshold: 0, margin: Number.POSITIVE_INFINITY };
    for (const output of live) {
      const amps = bench.amps(ELEMENTS.wire(output.circuitId));
      const threshold = thresholdOf(output, this.emfVolts);
      if (amps - threshold < weakest.margin) weakest = { amps, threshold, margin: amps - threshold };
      if (amps > output.limitAmps) this.cutOff(bench, output, amps, output.limitAmps);
      else if (output.watch && amps < threshold) {
        tellMissing(bench, output, amps, 'lit');
        if (output.watch.reaction === 'double-rate') fast = true;
        if (output.watch.reaction === 'output-off') this.switchOff(bench, output.circuitId);
      }
    }
    if (live.length === 0) {
      this.dueAt = RESTS;
      return;
    }
    const period = 60 / (fast ? normalRate * fastMultiplier : normalRate);
    this.onSeconds = Math.max(this.blanking, period * onFraction);
    this.periodSeconds = Math.max(period, this.onSeconds);
    bench.flashed({
      startSeconds: this.startSeconds,
      onSeconds: this.onSeconds,
      periodSeconds: this.periodSeconds,
      sampledAmps: weakest.amps,
      thresholdAmps: weakest.threshold,
      missesLamp: weakest.margin < 0,
    });
    this.dueAt = this.startSeconds + this.onSeconds;
    this.phase = 'lit';
  }

  /** This flash goes dark at once; past its retries the output stays off. */
  private cutOff(bench: Bench, output: ControllerOutput, amps: number, limitAmps: number): void {
    const trips = (this.trips.get(output.circuitId) ?? 0) + 1;
    this.trips.set(output.circuitId, trips);
    bench.light([output.circuitId], false);
    if (trips > output.retries) {
      this.off.add(output.circuitId);
      bench.tell({ kind: 'output-off', circuitId: output.circuitId, amps, limitAmps });
    }
  }

  private switchOff(bench: Bench, circuitId: string): void {
    this.off.add(circuitId);
    bench.light([circuitId], false);
  }
}

/** An output that is on steadily: looks once it has settled, guards against too much current, and tries again. */
export class SteadyOutputDevice implements Device {
  dueAt: number;
  private trips = 0;
  private phase: 'inrush' | 'looking' | 'cut-off';
  private startSeconds = 0;

  constructor(
    private readonly output: ControllerOutput,
    private readonly emfVolts: number,
  ) {
    this.phase = output.inrush ? 'inrush' : 'looking';
    this.dueAt = output.inrush?.seconds ?? output.blankingSeconds;
  }

  act(bench: Bench): void {
    const contact = CONTACTS.circuit(this.output.circuitId);
    if (this.phase === 'cut-off') {
      bench.set({ [contact]: true });
      this.startSeconds = bench.seconds;
      this.phase = this.output.inrush ? 'inrush' : 'looking';
      this.dueAt = bench.seconds + (this.output.inrush?.seconds ?? this.output.blankingSeconds);
      return;
    }
    const amps = bench.amps(ELEMENTS.wire(this.output.circuitId));
    const { inrush } = this.output;
    const limitAmps = this.phase === 'inrush' && inrush ? inrush.amps : this.output.limitAmps;
    if (this.phase === 'inrush' && amps <= limitAmps) {
      this.phase = 'looking';
      this.dueAt = this.startSeconds + this.output.blankingSeconds;
      return;
    }
    this.dueAt = RESTS;
    if (amps > limitAmps) {
      bench.set({ [contact]: false });
      this.trips += 1;
      if (this.trips > this.output.retries)
        bench.tell({ kind: 'output-off', circuitId: this.output.circuitId, amps, limitAmps });
      else {
        this.phase = 'cut-off';
        this.dueAt = bench.seconds + RETRY_SECONDS;
      }
      return;
    }
    if (this.output.watch && amps < thresholdOf(this.output, this.emfVolts)) {
      tellMissing(bench, this.output, amps, 'lit');
      if (this.output.watch.reaction === 'output-off') bench.set({ [contact]: false });
    }
  }
}

/** Short pulses into a lamp that is off: a cold filament takes many times its current, an LED next to none. */
export class ColdCheckDevice implements Device {
  dueAt = FIRST_CHECK_SECONDS;
  private pulsing = false;
  private startSeconds = 0;

  constructor(
    private readonly output: ControllerOutput & { coldCheck: NonNullable<ControllerOutput['coldCheck']> },
    private readonly emfVolts: number,
  ) {}

  act(bench: Bench): void {
    const { circuitId, coldCheck } = this.output;
    if (!this.pulsing) {
      bench.set({ [CONTACTS.circuit(circuitId)]: true });
      this.startSeconds = bench.seconds;
      this.dueAt = bench.seconds + coldCheck.pulseSeconds;
      this.pulsing = true;
      return;
    }
    const amps = bench.amps(ELEMENTS.wire(circuitId));
    bench.set({ [CONTACTS.circuit(circuitId)]: false });
    this.pulsing = false;
    this.dueAt = this.startSeconds + coldCheck.everySeconds;
    if (this.output.watch && amps < thresholdOf(this.output, this.emfVolts))
      tellMissing(bench, this.output, amps, 'cold-check');
  }
}

const FADE_STEPS = 24;

/** Brings an output up over its fade time by pulses that grow longer. */
export class FadeDevice implements Device {
  dueAt = 0;
  private step = 0;

  constructor(
    private readonly circuitId: string,
    private readonly fadeSeconds: number,
  ) {}

  act(bench: Bench): void {
    this.step += 1;
    bench.setDuty(this.circuitId, Math.min(1, this.step / FADE_STEPS));
    this.dueAt = this.step >= FADE_STEPS ? RESTS : bench.seconds + this.fadeSeconds / FADE_STEPS;
  }
}

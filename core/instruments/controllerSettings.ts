import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';

export type LampSetting = 'led' | 'filament';

/**
 * What the controller of a stand-in takes its lamps for. What is written counts from the next time the key is turned off, as
 * on most vehicles (common practice).
 */
export class ControllerSettings {
  private readonly now = new Map<string, LampSetting>();
  private readonly written = new Map<string, LampSetting>();
  private readonly able: ReadonlySet<string>;

  constructor(job: Job, configuration: Configuration) {
    const { flasher } = job.vehicle;
    const outputs = flasher.kind === 'controller' ? flasher.outputs : [];
    for (const { circuitId, watch } of outputs) {
      if (!watch) continue;
      const told = job.vehicleCures.some(
        (cure) => cure.kind === 'controller-setting' && cure.circuitId === circuitId,
      );
      this.now.set(circuitId, configuration === 'cured' && told ? 'led' : watch.setting);
    }
    // Where nobody knows whether it has the setting the stand-in has it: it is an invention.
    this.able = new Set(
      outputs.flatMap(({ circuitId, watch }) => (watch && watch.canSetLed !== false ? [circuitId] : [])),
    );
  }

  /** Circuits it has a setting of, in the order it counts them. */
  get circuits(): string[] {
    return [...this.now.keys()];
  }

  /** As it reads back: what was written last, in force or not. */
  read(circuitId: string): LampSetting | undefined {
    return this.written.get(circuitId) ?? this.now.get(circuitId);
  }

  /** @returns whether it has such a setting at all */
  write(circuitId: string, setting: LampSetting): boolean {
    if (!this.able.has(circuitId)) return false;
    this.written.set(circuitId, setting);
    return true;
  }

  /** The key is turned off: what was written counts from here on. */
  keyOff(): void {
    for (const [circuitId, setting] of this.written) this.now.set(circuitId, setting);
    this.written.clear();
  }

  /** A job as its controller takes it now. */
  applied(job: Job): Job {
    const { flasher } = job.vehicle;
    if (flasher.kind !== 'controller') return job;
    return {
      ...job,
      vehicleCures: job.vehicleCures.filter(({ kind }) => kind !== 'controller-setting'),
      vehicle: {
        ...job.vehicle,
        flasher: {
          ...flasher,
          outputs: flasher.outputs.map((output) => {
            const setting = this.now.get(output.circuitId);
            return output.watch && setting ? { ...output, watch: { ...output.watch, setting } } : output;
          }),
        },
      },
    };
  }
}

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { possibleFaults } from '../../core/faults/library.ts';
import { JobFile } from '../../core/formats/jobFile.ts';
import { DiagnosticAdapter } from '../../core/instruments/adapter.ts';
import { BenchVehicle } from '../../core/instruments/benchVehicle.ts';
import { multimeter, type Noise } from '../../core/instruments/multimeter.ts';
import type { ScpiSession } from '../../core/instruments/scpiSession.ts';
import { Configuration } from '../../core/model/cures.ts';
import { nearBell } from '../../core/numerics/random.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';

/** So many vehicles stand before the instruments; another takes the place of the one nobody asked longest. */
const MOST_SESSIONS = 12;

const flags = Object.fromEntries(
  Object.keys(CONTROLS_OFF)
    .filter((name) => name !== 'key' && name !== 'turn')
    .map((name) => [name, z.boolean()]),
) as Record<Exclude<keyof typeof CONTROLS_OFF, 'key' | 'turn'>, z.ZodBoolean>;

/** How the vehicle stands: what is fitted, the driver's panel, the supply. */
export const PanelWish = z.strictObject({
  configuration: Configuration,
  controls: z.strictObject({
    key: z.enum(['off', 'on', 'running']),
    turn: z.enum(['left', 'right']).nullable(),
    ...flags,
  }),
  emfVolts: z.number().min(3).max(40),
});

/** A vehicle to put before the instruments, and how much they scatter. */
export const SessionWish = PanelWish.extend({
  file: JobFile,
  /** standard deviation of a reading, share of it */
  noise: z.number().min(0).max(0.2),
  /** what is wrong with it, by name; a name that is none is left out */
  faults: z.array(z.string().max(200)).max(2).default([]),
});

export interface Session {
  vehicle: BenchVehicle;
  meter: ScpiSession;
  adapter: DiagnosticAdapter;
  noise: number;
  asked: number;
}

/** The vehicles that stand before the instruments: in memory alone, gone when the server stops. */
export class Sessions {
  private readonly all = new Map<string, Session>();

  /** @returns the id under which it is asked for */
  open({ file, noise, faults, ...panel }: z.infer<typeof SessionWish>): string {
    const { job, parts } = file;
    const wrong =
      faults.length === 0
        ? []
        : possibleFaults(job, fitmentOf(job, parts, panel.configuration)).filter(({ id }) =>
            faults.includes(id),
          );
    const vehicle = new BenchVehicle(
      job,
      parts,
      panel,
      wrong.map(({ fault }) => fault),
    );
    const id = randomUUID();
    this.all.set(id, {
      vehicle,
      meter: multimeter(vehicle, noiseOf(noise)),
      adapter: new DiagnosticAdapter(vehicle, () => vehicle.panel.emfVolts),
      noise,
      asked: Date.now(),
    });
    if (this.all.size > MOST_SESSIONS) {
      const [oldest] = [...this.all].toSorted(([, a], [, b]) => a.asked - b.asked);
      if (oldest) this.all.delete(oldest[0]);
    }
    return id;
  }

  get(id: string): Session | undefined {
    const found = this.all.get(id);
    if (found) found.asked = Date.now();
    return found;
  }

  close(id: string): void {
    this.all.delete(id);
  }
}

/** Scatter of a reading: a share of it, and of its last digit the same share of ten. */
function noiseOf(share: number): Noise {
  return (value, digit) =>
    share === 0 ? value : value + (share * Math.abs(value) + 10 * share * digit) * nearBell(Math.random);
}

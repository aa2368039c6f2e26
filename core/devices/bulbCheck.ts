import type { SimulatedThreshold } from '../model/vehicle/flasher.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Bench, Device } from './device.ts';
import { RESTS } from './device.ts';
import { thresholdAt } from './threshold.ts';

/** The module beside the relay: looks at one circuit once it has settled, and says when a bulb seems missing. */
export class BulbCheckDevice implements Device {
  dueAt: number;

  constructor(
    private readonly watch: { circuitId: string; simulated: SimulatedThreshold; message: string },
    blankingSeconds: number,
    private readonly emfVolts: number,
  ) {
    this.dueAt = blankingSeconds;
  }

  act(bench: Bench): void {
    this.dueAt = RESTS;
    const { circuitId, simulated, message } = this.watch;
    if (bench.amps(ELEMENTS.wire(circuitId)) < thresholdAt(simulated, this.emfVolts))
      bench.tell({ kind: 'message', by: 'bulb-check', circuitId, message });
  }
}

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import type { LedPart } from '../model/part.ts';
import { CONTROLS_OFF } from './controls.ts';
import { fitmentOf } from './fitment.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

const van = demoJob('library-route-3');
const tern = DEMO_SHELF.find(
  (part): part is LedPart => part.kind === 'led' && part.id === van.chosen['rear-left'],
);
if (!tern) throw new Error('the van has no rear LED');
const converter = (change: Partial<LedPart>): LedPart => ({
  ...tern,
  id: 'led-wide',
  ballast: { kind: 'converter', startVolts: 8 },
  watts: 4,
  atVolts: 24,
  supplyRange: [10, 32],
  ...change,
});
function lightOf(part: LedPart, emfVolts: number): number {
  const job: Job = { ...van, chosen: { ...van.chosen, 'rear-left': part.id } };
  const simulation = new VehicleSimulation(job.vehicle, fitmentOf(job, [...DEMO_SHELF, part], 'leds'));
  const controls = { ...CONTROLS_OFF, key: 'on' as const, turn: 'left' as const };
  return simulation.at({ controls, emfVolts }, ['turn-left']).light('rear-left');
}

describe('the light of an LED behind a converter', () => {
  it('follows the power that reaches its string: a 10 to 32 V bulb gives its rated light at 14.4 V', () => {
    for (const emfVolts of [11.8, 12.6, 14.4]) {
      expect(lightOf(converter({}), emfVolts)).toBeGreaterThan(0.97);
      expect(lightOf(converter({}), emfVolts)).toBeLessThan(1.03);
    }
  });

  it('does not count the load built in beside it', () => {
    const loaded = converter({ watts: 30, builtInLoadOhms: 24 });
    expect(lightOf(loaded, 14.4)).toBeGreaterThan(0.95);
    expect(lightOf(loaded, 14.4)).toBeLessThan(1.05);
  });

  it('goes out under its start', () => {
    expect(lightOf(converter({ ballast: { kind: 'converter', startVolts: 16 } }), 12.6)).toBeLessThan(0.02);
  });
});

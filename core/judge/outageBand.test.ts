import { describe, expect, it } from 'vitest';
import { firstTurn, relayOf } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import type { Job } from '../model/job.ts';
import { healthyStock } from '../simulation/fitment.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import { outageBand } from './outageBand.ts';

const open = demoJobs()[0] as Job;

/** The demo van with wiring so short that only the bulbs count, and a bulb of one's choice at its main lamps. */
function idealWiring(mainBulb: string): TurnCircuits {
  const none = { lengthM: 0, areaMm2: 1 };
  const { vehicle } = open;
  const job: Job = {
    ...open,
    identified: Object.fromEntries(
      vehicle.lamps.map((lamp) => [lamp.id, lamp.role === 'main' ? mainBulb : 'W5W']),
    ),
    vehicle: {
      ...vehicle,
      internalOhms: 0,
      fuses: vehicle.fuses.map((fuse) => ({ ...fuse, ohms: 0, wire: none })),
      flasher: { ...relayOf(vehicle), contactOhms: 1e-6 },
      circuits: vehicle.circuits.map((circuit) => ({ ...circuit, wire: none, switchOhms: 1e-6 })),
      lamps: vehicle.lamps.map((lamp) => ({ ...lamp, lead: none, earth: none })),
    },
  };
  return TurnCircuits.of(job.vehicle, healthyStock(job));
}

const circuitOf = (network: TurnCircuits) => firstTurn(network.vehicle);

describe('outageBand', () => {
  it('runs from 2.07 to 3.79 A at 11.8 V for two P21W and a W5W, wiring apart (hand calculation)', () => {
    const network = idealWiring('P21W');
    const band = outageBand(network, circuitOf(network), 11.8);
    expect(band.lowAmps).toBeCloseTo(2.07, 2);
    expect(band.highAmps).toBeCloseTo(3.79, 2);
  });

  it('lies higher for two 1156, by what they draw more (hand calculation, 1 part in 60)', () => {
    const network = idealWiring('1156');
    const band = outageBand(network, circuitOf(network), 11.8);
    expect(Math.abs(band.lowAmps / 2.39 - 1)).toBeLessThan(1 / 60);
    expect(Math.abs(band.highAmps / 4.4 - 1)).toBeLessThan(1 / 60);
  });

  it('is narrowed by wiring, never widened', () => {
    const ideal = idealWiring('P21W');
    const real = TurnCircuits.of(open.vehicle, healthyStock(open));
    const [a, b] = [ideal, real].map((network) => outageBand(network, circuitOf(network), 12.6));
    expect(b?.highAmps).toBeLessThan(a?.highAmps ?? 0);
    expect(b?.lowAmps).toBeLessThan(a?.lowAmps ?? 0);
  });

  it('takes the smallest main lamp as the missing one', () => {
    const job: Job = { ...open, identified: { ...open.identified, 'front-left': '1141' } };
    const network = TurnCircuits.of(job.vehicle, healthyStock(job));
    expect(outageBand(network, circuitOf(network), 12.6).missingLampId).toBe('front-left');
  });

  it('asks for a main lamp where there is none', () => {
    const lamps = open.vehicle.lamps.map((lamp) => ({ ...lamp, role: 'repeater' as const }));
    const network = TurnCircuits.of({ ...open.vehicle, lamps }, healthyStock(open));
    expect(() => outageBand(network, circuitOf(network), 12.6)).toThrow(/no main lamp/);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { meanSquare } from '../../circuit/meanSquare.ts';
import type { LoadResistorCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import { turnCircuits, turnFuse } from '../../model/vehicle/lookUp.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { fitmentOf } from '../../simulation/fitment.ts';
import { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { reasonOf } from '../../words/verdicts.ts';
import { Judge } from '../judge.ts';
import { fuseLoad } from './fuse.ts';

/** The moped with so many ohms a side, its turn lamps alone converted. */
function moped(ohms: number): Job {
  const job = structuredClone(demoJob('courier-moped-7'));
  job.vehicleCures = [];
  job.chosen['stop-tail'] = null;
  for (const circuit of turnCircuits(job.vehicle)) {
    const [feed] = circuit.feeds;
    const cure: LoadResistorCure = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: feed?.lampId ?? '',
          connection: 'parallel',
          pieces: [{ partId: null, ohms, watts: 100, tolerance: 0.05 }],
        },
      ],
    };
    job.cures[circuit.id] = cure;
  }
  return job;
}

describe('mean square of pulsed currents', () => {
  it('by hand: 4 A steady and 3 A a fifth of the time: 16 + 2·0.2·4·3 + 0.2·9 = 22.6 A²', () => {
    const both = [
      { amps: 3, duty: 0.2 },
      { amps: 4, duty: 1 },
    ];
    expect(meanSquare(both)).toBeCloseTo(22.6, 12);
    expect(meanSquare(both.toReversed())).toBeCloseTo(22.6, 12);
    expect(meanSquare([{ amps: 6.6, duty: 0.25 }])).toBeCloseTo(3.3 ** 2, 12);
    expect(meanSquare([])).toBe(0);
  });
});

describe('a fuse that turn and other circuits share', () => {
  it('carries both: the moped with 3.3 Ω a side is over what its 7.5 A fuse may carry for hours', () => {
    const job = moped(3.3);
    const turns = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'cured'));
    const fuse = turnFuse(job.vehicle);
    const load = fuseLoad(turns, fuse.id, 14.4, 0.95);
    // f(I_t + I_r)² + (1 − f)I_r², from the currents of the same simulation.
    const all = { ...CONTROLS_OFF, key: 'on' as const, lights: true, brake: true, turn: 'left' as const };
    const on = job.vehicle.circuits.filter(
      (each) => each.from.by !== 'switch' || each.from.fuseId === fuse.id,
    );
    const sum = (lit: boolean) => {
      const probes = turns.simulation.at({ controls: all, emfVolts: 14.4, resistorFactor: 0.95, lit });
      // In a steady state its bimetal does not open: the dark of a flash is without its lamps.
      const flowing = on.filter((each) => lit || each.kind !== 'turn');
      return flowing.reduce((total, each) => total + probes.wireAmps(each.id), 0);
    };
    const f = job.vehicle.flasher.onFraction;
    // With its lights and brake on: about 7.4 A lit and 5.5 A RMS, where 5.25 A is allowed for hours.
    expect(load.litAmps / 7.4).toBeCloseTo(1, 1);
    expect(load.rmsAmps / 5.5).toBeCloseTo(1, 1);
    expect(load.litAmps / sum(true)).toBeCloseTo(1, 1);
    expect(load.rmsAmps / Math.sqrt(f * sum(true) ** 2 + (1 - f) * sum(false) ** 2)).toBeCloseTo(1, 1);
    expect(load.litAmps).toBeGreaterThan(turns.solve({ emfVolts: 14.4, sides: ['left'] }).totalAmps + 1);
    expect(load.rmsAmps).toBeGreaterThan(0.7 * fuse.ratedAmps);
    const verdict = Judge.of(job, DEMO_SHELF, 'cured').verdict();
    expect(verdict.state).toBe('too-much');
    expect(verdict.circuits[0] && reasonOf(job.vehicle, verdict.circuits[0])).toMatch(
      /with everything else on it lit heats/,
    );
  });

  it('is judged the same from a steady circuit on it', () => {
    const job = moped(3.3);
    const judge = Judge.of(job, DEMO_SHELF, 'cured');
    const shared = job.vehicle.circuits.find(
      (each) =>
        each.kind === 'stop' && each.from.by === 'switch' && each.from.fuseId === job.vehicle.flasher.fuseId,
    );
    if (!shared) throw new Error('the moped’s stop lamp hangs on the same fuse');
    expect(judge.circuit(shared).state).toBe('too-much');
  });

  it('is loaded by a trailer on a plain socket too', () => {
    const job = structuredClone(demoJob('library-route-3'));
    const at = () => {
      const turns = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'stock'));
      return fuseLoad(turns, job.vehicle.flasher.fuseId, 14.4).litAmps;
    };
    const before = at();
    job.vehicle.facts = { ...job.vehicle.facts, towing: 'plain-socket' };
    // One P21W a side, 1.85 A each.
    expect(at() - before).toBeCloseTo(3.7, 6);
  });
});

describe('a pulsed output', () => {
  it('heats its fuse by its share of the pulses', () => {
    const job = demoJob('dial-a-ride-2');
    const turns = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'stock'));
    const { litAmps, rmsAmps } = fuseLoad(turns, job.vehicle.flasher.fuseId, 14.4);
    expect(rmsAmps).toBeLessThan(litAmps);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { jobFileOf, readJobFile, writeJobFile } from '../../formats/jobFile.ts';
import { changeStockBulbOf, changeWorkOf, removeLampOf } from './jobEdits.ts';
import { moveLamp } from './moveLamp.ts';

const sound = (job: ReturnType<typeof demoJob>) =>
  readJobFile(writeJobFile(jobFileOf(job, DEMO_SHELF, '2026-01-01T00:00:00.000Z')));

describe('a lamp taken off a job', () => {
  it('takes its bulb, LED, resistor and condition along, and leaves a file that can be read', () => {
    const job = structuredClone(demoJob('library-route-1'));
    expect(job.cures['turn-left']?.networks.length).toBe(2);
    removeLampOf(job, 'rear-left');
    expect(job.identified['rear-left']).toBeUndefined();
    expect(job.chosen['rear-left']).toBeUndefined();
    expect(job.lookOver.lamps['rear-left']).toBeUndefined();
    expect(job.cures['turn-left']?.networks.map((network) => network.lampId)).not.toContain('rear-left');
    expect(sound(job)).toMatchObject({ ok: true });
  });

  it('takes the settings of its circuit along', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    removeLampOf(job, 'third-brake');
    expect(job.vehicleCures.some((cure) => 'circuitId' in cure && cure.circuitId === 'third')).toBe(false);
    expect(sound(job)).toMatchObject({ ok: true });
  });

  it('or only its work', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    changeWorkOf(job, 'third-brake', [{ kind: 'interior', input: 'main' }]);
    expect(job.vehicleCures.some((cure) => 'circuitId' in cure && cure.circuitId === 'third')).toBe(false);
    expect(sound(job)).toMatchObject({ ok: true });
  });
});

describe('a lamp with another bulb', () => {
  it('forgets what was chosen for the old base, and keeps it for the same base', () => {
    const job = structuredClone(demoJob('library-route-3'));
    changeStockBulbOf(job, 'rear-left', '1156');
    expect(job.chosen['rear-left']).toBe('led-tern-3a');
    changeStockBulbOf(job, 'rear-left', 'W16W');
    expect(job.chosen['rear-left']).toBeUndefined();
    expect(job.identified['rear-left']).toBeUndefined();
  });
});

describe('a lamp moved on the plan', () => {
  it('stays on the vehicle, and takes its twin to the mirrored place', () => {
    const job = structuredClone(demoJob('library-route-3'));
    moveLamp(job, { id: 'rear-left' }, { across: -0.3, along: 1.7 }, 'rear-right');
    const at = (id: string) => job.vehicle.lamps.find((lamp) => lamp.id === id)?.plan;
    expect(at('rear-left')).toEqual({ across: 0, along: 1 });
    expect(at('rear-right')).toEqual({ across: 1, along: 1 });
  });
});

describe('a lamp that loses its dim feed', () => {
  it('takes the resistor across it along, and leaves a file that can be read', () => {
    const job = structuredClone(demoJob('library-route-3'));
    const pieces = [{ partId: null, ohms: 25, watts: 25, tolerance: 0.05 }];
    job.cures.stop = {
      kind: 'load-resistor',
      networks: [
        { lampId: 'stop-tail-left', connection: 'parallel', pieces },
        { lampId: 'stop-tail-left', input: 'dim', connection: 'parallel', pieces },
      ],
    };
    expect(sound(job)).toMatchObject({ ok: true });
    changeWorkOf(job, 'stop-tail-left', [{ kind: 'stop', input: 'main' }]);
    expect(job.cures.stop?.networks.map((network) => network.input ?? 'main')).toEqual(['main']);
    expect(sound(job)).toMatchObject({ ok: true });
  });

  it('and a file that loads a dim feed which is not there is refused by name', () => {
    const job = structuredClone(demoJob('library-route-3'));
    job.cures['turn-left'] = {
      kind: 'load-resistor',
      networks: [
        {
          lampId: 'rear-left',
          input: 'dim',
          connection: 'parallel',
          pieces: [{ partId: null, ohms: 25, watts: 25, tolerance: 0.05 }],
        },
      ],
    };
    const read = sound(job);
    expect(read.ok).toBe(false);
    expect(JSON.stringify(read)).toMatch(/loads the dim feed of lamp \\"rear-left\\", which has none/);
  });
});

import { describe, expect, it } from 'vitest';
import type { Job } from '../../../core/model/job.ts';
import { newJob } from '../../../core/model/newJob.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { ledFit } from '../../../core/vehicle/ledFits.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import { openLamps, proposeLeds } from './proposeLeds.ts';

const job = newJob('j', 'fresh', QUILLON_75, '2026-11-25T10:00:00.000Z');

const propose = (of: Job, shelf: Shelf = DEMO_SHELF) => proposeLeds(of, shelf, openLamps(of).lamps);

describe('proposeLeds', () => {
  const proposal = propose(job);

  it('finds one that fits for every turn lamp first, amber and without a load of its own', () => {
    expect(openLamps(job).what).toBe('turn');
    expect(proposal.size).toBe(6);
    for (const [lampId, part] of proposal) {
      expect(ledFit(QUILLON_75, lampById(QUILLON_75, lampId), part).fits).toBe(true);
      expect(part.colour).toBe('amber');
      expect(part.builtInLoadOhms).toBeUndefined();
      expect(part.sweep).toBeUndefined();
    }
  });

  it('goes on with the other lamps, each in its own colour, and leaves alone what an LED may upset', () => {
    const chosen = Object.fromEntries([...proposal].map(([lampId, part]) => [lampId, part.id]));
    const others = { ...job, chosen };
    expect(openLamps(others).what).toBe('other');
    const second = propose(others);
    expect(second.get('stop-tail-left')?.colour).toBe('red');
    expect(second.get('stop-tail-left')?.twin).toBeDefined();
    expect(second.get('third-brake')?.colour).toBe('red');
    expect(['white', 'warm']).toContain(second.get('plate-left')?.colour);
    for (const left of ['charge-lamp', 'dash-lamp', 'front-fog-left']) expect(second.has(left)).toBe(false);
  });

  it('leaves decided lamps alone, those kept on purpose too', () => {
    const decided = { ...job, chosen: { 'rear-left': null, 'rear-right': 'led-plover-5' } };
    expect([...propose(decided).keys()]).not.toContain('rear-left');
    expect(propose(decided).size).toBe(4);
  });

  it('proposes nothing from an empty shelf', () => {
    expect(propose(job, []).size).toBe(0);
  });

  it('prefers what is on the shelf', () => {
    const shelf = DEMO_SHELF.map((part) => (part.id === 'led-tern-3a' ? { ...part, stock: 0 } : part));
    expect(propose(job).get('rear-left')?.id).toBe('led-tern-3a');
    expect(propose(job, shelf).get('rear-left')?.id).not.toBe('led-gull-3w');
  });
});

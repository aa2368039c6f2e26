import { describe, expect, it } from 'vitest';
import { newJob } from '../../../core/model/newJob.ts';
import { ledFit } from '../../../core/vehicle/ledFits.ts';
import { QUILLON_75 } from '../../../demo/quillon75.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { proposeLeds } from './proposeLeds.ts';

const job = newJob('j', 'fresh', QUILLON_75, '2026-11-25T10:00:00.000Z');

describe('proposeLeds', () => {
  const proposal = proposeLeds(job, DEMO_SHELF);

  it('finds one that fits for every lamp, amber and without a load of its own', () => {
    expect(proposal.size).toBe(QUILLON_75.lamps.length);
    for (const lamp of QUILLON_75.lamps) {
      const part = proposal.get(lamp.id);
      if (!part) throw new Error(lamp.id);
      expect(ledFit(QUILLON_75, lamp, part).fits).toBe(true);
      expect(part.colour).toBe('amber');
      expect(part.builtInLoadOhms).toBeUndefined();
    }
  });

  it('leaves decided lamps alone, those kept on purpose too', () => {
    const decided = { ...job, chosen: { 'rear-left': null, 'rear-right': 'led-plover-5' } };
    expect([...proposeLeds(decided, DEMO_SHELF).keys()]).not.toContain('rear-left');
    expect(proposeLeds(decided, DEMO_SHELF).size).toBe(4);
  });

  it('proposes nothing from an empty shelf', () => {
    expect(proposeLeds(job, []).size).toBe(0);
  });

  it('prefers what is on the shelf', () => {
    const shelf = DEMO_SHELF.map((part) => (part.id === 'led-tern-3a' ? { ...part, stock: 0 } : part));
    expect(proposeLeds(job, DEMO_SHELF).get('rear-left')?.id).toBe('led-tern-3a');
    expect(proposeLeds(job, shelf).get('rear-left')?.id).not.toBe('led-gull-3w');
  });
});

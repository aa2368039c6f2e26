import { describe, expect, it } from 'vitest';
import { fitmentOf } from '../../../core/simulation/fitment.ts';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { faultsFor } from './faultsFor.ts';
import { switchesOf } from './switches.ts';

describe('the panel', () => {
  const labels = (id: string) => switchesOf(demoJob(id).vehicle).map((each) => each.label);

  it('has the switches its vehicle has', () => {
    expect(labels('library-route-1')).toEqual([
      'Hazard',
      'Lights',
      'Brake',
      'Reverse',
      'Fog',
      'Door',
      'Dim dash',
    ]);
    expect(labels('courier-moped-7')).toEqual(['Lights', 'Brake']);
    expect(labels('exhibition-trailer')).toEqual(['Hazard', 'Lights', 'Brake', 'Door']);
  });

  it('gives each switch a key of its own', () => {
    for (const id of ['library-route-1', 'dial-a-ride-2', 'gritter-4']) {
      const letters = switchesOf(demoJob(id).vehicle).map((each) => each.letter);
      expect(new Set([...letters, 'K', 'L', 'R', 'M']).size).toBe(letters.length + 4);
    }
  });
});

describe('what may be wrong', () => {
  const faults = (configuration: 'stock' | 'leds') => {
    const job = demoJob('library-route-1');
    return faultsFor(job, fitmentOf(job, DEMO_SHELF, configuration)).map((each) => each.label);
  };

  it('is what the fitted bulbs allow: only a one-way LED can be the wrong way round', () => {
    expect(faults('leds')).toContain('Repeater left: the wrong way round');
    expect(faults('leds')).not.toContain('Rear left: the wrong way round');
    expect(faults('stock').some((label) => label.includes('way round'))).toBe(false);
  });

  it('names earth points, and leaks only where an LED would show them', () => {
    expect(faults('stock')).toContain('Bolt at the rear left lamp: rusted');
    expect(faults('leds')).toContain('Left turn: its feed leaks while off');
    expect(faults('stock').some((label) => label.includes('leaks'))).toBe(false);
  });
});

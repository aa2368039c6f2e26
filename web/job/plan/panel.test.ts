import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
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

import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { LoadResistorCure, ResistorNetwork } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import { planResistors } from './plan.ts';

const network = (lampId: string, ohms: number, more: Partial<ResistorNetwork> = {}): ResistorNetwork => ({
  lampId,
  connection: 'parallel',
  pieces: [{ partId: null, ohms, watts: 50, tolerance: 0.05 }],
  ...more,
});
const cureOf = (...networks: ResistorNetwork[]): LoadResistorCure => ({ kind: 'load-resistor', networks });
const linesOf = (job: Job) => planResistors(job, DEMO_SHELF, firstTurn(job.vehicle)).arithmetic;
const result = (job: Job, label: RegExp) => linesOf(job).find((line) => label.test(line.label))?.result;
const withCure = (id: string, cure: LoadResistorCure): Job => ({
  ...demoJob(id),
  cures: { 'turn-left': cure },
});

describe('the sum on paper', () => {
  it('is of 24 V on a 24 V vehicle: 28.8² over 22 Ω is 37.7 W', () => {
    const job = withCure('gritter-4', cureOf(network('rear-left', 22)));
    expect(result(job, /^Heat while lit at 28\.8 V/)).toBe('37.7 W');
    expect(result(job, /^If 5 % high/)).toBe('23.1 Ω');
  });

  it('leaves out what a harness loads on the dim feed: the flasher sees nothing of it', () => {
    const bright = network('rear-left', 6, { plugged: true });
    const job = withCure(
      'library-route-3',
      cureOf(bright, network('rear-left', 25, { input: 'dim', plugged: true })),
    );
    expect(result(job, /^If 5 % high/)).toBe('6.3 Ω');
    expect(linesOf(job).filter((line) => line.label.startsWith('Heat while lit'))).toHaveLength(1);
  });

  it('adds a row in a row, and says which it is', () => {
    const pieces = [1.5, 1.5].map((ohms) => ({ partId: null, ohms, watts: 50, tolerance: 0.05 }));
    const row = network('rear-left', 3, { connection: 'series', pieces });
    const job = withCure('library-route-3', cureOf(row));
    const together = linesOf(job).find((line) => line.label === 'Chosen, together');
    expect(together).toMatchObject({ working: '1.5 Ω and 1.5 Ω in a row', result: '3 Ω' });
  });

  it('names what sets the least ohms, and whose current that is', () => {
    const least = (id: string) =>
      linesOf(demoJob(id)).find((line) => line.label === 'At least, a side')?.working;
    expect(least('library-route-3')).toMatch(
      /^what the turn switch is trusted with: [\d.]+ A lit, one side$/,
    );
    expect(least('dial-a-ride-2')).toMatch(/^what a controller output lets through: [\d.]+ A lit in hazard$/);
  });
});

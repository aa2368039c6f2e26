import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { Configuration } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { LedPart, Shelf } from '../../model/part.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { cellsOf } from '../../proving/cells.ts';
import { CellPlayer } from '../../proving/player.ts';
import { JobAnalysis } from '../analysis.ts';
import { Judge } from '../judge.ts';

const circuitOf = (job: Job, kind: string) => {
  const circuit = job.vehicle.circuits.find((each) => each.kind === kind);
  if (!circuit) throw new Error(`${job.id} has no ${kind}`);
  return circuit;
};
const judged = (job: Job, shelf: Shelf, kind: string, configuration: Configuration = 'leds') =>
  Judge.of(job, shelf, configuration).circuit(circuitOf(job, kind));
const led = (id: string) =>
  DEMO_SHELF.find((part): part is LedPart => part.kind === 'led' && part.id === id) as LedPart;

// What the table of cures knew and the judge did not, and what Prove knew and neither did.
describe('the judge alone', () => {
  it('condemns an LED whose own load cooks it in what its lamp does every day', () => {
    const job = demoJob('library-route-1');
    const [lampId = ''] = lampIdsOf(circuitOf(job, 'third-brake'));
    const hot: LedPart = { ...led('led-godwit-3r'), id: 'hot', builtInLoadOhms: 25, watts: 10.5 };
    const verdict = judged({ ...job, chosen: { [lampId]: 'hot' } }, [...DEMO_SHELF, hot], 'third-brake');
    expect(verdict.state).toBe('too-much');
    expect(verdict.findings.map(({ requirement }) => requirement)).toContain('built-in-heat');
    const cool = judged({ ...job, chosen: { [lampId]: 'led-godwit-3r' } }, DEMO_SHELF, 'third-brake');
    expect(cool.findings.map(({ requirement }) => requirement)).not.toContain('built-in-heat');
  });

  it('knows an output’s own limit where nothing watches, as a cell of Prove does', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const circuit = circuitOf(job, 'interior');
    const { flasher } = job.vehicle;
    const output =
      flasher.kind === 'controller' && flasher.outputs.find(({ circuitId }) => circuitId === circuit.id);
    if (!output) throw new Error('the minibus has its interior lamps on an output');
    const of = (limitAmps: number) => {
      output.limitAmps = limitAmps;
      delete output.watch;
      delete circuit.watched;
      return Judge.of(job, DEMO_SHELF, 'stock').circuit(circuit);
    };
    const most = of(100).limits.find(({ kind }) => kind === 'output')?.value ?? 0;
    expect(most).toBeGreaterThan(0.1);
    expect(of(1.01 * most).state).toBe('holds');
    expect(of(0.5 * most).state).toBe('too-much');
    const player = new CellPlayer(new JobAnalysis(job, DEMO_SHELF), 'stock');
    const { scope: _, ...whole } = job;
    const cell = cellsOf(whole, player.fitment).find(({ id }) => id === circuit.id);
    if (!cell) throw new Error('no such cell');
    expect(player.asFitted(cell).messages.has(circuit.id)).toBe(true);
  });
});

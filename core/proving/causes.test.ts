import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { freshJob } from '../../tests/walk/freshJob.ts';
import { faultsInScope } from '../faults/library.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { FaultFinder } from './finder.ts';
import { provingGrid } from './grid.ts';
import { type CellTold, NOTHING_TOLD } from './told.ts';

const PLAIN = { kind: 'plain', watts: 4, forVolts: null } as const;

function first(job: Job, shelf: Shelf, cells: readonly CellTold[]) {
  const grid = provingGrid(job, shelf);
  if (!grid) throw new Error('it was ended');
  const finding = new FaultFinder(job, grid, DEMO_SHELF).find({ ...NOTHING_TOLD, cells });
  const [best] = finding.suspects;
  return { finding, id: best?.faults[0]?.id, probability: best?.probability ?? 0 };
}

// What an installer is told at the kerb, each with the cause common practice puts it down to.
describe('one cause explains what was seen', () => {
  const fresh = freshJob({ kind: 'car', region: 'UN', year: 2008 }, 'rev', PLAIN, DEMO_SHELF);

  it('fog and reverse exchanged, though nobody has said yet what is behind which opening', () => {
    const { id, probability, finding } = first(fresh.job, fresh.shelf, [
      { cellId: 'reverse', seen: ['reverse-right dark', 'rear-fog wrong'] },
      { cellId: 'rear-fog', seen: ['rear-fog dark', 'reverse-right wrong'] },
    ]);
    expect(id).toBe('exchanged:reverse-right:rear-fog');
    expect(probability).toBeGreaterThan(0.9);
    expect(finding.unexplained).toEqual([]);
  });

  it('and it is looked for where a job converts one of the two alone', () => {
    const { job, shelf } = fresh;
    for (const lampId of ['reverse-right', 'rear-fog']) {
      const one: Job = { ...job, scope: { lampIds: [lampId], aim: null } };
      const ids = faultsInScope(one, fitmentOf(one, shelf, 'leds')).map(({ id }) => id);
      expect(ids, lampId).toContain('exchanged:reverse-right:rear-fog');
    }
  });

  it('both tail lamps flicker: their outputs are pulsed, whether that is known or nobody has looked', () => {
    const cells: CellTold[] = [
      { cellId: 'tail-left', seen: ['stop-tail-left flickers', 'stop-tail-right flickers'] },
    ];
    const known = demoJob('dial-a-ride-2');
    const open = structuredClone(known);
    const { flasher } = open.vehicle;
    if (flasher.kind !== 'controller') throw new Error('the minibus has a controller');
    for (const output of flasher.outputs) {
      delete output.pwm;
      delete output.notPulsed;
    }
    for (const job of [known, open]) {
      const { id, probability } = first(job, DEMO_SHELF, cells);
      expect(id).toMatch(/^pulsed:tail-left:tail-right/);
      expect(probability).toBeGreaterThan(0.9);
    }
    // Plain volts were seen at them: then they are none of it.
    for (const output of flasher.outputs) output.notPulsed = true;
    expect(first(open, DEMO_SHELF, cells).id).not.toMatch(/^pulsed/);
  });

  it('fast on both sides with resistors a little too large: nothing is broken, the relay wants more', () => {
    const job = demoJob('library-route-1');
    for (const cure of Object.values(job.cures))
      if (cure?.kind === 'load-resistor')
        for (const { pieces } of cure.networks) for (const piece of pieces) piece.ohms *= 1.5;
    const { id, probability, finding } = first(job, DEMO_SHELF, [
      { cellId: 'turn-left', seen: ['flash fast'] },
      { cellId: 'turn-right', seen: ['flash fast'] },
    ]);
    expect(id).toBe('wants-load:turn-left:turn-right');
    const broken = finding.suspects.find(({ faults }) => faults[0]?.fault.kind !== 'wants-load');
    expect(probability).toBeGreaterThan(3 * (broken?.probability ?? 0));
    expect(finding.soundProbability).toBeLessThan(0.05);
    // On one side alone it is rather something broken there.
    const oneSide = first(job, DEMO_SHELF, [
      { cellId: 'turn-left', seen: ['flash fast'] },
      { cellId: 'turn-right', seen: [] },
    ]);
    expect(oneSide.id).not.toMatch(/^wants-load/);
  });

  it('fast on both sides with LEDs and nothing done: surely too little load', () => {
    const bare = { ...demoJob('library-route-1'), cures: {}, vehicleCures: [] };
    const { id, probability } = first(bare, DEMO_SHELF, [
      { cellId: 'turn-left', seen: ['flash fast'] },
      { cellId: 'turn-right', seen: ['flash fast'] },
    ]);
    expect(id).toBe('wants-load:turn-left:turn-right');
    expect(probability).toBeGreaterThan(0.6);
  });

  it('a message at the first start after a sleep: the setting was lost, though the cold check is no cell’s to be sure of', () => {
    const job = demoJob('dial-a-ride-2');
    for (const kind of ['turn', 'tail']) {
      const seen = [`message ${kind}-left`, `message ${kind}-right`] as const;
      const { id, probability } = first(job, DEMO_SHELF, [{ cellId: 'asleep', seen }]);
      expect(id).toBe(`setting-lost:${kind}-left:${kind}-right`);
      expect(probability).toBeGreaterThan(0.4);
    }
  });

  it('one of two reverse lamps dark, its LED lights one way round only: that, and no fuse', () => {
    const { job, shelf } = freshJob({ kind: 'car', region: 'US', year: 2008 }, 'rev', PLAIN, DEMO_SHELF);
    const oneWay = shelf.map((part) =>
      part.kind === 'led' && part.id === job.chosen['reverse-left']
        ? { ...part, polarity: 'one-way' as const }
        : part,
    );
    const { id, probability, finding } = first(job, oneWay, [
      { cellId: 'reverse', seen: ['reverse-left dark'] },
    ]);
    expect(id).toBe('reversed:reverse-left');
    const fuse = finding.suspects.find(({ faults }) => faults[0]?.fault.kind === 'fuse-out');
    expect(probability).toBeGreaterThan(4 * (fuse?.probability ?? 0));
  });
});

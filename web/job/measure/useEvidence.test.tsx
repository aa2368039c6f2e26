import { act } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Observation } from '../../../core/model/evidence.ts';
import { standing } from '../../../core/model/seen.ts';
import { demoJob } from '../../../demo/forTests.ts';
import { atDesk } from '../../../tests/screens/desk.tsx';
import { useEvidence } from './useEvidence.ts';

const job = { ...demoJob('library-route-3'), evidence: [] };
const clue = { kind: 'clue' as const, clue: 'wiggle' as const, lampId: null };
const note = (of: Observation, text: string) => {
  of.note = text;
};

describe('what is seen', () => {
  it('is signed with vehicle, visit and device, several at once in one visit', () => {
    const { now, hook } = atDesk(job, useEvidence);
    act(() => hook.current.record('Told', clue, { ...clue, clue: 'when-wet' }));
    const [first, second] = standing(now.job);
    expect(first).toMatchObject({ vehicleId: job.vehicle.id, method: 'told', device: { count: 1 } });
    expect(second).toMatchObject({ visit: first?.visit, device: { id: first?.device?.id, count: 2 } });
    expect(now.labels).toEqual(['Told']);
    expect(first?.by).toBeUndefined();
  });

  it('bears the name of whoever works here', () => {
    const { now, hook } = atDesk(job, useEvidence);
    act(() => hook.current.setBy('bay 2'));
    act(() => hook.current.record('Told', clue));
    expect(standing(now.job)[0]?.by).toBe('bay 2');
    act(() => hook.current.setBy(''));
  });

  it('is corrected by a further record, though it was told on another job of the vehicle', () => {
    const { now: elsewhere, hook: there } = atDesk(job, useEvidence);
    act(() => there.current.record('Told', clue));
    const [foreign] = standing(elsewhere.job);
    if (!foreign) throw new Error('nothing told');
    // The desk shows the whole log of the vehicle; the store has this job's own.
    const { now, hook } = atDesk({ ...job, evidence: [foreign] }, useEvidence);
    now.job = { ...job, evidence: [] };
    act(() => hook.current.correct('Correct', foreign.id, (of) => note(of, 'left only')));
    expect(now.job.evidence).toMatchObject([{ replaces: foreign.id, note: 'left only' }]);
    expect(standing({ evidence: [foreign, ...now.job.evidence] })).toHaveLength(1);
    act(() => hook.current.takeBack('Take back', foreign.id));
    expect(standing({ evidence: [foreign, ...now.job.evidence] })).toEqual([]);
  });
});

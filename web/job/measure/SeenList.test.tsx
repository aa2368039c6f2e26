import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { standing, trialsOf } from '../../../core/model/seen.ts';
import { demoJob, trialAt } from '../../../demo/forTests.ts';
import { drawn } from '../../../tests/screens/desk.tsx';
import { useDesk } from '../workspace.ts';
import { SeenList } from './SeenList.tsx';

const seen = (id: string, at: string, more = {}) => ({
  ...trialAt('turn-left', 'fast', 12.6),
  id,
  at,
  ...more,
});
const job = {
  ...demoJob('library-route-3'),
  evidence: [
    seen('a', '2026-11-20T10:00:00.000Z', { by: 'bay 2' }),
    seen('b', '2035-01-01T10:00:00.000Z'),
    seen('c', '2026-11-20T10:10:00.000Z'),
  ],
};

function Trials() {
  return (
    <SeenList seen={trialsOf(useDesk().job)} what="a trial">
      {({ result }) => result}
    </SeenList>
  );
}

describe('what is on record', () => {
  it('is a row each, with who saw it, and that a clock was wrong', () => {
    drawn(job, <Trials />);
    const rows = screen.getAllByRole('listitem').map(({ textContent }) => textContent ?? '');
    expect(rows).toHaveLength(3);
    expect(rows[0]).toMatch(/bay 2/);
    expect(rows.map((row) => row.includes('clock was wrong'))).toEqual([false, true, false]);
  });

  it('is taken back one by one, and stays in the log', () => {
    const now = drawn(job, <Trials />);
    fireEvent.click(screen.getAllByRole('button', { name: 'Take back' })[0] as HTMLElement);
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    expect(standing(now.job).map(({ id }) => id)).toEqual(['b', 'c']);
    expect(now.job.evidence.slice(0, 3)).toEqual(job.evidence);
    expect(now.labels).toEqual(['Take back a trial']);
  });
});

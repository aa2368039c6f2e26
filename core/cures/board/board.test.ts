import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { Job } from '../../model/job.ts';
import { scopeCircuits } from '../../model/scope.ts';
import { curedState } from '../../possible/verdicts.ts';
import { type CureBoard, cureBoard } from './board.ts';

const board = (id: string): CureBoard => cureBoard(demoJob(id), DEMO_SHELF);
const row = ({ rows }: CureBoard, name: string) => {
  const found = rows.find((each) => each.name === name);
  if (!found) throw new Error(`no row ${name} among ${rows.map((each) => each.name).join('; ')}`);
  return found;
};

describe('the board of all circuits', () => {
  it('shows sides that stand alike once, before and after', () => {
    const turn = row(board('library-route-1'), 'Turn, both sides');
    expect(turn.circuitIds).toEqual(['turn-left', 'turn-right']);
    expect(turn.lamps).toBe(6);
    expect(turn.leds).toEqual({ state: 'falls-short', text: '176 a minute' });
    expect(turn.cured).toEqual({ state: 'holds', text: '2 × 6 Ω 50 W' });
    expect(turn.worst).toMatch(/^sees 3\.\d\d A, asks 3\.\d\d A, 11\.8 V$/);
  });

  it('shows each side by itself where one is cured and the other is not', () => {
    const job = demoJob('library-route-1');
    const lopsided: Job = { ...job, cures: { ...job.cures, 'turn-right': null } };
    const { rows, state } = cureBoard(lopsided, DEMO_SHELF);
    const cured = rows.filter((each) => each.name.startsWith('Turn')).map(({ name, cured }) => [name, cured]);
    expect(cured).toEqual([
      ['Turn, left', { state: 'holds', text: '2 × 6 Ω 50 W' }],
      ['Turn, right', { state: 'falls-short', text: 'no cure yet' }],
    ]);
    expect(state).toBe('falls-short');
  });

  it('gathers what nothing minds, converted or not, and names what is cured otherwise', () => {
    const minibus = board('dial-a-ride-2');
    expect(row(minibus, 'Stop and tail, both sides').cured).toEqual({ state: 'holds', text: 'set to LED' });
    expect(row(minibus, 'Position, both sides')).toMatchObject({
      cured: { state: 'either-way', text: 'no cure yet' },
      matters: true,
    });
    expect(row(minibus, 'Saloon lamps').leds.text).toBe('nothing watches');
    // Of a job about the whole vehicle, what it leaves alone is one line.
    const { scope: _, ...whole } = demoJob('dial-a-ride-2');
    expect(cureBoard(whole, DEMO_SHELF).rows.at(-1)).toMatchObject({
      name: 'Plate, reverse and rear fog',
      leds: { state: 'holds', text: 'filaments stay' },
      cured: { state: 'holds', text: 'none needed' },
      matters: false,
    });
    expect(minibus.rows.length).toBeLessThanOrEqual(8);
  });

  it('says what is wrong where it is no watcher that complains', () => {
    const trailer = board('exhibition-trailer');
    expect(trailer.state).toBe('too-much');
    expect(row(trailer, 'Turn and stop, both sides')).toMatchObject({
      cured: { state: 'too-much', text: '2 × 8 Ω 50 W' },
      worst: 'no metal to mount on',
    });
  });

  it.each(['library-route-3', 'library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7'])(
    'of %s counts every circuit it may disturb once, and says of the vehicle what its judge says',
    (id) => {
      const job = demoJob(id);
      const { rows, state } = board(id);
      const ids = rows.filter((each) => each.id !== 'hazard').flatMap((each) => each.circuitIds);
      expect(ids.toSorted()).toEqual(
        scopeCircuits(job)
          .map((circuit) => circuit.id)
          .toSorted(),
      );
      expect(state).toBe(curedState(job, DEMO_SHELF));
    },
  );
});

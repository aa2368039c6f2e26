import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { DeviationKey } from '../../../core/model/deviationKey.ts';
import { provingGrid } from '../../../core/proving/grid.ts';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { drawn } from '../../../tests/screens/desk.tsx';
import { DeviationPad } from './DeviationPad.tsx';

const job = demoJob('library-route-1');
const grid = provingGrid(job, DEMO_SHELF);
const at = grid?.cells.findIndex(({ id }) => id === 'turn-left') ?? -1;
const cell = grid?.cells[at];
const outcome = grid?.expected[at];
if (!cell || !outcome) throw new Error('no left turn to prove');

function pad(lit: readonly string[], told: readonly DeviationKey[] = []) {
  const taps: DeviationKey[] = [];
  if (!cell || !outcome) throw new Error('nothing to draw');
  drawn(
    job,
    <DeviationPad
      cell={cell}
      lit={lit}
      outcome={outcome}
      told={new Set(told)}
      toggle={(key) => taps.push(key)}
    />,
  );
  return taps;
}
const tap = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

describe('what was not so', () => {
  it('of several lamps is a word, and then which', () => {
    const taps = pad(['front-left', 'rear-left']);
    tap('dark');
    expect(taps).toEqual([]);
    expect(screen.getByRole('group', { name: 'Which lamp: dark' })).toBeTruthy();
    tap('Rear left');
    expect(taps).toEqual(['rear-left dark']);
  });

  it('of one lamp alone is one tap, and so is the flash, the dash and a fuse', () => {
    const taps = pad(['rear-left']);
    tap('dark');
    tap('flashes fast');
    tap('message: left turn');
    tap('15 A fuse blows');
    expect(taps.slice(0, 3)).toEqual(['rear-left dark', 'flash fast', 'message turn-left']);
    expect(taps[3]).toMatch(/^blown /);
  });

  it('is said again, and pressed, once it is written down', () => {
    pad(['front-left', 'rear-left'], ['rear-left dark', 'flash fast']);
    expect(screen.getByRole('status').textContent).toBe('Written down: rear left dark, flashes fast.');
    expect(screen.getByRole('button', { name: 'flashes fast' }).getAttribute('aria-pressed')).toBe('true');
    expect(screen.getByRole('button', { name: 'dark' }).getAttribute('aria-pressed')).toBe('true');
    expect(screen.getByRole('button', { name: 'dim' }).getAttribute('aria-pressed')).toBe('false');
  });

  it('offers nothing of lamps that are lit where none is', () => {
    pad([]);
    expect(screen.queryByRole('button', { name: 'too bright' })).toBeNull();
    expect(screen.getByRole('button', { name: 'wrong lamp lit' })).toBeTruthy();
  });
});

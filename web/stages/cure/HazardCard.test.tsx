import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Judge } from '../../../core/judge/judge.ts';
import { demoJob, onTurnFuse } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { drawn } from '../../../tests/screens/desk.tsx';
import { HazardCard } from './HazardCard.tsx';

const van = demoJob('library-route-1');
const rows = () => screen.getAllByRole('listitem').map(({ textContent }) => textContent ?? '');

describe('hazard and the limits', () => {
  it('says why in a sentence with its figures, and each limit once though both sides have it', () => {
    const verdict = Judge.of(van, DEMO_SHELF, 'cured').verdict();
    drawn(van, <HazardCard verdict={verdict} />);
    expect(
      screen.getByText(/^Both sides together draw [\d.]+ A.*heats the 15 A fuse like a steady/),
    ).toBeTruthy();
    expect(rows().filter((row) => row.includes('15 A fuse'))).toHaveLength(2);
    expect(rows().find((row) => /Ω at Rear left/.test(row))).toMatch(/W/);
  });

  it('marks what is too much, and by how much', () => {
    const job = { ...van, vehicle: onTurnFuse(van.vehicle, 10) };
    const verdict = Judge.of(job, DEMO_SHELF, 'cured').verdict();
    drawn(job, <HazardCard verdict={verdict} />);
    expect(screen.getByText(/10 A fuse like a steady .* for hours it may carry 7\.00 A/)).toBeTruthy();
    const over = screen.getAllByRole('listitem').filter((row) => row.getAttribute('data-ok') === 'false');
    expect(over.length).toBeGreaterThan(0);
    expect(within(over[0] as HTMLElement).getByText(/10 A fuse/)).toBeTruthy();
  });

  it('of a vehicle without a hazard switch speaks of one side at a time', () => {
    const moped = demoJob('courier-moped-7');
    drawn(moped, <HazardCard verdict={Judge.of(moped, DEMO_SHELF, 'cured').verdict()} />);
    expect(screen.getByText(/no hazard switch/)).toBeTruthy();
    expect(screen.queryByText(/Both sides together/)).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clocking, twinClocking, wallMark } from './clocking.ts';

describe('clocking of a capsule', () => {
  it('turns the shorter way, and knows half a turn for none', () => {
    const turn = (filamentDegrees: number, ledDegrees: number) =>
      clocking({ filamentDegrees, ledDegrees }).turnDegrees;
    expect(turn(90, 72)).toBe(18);
    expect(turn(72, 90)).toBe(-18);
    expect(turn(90, -90)).toBe(0);
    expect(turn(-85, 85)).toBe(10);
    expect(turn(10, 170)).toBe(20);
  });

  it('never asks for more than a quarter turn, and what it asks for brings the planes together', () => {
    const angle = fc.integer({ min: -180, max: 180 });
    fc.assert(
      fc.property(angle, angle, (filamentDegrees, ledDegrees) => {
        const turn = clocking({ filamentDegrees, ledDegrees }).turnDegrees ?? Number.NaN;
        expect(Math.abs(turn)).toBeLessThanOrEqual(90);
        expect(Math.abs((ledDegrees + turn - filamentDegrees) % 180)).toBe(0);
      }),
      { seed: 7 },
    );
  });

  it('moves the collar by the difference of the depths', () => {
    expect(clocking({ filamentDepthMm: 29.5, ledDepthMm: 27 }).moveMm).toBe(2.5);
  });

  it('is seated only when both are measured and within what a beam forgives', () => {
    const measured = { filamentDegrees: 90, ledDegrees: 89, filamentDepthMm: 29.5, ledDepthMm: 29.2 };
    expect(clocking(measured).seated).toBe(true);
    expect(clocking({ ...measured, ledDegrees: 80 }).seated).toBe(false);
    expect(clocking({ ...measured, ledDepthMm: 31 }).seated).toBe(false);
    expect(clocking({ filamentDegrees: 90, ledDegrees: 90 }).seated).toBeNull();
  });
});

describe('a capsule of two lights on one collar', () => {
  const high = { filamentDegrees: 90, ledDegrees: 80, filamentDepthMm: 23.5, ledDepthMm: 23 };

  it('is set by its dipped beam, and says what that leaves of the main one', () => {
    const twin = twinClocking({
      ...high,
      low: { filamentDegrees: 90, ledDegrees: 72, filamentDepthMm: 29.5, ledDepthMm: 28 },
    });
    expect(twin.low).toMatchObject({ turnDegrees: 18, moveMm: 1.5 });
    expect(twin.high).toMatchObject({ turnDegrees: 10, moveMm: 0.5 });
    expect(twin.leftDegrees).toBe(-8);
    expect(twin.leftMm).toBe(-1);
    expect(twin.together).toBe(false);
  });

  it('holds both where they are off by the same, and knows nothing while one is not measured', () => {
    const same = { filamentDegrees: 90, ledDegrees: 80, filamentDepthMm: 29.5, ledDepthMm: 29 };
    expect(twinClocking({ ...high, low: same }).together).toBe(true);
    expect(twinClocking(high).together).toBeNull();
    expect(twinClocking({ low: same }).high.seated).toBeNull();
  });
});

describe('the cut-off on a wall', () => {
  it('falls by the dip over the distance: 1 % at 10 m is 10 cm', () => {
    expect(wallMark('UN', 0.65, 10)).toMatchObject({ dropM: 0.1, dipPercent: 1 });
    expect(wallMark('UN', 0.65, 10).heightM).toBeCloseTo(0.55, 9);
    expect(wallMark('UN', 1.2, 10).dropM).toBeCloseTo(0.15, 9);
    expect(wallMark('US', 0.65, 7.6).dropM).toBe(0);
    expect(() => wallMark('UN', 0, 5)).toThrow(RangeError);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newFeed } from './newFeed.ts';

describe('the feed of an added lamp', () => {
  it('takes the thinnest wire its fuse protects (worked by hand)', () => {
    // 20 W at 13.5 V: 1.48 A, at 70 % a 3 A fuse; 0.5 mm² carries 11 A; 1.48 × 4 / (58 × 0.5) = 0.204 V of 0.36 allowed.
    const feed = newFeed({ amps: 20 / 13.5, lengthM: 4, systemVolts: 12, fuseAmps: null });
    expect(feed).toMatchObject({
      fuseAmps: 3,
      areaMm2: 0.5,
      carriesAmps: 11,
      decidedBy: 'fuse',
      beyond: false,
    });
    expect(feed.dropVolts).toBeCloseTo(0.2043, 3);
  });

  it('lets the fuse that is there decide, however little the lamp draws', () => {
    // On a 15 A fuse a fault may draw 15 A for long: 1 mm² (16.5 A) is the first that bears it.
    expect(newFeed({ amps: 0.5, lengthM: 2, systemVolts: 12, fuseAmps: 15 })).toMatchObject({
      fuseAmps: 15,
      areaMm2: 1,
    });
  });

  it('takes a thicker one over a long way', () => {
    // 5 A over 8 m: 0.5 mm² would lose 1.38 V; 1.5 mm² loses 0.46, 2.5 mm² 0.276 of 0.36.
    expect(newFeed({ amps: 5, lengthM: 8, systemVolts: 12, fuseAmps: null })).toMatchObject({
      areaMm2: 2.5,
      decidedBy: 'drop',
    });
  });

  it('says when no wire will do, and refuses what is no current', () => {
    expect(newFeed({ amps: 60, lengthM: 30, systemVolts: 12, fuseAmps: null }).beyond).toBe(true);
    expect(() => newFeed({ amps: 0, lengthM: 1, systemVolts: 12, fuseAmps: null })).toThrow(RangeError);
  });

  it('never gives a wire that its fuse does not protect', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: 0.2, max: 15, noNaN: true }),
        fc.option(fc.constantFrom(5, 7.5, 10, 15, 20, 25), { nil: null }),
        (amps, lengthM, fuseAmps) => {
          const feed = newFeed({ amps, lengthM, systemVolts: 12, fuseAmps });
          if (!feed.beyond) {
            expect(feed.carriesAmps).toBeGreaterThanOrEqual(feed.fuseAmps);
            expect(feed.dropVolts).toBeLessThanOrEqual(0.36 + 1e-9);
          }
          if (fuseAmps !== null) expect(feed.fuseAmps).toBe(fuseAmps);
        },
      ),
    );
  });
});

import { describe, expect, it } from 'vitest';
import { gaugeScale } from './gaugeScale.ts';

describe('gaugeScale', () => {
  it('runs straight through to a fuse that is near', () => {
    const scale = gaugeScale(60, 700, 7, 10);
    expect(scale.breakAt).toBeNull();
    expect(scale.fuseX).toBeCloseTo(scale.x(10), 9);
    expect(scale.x(5) - scale.x(0)).toBeCloseTo(scale.x(10) - scale.x(5), 9);
  });

  it('breaks the line before a fuse that is far, and keeps the loads wide', () => {
    const scale = gaugeScale(60, 700, 4.4, 15);
    expect(scale.breakAt).not.toBeNull();
    expect(scale.fuseX).toBeGreaterThan(scale.breakAt ?? 0);
    expect(scale.x(4.4)).toBeGreaterThan(450);
    expect(scale.x(4.4)).toBeLessThan(scale.breakAt ?? 0);
  });

  it('keeps the loads readable on a phone', () => {
    const scale = gaugeScale(46, 320, 4.4, 15);
    expect(scale.narrow).toBe(true);
    expect(scale.x(4.4) - scale.x(0)).toBeGreaterThan(120);
    expect(scale.ticks.length).toBeLessThanOrEqual(6);
  });

  it('starts at zero, never leaves the picture, and has few enough ticks to read', () => {
    for (const largest of [0.3, 1, 4, 12, 40]) {
      const scale = gaugeScale(60, 700, largest, 15);
      expect(scale.x(0)).toBe(60);
      expect(scale.x(1e6)).toBeLessThanOrEqual(700);
      expect(scale.ticks.length).toBeLessThanOrEqual(10);
      expect(scale.ticks.length).toBeGreaterThan(3);
    }
  });
});

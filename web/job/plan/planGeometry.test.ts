import { describe, expect, it } from 'vitest';
import { QUILLON_75 } from '../../../demo/quillon75.ts';
import { glowRadius, lampCentre, outlineIn } from './planGeometry.ts';

describe('the plan', () => {
  it.each([
    [416, 430],
    [362, 420],
    [700, 900],
    [320, 260],
  ])('keeps the van inside %i by %i with room for labels on both sides', (width, height) => {
    const outline = outlineIn(width, height);
    expect(outline.left).toBeGreaterThan(80);
    expect(outline.left + outline.width).toBeLessThan(width - 80);
    expect(outline.top).toBeGreaterThanOrEqual(0);
    expect(outline.top + outline.height).toBeLessThanOrEqual(height);
  });

  it('puts left lamps left, front lamps in front, and mirrors them', () => {
    const outline = outlineIn(416, 430);
    const at = (id: string) => {
      const lamp = QUILLON_75.lamps.find((each) => each.id === id);
      if (!lamp) throw new Error(id);
      return lampCentre(lamp, outline);
    };
    expect(at('front-left').x).toBeLessThan(at('front-right').x);
    expect(at('front-left').y).toBeLessThan(at('repeater-left').y);
    expect(at('repeater-left').y).toBeLessThan(at('rear-left').y);
    expect(at('front-left').x + at('front-right').x).toBeCloseTo(416, 9);
  });

  it('spreads more light wider', () => {
    expect(glowRadius(460)).toBeGreaterThan(glowRadius(50));
    expect(glowRadius(0)).toBeGreaterThan(0);
  });
});

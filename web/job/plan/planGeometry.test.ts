import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../../demo/jobs.ts';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import { placed } from './drawings/VehicleDrawing.tsx';
import { glowRadius, lampCentre, outlineIn } from './planGeometry.ts';

describe('the outline of a vehicle', () => {
  it('keeps every lamp inside the outline of its kind', () => {
    for (const job of demoJobs()) {
      const outline = outlineIn(job.vehicle.kind, 416, 400);
      for (const lamp of job.vehicle.lamps) {
        const { x, y } = lampCentre(lamp, outline);
        expect(x).toBeGreaterThanOrEqual(outline.left - 1);
        expect(x).toBeLessThanOrEqual(outline.left + outline.width + 1);
        expect(y).toBeLessThanOrEqual(outline.top + outline.height + 1);
      }
    }
  });
});

describe('a drawing', () => {
  it('is laid onto the outline point by point', () => {
    const outline = { left: 10, top: 20, width: 100, height: 200 };
    expect(placed('M0,0L1,0.5Q-0.1,1 0.25,0.75Z', outline)).toBe(
      'M10.0 20.0L110.0 120.0Q0.0 220.0 35.0 170.0Z',
    );
  });
});

describe('the plan', () => {
  it.each([
    [416, 430],
    [362, 420],
    [700, 900],
    [320, 260],
  ])('keeps the van inside %i by %i with room for labels on both sides', (width, height) => {
    const outline = outlineIn('van', width, height);
    expect(outline.left).toBeGreaterThan(80);
    expect(outline.left + outline.width).toBeLessThan(width - 80);
    expect(outline.top).toBeGreaterThanOrEqual(0);
    expect(outline.top + outline.height).toBeLessThanOrEqual(height);
  });

  it('puts left lamps left, front lamps in front, and mirrors them', () => {
    const outline = outlineIn('van', 416, 430);
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

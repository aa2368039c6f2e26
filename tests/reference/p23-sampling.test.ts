/**
 * P23, the sampling theorem: a light pulsed at F, filmed at f frames a second, beats at the least of |F − n·f|. 200 Hz at 60
 * frames is 20 Hz, at 50 it stands still. And spectra against a library (fft.js) and their definition.
 */
import FFT from 'fft.js';
import { describe, expect, it } from 'vitest';
import { readLevels } from '../../core/flashmeter/levels.ts';
import { withSecondFrameRate } from '../../core/flashmeter/settle.ts';
import { powerSpectrum } from '../../core/flashmeter/spectrum.ts';

/** A light pulsed at F with half of it on, filmed with so short an exposure that a frame sees it lit or dark. */
function filmedPulses(hertz: number, fps: number, seconds = 12) {
  const at = Float64Array.from({ length: seconds * fps }, (_, frame) => frame / fps);
  // Out of step with the first frame, so that no sample falls on an edge.
  return { at, values: at.map((moment) => ((moment * hertz + 0.13) % 1 < 0.5 ? 180 : 12)) };
}

/** The beat by the theorem, Hz. */
function beat(hertz: number, fps: number): number {
  return Math.abs(hertz - fps * Math.round(hertz / fps));
}

describe('a pulsed lamp before a camera', () => {
  it('at 200 Hz and 60 frames beats at 20 Hz, which is no flash; at 50 it stands still', () => {
    expect(beat(200, 60)).toBe(20);
    expect(readLevels(filmedPulses(200, 60), { pulsed: null })).toMatchObject({
      kind: 'not-sure',
      reason: { why: 'strobe' },
    });
    expect(beat(200, 50)).toBe(0);
    expect(readLevels(filmedPulses(200, 50), { pulsed: null })).toMatchObject({
      kind: 'not-sure',
      reason: { why: 'steady' },
    });
  });

  it.each([
    [201.5, 50],
    [121.4, 60],
    [91.6, 30],
    [98.3, 24],
  ])('at %s Hz and %s frames beats like a flash: both are said, and never one', (hertz, fps) => {
    const reading = readLevels(filmedPulses(hertz, fps), { pulsed: null });
    if (reading.kind !== 'either') throw new Error(reading.kind);
    expect((reading.rates[0]?.perMinute ?? 0) / (60 * beat(hertz, fps))).toBeCloseTo(1, 2);
    expect(reading.rates[1]).toBeNull();
  });

  it('is told from a flash by a second frame rate', () => {
    const both = (hertz: number, first: number, second: number) => {
      const [a, b] = [first, second].map((fps) => readLevels(filmedPulses(hertz, fps), { pulsed: null }));
      if (!a || !b) throw new Error('two readings');
      return withSecondFrameRate(a, b, [first, second]);
    };
    expect(both(201.5, 50, 60).kind).toBe('not-sure');
    const flash = both(1.5, 50, 60);
    if (flash.kind !== 'rate') throw new Error(flash.kind);
    expect(flash.rate.perMinute).toBeCloseTo(90, 0);
    // At twice the rate the same beat may come out again: that settles nothing.
    expect(both(121.4, 30, 60).kind).toBe('either');
  });
});

describe('spectra', () => {
  it('are those of the library, and have their peak where the signal is', () => {
    const size = 4096;
    const step = 1 / 2048;
    const at = Float64Array.from({ length: size }, (_, index) => index * step);
    for (const hertz of [31, 100, 412.5]) {
      const values = at.map((moment) => 3 + Math.cos(2 * Math.PI * hertz * moment));
      const { powers, stepHertz } = powerSpectrum({ at, values });
      const top = powers.indexOf(Math.max(...powers));
      expect(Math.abs(top * stepHertz - hertz)).toBeLessThanOrEqual(stepHertz);
      // The same by the library on its own, the mean off and under a Hann window.
      const transform = new FFT(size);
      const out = transform.createComplexArray();
      const mean = values.reduce((sum, value) => sum + value, 0) / size;
      transform.realTransform(
        out,
        Array.from(values, (value, index) => (value - mean) * Math.sin((Math.PI * index) / size) ** 2),
      );
      expect(Math.sqrt(powers[top] ?? 0)).toBeCloseTo(
        Math.hypot(out[2 * top] ?? 0, out[2 * top + 1] ?? 0),
        6,
      );
    }
  });

  it('hold the power of the signal (Parseval)', () => {
    const size = 1024;
    const at = Float64Array.from({ length: size }, (_, index) => index / 1000);
    const values = at.map((moment) => Math.sin(2 * Math.PI * 62.5 * moment));
    const { powers } = powerSpectrum({ at, values });
    const windowed = values.reduce(
      (sum, value, index) => sum + (value * Math.sin((Math.PI * index) / size) ** 2) ** 2,
      0,
    );
    const total = (2 * powers.reduce((sum, power) => sum + power, 0)) / size;
    expect(total / windowed).toBeCloseTo(1, 3);
  });
});

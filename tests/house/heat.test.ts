import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { HeatVerdict } from '../../core/heat/useCases.ts';
import { USE_CASES } from '../../core/heat/useCases.ts';
import { builtInHeatWords, heatWords } from '../../core/words/heat.ts';
import { root, sourcesIn } from './sources.ts';

/** A sentence that warns of heat, as it stands in a string of the source. */
const WARNS = /['"`]([^'"`]*\b(burns? (skin|fingers)|hot enough|gets? hot(ter)?\b)[^'"`]*)['"`]/g;
const SAYS_HOW = /estimat|measur/i;
/** Thresholds of skin by ISO 13732-1: figures of a standard, beside a curve that says what it is. */
const PUBLISHED = /^burns skin in (a second|ten seconds)$/;

const sources = () =>
  [...sourcesIn('core'), ...sourcesIn('web')].filter((path) => !/\.test\.tsx?$/.test(path));

const verdict = (state: HeatVerdict['state']): HeatVerdict => ({
  useCase: USE_CASES.hazard,
  ambientCelsius: 40,
  peakCaseCelsius: 120,
  peakElementCelsius: 210,
  coolerAfterSeconds: 600,
  state,
  curve: [],
});

describe('a caution about heat', () => {
  it('says that it is an estimate, or to measure, wherever it stands', () => {
    const silent: string[] = [];
    let found = 0;
    for (const path of sources()) {
      const text = readFileSync(join(root, path), 'utf8').replace(/^\s*(\/\/|\*|\/\*\*).*$/gm, '');
      for (const [, sentence = ''] of text.matchAll(WARNS)) {
        found += 1;
        if (!SAYS_HOW.test(sentence) && !PUBLISHED.test(sentence) && !sentence.startsWith('$'))
          silent.push(`${path}: ${sentence}`);
      }
    }
    expect(silent).toEqual([]);
    expect(found).toBeGreaterThan(8);
  });

  it.each(['cool', 'burns', 'keep-clear', 'condemned'] as const)(
    'of a resistor that is %s is an estimate',
    (state) => {
      expect(heatWords(verdict(state))).toMatch(/estimated/);
    },
  );

  it('promises nowhere that something may be touched', () => {
    const promises = sources().filter((path) => {
      const text = readFileSync(join(root, path), 'utf8');
      return /safe to touch|may be touched(?! )|hand may rest/.test(
        text.replace(/no curve and no reading[^.]*\./g, ''),
      );
    });
    expect(promises).toEqual([]);
  });

  it('of a load inside a bulb is an estimate', () => {
    const words = builtInHeatWords({
      code: 'X',
      useCase: USE_CASES.hazard,
      ambientCelsius: 40,
      peakCelsius: 90,
      state: 'suffers',
    } as never);
    expect(words).toMatch(/estimate/);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { WholeLampSection } from '../model/part.ts';
import { plugsOf } from '../wiring/wholeLampPins.ts';
import { pinsFromText, sectionsFromText, sectionsText } from './sectionText.ts';
import { PINS } from './words.ts';

const tidy = (least: number, most: number) =>
  fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => tenths / 10);
const panel = fc
  .record({
    does: fc.constantFrom('turn' as const, 'stop' as const, 'reverse' as const, 'rear-fog' as const),
    colour: fc.constantFrom('amber' as const, 'red' as const, 'white' as const, 'warm' as const),
    watts: tidy(0.5, 30),
    atVolts: fc.constantFrom(6.4, 12.8, 13.5, 25.6),
    lumens: fc.integer({ min: 5, max: 3000 }),
    driver: fc.constantFrom('series-resistor' as const, 'constant-current' as const, 'converter' as const),
    driverVolts: tidy(3, 20),
    load: fc.option(tidy(5, 100), { nil: undefined }),
    dim: fc.option(tidy(0.1, 2), { nil: undefined }),
    topology: fc.constantFrom('own-resistors' as const, 'shared-converter' as const, 'unknown' as const),
    sweep: fc.option(fc.integer({ min: 2, max: 12 }), { nil: undefined }),
  })
  .map(
    (fields): WholeLampSection => ({
      does: fields.does,
      light: {
        kind: 'panel',
        colour: fields.colour,
        watts: fields.watts,
        atVolts: fields.atVolts,
        lumens: fields.lumens,
        ballast:
          fields.driver === 'converter'
            ? { kind: 'converter', startVolts: fields.driverVolts }
            : { kind: fields.driver, forwardVolts: fields.driverVolts },
        ...(fields.load === undefined ? {} : { builtInLoadOhms: fields.load }),
        ...(fields.dim === undefined ? {} : { twin: { topology: fields.topology, dimWatts: fields.dim } }),
        ...(fields.sweep === undefined ? {} : { sweep: { seconds: 0.2, segments: fields.sweep } }),
      },
    }),
  );
const socket = fc
  .constantFrom('BA15s' as const, 'BAY15d' as const, 'W2.1x9.5d' as const)
  .map((base): WholeLampSection => ({ does: 'reverse', light: { kind: 'socket', base } }));

describe('sections of a whole lamp, written', () => {
  it('read back as they were', () => {
    fc.assert(
      fc.property(fc.array(fc.oneof(panel, socket), { minLength: 1, maxLength: 8 }), (sections) => {
        expect(sectionsFromText(sectionsText(sections))).toEqual({ ok: true, sections });
      }),
      { seed: 11, numRuns: 200 },
    );
  });

  it('may be written by hand: commas, no spaces before units, doubled spaces, a trailing semicolon', () => {
    expect(sectionsFromText('turn panel amber 4W  12,8V 350lm;  reverse socket BA15s ;')).toMatchObject({
      ok: true,
      sections: [
        { does: 'turn', light: { watts: 4, atVolts: 12.8, lumens: 350 } },
        { does: 'reverse', light: { kind: 'socket', base: 'BA15s' } },
      ],
    });
  });

  it('take the usual string where nothing is said, twice of it at 24 V', () => {
    const strings = ['12.8', '25.6'].map((volts) => {
      const read = sectionsFromText(`stop panel red 3 W ${volts} V 200 lm`);
      if (!read.ok) throw new Error(read.problem);
      const [section] = read.sections;
      return section?.light.kind === 'panel' && section.light.ballast.kind === 'constant-current'
        ? section.light.ballast.forwardVolts
        : null;
    });
    expect(strings).toEqual([6.3, 12.6]);
  });

  it.each([
    ['turn panel green 4 W 12.8 V 350 lm', 'a colour there is not'],
    ['blinker panel amber 4 W 12.8 V 350 lm', 'a function there is not'],
    ['reverse socket BA99z', 'a base there is not'],
    ['turn panel amber 12.8 V 350 lm', 'no watts'],
    ['turn', 'nothing else'],
  ])('refuse %s: %s', (text) => {
    const read = sectionsFromText(`tail panel red 1 W 12.8 V 20 lm; ${text}`);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problem).toMatch(/is no section\. Write for instance/);
    if (!read.ok) expect(read.problem).toContain(`"${text}"`);
  });
});

it('pins: a cavity, and what it is for in as many words as it takes', () => {
  expect(pinsFromText('1 earth; 2 tail or position;; 3')).toEqual([
    { cavity: '1', does: 'earth' },
    { cavity: '2', does: 'tail or position' },
    { cavity: '3', does: '' },
  ]);
});

it('pins of two plugs, with the colours of their wires, are read and written alike', () => {
  const text = 'A:1 earth [brown]; A:2 tail [grey/red]; B:1 third brake';
  const pins = pinsFromText(text);
  expect(pins).toEqual([
    { cavity: 'A:1', does: 'earth', colour: 'brown' },
    { cavity: 'A:2', does: 'tail', colour: 'grey/red' },
    { cavity: 'B:1', does: 'third brake' },
  ]);
  expect(PINS.write(pins)).toBe(text);
  expect(plugsOf({ pinMap: pins })).toEqual(['A', 'B']);
  expect(plugsOf({ pinMap: pinsFromText('1 earth; 2 tail') })).toEqual([]);
});

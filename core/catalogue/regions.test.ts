import { describe, expect, it } from 'vitest';
import { sourceWords } from '../formatting/source.ts';
import { CircuitKind } from '../model/vehicle/circuit.ts';
import { COLOUR_RULES, colourRule, REGION_RULES, regionRule } from './regions.ts';

const ENDS = ['front', 'side', 'rear', 'inside', 'dash'] as const;

describe('region rules', () => {
  it('give every function a colour in every region and place, with a source', () => {
    for (const region of ['UN', 'US'] as const)
      for (const kind of CircuitKind.options)
        for (const end of ENDS) {
          const rule = colourRule(region, kind, end);
          expect(rule.colours.length).toBeGreaterThan(0);
          expect(sourceWords(rule.source)).toMatch(/verify|common practice/);
        }
  });

  it('differ where the regions do', () => {
    expect(colourRule('UN', 'turn', 'rear').colours).toEqual(['amber']);
    expect(colourRule('US', 'turn', 'rear').colours).toEqual(['amber', 'red']);
    expect(colourRule('US', 'turn', 'front').colours).toEqual(['amber']);
    expect(colourRule('UN', 'marker', 'side').colours).toEqual(['amber']);
    expect(colourRule('UN', 'marker', 'rear').colours).toEqual(['red']);
    expect(colourRule('UN', 'tail', 'rear').colours).toEqual(['red']);
  });

  it('hold nothing twice', () => {
    const keys = COLOUR_RULES.map((rule) => `${rule.region} ${rule.does} ${rule.end ?? ''}`);
    expect(new Set(keys).size).toBe(keys.length);
    const topics = REGION_RULES.map((rule) => `${rule.region} ${rule.topic}`);
    expect(new Set(topics).size).toBe(topics.length);
  });

  it('say the flash rate that the flash rule computes with', () => {
    expect(regionRule('UN', 'flash rate')?.text).toContain('90 ± 30');
    expect(regionRule('US', 'flash rate')?.text).toContain('60 to 120');
  });
});

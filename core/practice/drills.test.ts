import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { seeded } from '../numerics/random.ts';
import { DRILL_KINDS, type DrillQuestion } from './drill.ts';
import { drillQuestion } from './drills.ts';
import { askedWords, optionWords, whyWords } from './drillWords.ts';

const jobs = demoJobs();
function drawn(kind: (typeof DRILL_KINDS)[number], count: number): DrillQuestion[] {
  const random = seeded(kind.length);
  return Array.from({ length: count }, () => {
    const question = drillQuestion(kind, jobs, DEMO_SHELF, random);
    if (!question) throw new Error(`no question of ${kind}`);
    return question;
  });
}

describe.each(DRILL_KINDS)('the drill %s', (kind) => {
  it('asks in words, has one right option among others, and says why', () => {
    const questions = drawn(kind, 8);
    for (const question of questions) {
      expect(question.right).toBeGreaterThanOrEqual(0);
      expect(question.right).toBeLessThan(question.options.length);
      expect(new Set(question.options.map((_, at) => optionWords(question, at))).size).toBe(
        question.options.length,
      );
      expect(askedWords(question)).toMatch(/\?$/);
      expect(whyWords(question).length).toBeGreaterThan(30);
    }
    expect(new Set(questions.map((question) => askedWords(question))).size).toBeGreaterThan(
      kind === 'socket' ? 2 : 4,
    );
    expect(new Set(drawn(kind, 20).map(({ right }) => right)).size).toBeGreaterThan(1);
  });

  it('asks the same by the same seed', () => {
    expect(drawn(kind, 3)).toEqual(drawn(kind, 3));
  });
});

describe('the answers', () => {
  it('of wires: the feed that is asked for is there with its own switch, and nowhere else so', () => {
    for (const question of drawn('wires', 8)) {
      if (question.kind !== 'wires') continue;
      const mine = question.readings[question.right] ?? [];
      expect(mine.some(({ volts, bounces }) => bounces || volts > 1)).toBe(true);
    }
  });

  it('of sockets are those of the corners: opposite, on one flank, at one end', () => {
    for (const question of drawn('socket', 20)) {
      if (question.kind !== 'socket') continue;
      const [a, b] = question.earths;
      const opposite = a + b === 3;
      const flank = Math.floor(a / 2) === Math.floor(b / 2);
      expect(question.options[question.right]).toBe(opposite ? 'standard' : flank ? 'ck' : 'measure-again');
    }
  });

  it('of resistors keep both limits over their tolerance, and no other option does', () => {
    for (const question of drawn('resistor', 8)) {
      if (question.kind !== 'resistor') continue;
      const { interval, tolerance, options, right } = question;
      options.forEach((ohms, at) => {
        const keeps =
          ohms * (1 + tolerance) <= interval.maxOhms && ohms * (1 - tolerance) >= interval.minOhms;
        expect(keeps).toBe(at === right);
      });
    }
  });
});

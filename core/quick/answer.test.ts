import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { decidedShare, seeded, someQuestions } from '../../tests/fuzz/decidedShare.ts';
import type { WholeLampPart } from '../model/part.ts';
import { eitherOf } from '../possible/union.ts';
import { verdictsOf } from '../possible/verdicts.ts';
import { waysOf } from '../possible/ways.ts';
import { wordsOfAnswer } from '../words/quick.ts';
import { saySteps } from '../words/work/sayStep.ts';
import { vehicleCureSteps } from '../work/steps/cureSteps.ts';
import { quickAnswer } from './answer.ts';
import { quickCure } from './cure.ts';
import { quickLook } from './looks.ts';
import { type QuickQuestion, type QuickTrial, quickQuestion } from './question.ts';

const AT = '2026-11-26T10:00:00.000Z';
const answer = (question: QuickQuestion) => {
  const answered = quickAnswer(question, DEMO_SHELF, 'quick', AT);
  return { ...answered, ...wordsOfAnswer(answered) };
};
const REAR: QuickQuestion = {
  ...quickQuestion('rear-turn'),
  bulb: 'P21W',
  led: { kind: 'plain', watts: 3, forVolts: null },
};
const trial = (result: QuickTrial['result'], change: Partial<QuickTrial> = {}): QuickTrial => ({
  result,
  side: 'left',
  lights: false,
  engine: false,
  supplyVolts: null,
  ...change,
});

describe('a quick check of two rear turn LEDs on an unknown car', () => {
  const known = answer(REAR);

  it('could go either way, and says on which flasher it does what', () => {
    expect(known.state).toBe('either-way');
    expect(known.split.map((row) => row.flasher).toSorted()).toEqual([
      'controller',
      'non-watching-relay',
      'thermal',
      'watching-relay',
    ]);
    expect(known.split.find((row) => row.flasher === 'non-watching-relay')?.state).toBe('holds');
    expect(known.headline).toMatch(/^Could go either way/);
  });

  it('names the cheapest look that tells most', () => {
    expect(quickLook(REAR, known)).toMatchObject({ id: 'listen', minutes: 1 });
    const silent = answer({ ...REAR, heard: 'silence' });
    expect(silent.split.map((row) => row.flasher).toSorted()).toEqual(['controller', 'non-watching-relay']);
    const look = quickLook({ ...REAR, heard: 'silence' }, silent);
    expect(look?.id).toBe('trial');
  });

  it('of lamps that do not flash never says that it flashes, whatever a stranger’s question was told', () => {
    const reverse = {
      ...quickQuestion('reverse'),
      led: REAR.led,
      vehicle: 'car' as const,
      trials: [trial('fast')],
    };
    expect(answer(reverse).headline).not.toMatch(/flash/);
  });

  it('is narrowed by one trial: what was seen is known, and who cannot have done it goes', () => {
    const fast = answer({ ...REAR, trials: [trial('fast')] });
    expect(fast.state).toBe('falls-short');
    expect(fast.headline).toBe('It flashes fast, as you saw');
    expect(fast.split.map((row) => row.flasher)).not.toContain('non-watching-relay');
    const message = answer({ ...REAR, trials: [trial('message')] });
    expect(message.asked.job.vehicle.flasher.kind).toBe('controller');
    expect(message.asked.job.vehicle.facts?.flashers).toBeUndefined();
  });

  it('keeps what fits no way apart, and says so', () => {
    const relay = { ...REAR, flasher: 'non-watching-relay' as const };
    const odd = answer({ ...relay, trials: [trial('message')] });
    expect(odd.contradiction).toMatch(/fits no way/);
    expect(odd.state).toBe(answer(relay).state);
  });

  it('promises no cure by what nobody has looked at', () => {
    const { best, supposing } = quickCure(known.asked);
    expect(best).toBeNull();
    expect(supposing.length).toBeGreaterThan(0);
    for (const { option } of supposing) expect(option.supposes?.length).toBeGreaterThan(0);
    const relay = quickCure(answer({ ...REAR, flasher: 'watching-relay' }).asked);
    expect(relay.best?.option.kinds).toContain('flasher-relay');
  });
});

describe('what makes every further question idle', () => {
  it('is a 12 V LED on 24 V', () => {
    const lorry = answer({
      ...quickQuestion('rear-turn'),
      vehicle: 'lorry',
      led: { kind: 'plain', watts: 3, forVolts: 12 },
    });
    expect(lorry).toMatchObject({ state: null, headline: 'Stop: a 12 V LED on 24 V' });
  });

  it('is a whole lamp whose turn section is an empty socket: it converts nothing', () => {
    const lamp = DEMO_SHELF.find(
      (part): part is WholeLampPart =>
        part.kind === 'whole-lamp' &&
        part.sections.some((section) => section.does === 'turn' && section.light.kind === 'socket'),
    );
    if (!lamp) throw new Error('the demo shelf has no such lamp');
    const empty = answer({ ...quickQuestion('rear-turn'), led: { kind: 'part', partId: lamp.id } });
    expect(empty).toMatchObject({ state: null, headline: 'It converts nothing here' });
  });

  it('is a base that does not go in; a bulb nobody named follows the LED’s base', () => {
    const led = { kind: 'part' as const, partId: 'led-tern-3a' };
    expect(answer({ ...quickQuestion('rear-turn'), bulb: '3157', led }).headline).toBe('It does not go in');
    const { job, lampIds } = answer({ ...quickQuestion('reverse'), led }).asked;
    expect(job.vehicle.lamps.find((lamp) => lamp.id === lampIds[0])?.base).toBe('BA15s');
  });
});

it('judges a twin LED of more watts than a small string leaves room for: its inside is a converter then', () => {
  const led = { kind: 'load' as const, watts: 21, forVolts: null };
  expect(answer({ ...quickQuestion('stop-tail'), year: 1975, led }).state).not.toBeNull();
});

describe('a moped with a relay that does not watch', () => {
  const question = {
    ...quickQuestion('all-turn'),
    vehicle: 'moped' as const,
    flasher: 'non-watching-relay' as const,
    led: { kind: 'plain' as const, watts: 1, forVolts: null },
  };

  it('may have one pilot for both sides, and then all four flash: nobody said, and a look at the dash tells', () => {
    const open = answer(question);
    expect(open.state).toBe('either-way');
    expect(open.headline).toBe('Could go either way: normal, or all four flashing');
    expect(quickLook(question, open)?.id).toBe('pilot');
  });

  it('holds where a normal flash was seen: there was no such pilot', () => {
    const trial = {
      result: 'normal' as const,
      side: 'left' as const,
      lights: false,
      engine: true,
      supplyVolts: null,
    };
    expect(answer({ ...question, trials: [trial] }).state).toBe('holds');
  });
});

describe('a relay for a socket of two terminals', () => {
  const question = {
    ...quickQuestion('rear-turn'),
    bulb: '1157',
    region: 'US' as const,
    year: 1985,
    flasher: 'thermal' as const,
    led: { kind: 'plain' as const, watts: 3, forVolts: null },
  };

  it('is named with the earth wire it needs, which is a part and a step', () => {
    const { asked } = answer(question);
    const { best } = quickCure(asked);
    expect(best?.option.name).toMatch(/with an earth wire laid to it$/);
    expect(best?.parts.join()).toMatch(/EYE|ring|earth/i);
    expect(best?.needs.join()).toMatch(/bare body metal near it for its earth/);
    const job = { ...asked.job, vehicleCures: [...(best?.option.change?.vehicleCures ?? [])] };
    const [step] = saySteps(vehicleCureSteps(job), job, asked.shelf);
    expect(step?.text).toMatch(/Ground: the stock relay had none; the new one needs .*bare body metal/);
  });
});

describe('lamps that do not flash', () => {
  it('say no word of it', () => {
    const { asked, headline, why, rests, ...dome } = answer(quickQuestion('interior'));
    expect(dome.state).toBe('either-way');
    expect(JSON.stringify({ headline, why, rests })).not.toMatch(/flash|hazard|turn/i);
    expect(asked.lampIds).toEqual(['interior']);
  });

  const led = { kind: 'plain' as const, watts: 4, forVolts: null };
  const trial = (result: 'normal' | 'message', brief = false) => ({
    result,
    side: 'left' as const,
    lights: false,
    engine: true,
    ...(brief ? { brief: true as const } : {}),
    supplyVolts: null,
  });

  // Common practice: what watches, and whether at all, differs from maker to maker.
  it.each(['reverse', 'plate', 'stop-tail', 'rear-fog'] as const)(
    'as %s are watched or not, nobody knows, on a controller too; a trial says which',
    (lamps) => {
      const question = { ...quickQuestion(lamps), vehicle: 'car' as const, year: 2018, led };
      const open = answer(question);
      expect(open.state).toBe('either-way');
      expect(open.headline).toBe('It may raise a bulb message, or nothing');
      const message = answer({ ...question, trials: [trial('message')] });
      expect(message.state).toBe('falls-short');
      expect(message.headline).toBe('It raises a bulb message, as you saw');
      const quiet = answer({ ...question, trials: [trial('normal')] });
      // A message may yet come at the first cold start: it is told, and settles nothing.
      expect(quiet.state).toBe('either-way');
      if (lamps !== 'stop-tail')
        expect(quiet.why).toMatch(/^Seen with just this fitted: no message.*first start/);
      expect(answer({ ...question, trials: [trial('normal', true)] }).why).not.toMatch(/Seen with/);
      expect(answer({ ...question, trials: [trial('normal'), trial('message')] }).state).toBe('falls-short');
    },
  );
});

/** So many here; `npm run fuzz` draws two thousand. */
const DRAWN = Number(process.env.VUMBLE_FUZZ ?? 0) > 0 ? 2000 : 12;

describe('what a quick check answers', () => {
  const random = seeded(11);
  const questions = someQuestions(6, random);

  it('is what all of its possibilities say together, each asked by itself', () => {
    for (const question of questions) {
      const { state, asked } = answer(question);
      const alone = waysOf(asked.job, asked.shelf).map((way) => {
        const { leds } = verdictsOf(way.job, way.shelf);
        const sides = leds.circuits.filter(
          ({ side }) => question.sides === 'both' || side === question.sides,
        );
        const all = [
          ...sides.map((each) => each.state),
          ...(sides.length > 1 && leds.hazard ? [leds.hazard.state] : []),
        ];
        return (['too-much', 'falls-short', 'either-way', 'holds'] as const).find((each) =>
          all.includes(each),
        );
      });
      expect(state).toBe(eitherOf(alone.map((each) => each ?? 'holds')));
    }
  });

  it('is what the job it is kept as says', () => {
    for (const question of questions.filter(({ sides }) => sides === 'both').slice(0, 4)) {
      const { state, asked } = answer(question);
      expect(verdictsOf(asked.job, asked.shelf).leds.state).toBe(state);
    }
  });

  it('is never wrong where it is decided, before a trial and after it, whatever the vehicle truly is', () => {
    const { atOnce, afterTrial, wrong } = decidedShare(questions, DRAWN, random);
    console.log(`of ${DRAWN} hidden vehicles decided: ${atOnce} at once, ${afterTrial} after one trial`);
    expect(wrong).toEqual([]);
    expect(afterTrial).toBeGreaterThan(atOnce);
  }, 3_600_000);
});

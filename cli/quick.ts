import { findBulbs } from '../core/catalogue/bulbs.ts';
import { nearWords } from '../core/catalogue/nearBulbs.ts';
import type { TrialResult } from '../core/model/evidence.ts';
import { STEADY_RESULTS, TRIAL_RESULTS } from '../core/model/trialResults.ts';
import { FlasherKind } from '../core/model/vehicle/flasher.ts';
import { VehicleKind } from '../core/model/vehicle/vehicle.ts';
import { quickAnswer } from '../core/quick/answer.ts';
import { mayTake, notForThem } from '../core/quick/bulbChoices.ts';
import { quickCure } from '../core/quick/cure.ts';
import { quickLook } from '../core/quick/looks.ts';
import { isAboutTurns, QuickLamps, QuickQuestion, quickQuestion } from '../core/quick/question.ts';
import { wordsOfLook } from '../core/words/looks.ts';
import { wordsOfAnswer } from '../core/words/quick.ts';
import { DEMO_SHELF } from '../demo/shelf.ts';

export const QUICK_OPTIONS = {
  lamps: { type: 'string' },
  bulb: { type: 'string' },
  led: { type: 'string' },
  watts: { type: 'string' },
  sides: { type: 'string' },
  vehicle: { type: 'string' },
  year: { type: 'string' },
  market: { type: 'string' },
  flasher: { type: 'string' },
  'system-volts': { type: 'string' },
  trial: { type: 'string', multiple: true },
} as const;

export type QuickFlags = { [K in Exclude<keyof typeof QUICK_OPTIONS, 'trial'>]?: string } & {
  trial?: string[];
};

const GENERIC = ['plain', 'regulated', 'load', 'unknown'] as const;

/** The question some flags are, or what is wrong with them and what to write. */
export function questionOf(flags: QuickFlags): { question: QuickQuestion } | { problem: string } {
  const lamps = QuickLamps.safeParse(flags.lamps);
  if (!lamps.success) return { problem: `--lamps is one of ${QuickLamps.options.join(', ')}.` };
  const bulb = flags.bulb === undefined ? null : findBulbs(flags.bulb)[0];
  if (bulb === undefined)
    return {
      problem: `No bulb is called "${flags.bulb}". ${nearWords(flags.bulb ?? '')} Write its number, P21W or 1156.`,
    };
  if (bulb && !mayTake(lamps.data, bulb)) return { problem: notForThem(lamps.data, bulb) };
  const led = ledOf(flags);
  if ('problem' in led) return led;
  const trials: QuickQuestion['trials'] = [];
  for (const text of flags.trial ?? []) {
    const trial = trialOf(text);
    if ('problem' in trial) return trial;
    if (!isAboutTurns(lamps.data) && !STEADY_RESULTS.some((each) => each === trial.trial.result))
      return {
        problem: `These lamps do not flash, so that a trial of them shows ${STEADY_RESULTS.join(', ')}, not ${trial.trial.result}.`,
      };
    trials.push(trial.trial);
  }
  const number = (text: string | undefined) => (text === undefined ? null : Number(text));
  const parsed = QuickQuestion.safeParse({
    ...quickQuestion(lamps.data),
    vehicle: flags.vehicle ?? 'car',
    sides: flags.sides ?? 'both',
    bulb: bulb?.id ?? null,
    bulbRead: bulb !== null,
    led: led.led,
    year: number(flags.year),
    region: flags.market ?? null,
    flasher: flags.flasher ?? null,
    systemVolts: number(flags['system-volts']),
    trials,
  });
  if (parsed.success) return { question: parsed.data };
  return {
    problem: HELP[String(parsed.error.issues[0]?.path[0])] ?? 'That is no question. See vumble help.',
  };
}

const HELP: Record<string, string> = {
  vehicle: `--vehicle is one of ${VehicleKind.options.join(', ')}.`,
  sides: '--sides is both, left or right.',
  led: '--watts is a number of watts, as 3 or 1.5.',
  year: '--year is a year from 1920 to 2100.',
  region: '--market is UN or US.',
  flasher: `--flasher is one of ${FlasherKind.options.join(', ')}.`,
  systemVolts: '--system-volts is 6, 12 or 24.',
};

function ledOf({ led = 'unknown', watts }: QuickFlags): { led: unknown } | { problem: string } {
  if (GENERIC.some((each) => each === led))
    return {
      led: { kind: led, watts: watts === undefined ? null : Number(watts.replace(',', '.')), forVolts: null },
    };
  const part = DEMO_SHELF.find((each) => each.id === led || each.code.toLowerCase() === led.toLowerCase());
  if (part?.kind === 'led' || part?.kind === 'whole-lamp') return { led: { kind: 'part', partId: part.id } };
  return { problem: `--led is ${GENERIC.join(', ')}, or the code of an LED of the demo shelf.` };
}

/** `fast,lights-off,engine-off,left`: the result first, the rest in any order. */
function trialOf(text: string): { trial: QuickQuestion['trials'][number] } | { problem: string } {
  const [result, ...rest] = text.split(',').map((each) => each.trim());
  const known = TRIAL_RESULTS.find((each): each is TrialResult => each === result);
  const strange = rest.find((each) => !CONDITIONS.includes(each));
  if (!known || strange !== undefined)
    return {
      problem: `--trial is a result (${TRIAL_RESULTS.join(', ')}), then any of ${CONDITIONS.join(', ')}, with commas between.`,
    };
  return {
    trial: {
      result: known,
      lights: rest.includes('lights-on'),
      engine: rest.includes('engine-on'),
      side: rest.includes('right') ? 'right' : 'left',
      supplyVolts: null,
    },
  };
}

const CONDITIONS = ['lights-on', 'lights-off', 'engine-on', 'engine-off', 'left', 'right'];

/** What `quick` prints of a question. */
export function quickOf(question: QuickQuestion) {
  const answer = quickAnswer(question, DEMO_SHELF, 'quick', new Date().toISOString());
  const { asked, state, rate, allFour } = answer;
  const { rests, ...words } = wordsOfAnswer(answer);
  const look = quickLook(question, answer);
  const cure = state === null || state === 'holds' ? null : quickCure(asked);
  const row = ({
    option,
    reason,
    price,
    parts,
    cautions,
  }: NonNullable<NonNullable<typeof cure>['best']>) => ({
    name: option.name,
    supposes: option.supposes ?? [],
    parts,
    price,
    reason,
    cautions,
  });
  return {
    state,
    ...words,
    rate,
    allFour,
    split: rests.map(({ on, ...row }) => ({ ...row, where: `On ${on}` })),
    look: look && { ...look, ...wordsOfLook(look.id, asked.job.vehicle.region) },
    cure: cure && {
      best: cure.best && row(cure.best),
      supposing: cure.supposing.map(row),
      tried: cure.tried,
    },
  };
}

/** The answer for a terminal. */
export function quickInWords({
  headline,
  why,
  split,
  look,
  cure,
  contradiction,
  mind,
}: ReturnType<typeof quickOf>): string {
  return [
    headline,
    why,
    ...(contradiction ? [contradiction] : []),
    ...(mind ? [`Mind: ${mind}`] : []),
    ...split.map((row) => `  ${row.where}: ${row.text}`),
    ...(look ? [`What decides, ${look.minutes} min: ${look.act}. ${look.means}`] : []),
    ...(cure?.best
      ? [
          `Holds whatever is unknown: ${cure.best.name}, ${cure.best.price.toFixed(2)}`,
          ...cure.best.cautions.map((caution) => `  Mind: ${caution}`),
        ]
      : []),
    ...(cure && !cure.best ? [`None of ${cure.tried} cures holds whatever is still unknown.`] : []),
    ...(cure?.supposing ?? []).map((each) => `  If ${each.supposes.join(', and ')}: ${each.name}`),
  ].join('\n');
}

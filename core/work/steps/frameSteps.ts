import { capital } from '../../formatting/format.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import { scopeLamps } from '../../model/scope.ts';
import type { Lamp, Side } from '../../model/vehicle/lamp.ts';
import { ledOf, networksOf } from '../../simulation/fitment.ts';
import { howToLight } from '../../vehicle/lampWork.ts';
import type { Round } from '../order/route.ts';
import type { FitStep } from './fitStep.ts';

type Frame = Pick<FitStep, 'id' | 'kind' | 'title' | 'text' | 'minutes'> & Partial<FitStep>;

/** A step that is about no lamp. */
function frame(place: string, step: Frame): FitStep {
  return { lampId: null, openingId: null, cautions: [], timedAs: step.kind, place, ...step };
}

/** Stock bulbs that were lit: so long until they can be touched, minutes (typical for 21 W). */
const COOL_MINUTES = 3;
const HOT_RESISTORS =
  'Resistors are hot after this: keep off them, and feel for heat only near them, never on them.';

/** Before anything is opened: the vehicle made safe, the parts looked at, what is in the way taken out. */
export function firstSteps(job: Job, shelf: Shelf, after: readonly string[]): FitStep[] {
  const { inTheWay, highVoltage } = job.vehicle.facts ?? {};
  const parts = [...new Set(job.vehicle.lamps.flatMap((lamp) => ledOf(job, shelf, lamp.id) ?? []))].filter(
    (part, at, all) => all.findIndex((each) => each.id === part.id) === at,
  );
  return [
    ...(parts.length > 0
      ? [
          frame('Bench', {
            id: 'receive',
            kind: 'bench',
            title: 'Look at the parts before anything is opened',
            text: 'Plug, pins and tabs against the old ones, which way up, and each lights on a battery. A wrong part found now is a return; found later it is the day.',
            minutes: [0.5, 6],
            ticks: parts
              .slice(0, 30)
              .map((part) =>
                part.polarity === 'one-way'
                  ? `${part.code} lights on 9 V, plus marked`
                  : `${part.code} lights on 9 V`,
              ),
            impliedBy: after,
          }),
        ]
      : []),
    frame('Driver’s seat', {
      id: 'prepare',
      kind: 'safe',
      title: 'Make the vehicle safe',
      text: 'Parking brake on, wheels chocked, key out, all lamps off. Let the bulbs cool.',
      cautions: [
        'Bulbs that were lit burn fingers. Stock bulbs come out before any lamp is switched on for testing.',
        ...(highVoltage ? ['High voltage: qualified people only, and nobody touches an orange cable.'] : []),
      ],
      minutes: [0.5, 5],
      timer: { what: 'cool', minutes: COOL_MINUTES },
    }),
    ...(inTheWay
      ? [
          frame('Walk round', {
            id: 'in-the-way',
            kind: 'open',
            title: `Take out what is in the way: ${inTheWay.what}`,
            text: 'Note how it sits and where its plugs go; it goes back when every lamp is tested.',
            minutes: [inTheWay.minutes * 0.7, inTheWay.minutes * 1.5],
            timedAs: 'open in-the-way',
          }),
        ]
      : []),
  ];
}

/** What is switched on before a round looks at lamps, once for all of them. */
export function switchOnStep(
  job: Job,
  round: Round,
  lamps: readonly Lamp[],
  after: readonly string[],
): FitStep {
  const ways = [...new Set(lamps.map((lamp) => howToLight(job.vehicle, lamp)))];
  const brake = ways.some((way) => way.includes('brake'));
  return frame('Driver’s seat', {
    id: `switch-on-${round.of}`,
    kind: 'switch',
    title: 'Switch on what is tested now',
    text: `${capital(ways.join('; '))}. It stays on for the round.${brake ? ' Hold the pedal down with a prop.' : ''}`,
    cautions: [
      'No stock bulb is in a lamp that was worked on: they get hot in seconds.',
      'The battery is a budget: off again when the round is done.',
    ],
    minutes: [0.3, 2],
    impliedBy: after,
  });
}

/** After a round: everything off, so that nothing gets hot or drains the battery. */
export function switchOffStep(round: Round, after: readonly string[]): FitStep {
  return frame('Driver’s seat', {
    id: `switch-off-${round.of}`,
    kind: 'switch',
    title: 'Everything off again',
    text: 'Key out, lights off, prop off the pedal.',
    minutes: [0.2, 1],
    impliedBy: after,
  });
}

/** The battery off for all that needs it, and on again. */
export function batteryStep(act: 'battery-off' | 'battery-on', of: Round['of']): FitStep {
  const off = act === 'battery-off';
  return frame('Battery', {
    id: `${act}-${of}`,
    kind: 'battery',
    title: off ? 'Take the battery off' : 'Put the battery back on',
    text: off
      ? 'Key out first, minus lead off first and away from its post. Note codes of radio and windows before.'
      : 'Plus first, minus last. Clock, windows and radio as the vehicle’s maker says.',
    minutes: off ? [3, 6] : [2, 5],
  });
}

/**
 * One side converted, the other still stock: now they can be compared.
 *
 * @param later what of the cure comes after the lamps and decides how they flash; till then nobody can ask for a rate
 */
export function compareStep(side: Side, both: boolean, later: string | null): FitStep {
  const waits = later && `How fast it flashes is not asked yet: ${later} comes after the lamps.`;
  if (!both)
    return frame('Walk round', {
      id: `compare-${side}`,
      kind: 'compare',
      title: `Test the ${side} side whole`,
      text: `Key on, ${side} turn. All its lamps light${waits ? `. ${waits}` : ', at the normal rate.'} Then everything off.`,
      minutes: [0.4, 3],
      helper: {
        say: `Key on, ${side} turn`,
        see: `every lamp of the ${side} side${waits ? '' : ', at the normal rate'}`,
      },
    });
  return frame('Walk round', {
    id: `compare-${side}`,
    kind: 'compare',
    title: 'Compare the two sides',
    text: `Left turn, then right turn: one side is converted and the other still stock. They should ${
      waits
        ? `show the same colour, every lamp lit. ${waits} The converted side may well flash fast or raise a message until then.`
        : `flash at the same rate and show the same colour. If the ${side} side is fast, find out why before touching the other.`
    } Then everything off.`,
    minutes: [0.5, 4],
    helper: {
      say: 'Left turn. Then right turn',
      see: waits ? 'every lamp, the same colour' : 'both sides at the same rate, the same colour',
    },
  });
}

/** What ends a job: everything on for a while, the old bulbs put away. */
export function lastSteps(job: Job, flashing: boolean): FitStep[] {
  const { inTheWay } = job.vehicle.facts ?? {};
  return [
    ...(inTheWay
      ? [
          frame('Walk round', {
            id: 'in-the-way-back',
            kind: 'close',
            title: `Put back what was in the way: ${inTheWay.what}`,
            text: 'Every lamp has been seen lit. Its plugs go back where they were.',
            minutes: [inTheWay.minutes * 0.3, inTheWay.minutes * 0.6],
            timedAs: 'open in-the-way',
            impliedBy: ['keep-stock'],
          }),
        ]
      : []),
    flashing ? hazardRun(job) : longRun(job),
    frame('Bench', {
      id: 'keep-stock',
      kind: 'file',
      title: 'Put the stock bulbs away',
      text: 'Labelled with lamp and vehicle. Write where they are kept on the Hand over stage.',
      minutes: [0.3, 3],
    }),
  ];
}

function hazardRun(job: Job): FitStep {
  const { vehicle } = job;
  return frame('Driver’s seat', {
    id: 'hazard',
    kind: 'run',
    title: vehicle.hazardSwitch ? 'Run hazard for two minutes' : 'Run each turn side for a minute',
    text: 'Engine off. Count the flashes; then the measured rates go on the Prove stage.',
    cautions: networksOf(job).length > 0 ? [HOT_RESISTORS] : [],
    minutes: [2, 4],
  });
}

function longRun(job: Job): FitStep {
  const loaded = networksOf(job).length > 0;
  const ways = [...new Set(scopeLamps(job).map((lamp) => howToLight(job.vehicle, lamp)))];
  return frame('Walk round', {
    id: 'long-run',
    kind: 'run',
    title: 'Leave what was converted on for five minutes',
    text: `${capital(ways.join('; '))}. Look for flicker and for a message; then off, and in the dark look that nothing glows. What was seen goes on the Prove stage.`,
    cautions: loaded ? [HOT_RESISTORS] : [],
    minutes: [6, 8],
  });
}

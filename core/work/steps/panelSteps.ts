import { capital } from '../../formatting/format.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import { ledOf, networksOf } from '../../simulation/fitment.ts';
import { howToLight } from '../../vehicle/lampWork.ts';
import type { OpenedWith } from '../access/openings.ts';
import { closingTicks, countWords, HAZARD_WORDS, losable, undoWords } from '../access/words.ts';
import type { FitStep } from './fitStep.ts';
import { hasWork, lampSteps } from './lampSteps.ts';

const half = (minutes: readonly [number, number]): [number, number] => [minutes[0] / 2, minutes[1] / 2];

/** Opening a panel, and what is done behind it. */
export function openSteps(job: Job, shelf: Shelf, opened: OpenedWith): FitStep[] {
  const working = opened.lamps.filter((lamp) => hasWork(job, shelf, lamp));
  return [openStep(opened, working), ...working.flatMap((lamp) => lampSteps(job, shelf, lamp))];
}

function openStep({ opening, structured, texts }: OpenedWith, working: readonly Lamp[]): FitStep {
  const tools = `Tools: ${opening.tools.join(', ') || 'none'}.`;
  const airbag = opening.hazards.includes('curtain-airbag');
  const wait = opening.airbagWaitMinutes;
  const blocked =
    airbag && wait === undefined
      ? 'How long to wait after the battery is off is for the vehicle’s maker to say. Look it up and enter it on Identify, under how this is opened.'
      : undefined;
  const counted = countWords(opening);
  return {
    id: `open-${opening.id}`,
    kind: 'open',
    lampId: working[0]?.id ?? null,
    openingId: opening.id,
    place: working[0]?.name ?? opening.name,
    title: `Open: ${(working[0]?.name ?? opening.name).toLowerCase()}`,
    text: [
      opening.where ? `${capital(opening.where)}.` : '',
      structured ? '' : texts.join(' '),
      structured && opening.usual && !opening.corrected
        ? 'As most of its kind are; look before you pull.'
        : '',
      tools,
      structured
        ? counted && `Keep them in order: ${counted}.`
        : 'Ease every screw a little before taking any out, and keep them in order.',
      opening.differs ? `Other side: ${opening.differs}.` : '',
    ]
      .filter(Boolean)
      .join(' '),
    cautions: opening.hazards.map((hazard) => HAZARD_WORDS[hazard]),
    minutes: half(opening.minutes),
    timedAs: `open ${opening.usual ?? opening.id}`,
    losable: losable(opening),
    ...(opening.undo.length > 0 ? { ticks: opening.undo.map(undoWords) } : {}),
    ...(airbag ? { timer: { what: 'airbag' as const, minutes: wait ?? null } } : {}),
    ...(blocked === undefined ? {} : { blocked }),
  };
}

/** Seeing what was worked on lit, before its panel is closed. */
export function testStep(job: Job, shelf: Shelf, { opening, lamps }: OpenedWith): FitStep[] {
  const working = lamps.filter((lamp) => hasWork(job, shelf, lamp));
  const [first] = working;
  if (!first) return [];
  const alike = lamps.filter((lamp) => working.some((each) => each.base === lamp.base));
  const ways = [...new Set(working.map((lamp) => howToLight(job.vehicle, lamp)))];
  const oneWay = working.filter((lamp) => ledOf(job, shelf, lamp.id)?.polarity === 'one-way');
  const ticks = [
    // Neighbours of one base are easily exchanged: each is seen lit by its own switch.
    ...(alike.length > 1
      ? alike.map((lamp) => `${lamp.name} lights with: ${howToLight(job.vehicle, lamp)}`)
      : []),
    // Lit in its socket it is the right way round: that is proved before its panel is closed.
    ...oneWay
      .filter((lamp) => !job.polarity?.[lamp.id])
      .map((lamp) => `${lamp.name}: lit, so its polarity is right; which way round is written down`),
  ];
  return [
    {
      id: `test-${opening.id}`,
      kind: 'test',
      lampId: first.id,
      openingId: opening.id,
      place: first.name,
      title: 'Test before closing',
      text: `${testWords(job, working)}${working.some((lamp) => isTurn(job, lamp)) ? ' The rate is only right once the whole side is done.' : ''}`,
      cautions: networksOf(job).length > 0 ? ['Keep fingers off the resistors while the lamps are on.'] : [],
      minutes: [0.2, 2],
      timedAs: 'test',
      helper: {
        say: ways.join('. Then: '),
        see: working.map(({ name }) => name.toLowerCase()).join(' and '),
      },
      ...(ticks.length > 0 ? { ticks } : {}),
    },
  ];
}

/** Closing a panel: its opening reversed, with counts to tick. */
export function closeStep(job: Job, shelf: Shelf, { opening, lamps, structured }: OpenedWith): FitStep {
  const working = lamps.filter((lamp) => hasWork(job, shelf, lamp));
  const name = working[0]?.name ?? opening.name;
  const ticks = closingTicks(opening);
  const outside = working.some(({ end }) => end === 'front' || end === 'rear' || end === 'side');
  return {
    id: `close-${opening.id}`,
    kind: 'close',
    lampId: working[0]?.id ?? null,
    openingId: opening.id,
    place: name,
    title: `Close: ${name.toLowerCase()}`,
    text: 'Seal clean and without wrinkles, wires tucked and not pinched. Start all screws by hand, then tighten evenly and stop as soon as the part seats.',
    cautions: [],
    minutes: half(opening.minutes),
    timedAs: `open ${opening.usual ?? opening.id}`,
    losable: losable(opening),
    ...(structured && ticks.length > 0
      ? { ticks: [...(outside ? ['seal clean, no wrinkles, dust cover fully on'] : []), ...ticks] }
      : {}),
  };
}

function isTurn({ vehicle }: Job, lamp: Lamp): boolean {
  return circuitsOf(vehicle, lamp.id).some((circuit) => circuit.kind === 'turn');
}

/** `Key on, left turn: front left must light. Lights on: position left must light.` */
function testWords({ vehicle }: Job, lamps: readonly Lamp[]): string {
  const byWay = new Map<string, string[]>();
  for (const lamp of lamps) {
    const way = howToLight(vehicle, lamp);
    byWay.set(way, [...(byWay.get(way) ?? []), lamp.name.toLowerCase()]);
  }
  return [...byWay].map(([way, names]) => `${capital(way)}: ${names.join(' and ')} must light.`).join(' ');
}

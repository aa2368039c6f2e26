import { baseRecord } from '../../catalogue/bases.ts';
import type { Job } from '../../model/job.ts';
import type { LedPart, Shelf, WholeLampPart } from '../../model/part.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { bulbOf, ledOf, networksOf } from '../../simulation/fitment.ts';
import { lampAcross } from '../../vehicle/across.ts';
import { looseResistorsAt } from '../../wiring/looseResistors.ts';
import { pinMapOf } from '../../wiring/wholeLampPins.ts';
import type { FitStep } from './fitStep.ts';
import { harnessStep, resistorSteps } from './resistorSteps.ts';

/** Whether something is done at a lamp. */
export function hasWork(job: Job, shelf: Shelf, lamp: Lamp): boolean {
  return (
    ledOf(job, shelf, lamp.id) !== null ||
    networksOf(job).some((network) => network.lampId === lamp.id) ||
    renews(job, lamp.id)
  );
}

/** Whether a filament bulb that stays is to be renewed: dead, or somebody asked for it. */
function renews(job: Job, lampId: string): boolean {
  const record = job.lookOver.lamps[lampId];
  return record?.replace ?? record?.condition === 'dead';
}

/** What is done at one lamp once it can be got at: another bulb, then its resistors. */
export function lampSteps(job: Job, shelf: Shelf, lamp: Lamp): FitStep[] {
  const led = ledOf(job, shelf, lamp.id);
  const base = baseRecord(lamp.base);
  const bulb = bulbOf(job, lamp);
  const steps: FitStep[] = [];
  const whole = wholeLampAt(job, shelf, lamp);
  const at = { lampId: lamp.id, openingId: lamp.access.group, place: lamp.name };
  if (whole) {
    if (whole.lead) steps.push(wholeLampStep(job, lamp, whole.part));
  } else if (led) {
    steps.push({
      ...at,
      id: `swap-${lamp.id}`,
      kind: 'swap',
      title: `Swap ${bulb.names[0]} for ${led.code}`,
      text: `${base.release} Label the old bulb and keep it. Fit ${led.name} with clean gloves; see that it sits tight in its contacts (bend them in a little where it wiggles)${oneSided(lamp) ? ', its chips to the lens' : ''}. ${polarityWords(job, lamp, led)}`,
      cautions: neighbourCautions(job, lamp),
      minutes: [0.3, 4],
      timedAs: 'swap',
      ...(led.polarity === 'one-way' ? { polarityOf: lamp.id } : {}),
    });
  } else if (renews(job, lamp.id)) {
    steps.push({
      ...at,
      id: `renew-${lamp.id}`,
      kind: 'swap',
      title: `Renew the ${bulb.names[0]}`,
      text: `${base.release} Fit a new ${bulb.names[0]}.`,
      cautions: [],
      minutes: [0.3, 3],
      timedAs: 'swap',
    });
  }
  const networks = networksOf(job).filter((network) => network.lampId === lamp.id);
  for (const loose of looseResistorsAt(job, lamp.id)) steps.push(...resistorSteps(job, lamp, loose));
  const harness = networks.find((network) => network.plugged && network.input !== 'dim');
  if (harness) steps.push(harnessStep(job, shelf, lamp, harness));
  return steps;
}

/** Festoon and panel LEDs shine one way. */
const oneSided = ({ base }: Lamp) => base.startsWith('SV');

/** What is known of which way round an LED goes in. */
function polarityWords(job: Job, lamp: Lamp, led: LedPart): string {
  if (led.polarity !== 'one-way') return 'It lights either way round.';
  const twin = lampAcross(job.vehicle, lamp);
  const way = twin && job.polarity?.[twin.id]?.way;
  const same = way ? ` ${twin.name} went in so: ${way}.` : '';
  return baseRecord(lamp.base).reversible
    ? `If it stays dark, turn it half round.${same}`
    : `It lights one way round only and this base cannot be turned: check the contact’s polarity first, with a 9 V battery, a probe or the live plug.${same}`;
}

/** Sockets beside it that take the same bulb are easily exchanged. */
function neighbourCautions({ vehicle }: Job, lamp: Lamp): string[] {
  const alike = vehicle.lamps.filter(
    (each) => each.id !== lamp.id && each.access.group === lamp.access.group && each.base === lamp.base,
  );
  if (alike.length === 0) return [];
  return [
    `The holder of ${alike.map(({ name }) => name.toLowerCase()).join(' and ')} takes the same base: tag both before either is out.`,
  ];
}

/** The whole lamp that takes a lamp's place, and whether this is the one of its lamps that carries the step. */
function wholeLampAt(job: Job, shelf: Shelf, lamp: Lamp): { part: WholeLampPart; lead: boolean } | null {
  const part = shelf.find(
    (each): each is WholeLampPart => each.kind === 'whole-lamp' && each.id === job.chosen[lamp.id],
  );
  if (!part) return null;
  const first = job.vehicle.lamps.find(
    (each) =>
      each.side === lamp.side && job.chosen[each.id] === part.id && ledOf(job, shelf, each.id) !== null,
  );
  return { part, lead: first?.id === lamp.id };
}

function wholeLampStep(job: Job, lamp: Lamp, part: WholeLampPart): FitStep {
  const pins = part.pinMap.map(({ cavity, does }) => `${cavity} ${does}`).join(', ');
  const { changes } = pinMapOf(job.vehicle, lamp, part);
  return {
    id: `whole-${lamp.id}`,
    kind: 'whole',
    lampId: lamp.id,
    openingId: lamp.access.group,
    place: lamp.name,
    title: `Fit ${part.code} whole`,
    text: `Plug of ${part.connector}: ${pins}. Compare with the old plug by meter, pin by pin.${changes.length > 0 ? ` ${changes.join(' ')}` : ''} Clean both sealing faces, seat without wrinkles, hold the lamp in line while tightening; start every screw by hand.`,
    cautions: ['Test all its functions before the screws are tight.'],
    minutes: [8, 25],
    timedAs: 'whole',
    ticks: [
      ...part.movesOver.map((what) => `moved over: ${what}`),
      ...(lamp.module ? [`moved over: ${lamp.module}`] : []),
      'seal clean and without wrinkles',
      'grommet as deep as the old one sat',
      'unused plugs capped',
    ],
  };
}

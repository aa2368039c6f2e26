import { baseRecord } from '../catalogue/bases.ts';
import type { Job, ResistorNetwork } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Lamp, Side } from '../model/vehicle.ts';
import { ohms, watts } from '../quantities/format.ts';
import { bulbOf, ledOf, networksOf } from '../vehicle/fitment.ts';

/** One thing to do, small enough to tick off. */
export interface FitStep {
  /** stays the same when the plan changes elsewhere, so that ticks and notes stay with their step */
  id: string;
  lampId: string | null;
  /** where the installer stands */
  place: string;
  title: string;
  text: string;
  cautions: readonly string[];
  /** shortest and longest, minutes (typical) */
  minutes: readonly [number, number];
  /** what the picture beside the step shows */
  drawing: 'none' | 'bulb' | 'resistor';
}

const SIDES: readonly Side[] = ['left', 'right'];

/**
 * The work in order: make safe, then one side whole (each panel opened once, tested before it is closed),
 * compare it with the other side while that is still stock, then the other side, then both.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function fitSteps(job: Job, shelf: Shelf): FitStep[] {
  const sides = SIDES.filter((side) =>
    job.vehicle.lamps.some((lamp) => lamp.side === side && hasWork(job, shelf, lamp)),
  );
  if (sides.length === 0) return [];
  const steps = [...prepare()];
  sides.forEach((side, index) => {
    for (const group of accessGroups(job, side)) steps.push(...panelSteps(job, shelf, group));
    steps.push(index === 0 && sides.length > 1 ? compareSides(side) : sideTest(side));
  });
  return [...steps, ...finish()];
}

/** Sum of the steps that are left, minutes. */
export function minutesLeft(steps: readonly FitStep[], done: (id: string) => boolean): [number, number] {
  const open = steps.filter((step) => !done(step.id));
  return [
    open.reduce((sum, step) => sum + step.minutes[0], 0),
    open.reduce((sum, step) => sum + step.minutes[1], 0),
  ];
}

function networkAt(job: Job, lampId: string): ResistorNetwork | undefined {
  return networksOf(job).find((network) => network.lampId === lampId);
}

function hasWork(job: Job, shelf: Shelf, lamp: Lamp): boolean {
  return (
    ledOf(job, shelf, lamp.id) !== null ||
    networkAt(job, lamp.id) !== undefined ||
    job.lookOver.lamps[lamp.id]?.condition === 'dead'
  );
}

function accessGroups(job: Job, side: Side): Lamp[][] {
  const groups = new Map<string, Lamp[]>();
  for (const lamp of job.vehicle.lamps) {
    if (lamp.side !== side) continue;
    groups.set(lamp.access.group, [...(groups.get(lamp.access.group) ?? []), lamp]);
  }
  return [...groups.values()];
}

function prepare(): FitStep[] {
  return [
    {
      id: 'prepare',
      lampId: null,
      place: 'Driver’s seat',
      title: 'Make the vehicle safe',
      text: 'Parking brake on, wheels chocked, key out, all lamps off. Let the bulbs cool.',
      cautions: [
        'Bulbs that were lit burn fingers. Stock bulbs come out before any lamp is switched on for testing.',
      ],
      minutes: [2, 5],
      drawing: 'none',
    },
  ];
}

function panelSteps(job: Job, shelf: Shelf, lamps: readonly Lamp[]): FitStep[] {
  const working = lamps.filter((lamp) => hasWork(job, shelf, lamp));
  const first = working[0];
  if (!first) return [];
  const { access } = first;
  const half: [number, number] = [access.minutes[0] / 2, access.minutes[1] / 2];
  const place = first.name;
  const steps: FitStep[] = [
    {
      id: `open-${access.group}`,
      lampId: first.id,
      place,
      title: `Open: ${first.name.toLowerCase()}`,
      text: `${access.how} Tools: ${access.tools.join(', ') || 'none'}. Ease every screw a little before taking any out, and keep them in order.`,
      cautions: [],
      minutes: half,
      drawing: 'none',
    },
  ];
  for (const lamp of working) steps.push(...lampSteps(job, shelf, lamp));
  steps.push(
    {
      id: `test-${access.group}`,
      lampId: first.id,
      place,
      title: 'Test before closing',
      text: `Key on, ${first.side} turn: ${working.map((lamp) => lamp.name.toLowerCase()).join(' and ')} must light. The rate is only right once the whole side is done.`,
      cautions: ['Keep fingers off the resistors while the lamps are on.'],
      minutes: [1, 2],
      drawing: 'none',
    },
    {
      id: `close-${access.group}`,
      lampId: first.id,
      place,
      title: `Close: ${first.name.toLowerCase()}`,
      text: 'Seal clean and without wrinkles, wires tucked and not pinched. Start all screws by hand, then tighten evenly.',
      cautions: [],
      minutes: half,
      drawing: 'none',
    },
  );
  return steps;
}

function lampSteps(job: Job, shelf: Shelf, lamp: Lamp): FitStep[] {
  const led = ledOf(job, shelf, lamp.id);
  const base = baseRecord(lamp.base);
  const bulb = bulbOf(job, lamp);
  const steps: FitStep[] = [];
  if (led) {
    const turn = base.reversible
      ? 'If it stays dark, turn it half round.'
      : led.polarity === 'one-way'
        ? 'It lights one way round only and this base cannot be turned: check the contact’s polarity with a 9 V battery first.'
        : 'It lights either way round.';
    steps.push({
      id: `swap-${lamp.id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Swap ${bulb.names[0]} for ${led.code}`,
      text: `${base.release} Label the old bulb and keep it. Fit ${led.name} with clean gloves; see that it sits tight in its contacts. ${turn}`,
      cautions: [],
      minutes: [1, 4],
      drawing: 'bulb',
    });
  } else if (job.lookOver.lamps[lamp.id]?.condition === 'dead') {
    steps.push({
      id: `renew-${lamp.id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Renew the dead ${bulb.names[0]}`,
      text: `${base.release} Fit a new ${bulb.names[0]}.`,
      cautions: [],
      minutes: [1, 3],
      drawing: 'bulb',
    });
  }
  const network = networkAt(job, lamp.id);
  if (network) steps.push(...resistorSteps(lamp, network));
  return steps;
}

function resistorSteps(lamp: Lamp, network: ResistorNetwork): FitStep[] {
  const parts = network.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' and ');
  const many = network.pieces.length > 1;
  const joined = many
    ? network.connection === 'series'
      ? ', joined in a row'
      : ', joined side by side'
    : '';
  return [
    {
      id: `mount-${lamp.id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Mount ${parts} on ${lamp.resistorMount === 'chassis' ? 'the chassis' : 'bare panel metal'}`,
      text: `Bare metal, in air, clear of the loom, held by a screw. Check that the leads reach before drilling; paint the drilled edge.`,
      cautions: [
        'It gets past 100 °C. Never on plastic, rubber, carpet or against wiring.',
        'Look behind the panel before drilling.',
      ],
      minutes: [4, 10],
      drawing: 'resistor',
    },
    {
      id: `tap-${lamp.id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Tap ${parts} across the turn feed`,
      text: `One lead to the turn feed, the other to earth${joined}; which lead goes where does not matter. Prove the feed with the meter: it bounces with the flash. Crimp and shrink, for this lamp gets wet.`,
      cautions: [
        'Colour is a hint, the meter decides. On the tail feed the resistor does nothing for the flash and heats all night.',
      ],
      minutes: [4, 9],
      drawing: 'resistor',
    },
  ];
}

function compareSides(side: Side): FitStep {
  return {
    id: `compare-${side}`,
    lampId: null,
    place: 'Walk round',
    title: 'Compare the two sides',
    text: `Left turn, then right turn: one side is converted and the other still stock. They should flash at the same rate and show the same colour. If the ${side} side is fast, find out why before touching the other.`,
    cautions: [],
    minutes: [2, 4],
    drawing: 'none',
  };
}

function sideTest(side: Side): FitStep {
  return {
    id: `compare-${side}`,
    lampId: null,
    place: 'Walk round',
    title: `Test the ${side} side whole`,
    text: `Key on, ${side} turn. All its lamps light, at the normal rate.`,
    cautions: [],
    minutes: [1, 3],
    drawing: 'none',
  };
}

function finish(): FitStep[] {
  return [
    {
      id: 'hazard',
      lampId: null,
      place: 'Driver’s seat',
      title: 'Run hazard for two minutes',
      text: 'All lamps together, engine off. Count the flashes; then the measured rates go on the Prove stop.',
      cautions: [
        'Resistors are hot after this: keep off them, and feel for heat only near them, never on them.',
      ],
      minutes: [3, 4],
      drawing: 'none',
    },
    {
      id: 'keep-stock',
      lampId: null,
      place: 'Bench',
      title: 'Put the stock bulbs away',
      text: 'Labelled with lamp and vehicle. Write where they are kept on the Hand over stop.',
      cautions: [],
      minutes: [1, 3],
      drawing: 'none',
    },
  ];
}

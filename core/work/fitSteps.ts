// Longer than 300 lines: a job from first to last step, in the order it is done.

import { baseRecord } from '../catalogue/bases.ts';
import { capital, ohms, watts } from '../formatting/format.ts';
import { regionWords } from '../formatting/regionWords.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf, WholeLampPart } from '../model/part.ts';
import { flashes, scopeLamps } from '../model/scope.ts';
import type { Lamp, Side } from '../model/vehicle/lamp.ts';
import { circuitsFeeding, circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { bulbOf, ledOf, networksOf } from '../simulation/fitment.ts';
import { functionName, howToLight } from '../vehicle/functions.ts';
import { vehicleCureSteps } from './cureSteps.ts';
import type { FitStep } from './fitStep.ts';

const MOUNT_WORDS: Record<Lamp['resistorMount'], string> = {
  none: 'bare metal',
  panel: 'bare panel metal',
  chassis: 'the chassis',
  bracket: 'the lamp’s bracket, on standoffs',
  recess: 'the lamp’s recess',
  unknown: 'bare metal, if there is any: look first',
};

const SIDES: readonly Side[] = ['left', 'right'];

/**
 * The work in order: make safe, then one side whole (each panel opened once, tested before it is closed),
 * compare it with the other side while that is still stock, then the other side, then both.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function fitSteps(job: Job, shelf: Shelf): FitStep[] {
  const worked = (side: Lamp['side']) =>
    job.vehicle.lamps.some((lamp) => lamp.side === side && hasWork(job, shelf, lamp));
  const sides = SIDES.filter(worked);
  const others = vehicleCureSteps(job, shelf);
  if (sides.length === 0 && !worked('centre') && others.length === 0) return [];
  const steps = [...prepare(job)];
  sides.forEach((side, index) => {
    for (const group of accessGroups(job, side)) steps.push(...panelSteps(job, shelf, group));
    // Sides of which none flashes are told apart by looking, each panel has been tested by then.
    if (flashes(job)) steps.push(index === 0 && sides.length > 1 ? compareSides(side) : sideTest(side));
  });
  for (const group of accessGroups(job, 'centre')) steps.push(...panelSteps(job, shelf, group));
  const { region } = job.vehicle;
  const said = (text: string) => regionWords(region, text);
  return [...steps, ...others, ...finish(job)].map((step) => ({
    ...step,
    title: said(step.title),
    text: said(step.text),
    cautions: step.cautions.map(said),
  }));
}

/** Sum of the steps that are left, minutes. */
export function minutesLeft(steps: readonly FitStep[], done: (id: string) => boolean): [number, number] {
  const open = steps.filter((step) => !done(step.id));
  return [
    open.reduce((sum, step) => sum + step.minutes[0], 0),
    open.reduce((sum, step) => sum + step.minutes[1], 0),
  ];
}

function networksAt(job: Job, lampId: string): ResistorNetwork[] {
  return networksOf(job).filter((network) => network.lampId === lampId);
}

function hasWork(job: Job, shelf: Shelf, lamp: Lamp): boolean {
  return ledOf(job, shelf, lamp.id) !== null || networksAt(job, lamp.id).length > 0 || renews(job, lamp.id);
}

function accessGroups(job: Job, side: Lamp['side']): Lamp[][] {
  const groups = new Map<string, Lamp[]>();
  for (const lamp of job.vehicle.lamps) {
    if (lamp.side !== side) continue;
    groups.set(lamp.access.group, [...(groups.get(lamp.access.group) ?? []), lamp]);
  }
  return [...groups.values()];
}

function prepare({ vehicle }: Job): FitStep[] {
  const { inTheWay, highVoltage } = vehicle.facts ?? {};
  const out: FitStep[] = inTheWay
    ? [
        {
          id: 'in-the-way',
          lampId: null,
          place: 'Walk round',
          title: `Take out what is in the way: ${inTheWay.what}`,
          text: 'Note how it sits and where its plugs go; it goes back when every lamp is tested.',
          cautions: [],
          minutes: [inTheWay.minutes * 0.7, inTheWay.minutes * 1.5],
        },
      ]
    : [];
  return [
    {
      id: 'prepare',
      lampId: null,
      place: 'Driver’s seat',
      title: 'Make the vehicle safe',
      text: 'Parking brake on, wheels chocked, key out, all lamps off. Let the bulbs cool.',
      cautions: [
        'Bulbs that were lit burn fingers. Stock bulbs come out before any lamp is switched on for testing.',
        ...(highVoltage ? ['High voltage: qualified people only, and nobody touches an orange cable.'] : []),
      ],
      minutes: [2, 5],
    },
    ...out,
  ];
}

/** Whether a filament bulb that stays is to be renewed: dead, or somebody asked for it. */
function renews(job: Job, lampId: string): boolean {
  const record = job.lookOver.lamps[lampId];
  return record?.replace ?? record?.condition === 'dead';
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
    },
  ];
  for (const lamp of working) steps.push(...lampSteps(job, shelf, lamp));
  steps.push(
    {
      id: `test-${access.group}`,
      lampId: first.id,
      place,
      title: 'Test before closing',
      text: `${testWords(job, working)}${working.some((lamp) => isTurn(job, lamp)) ? ' The rate is only right once the whole side is done.' : ''}`,
      cautions: ['Keep fingers off the resistors while the lamps are on.'],
      minutes: [1, 2],
    },
    {
      id: `close-${access.group}`,
      lampId: first.id,
      place,
      title: `Close: ${first.name.toLowerCase()}`,
      text: 'Seal clean and without wrinkles, wires tucked and not pinched. Start all screws by hand, then tighten evenly.',
      cautions: [],
      minutes: half,
    },
  );
  return steps;
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

function lampSteps(job: Job, shelf: Shelf, lamp: Lamp): FitStep[] {
  const led = ledOf(job, shelf, lamp.id);
  const base = baseRecord(lamp.base);
  const bulb = bulbOf(job, lamp);
  const steps: FitStep[] = [];
  const whole = wholeLampAt(job, shelf, lamp);
  if (whole) {
    if (whole.lead) steps.push(wholeLampStep(lamp, whole.part));
  } else if (led) {
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
    });
  } else if (renews(job, lamp.id)) {
    steps.push({
      id: `renew-${lamp.id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Renew the ${bulb.names[0]}`,
      text: `${base.release} Fit a new ${bulb.names[0]}.`,
      cautions: [],
      minutes: [1, 3],
    });
  }
  const networks = networksAt(job, lamp.id);
  const loose = networks.filter((network) => !network.plugged);
  loose.forEach((network, index) => {
    steps.push(...resistorSteps(job.vehicle, lamp, network, index === 0 ? lamp.id : `${lamp.id}-${index}`));
  });
  const harness = networks.find((network) => network.plugged && network.input !== 'dim');
  if (harness) steps.push(harnessStep(job.vehicle, shelf, lamp, harness));
  return steps;
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

function wholeLampStep(lamp: Lamp, part: WholeLampPart): FitStep {
  const moves = part.movesOver.length > 0 ? ` Move over: ${part.movesOver.join(', ')}.` : '';
  const modules = lamp.module ? ` The ${lamp.module} moves into the new lamp.` : '';
  const pins = part.pinMap.map(({ cavity, does }) => `${cavity} ${does}`).join(', ');
  return {
    id: `whole-${lamp.id}`,
    lampId: lamp.id,
    place: lamp.name,
    title: `Fit ${part.code} whole`,
    text: `Plug of ${part.connector}: ${pins}. Compare with the old plug by meter, pin by pin.${moves}${modules} Clean both sealing faces, seat without wrinkles, hold the lamp in line while tightening; start every screw by hand.`,
    cautions: ['Test all its functions before the screws are tight.'],
    minutes: [8, 25],
  };
}

/** `turn feed`, `tail feed`: of the circuits that feed the input a resistor lies across. */
function feedWords(vehicle: Vehicle, lamp: Lamp, { input = 'main' }: ResistorNetwork): string {
  const feeding = circuitsFeeding(vehicle, lamp.id, input);
  if (feeding.some((circuit) => circuit.kind === 'turn')) return 'turn feed';
  return `${[...new Set(feeding.map((circuit) => functionName(circuit, lamp.id)))].join(', ')} feed`;
}

const piecesInWords = ({ pieces }: ResistorNetwork) =>
  pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`).join(' and ');

function resistorSteps(vehicle: Vehicle, lamp: Lamp, network: ResistorNetwork, id: string): FitStep[] {
  const feed = feedWords(vehicle, lamp, network);
  const turns = feed === 'turn feed';
  const parts = piecesInWords(network);
  const joined =
    network.pieces.length === 1
      ? ''
      : network.connection === 'series'
        ? ', joined in a row'
        : ', joined side by side';
  return [
    {
      id: `mount-${id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Mount ${parts} on ${MOUNT_WORDS[lamp.resistorMount]}`,
      text: `Bare metal, in air, clear of the loom, held by a screw. Check that the leads reach before drilling; paint the drilled edge.`,
      cautions: [
        'It gets past 100 °C. Never on plastic, rubber, carpet or against wiring.',
        'Look behind the panel before drilling.',
      ],
      minutes: [4, 10],
      load: { network, feed },
    },
    {
      id: `tap-${id}`,
      lampId: lamp.id,
      place: lamp.name,
      title: `Tap ${parts} across the ${feed}`,
      text:
        lamp.end === 'dash'
          ? `Across the two contacts of the lamp’s holder${joined}; which lead goes where does not matter. Keep it clear of the flexible circuit.`
          : `One lead to the ${feed}, the other to earth${joined}; which lead goes where does not matter. Prove the feed with the meter${turns ? ': it bounces with the flash' : ''}. Crimp and shrink, for this lamp gets wet.`,
      cautions: turns
        ? [
            'Colour is a hint, the meter decides. On the tail feed the resistor does nothing for the flash and heats all night.',
          ]
        : ['Colour is a hint, the meter decides.'],
      minutes: [4, 9],
      load: { network, feed },
    },
  ];
}

function harnessStep(vehicle: Vehicle, shelf: Shelf, lamp: Lamp, network: ResistorNetwork): FitStep {
  const parts = piecesInWords(network);
  const code = shelf.find((each) => each.id === network.pieces[0]?.partId)?.code ?? parts;
  return {
    id: `harness-${lamp.id}`,
    lampId: lamp.id,
    place: lamp.name,
    title: `Plug ${code} between socket and LED, its resistor on ${MOUNT_WORDS[lamp.resistorMount]}`,
    text: `The socket into the harness, the LED into its other end; the ${parts} screwed to bare metal, in air, clear of the loom. See that the leads reach before drilling, and that the socket still twists home with the plug in between.`,
    cautions: ['It gets past 100 °C. Never on plastic, rubber, carpet or against wiring.'],
    minutes: [4, 9],
    load: { network, feed: feedWords(vehicle, lamp, network) },
  };
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
  };
}

function finish(job: Job): FitStep[] {
  return [
    flashes(job) ? hazardRun(job.vehicle) : longRun(job),
    {
      id: 'keep-stock',
      lampId: null,
      place: 'Bench',
      title: 'Put the stock bulbs away',
      text: 'Labelled with lamp and vehicle. Write where they are kept on the Hand over stage.',
      cautions: [],
      minutes: [1, 3],
    },
  ];
}

function hazardRun(vehicle: Vehicle): FitStep {
  return {
    id: 'hazard',
    lampId: null,
    place: 'Driver’s seat',
    title: vehicle.hazardSwitch ? 'Run hazard for two minutes' : 'Run each turn side for a minute',
    text: 'Engine off. Count the flashes; then the measured rates go on the Prove stage.',
    cautions: [
      'Resistors are hot after this: keep off them, and feel for heat only near them, never on them.',
    ],
    minutes: [3, 4],
  };
}

function longRun(job: Job): FitStep {
  const loaded = networksOf(job).length > 0;
  const ways = [...new Set(scopeLamps(job).map((lamp) => howToLight(job.vehicle, lamp)))];
  return {
    id: 'long-run',
    lampId: null,
    place: 'Walk round',
    title: 'Leave what was converted on for five minutes',
    text: `${capital(ways.join('; '))}. Look for flicker and for a message; then off, and in the dark look that nothing glows. What was seen goes on the Prove stage.`,
    cautions: loaded
      ? ['Resistors are hot after this: keep off them, and feel for heat only near them, never on them.']
      : [],
    minutes: [6, 8],
  };
}

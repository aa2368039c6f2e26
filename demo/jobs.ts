// Longer than 300 lines: every job of the fleet, one after the other.
import { workedFunctions } from '../core/lookover/workedFunctions.ts';
import type { Configuration, LoadResistorCure, TurnFunction } from '../core/model/cures.ts';
import type { Job } from '../core/model/job.ts';
import { newJob } from '../core/model/newJob.ts';
import type { ProofMethod } from '../core/model/vehicle/connector.ts';
import { turnCircuits } from '../core/model/vehicle/lookUp.ts';
import type { Vehicle } from '../core/model/vehicle/vehicle.ts';
import { fittedNow } from '../core/record/fittedNow.ts';
import { type Said, signed } from '../core/record/tell.ts';
import { fitSteps } from '../core/work/fitSteps.ts';
import { DEMO_SHELF } from './shelf.ts';
import { BRINEHOLT_18 } from './vehicles/brineholt18.ts';
import { FIELDFARE_5 } from './vehicles/fieldfare5.ts';
import { LARKSPUR_16 } from './vehicles/larkspur16.ts';
import { QUILLON_75 } from './vehicles/quillon75.ts';
import { quillon75Connectors } from './vehicles/quillon75Wires.ts';
import { SHOWMAN_6 } from './vehicles/showman6.ts';
import { TANSY_50 } from './vehicles/tansy50.ts';

/** The LED that goes in each kind of turn socket of the van. */
const TURN_LEDS: Partial<Record<string, string>> = {
  BAU15s: 'led-tern-3y',
  BA15s: 'led-tern-3a',
  'W2.1x9.5d': 'led-tern-06',
};

function resistorAt(lampId: string, ohms: number, watts: number): LoadResistorCure['networks'][number] {
  return {
    lampId,
    connection: 'parallel',
    pieces: [{ partId: `res-${ohms}-${watts}`, ohms, watts, tolerance: 0.05 }],
  };
}

const sixOhms = (lampId: string) => resistorAt(lampId, 6, 50);

/** What was seen on a job, and when. */
type Noted = Said & { id: string; at: string };

/** A job with what was seen of its vehicle, in the order it was told. */
function having(job: Job, notes: readonly Noted[]): Job {
  const told = { ...job, evidence: [...job.evidence] };
  // In the order it was told: clocks of a demo are right.
  for (const { id, at, ...said } of notes.toSorted((a, b) => a.at.localeCompare(b.at)))
    told.evidence.push(signed(told, said as Said, { id, at, device: null }));
  return told;
}

function tapped(
  at: string,
  configuration: Configuration,
  turnFunction: TurnFunction,
  rate: number,
  uncertainty: number,
): Noted {
  return {
    kind: 'rate',
    id: `seen-${configuration}-${turnFunction}`,
    at,
    on: { lights: false, brake: false, engine: null },
    supply: null,
    fitted: { configuration, lamps: {}, networks: [], out: [] },
    function: turnFunction,
    quantity: { value: rate, unit: '/min', uncertainty },
    method: 'tapped',
    everyFlash: true,
    lampsLit: 'all',
  };
}

/** Light of a turn lamp on its axis, 2 m before it, in a dark bay. */
function lux(
  at: string,
  lampId: string,
  when: 'before' | 'after',
  value: number,
  partId: string | null,
): Noted {
  return {
    kind: 'light',
    id: `seen-light-${lampId}-${when}`,
    at,
    lampId,
    spot: 'on its axis',
    when,
    partId,
    quantity: { value, unit: 'lx', uncertainty: null },
    ambientLux: 0.6,
    metres: 2,
    lampMillimetres: 90,
  };
}

/** Looked over and identified, with these LEDs; every other lamp keeps its filament. */
function plannedOn(
  vehicle: Vehicle,
  id: string,
  title: string,
  createdAt: string,
  leds: Readonly<Record<string, string>>,
): Job {
  const job = newJob(id, title, { ...vehicle, id: `${id}-vehicle` }, createdAt);
  return {
    ...job,
    scope: { lampIds: Object.keys(leds), aim: null },
    lookOver: {
      lamps: Object.fromEntries(vehicle.lamps.map((lamp) => [lamp.id, { condition: 'works', note: '' }])),
      warnings: '',
      worked: workedFunctions(vehicle).map((each) => each.id),
    },
    identified: Object.fromEntries(
      vehicle.lamps.flatMap(({ id, works, stockBulb }) => (works ? [] : [[id, stockBulb]])),
    ),
    chosen: Object.fromEntries(vehicle.lamps.map((lamp) => [lamp.id, leds[lamp.id] ?? null])),
  };
}

/** The library van: this fleet converts its turn lamps only. */
function planned(id: string, title: string, createdAt: string): Job {
  const lampIds = turnCircuits(QUILLON_75).flatMap((circuit) => circuit.feeds.map((feed) => feed.lampId));
  const leds: Record<string, string> = {};
  for (const lamp of QUILLON_75.lamps) {
    const led = TURN_LEDS[lamp.base];
    if (led && lampIds.includes(lamp.id)) leds[lamp.id] = led;
  }
  return plannedOn(QUILLON_75, id, title, createdAt, leds);
}

/** The van with what somebody wrote down of its wires. */
function withWires(job: Job, turnBy: ProofMethod): Job {
  return { ...job, vehicle: { ...job.vehicle, connectors: quillon75Connectors(turnBy) } };
}

/** The same LED on both flanks. */
const onBoth = (id: string, led: string) => ({ [`${id}-left`]: led, [`${id}-right`]: led });

/** All lamps LED, the controller told of the turn lamps; the pulsed tails are the open question. */
function minibusJob(): Job {
  const job = plannedOn(
    LARKSPUR_16,
    'dial-a-ride-2',
    'Dial-a-ride minibus 2: messages and flicker',
    '2026-11-18T10:05:00.000Z',
    {
      ...onBoth('front', 'led-tern-3y'),
      ...onBoth('rear', 'led-tern-3y'),
      ...onBoth('repeater', 'led-tern-06'),
      ...onBoth('stop-tail', 'led-tern-3r'),
      ...onBoth('position', 'led-gull-1w'),
      'third-brake': 'led-ruff-2r',
      'saloon-1': 'led-snipe-1',
      'saloon-2': 'led-snipe-1',
      'saloon-3': 'led-snipe-1',
    },
  );
  return {
    ...job,
    vehicleCures: ['turn-left', 'turn-right', 'tail-left', 'tail-right', 'third'].map((circuitId) => ({
      kind: 'controller-setting',
      circuitId,
      setting: 'led',
      before: 'filament',
    })),
    evidence: having(job, [
      tapped('2026-11-18T10:20:00.000Z', 'leds', 'turn-left', 172.3, 2.2),
      {
        kind: 'setting',
        id: 'setting-read',
        at: '2026-11-18T10:40:00.000Z',
        method: 'typed',
        circuitId: 'turn-left',
        step: 'read',
        value: 'filament',
      },
      {
        kind: 'setting',
        id: 'setting-written',
        at: '2026-11-18T10:44:00.000Z',
        method: 'typed',
        circuitId: 'turn-left',
        step: 'written',
        value: 'led',
      },
    ]).evidence,
  };
}

/** 24 V: resistors of four times the ohms. */
function gritterJob(): Job {
  const job = plannedOn(
    BRINEHOLT_18,
    'gritter-4',
    'Gritter 4 before the winter',
    '2026-11-12T07:30:00.000Z',
    {
      ...onBoth('front', 'led-heron-24y'),
      ...onBoth('rear', 'led-heron-24'),
      ...onBoth('stop-tail', 'led-godwit-24'),
      ...onBoth('position', 'led-wren-24'),
    },
  );
  const side = (name: string): LoadResistorCure => ({
    kind: 'load-resistor',
    networks: [resistorAt(`rear-${name}`, 22, 50), resistorAt(`front-${name}`, 22, 50)],
  });
  return {
    ...job,
    cures: { 'turn-left': side('left'), 'turn-right': side('right') },
    evidence: having(job, [tapped('2026-11-12T07:52:00.000Z', 'stock', 'hazard', 89.6, 1.4)]).evidence,
  };
}

/** All four flash: an LED relay alone does not cure it, the two diodes do. */
function mopedJob(): Job {
  const job = plannedOn(TANSY_50, 'courier-moped-7', 'Courier moped 7', '2026-11-20T13:10:00.000Z', {
    ...onBoth('front', 'led-tern-3a'),
    ...onBoth('rear', 'led-tern-3a'),
    'stop-tail': 'led-godwit-3r',
  });
  return {
    ...job,
    vehicleCures: [
      { kind: 'flasher-relay', partId: 'relay-dipper-2', position: 0.45 },
      { kind: 'pilot-diodes' },
    ],
  };
}

/** Ten ohms at each lamp: right with the lights off, fast with them on. */
function trailerJob(): Job {
  const job = plannedOn(
    SHOWMAN_6,
    'exhibition-trailer',
    'Exhibition trailer: fast only with lights on',
    '2026-11-21T09:00:00.000Z',
    {
      ...onBoth('upper', 'led-curlew-ck'),
      ...onBoth('lower', 'led-curlew-ck'),
    },
  );
  const side = (name: string): LoadResistorCure => ({
    kind: 'load-resistor',
    networks: [resistorAt(`upper-${name}`, 8, 50), resistorAt(`lower-${name}`, 8, 50)],
  });
  return { ...job, cures: { 'turn-left': side('left'), 'turn-right': side('right') } };
}

/** A resistor at each rear lamp, as for a car with one output a side: the front corners have theirs, and flash fast. */
function poolCarJob(): Job {
  const job = plannedOn(
    FIELDFARE_5,
    'pool-car-5',
    'Pool car 5: loads at the rear, fast at the front',
    '2026-11-22T11:20:00.000Z',
    {
      ...onBoth('front-turn', 'led-tern-3y'),
      ...onBoth('rear-turn', 'led-tern-3a'),
      ...onBoth('repeater', 'led-tern-06'),
    },
  );
  const rear = (side: string): LoadResistorCure => ({
    kind: 'load-resistor',
    networks: [sixOhms(`rear-turn-${side}`)],
  });
  return {
    ...job,
    cures: { 'turn-left-rear': rear('left'), 'turn-right-rear': rear('right') },
    repairs: [
      {
        id: 'carrier',
        kind: 'descale-carrier',
        lampId: 'rear-turn-left',
        note: 'white bloom on the earth track',
      },
    ],
    later: [
      { id: 'plate', kind: 'left', text: 'plate lamps keep their filaments: the owner likes them warm' },
      { id: 'boot', kind: 'wished', text: 'a brighter boot lamp' },
    ],
  };
}

/** Planned up to the cure: opens on the question the product answers. */
function openJob(): Job {
  return having(planned('library-route-3', 'Mobile library, route 3', '2026-11-23T08:40:00.000Z'), [
    tapped('2026-11-23T08:52:00.000Z', 'stock', 'turn-left', 87.6, 1.1),
    tapped('2026-11-23T08:54:00.000Z', 'stock', 'turn-right', 88.3, 0.9),
  ]);
}

/** One 6 Ω a side, fitted on hearsay: it fell the wrong way. */
function troubledJob(): Job {
  const job = withWires(
    planned(
      'library-route-2',
      'Mobile library, route 2: came back flashing fast',
      '2026-11-16T09:10:00.000Z',
    ),
    'colour',
  );
  const cured: Job = {
    ...job,
    cures: {
      'turn-left': { kind: 'load-resistor', networks: [sixOhms('rear-left')] },
      'turn-right': { kind: 'load-resistor', networks: [sixOhms('rear-right')] },
    },
    evidence: having(job, [
      tapped('2026-11-16T09:25:00.000Z', 'stock', 'turn-left', 88.1, 1.2),
      tapped('2026-11-20T15:02:00.000Z', 'cured', 'turn-left', 175.4, 2.3),
      tapped('2026-11-20T15:04:00.000Z', 'cured', 'turn-right', 176.2, 2.0),
    ]).evidence,
  };
  const steps = fitSteps(cured, DEMO_SHELF);
  return {
    ...cured,
    fit: Object.fromEntries(steps.map((step) => [step.id, { doneAt: '2026-11-20T14:40:00.000Z', note: '' }])),
  };
}

/** Finished, with readings before and after. */
function finishedJob(): Job {
  const job = withWires(
    planned('library-route-1', 'Mobile library, route 1', '2026-11-09T08:15:00.000Z'),
    'meter',
  );
  const loaded: Job = {
    ...job,
    cures: {
      'turn-left': { kind: 'load-resistor', networks: [sixOhms('rear-left'), sixOhms('front-left')] },
      'turn-right': { kind: 'load-resistor', networks: [sixOhms('rear-right'), sixOhms('front-right')] },
    },
  };
  const proved = (at: string, what: TurnFunction, rate: number, uncertainty: number): Noted => ({
    ...(tapped(at, 'cured', what, rate, uncertainty) as Extract<Noted, { kind: 'rate' }>),
    fitted: fittedNow(loaded, what === 'hazard' ? ['turn-left', 'turn-right'] : [what], 'cured'),
  });
  const cured: Job = {
    ...loaded,
    evidence: having(job, [
      tapped('2026-11-09T08:30:00.000Z', 'stock', 'turn-left', 87.9, 1.0),
      tapped('2026-11-09T08:31:00.000Z', 'stock', 'turn-right', 88.4, 1.3),
      tapped('2026-11-09T08:33:00.000Z', 'stock', 'hazard', 87.7, 0.8),
      proved('2026-11-10T13:20:00.000Z', 'turn-left', 88.2, 0.9),
      proved('2026-11-10T13:22:00.000Z', 'turn-right', 87.8, 1.1),
      proved('2026-11-10T13:26:00.000Z', 'hazard', 88.0, 0.7),
      {
        kind: 'trial',
        id: 'seen-leds-alone',
        at: '2026-11-10T09:40:00.000Z',
        by: 'bay 2',
        circuitId: 'turn-left',
        on: { lights: false, brake: false, engine: false },
        supply: { fromVolts: 12.6, toVolts: 12.6 },
        fitted: fittedNow(job, ['turn-left'], 'leds'),
        result: 'fast',
      },
      lux('2026-11-09T17:20:00.000Z', 'rear-left', 'before', 9.4, null),
      lux('2026-11-10T17:05:00.000Z', 'rear-left', 'after', 7.9, 'led-tern-3a'),
      lux('2026-11-10T17:09:00.000Z', 'rear-right', 'after', 8.1, 'led-tern-3a'),
      {
        kind: 'heat',
        id: 'seen-heat-rear-left',
        at: '2026-11-10T13:40:00.000Z',
        method: 'meter',
        lampId: 'rear-left',
        what: 'resistor',
        circuitId: 'turn-left',
        seconds: 600,
        quantity: { value: 38, unit: '°C', uncertainty: 2 },
        airCelsius: 14,
        volts: 13.8,
        network: sixOhms('rear-left'),
      },
    ]).evidence,
    rechecks: [
      {
        id: 'dark',
        kind: 'dark',
        what: 'After dark: brightness beside the old lamps',
        due: '2026-11-11',
        done: { at: '2026-11-11T17:30:00.000Z', result: 'fine', note: '' },
      },
      {
        id: 'weeks',
        kind: 'two-weeks',
        what: 'After two weeks of driving: messages, flash rate',
        due: '2026-11-24',
      },
      {
        id: 'months',
        kind: 'six-months',
        what: 'After six months: water in lamps, joints',
        due: '2027-05-11',
      },
    ],
    handOver: {
      stockBulbsKeptAt: 'Stores, drawer 14, labelled "route 1"',
      warrantyUntil: '2028-11-10',
      note: 'Front resistors sit on the inner wing, clear of the washer hose.',
      filedAt: '2026-11-10T14:00:00.000Z',
    },
  };
  const steps = fitSteps(cured, DEMO_SHELF);
  return {
    ...cured,
    fit: Object.fromEntries(steps.map((step) => [step.id, { doneAt: '2026-11-10T12:50:00.000Z', note: '' }])),
  };
}

/** The job the app opens on at first start. */
export const FIRST_JOB_ID = 'library-route-3';

export function demoJobs(): Job[] {
  return [
    openJob(),
    troubledJob(),
    finishedJob(),
    minibusJob(),
    gritterJob(),
    mopedJob(),
    trailerJob(),
    poolCarJob(),
  ];
}

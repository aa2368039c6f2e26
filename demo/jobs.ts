import type { Job, LoadResistorCure, Observation, Stage, TurnFunction } from '../core/model/job.ts';
import { newJob } from '../core/model/newJob.ts';
import { fitSteps } from '../core/order/fitSteps.ts';
import { QUILLON_75 } from './quillon75.ts';
import { DEMO_SHELF } from './shelf.ts';

const LAMPS = QUILLON_75.lamps;

/** The LED that goes in each kind of socket of the van. */
const LED_FOR_BASE: Partial<Record<string, string>> = {
  BAU15s: 'led-tern-3y',
  BA15s: 'led-tern-3a',
  'W2.1x9.5d': 'led-tern-06',
};

function sixOhms(lampId: string): LoadResistorCure['networks'][number] {
  return {
    lampId,
    connection: 'parallel',
    pieces: [{ partId: 'res-6-50', ohms: 6, watts: 50, tolerance: 0.05 }],
  };
}

function tapped(
  at: string,
  stage: Stage,
  turnFunction: TurnFunction,
  rate: number,
  uncertainty: number,
): Observation {
  return {
    id: `seen-${stage}-${turnFunction}`,
    at,
    stage,
    function: turnFunction,
    condition: 'lights-off',
    ratePerMinute: rate,
    uncertainty,
    method: 'tapped',
    lampsLit: 'all',
    supplyVolts: null,
    note: '',
  };
}

function planned(id: string, title: string, createdAt: string): Job {
  const job = newJob(id, title, { ...QUILLON_75, id: `${id}-van` }, createdAt);
  return {
    ...job,
    lookOver: {
      lamps: Object.fromEntries(LAMPS.map((lamp) => [lamp.id, { condition: 'works', note: '' }])),
      warnings: '',
    },
    identified: Object.fromEntries(LAMPS.map((lamp) => [lamp.id, lamp.stockBulb])),
    chosen: Object.fromEntries(LAMPS.map((lamp) => [lamp.id, LED_FOR_BASE[lamp.base] ?? null])),
  };
}

/** Planned up to the cure: opens on the question the product answers. */
function openJob(): Job {
  return {
    ...planned('library-route-3', 'Mobile library, route 3', '2026-11-23T08:40:00.000Z'),
    observations: [
      tapped('2026-11-23T08:52:00.000Z', 'stock', 'turn-left', 87.6, 1.1),
      tapped('2026-11-23T08:54:00.000Z', 'stock', 'turn-right', 88.3, 0.9),
    ],
  };
}

/** One 6 Ω a side, fitted on hearsay: it fell the wrong way. */
function troubledJob(): Job {
  const job = planned(
    'library-route-2',
    'Mobile library, route 2: came back flashing fast',
    '2026-11-16T09:10:00.000Z',
  );
  const cured: Job = {
    ...job,
    cures: {
      'turn-left': { kind: 'load-resistor', networks: [sixOhms('rear-left')] },
      'turn-right': { kind: 'load-resistor', networks: [sixOhms('rear-right')] },
    },
    observations: [
      tapped('2026-11-16T09:25:00.000Z', 'stock', 'turn-left', 88.1, 1.2),
      tapped('2026-11-20T15:02:00.000Z', 'cured', 'turn-left', 175.4, 2.3),
      tapped('2026-11-20T15:04:00.000Z', 'cured', 'turn-right', 176.2, 2.0),
    ],
  };
  const steps = fitSteps(cured, DEMO_SHELF);
  return {
    ...cured,
    fit: Object.fromEntries(steps.map((step) => [step.id, { doneAt: '2026-11-20T14:40:00.000Z', note: '' }])),
  };
}

/** Finished, with readings before and after. */
function finishedJob(): Job {
  const job = planned('library-route-1', 'Mobile library, route 1', '2026-11-09T08:15:00.000Z');
  const cured: Job = {
    ...job,
    cures: {
      'turn-left': { kind: 'load-resistor', networks: [sixOhms('rear-left'), sixOhms('front-left')] },
      'turn-right': { kind: 'load-resistor', networks: [sixOhms('rear-right'), sixOhms('front-right')] },
    },
    observations: [
      tapped('2026-11-09T08:30:00.000Z', 'stock', 'turn-left', 87.9, 1.0),
      tapped('2026-11-09T08:31:00.000Z', 'stock', 'turn-right', 88.4, 1.3),
      tapped('2026-11-09T08:33:00.000Z', 'stock', 'hazard', 87.7, 0.8),
      tapped('2026-11-10T13:20:00.000Z', 'cured', 'turn-left', 88.2, 0.9),
      tapped('2026-11-10T13:22:00.000Z', 'cured', 'turn-right', 87.8, 1.1),
      tapped('2026-11-10T13:26:00.000Z', 'cured', 'hazard', 88.0, 0.7),
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
  return [openJob(), troubledJob(), finishedJob()];
}

import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { flashRule } from '../judge/flashRule.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { RateReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import type { FlasherPart } from '../model/part.ts';
import { Flasher } from '../model/vehicle/flasher.ts';
import { provingGrid } from '../proving/grid.ts';
import { cellLook } from '../proving/toldOf.ts';
import { handOverPage } from './handOver.ts';
import {
  latestObservation,
  mayBeHalf,
  proofReason,
  proofResult,
  proofsOf,
  watcherLeft,
} from './observations.ts';
import { circuitStanding } from './standing.ts';

const [open, troubled, finished] = demoJobs() as [Job, Job, Job];
const rule = flashRule('UN');

function adjustableRelay(): FlasherPart {
  const part = DEMO_SHELF.find((each) => each.kind === 'flasher' && each.adjuster);
  if (part?.kind !== 'flasher') throw new Error('no adjustable relay');
  return part;
}

const perMinute = (value: number, uncertainty: number | null = 1) => ({
  value,
  unit: '/min' as const,
  uncertainty,
});

function seen(
  change: Partial<RateReading>,
  configuration: RateReading['fitted']['configuration'] = 'cured',
): RateReading {
  return {
    ...SIGNED,
    kind: 'rate',
    id: 'o1',
    at: '2026-11-25T10:00:00.000Z',
    on: { lights: false, brake: false, engine: null },
    supply: null,
    fitted: { configuration, lamps: {}, networks: [], out: [] },
    function: 'turn-left',
    quantity: { value: 88, unit: '/min', uncertainty: 1 },
    method: 'tapped',
    lampsLit: 'all',
    ...change,
  };
}

describe('observations', () => {
  it.each([
    [{}, 'passed', /88 a minute, within 60 to 120, all lamps lit/],
    [{ quantity: perMinute(176) }, 'failed', /176 a minute is above/],
    [{ quantity: perMinute(40) }, 'failed', /40 a minute is below/],
    [{ quantity: perMinute(119.5, 2) }, 'not-sure', /too close to the edge.*Count more/],
    [{ lampsLit: 'some' }, 'failed', /Not every lamp lit/],
    [{ lampsLit: 'none', quantity: null }, 'failed', /No lamp lit/],
    [{ lampsLit: 'not-checked' }, 'not-sure', /Say whether all lamps lit/],
    [{ quantity: null }, 'not-sure', /No rate was taken/],
    [{ quantity: perMinute(120, null), method: 'typed' }, 'passed', /within/],
  ] as const)('%o is %s', (change, result, reason) => {
    expect(proofResult(rule, seen(change), null)).toBe(result);
    expect(proofReason(rule, seen(change), null)).toMatch(reason);
  });

  it('finds the one told last of the right function and state, whatever the clock said', () => {
    const job: Job = {
      ...open,
      evidence: [
        seen({ id: 'old', at: '2099-01-01T00:00:00.000Z' }),
        seen({ id: 'new', at: '2026-11-25T09:00:00.000Z' }),
        seen({ id: 'other', at: '2026-11-25T13:00:00.000Z', function: 'hazard' }),
        seen({ id: 'stock', at: '2026-11-25T14:00:00.000Z' }, 'stock'),
      ],
    };
    expect(latestObservation(job, 'cured', 'turn-left')?.id).toBe('new');
    expect(latestObservation(job, 'cured', 'turn-right')).toBeUndefined();
  });

  it('takes what was told last of a steady circuit, whatever the clock said', () => {
    const look = (id: string, at: string, result: 'works' | 'not-all') => ({
      ...seen({ id, at }),
      kind: 'proof' as const,
      circuitId: 'stop',
      result,
    });
    const ahead = look('ahead', '2027-11-25T09:00:00.000Z', 'works');
    const right = look('right', '2026-11-25T09:00:00.000Z', 'not-all');
    expect(circuitStanding({ ...open, evidence: [ahead, right] }, 'stop').amiss).toBe('not-all');
    expect(circuitStanding({ ...open, evidence: [right, ahead] }, 'stop').proved).toBe(true);
  });
});

describe('a flash that was proved by its rate', () => {
  const job = demoJob('library-route-1');
  const rule = flashRule(job.vehicle.region);
  const grid = provingGrid(job, DEMO_SHELF);
  const look = (id: string, cellId: string, keys: DeviationKey[]) => {
    const cell = grid?.cells.find((each) => each.id === cellId);
    if (!cell) throw new Error(`no cell ${cellId}`);
    return { ...SIGNED, ...cellLook(job, cell, keys, 'cured'), id, at: '2026-11-26T10:00:00.000Z' };
  };
  const proved = (...looks: ReturnType<typeof look>[]) =>
    proofsOf({ ...job, evidence: [...job.evidence, ...looks] }, rule).flatMap(({ id, proved: is }) =>
      is ? [id] : [],
    );

  it('is so no longer where one of its lamps was dark when it was looked at last, until it is seen well', () => {
    expect(proved()).toEqual(['turn-left', 'turn-right', 'hazard']);
    const dark = look('dark', 'turn-left', ['rear-left dark']);
    expect(proved(dark)).toEqual(['turn-right', 'hazard']);
    const page = handOverPage({ ...job, evidence: [...job.evidence, dark] }, DEMO_SHELF);
    expect(page.missing.join()).toMatch(/Left turn is not proved: something was not as it should be/);
    expect(proved(dark, look('well', 'turn-left', []))).toEqual(['turn-left', 'turn-right', 'hazard']);
    // Seen well alone says nothing of what was seen with the lights on.
    const lit = look('lit', 'turn-left-lights', ['flash fast']);
    expect(proved(lit, look('well', 'turn-left', []))).toEqual(['turn-right', 'hazard']);
    expect(proved(look('both', 'hazard', ['rear-left dark']))).toEqual(['turn-left', 'turn-right']);
  });
});

describe('a tapped rate near half of a plausible one', () => {
  const { flasher } = open.vehicle;
  // Taps on every second flash of 176 a minute.
  const halves = seen({ quantity: perMinute(87.9, 0.4) });

  it('asks for one confirming look, and says what would be wrong', () => {
    expect(proofResult(rule, halves, flasher)).toBe('not-sure');
    expect(proofReason(rule, halves, flasher)).toMatch(/88 a minute tapped, and 176 would be a lamp missed/);
  });

  it('passes once looked at, when typed from an instrument, and where nobody watches', () => {
    expect(proofResult(rule, { ...halves, everyFlash: true }, flasher)).toBe('passed');
    expect(proofResult(rule, { ...halves, method: 'typed' }, flasher)).toBe('passed');
    expect(proofResult(rule, halves, null)).toBe('passed');
    const relay = { kind: 'flasher-relay' as const, partId: 'relay-of-shelf', position: 0 };
    expect(watcherLeft({ ...open, vehicleCures: [relay] })).toBeNull();
    expect(watcherLeft({ ...open, vehicleCures: [] })).toBe(flasher);
  });

  it('is one within a tenth of it', () => {
    expect(mayBeHalf(flasher, 80)).toBe(true);
    expect(mayBeHalf(flasher, 97)).toBe(false);
    expect(mayBeHalf(flasher, 78)).toBe(false);
  });
});

describe('a fast reading through a relay with a screw', () => {
  const { slowestRate, fastestRate, onFraction, minAmps, ratedAmps, contactOhms, needsEarth } =
    adjustableRelay();
  const relay = { slowestRate, fastestRate, onFraction, minAmps, ratedAmps, contactOhms, needsEarth };
  const adjustable = (fasterWhen: 'clockwise' | 'anticlockwise') =>
    Flasher.parse({
      kind: 'non-watching-relay',
      id: 'r',
      name: 'r',
      fuseId: 'f',
      terminals: { supply: '49', lamps: '49a' },
      ...relay,
      position: 1,
      adjuster: { fasterWhen, settleSeconds: 5 },
    });

  it('advises the screw before another relay, the way that is slower', () => {
    const fast = seen({ quantity: perMinute(150) });
    const reason = (fitted: Flasher | null) => proofReason(rule, fast, null, fitted);
    expect(reason(adjustable('clockwise'))).toMatch(/screw first \(anticlockwise is slower.*another relay/);
    expect(reason(adjustable('anticlockwise'))).toMatch(/screw first \(clockwise is slower/);
    expect(reason(null)).not.toContain('screw');
    expect(reason(open.vehicle.flasher)).not.toContain('screw');
  });
});

describe('handOverPage', () => {
  it('sets before beside after and lists what is fitted', () => {
    const page = handOverPage(finished, DEMO_SHELF);
    expect(page.missing).toEqual([]);
    expect(
      page.readings.map((each) => [each.before?.fitted.configuration, each.after?.fitted.configuration]),
    ).toEqual(Array(3).fill(['stock', 'cured']));
    expect(page.lamps.find((lamp) => lamp.lampId === 'rear-left')).toMatchObject({
      before: 'P21W',
      after: 'TERN-3A, 3 W',
      resistors: '6 Ω 50 W',
    });
    expect(page.lamps.find((lamp) => lamp.lampId === 'repeater-left')?.resistors).toBe('');
  });

  it('warns the owner that resistors hide a dead LED and get hot', () => {
    const page = handOverPage(finished, DEMO_SHELF);
    const text = [...page.silenced, ...page.cautions].join(' ');
    expect(text).toContain('even when an LED has failed');
    expect(text).toContain('burn skin');
    expect(text).toContain('not approved in many places');
  });

  it('promises nothing about resistors where there are none', () => {
    expect(handOverPage(open, DEMO_SHELF).cautions.join(' ')).not.toContain('resistors');
    expect(handOverPage(open, DEMO_SHELF).silenced).toEqual([]);
    expect(handOverPage(newJob('n', 'n', open.vehicle, open.createdAt), DEMO_SHELF).cautions).toEqual([]);
  });

  it('says what a complete file still needs', () => {
    expect(handOverPage(troubled, DEMO_SHELF).missing).toEqual([
      'Hazard has no rate measured after the work.',
      'Where the stock bulbs are kept is not written down.',
      'No end of warranty is given.',
    ]);
  });
});

describe('troubles that stay', () => {
  it('are named to the owner with what was tried in vain', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    const at = '2026-11-20T10:00:00.000Z';
    job.attempts = [
      { id: 'a', at, what: 'a capacitor at the tails', outcome: 'no-change' },
      { id: 'b', at, what: 'slight flicker of the tails in a camera', outcome: 'accepted' },
      { id: 'c', at, what: 'cleaned the earths', outcome: 'cured' },
    ];
    expect(handOverPage(job, DEMO_SHELF).unresolved).toEqual([
      'slight flicker of the tails in a camera (tried without success: a capacitor at the tails)',
    ]);
    expect(handOverPage(demoJob('dial-a-ride-2'), DEMO_SHELF).unresolved).toEqual([]);
  });

  it('a relay that does not watch is said to tell no longer of a dead lamp', () => {
    expect(handOverPage(demoJob('courier-moped-7'), DEMO_SHELF).silenced.join(' ')).toMatch(
      /no longer tells of a failed/,
    );
  });
});

describe('a trailer', () => {
  const trailer = demoJob('exhibition-trailer');
  const measured = (towedBy: string | undefined, rate: number, at: string): RateReading => ({
    ...seen({ id: at, at, quantity: perMinute(rate), everyFlash: true }),
    ...(towedBy ? { towedBy } : {}),
  });
  const proved = (...evidence: RateReading[]) =>
    proofsOf({ ...trailer, evidence }, rule).find(({ id }) => id === 'turn-left')?.proved;

  it('is proved behind each vehicle that tows it: what holds behind one says nothing of the next', () => {
    const behindVan = measured('the van', 88, '2026-11-20T10:00:00.000Z');
    expect(proved(behindVan)).toBe(true);
    expect(proved(behindVan, measured('the minibus', 176, '2026-11-20T11:00:00.000Z'))).toBe(false);
    expect(
      proved(
        behindVan,
        measured('the minibus', 176, '2026-11-20T11:00:00.000Z'),
        measured('the minibus', 86, '2026-11-20T12:00:00.000Z'),
      ),
    ).toBe(true);
    // Nobody wrote down what towed it: it is proved, and the file says what is missing.
    expect(proved(measured(undefined, 88, '2026-11-20T10:00:00.000Z'))).toBe(true);
  });

  it('has on the owner’s page what it was proved behind, and the caution about others', () => {
    const page = handOverPage(trailer, DEMO_SHELF);
    expect(page.cautions.join(' ')).toMatch(/may not detect the LED lamps/);
    expect(page.missing.join(' ')).toMatch(/What towed it/);
    const done = handOverPage(
      { ...trailer, evidence: [measured('the van', 88, '2026-11-20T10:00:00.000Z')] },
      DEMO_SHELF,
    );
    expect(done.towing).toEqual(['the van']);
    expect(done.missing.join(' ')).not.toMatch(/What towed it/);
    expect(handOverPage(finished, DEMO_SHELF).towing).toEqual([]);
  });
});

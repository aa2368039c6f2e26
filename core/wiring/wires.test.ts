import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { jobFileOf, readJobFile, writeJobFile } from '../formats/jobFile.ts';
import { pickLines } from '../inventory/picklist.ts';
import type { Job } from '../model/job.ts';
import type { Connector } from '../model/vehicle/connector.ts';
import { setLampOnPlug } from '../vehicle/edit/forgotten.ts';
import { removeLampOf } from '../vehicle/edit/jobEdits.ts';
import { colourHint } from './colourHints.ts';
import { connectorsOf } from './connectors.ts';
import { colourLetters, feedProof, isProved, wireWords } from './feedProof.ts';

const van = () => structuredClone(demoJob('library-route-1'));
const plugOf = (job: Job, id = 'plug-rear-left'): Connector => {
  const plug = job.vehicle.connectors?.find((each) => each.id === id);
  if (!plug) throw new Error(`no plug ${id}`);
  return plug;
};
const problemsOf = (act: (job: Job) => void): string => {
  const job = van();
  act(job);
  const result = readJobFile(writeJobFile(jobFileOf(job, DEMO_SHELF, '2026-11-26T10:00:00.000Z')));
  return result.ok ? '' : result.problems.join(' ');
};
const reading = (cavity: string, connectorId = 'plug-rear-left') =>
  ({
    ...SIGNED,
    kind: 'pin',
    id: 'pin-1',
    at: '2026-11-26T10:00:00.000Z',
    connectorId,
    cavity,
    circuitId: 'stop',
    how: 'volts',
    seen: 'steady',
    quantity: { value: 12.3, unit: 'V', uncertainty: null },
  }) as const;

describe('plugs of a vehicle', () => {
  it('are one a housing where nobody has looked, every lamp on one of them', () => {
    for (const name of [
      'library-route-3',
      'dial-a-ride-2',
      'gritter-4',
      'courier-moped-7',
      'exhibition-trailer',
    ]) {
      const { vehicle } = demoJob(name);
      const plugs = connectorsOf(vehicle);
      const lamps = plugs.flatMap(({ connector: { at } }) => (at.kind === 'lamps' ? at.lampIds : []));
      expect(lamps.toSorted()).toEqual(vehicle.lamps.map(({ id }) => id).toSorted());
      expect(new Set(plugs.map(({ connector }) => connector.id)).size).toBe(plugs.length);
      expect(plugs.some(({ connector: { at } }) => at.kind === 'relay')).toBe(
        vehicle.flasher.kind !== 'controller',
      );
    }
  });

  it('go through a file with their wires, readings and habits', () => {
    const job = van();
    job.evidence.push(reading('3'));
    job.polarity = { 'rear-left': { by: 'live', way: 'mark up' } };
    job.lost = [
      { id: 'lost-1', at: '2026-11-26T10:00:00.000Z', what: 'clip', count: 2, stepId: 'open-rear-left' },
    ];
    const result = readJobFile(writeJobFile(jobFileOf(job, DEMO_SHELF, '2026-11-26T10:00:00.000Z')));
    expect(result).toMatchObject({ ok: true, file: { job } });
  });

  it('that do not hang together are refused by name', () => {
    expect(problemsOf((job) => void job.evidence.push(reading('9')))).toMatch(
      /cavity "9", which plug plug-rear-left does not have/,
    );
    expect(problemsOf((job) => void job.evidence.push(reading('1', 'gone')))).toMatch(
      /plug "gone", which the vehicle does not have/,
    );
    expect(problemsOf((job) => void (plugOf(job).cavities[1] = { id: '1' }))).toMatch(/has a cavity twice/);
    expect(
      problemsOf(
        (job) => void (plugOf(job).cavities[0] = { id: '1', use: { does: 'feed', circuitIds: ['none'] } }),
      ),
    ).toMatch(/names circuit "none"/);
    expect(problemsOf((job) => void (plugOf(job).at = { kind: 'lamps', lampIds: ['nobody'] }))).toMatch(
      /names lamp "nobody"/,
    );
    expect(
      problemsOf((job) => void (plugOf(job).at = structuredClone(plugOf(job, 'plug-rear-right').at))),
    ).toMatch(/is on more than one connector/);
  });

  it('forget lamps and circuits that are taken off the vehicle, and what was read there goes with its plug', () => {
    const job = van();
    job.evidence.push(reading('3'), {
      ...reading('2', 'plug-front-left'),
      id: 'pin-2',
      circuitId: 'tail-left',
    });
    removeLampOf(job, 'rear-fog');
    expect(plugOf(job).at).toEqual({ kind: 'lamps', lampIds: ['rear-left', 'stop-tail-left'] });
    expect(plugOf(job).cavities[4]).toEqual({ id: '5', colour: { base: 'GY', tracer: 'WH' }, areaMm2: 1 });
    removeLampOf(job, 'position-left');
    expect(job.evidence.filter(({ kind }) => kind === 'pin').length).toBe(2);
  });
});

describe('lamps on a plug', () => {
  it('come from another plug, and what feeds none of those left is not known any more', () => {
    const job = van();
    setLampOnPlug(job.vehicle, 'plug-front-left', 'rear-fog', true);
    expect(plugOf(job, 'plug-front-left').at).toEqual({
      kind: 'lamps',
      lampIds: ['front-left', 'position-left', 'rear-fog'],
    });
    expect(plugOf(job).at).toEqual({ kind: 'lamps', lampIds: ['rear-left', 'stop-tail-left'] });
    expect(plugOf(job).cavities[4]?.use).toBeUndefined();
    setLampOnPlug(job.vehicle, 'plug-rear-left', 'stop-tail-left', false);
    // Left to itself it has a plug of its own again, which nobody has looked at.
    const own = connectorsOf(job.vehicle).find(
      ({ connector: { at } }) => at.kind === 'lamps' && at.lampIds.includes('stop-tail-left'),
    );
    expect(own).toMatchObject({ recorded: false, connector: { id: 'plug-rear-left-2' } });
    expect(plugOf(job).cavities.map(({ use }) => use?.does)).toEqual([
      'feed',
      undefined,
      undefined,
      'earth',
      undefined,
      'nothing',
    ]);
  });
});

describe('what is known of a feed', () => {
  it('is proved by meter, probe or lead-out; never by its colour', () => {
    const job = van();
    expect(feedProof(job.vehicle, 'rear-left').feed).toMatchObject({ cavity: '1', provedBy: 'meter' });
    const tail = feedProof(job.vehicle, 'stop-tail-left', 'dim').feed;
    expect(tail).toMatchObject({ cavity: '2', provedBy: 'colour' });
    expect(tail && isProved(tail)).toBe(false);
    expect(wireWords(tail)).toBe('GY/BK in cavity 2, by colour only, unproved: measure');
    expect(wireWords(null)).toContain('nobody has looked');
    expect(isProved({ provedBy: 'lead-out' })).toBe(true);
  });

  it('is nothing at all where nobody has looked at the plug', () => {
    expect(feedProof(demoJob('library-route-3').vehicle, 'rear-left').feed).toBeNull();
  });

  it('has a colour with its tracer in letters, and the habit of its market as a hint', () => {
    expect(colourLetters({ base: 'GN', tracer: 'YE' })).toBe('GN/YE');
    expect(colourHint('US', { base: 'BN' })?.words).toContain('often tail on much North American wiring');
    expect(colourHint('UN', { base: 'BN' })?.words).toContain('often earth on much German wiring');
    expect(colourHint('UN', { base: 'PK' })).toBeNull();
  });
});

describe('what broke at the vehicle', () => {
  it('is on the pick list, the same pieces together, without a price nobody knows', () => {
    const job = van();
    const lost = {
      at: '2026-11-26T10:00:00.000Z',
      what: 'clip of the rear edge',
      stepId: 'open-repeater-left',
    };
    job.lost = [
      { ...lost, id: 'lost-1', count: 1 },
      { ...lost, id: 'lost-2', count: 2 },
    ];
    const line = pickLines(job, DEMO_SHELF).find(({ what }) => what === 'clip of the rear edge');
    expect(line).toMatchObject({
      quantity: 3,
      toBuy: 3,
      unitPrice: null,
      why: 'broken or lost at the vehicle',
    });
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import type { LoadResistorCure, VehicleCure } from '../../model/cures.ts';
import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import { effortOf } from './effort.ts';
import { option, refused, together } from './option.ts';
import { settingOptions } from './options/controller.ts';
import { turnScope } from './scope.ts';
import { turnLamps, withCure } from './withCure.ts';

const load = (lampId: string, plugged = false): LoadResistorCure => ({
  kind: 'load-resistor',
  networks: [
    {
      lampId,
      ...(plugged ? { plugged } : {}),
      connection: 'parallel',
      pieces: [{ partId: null, ohms: 6, watts: 50, tolerance: 0.05 }],
    },
  ],
});
const DIODES: VehicleCure = { kind: 'pilot-diodes' };
const SETTING = {
  kind: 'controller-setting',
  circuitId: 'turn-left',
  setting: 'led',
  before: 'filament',
} as const satisfies VehicleCure;

describe('two cures together', () => {
  it('change what either changes', () => {
    const first = option('filament-front', ['filament'], 'Filaments kept', {
      chosen: { 'front-left': null },
    });
    const second = option('resistors-rear', ['load-resistor'], 'Load resistors', {
      cures: { 'turn-left': load('rear-left') },
      vehicleCures: [DIODES],
    });
    const both = together(
      { ...first, change: first.change ?? {} },
      { ...second, change: second.change ?? {} },
    );
    expect(both).toMatchObject({
      id: 'filament-front+resistors-rear',
      kinds: ['filament', 'load-resistor'],
      name: 'Filaments kept; load resistors',
      refused: null,
    });
    expect(both.change).toEqual({
      chosen: { 'front-left': null },
      cures: { 'turn-left': load('rear-left') },
      vehicleCures: [DIODES],
    });
  });

  it('one refused changes nothing and says why', () => {
    expect(refused('relay', ['flasher-relay'], 'Relay', 'There is none.')).toMatchObject({
      change: null,
      refused: 'There is none.',
    });
  });
});

describe('a job with another cure', () => {
  it('replaces every cure of its turn lamps and keeps the others', () => {
    const job = structuredClone(demoJob('dial-a-ride-2'));
    job.vehicleCures.push(
      { kind: 'decoder', lampId: 'rear-left', partId: 'decoder-otter-d' },
      { kind: 'decoder', lampId: 'position-left', partId: 'decoder-otter-d' },
    );
    job.cures['turn-left'] = load('rear-left');
    job.cures.third = load('third-brake');
    const bare = withCure(job, {});
    expect(Object.keys(bare.cures)).toEqual(['third']);
    const decoders = bare.vehicleCures.filter((cure) => cure.kind === 'decoder');
    expect(decoders).toEqual([{ kind: 'decoder', lampId: 'position-left', partId: 'decoder-otter-d' }]);
    const other = withCure(job, { cures: { 'turn-right': load('rear-right') } });
    expect(Object.keys(other.cures).toSorted()).toEqual(['third', 'turn-right']);
    expect(job.cures['turn-left']).toBeDefined();
  });

  it('knows its turn lamps, repeaters and all', () => {
    expect(turnLamps(demoJob('library-route-3')).map((lamp) => lamp.id)).toEqual(
      expect.arrayContaining(['front-left', 'repeater-left', 'rear-left', 'front-right']),
    );
  });
});

describe('the setting of a controller', () => {
  const minibus = () => structuredClone(demoJob('dial-a-ride-2'));
  const offered = (job: ReturnType<typeof minibus>) => settingOptions(job, turnScope(job.vehicle));
  const setTurns = (
    job: ReturnType<typeof minibus>,
    setting: 'led' | 'filament',
    canSetLed: boolean | null = true,
  ) => {
    const turns = turnCircuits(job.vehicle).map(({ id }) => id);
    if (job.vehicle.flasher.kind !== 'controller') throw new Error('no controller');
    for (const { circuitId, watch } of job.vehicle.flasher.outputs)
      if (watch && turns.includes(circuitId)) Object.assign(watch, { setting, canSetLed });
    return job;
  };

  it('is offered with the value that is there now', () => {
    const [only] = offered(setTurns(minibus(), 'filament'));
    expect(only?.change?.vehicleCures).toEqual(
      turnCircuits(minibus().vehicle).map(({ id }) => ({
        kind: 'controller-setting',
        circuitId: id,
        setting: 'led',
        before: 'filament',
      })),
    );
    expect(only?.supposes ?? []).toEqual([]);
  });

  it('is not offered again where it is set already', () => {
    expect(offered(setTurns(minibus(), 'led'))).toEqual([]);
  });

  it('is supposed where nobody knows whether there is one, refused where there is none', () => {
    expect(offered(setTurns(minibus(), 'filament', null))[0]?.supposes).toHaveLength(1);
    expect(offered(setTurns(minibus(), 'filament', false))[0]).toMatchObject({ change: null });
  });
});

describe('what a cure costs beside money', () => {
  it('tapped resistors cost a joint each and one more a place; a harness none', () => {
    const tapped = option('r', ['load-resistor'], 'r', {});
    const { networks } = load('rear-left');
    expect(effortOf(tapped, [...networks, ...load('front-left').networks])).toMatchObject({
      cuts: 4,
      reversible: false,
      access: '2 lamp places with metal',
      minutes: [24, 50],
      needs: ['bare metal within reach'],
    });
    const plugged = option('h', ['harness'], 'h', {});
    const [bright] = load('rear-left', true).networks;
    if (!bright) throw new Error('a harness has a resistor');
    expect(effortOf(plugged, [bright, { ...bright, input: 'dim' }])).toMatchObject({
      cuts: 0,
      reversible: true,
      minutes: [6, 14],
      needs: ['bare metal within reach', 'standard sockets'],
    });
  });

  it('diodes are wired in behind the dash; a setting wants its adapter; nothing wants nothing', () => {
    expect(effortOf(option('d', ['pilot-diodes'], 'd', { vehicleCures: [DIODES] }), [])).toMatchObject({
      cuts: 3,
      reversible: false,
      access: 'dash',
    });
    expect(
      effortOf(
        option('s', ['controller-setting'], 's', {
          vehicleCures: [SETTING, { ...SETTING, circuitId: 'turn-right' }],
        }),
        [],
      ),
    ).toMatchObject({
      cuts: 0,
      access: 'diagnostic plug',
      needs: ['a diagnostic adapter that has the setting'],
    });
    expect(effortOf(option('n', ['nothing'], 'n', {}), [])).toMatchObject({
      minutes: [0, 0],
      access: 'the lamps alone',
      needs: [],
    });
  });
});

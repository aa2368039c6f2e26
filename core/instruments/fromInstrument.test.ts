import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { CellLook, HeatReading, PinReading, RateReading } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { signed } from '../record/tell.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { findPins } from '../wiring/pinFinder/findPins.ts';
import { DiagnosticAdapter } from './adapter.ts';
import { BenchVehicle } from './benchVehicle.ts';
import { codesLook, type MeterQuantity, observationFrom } from './fromInstrument.ts';
import { multimeter } from './multimeter.ts';

const ASK: Record<MeterQuantity, string> = {
  volts: 'VOLT',
  amps: 'CURR',
  ohms: 'RES',
  hertz: 'FREQ',
  celsius: 'TEMP',
};
const warmed = { seconds: 600, airCelsius: 20, what: 'resistor' as const };
let told = 0;
const teller = () => ({
  id: `t${++told}`,
  at: `2026-11-29T10:00:${String(told % 60).padStart(2, '0')}.000Z`,
  device: null,
});

function bench(job: Job, state: Partial<Controls>, configuration: 'stock' | 'leds' | 'cured' = 'stock') {
  const panel = { configuration, controls: { ...CONTROLS_OFF, ...state }, emfVolts: 12.6 };
  const vehicle = new BenchVehicle(job, DEMO_SHELF, panel, [], () => 0);
  const meter = multimeter(vehicle, (value) => value);
  const read = (spotId: string, quantity: MeterQuantity) => {
    meter.line(`ROUT:PROB "${spotId}"`);
    const ask = (end: string) => Number(meter.line(`MEAS:${ASK[quantity]}${end}?`));
    const now = ask('');
    const swings = quantity === 'volts' || quantity === 'amps';
    const spot = vehicle.spots.find(({ id }) => id === spotId);
    if (!spot) throw new Error(spotId);
    const figures = { quantity, now: now > 9e36 ? (now > 9.905e37 ? null : Number.POSITIVE_INFINITY) : now };
    return observationFrom(
      job,
      panel,
      spot,
      { ...figures, most: swings ? ask(':MAX') : now, least: swings ? ask(':MIN') : now },
      warmed,
    );
  };
  return { vehicle, panel, read };
}

describe('a reading of an instrument', () => {
  it('at cavities tells the pin finder which wire is which, by itself', () => {
    const job = structuredClone(demoJob('library-route-3'));
    const plug = new BenchVehicle(job, DEMO_SHELF, {
      configuration: 'stock',
      controls: CONTROLS_OFF,
      emfVolts: 12.6,
    }).spots.flatMap(({ cavity }) => (cavity?.connectorId.includes('rear') ? [cavity] : []));
    const [first] = plug;
    if (!first) throw new Error('no plug at the rear');
    const mine = plug.filter(({ connectorId }) => connectorId === first.connectorId);
    for (const state of [
      { key: 'on', turn: 'left' },
      { key: 'on', turn: 'right' },
      { key: 'on', lights: true },
      { brake: true },
    ] as const)
      for (const { connectorId, cavity } of mine) {
        const said = bench(job, state).read(`${connectorId}/${cavity}`, 'volts');
        if (typeof said === 'string') continue;
        const record = signed<PinReading>(job, said as never, teller());
        job.evidence.push(PinReading.parse(record));
      }
    expect(job.evidence.filter(({ kind }) => kind === 'pin').length).toBeGreaterThan(3);
    const { finding } = findPins(job, DEMO_SHELF, first.connectorId, null);
    expect(
      finding.cavities.some(({ readings, likely }) => readings > 0 && (likely[0]?.share ?? 0) > 0.8),
    ).toBe(true);
  });

  it('of flashes a second is the rate of the function that is on', () => {
    const job = demoJob('library-route-3');
    const said = bench(job, { key: 'on', turn: 'left' }, 'leds').read('wire:turn-left', 'hertz');
    if (typeof said === 'string') throw new Error(said);
    const record = RateReading.parse(signed<RateReading>(job, said as never, teller()));
    expect(record).toMatchObject({
      function: 'turn-left',
      method: 'meter',
      fitted: { configuration: 'leds' },
    });
    expect(record.quantity?.value).toBeGreaterThan(150);
    expect(bench(job, { hazard: true }).read('wire:turn-left', 'hertz')).toMatchObject({
      function: 'hazard',
    });
    expect(bench(job, { key: 'on' }).read('wire:turn-left', 'hertz')).toBe('no-figure');
  });

  it('of degrees is a temperature of what was fitted', () => {
    const job = demoJob('library-route-2');
    const lampId = Object.values(job.cures).flatMap((cure) => cure?.networks ?? [])[0]?.lampId ?? '';
    const said = bench(job, { key: 'on', turn: 'left' }, 'cured').read(`lamp:${lampId}:main`, 'celsius');
    if (typeof said === 'string') throw new Error(said);
    expect(HeatReading.parse(signed<HeatReading>(job, said as never, teller()))).toMatchObject({
      lampId,
      network: { lampId },
    });
  });

  it('that would tell the wrong thing is not written, with the reason', () => {
    const job = demoJob('library-route-3');
    expect(bench(job, { key: 'on', lights: true }).read('lamp:rear-left:main', 'amps')).toBe('compared-only');
    expect(bench(job, { hazard: true }).read('plug-relay/49a', 'volts')).toBe('several-on');
    expect(bench(job, { key: 'on' }).read('lamp:rear-left:main', 'celsius')).toBe('no-figure');
    expect(bench(job, { hazard: true }).read('plug-relay/49a', 'ohms')).toMatch(/several-on|no-figure/);
  });

  it('of codes is a look at the cell the vehicle stands in', () => {
    const job = demoJob('dial-a-ride-2');
    const { vehicle, panel } = bench(job, { key: 'on', turn: 'left' }, 'leds');
    const adapter = new DiagnosticAdapter(vehicle, () => 12.6);
    expect(adapter.line('1902FF')).toMatch(/^59 02/);
    const said = codesLook(job, DEMO_SHELF, panel, vehicle.storedCodes, 'adapter');
    if (!said) throw new Error('no look');
    const look = CellLook.parse(signed<CellLook>(job, said, teller()));
    expect(look).toMatchObject({ cell: 'turn-left', method: 'adapter' });
    expect(look.found).toContainEqual({ what: 'message', circuitId: 'turn-left' });
    expect(codesLook(job, DEMO_SHELF, panel, [], 'adapter')).toBeNull();
  });
});

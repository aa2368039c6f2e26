/**
 * A side marker between the turn and the position feed, run in ngspice on the text Vumble exports: every combination of turn
 * and lights, with its stock bulb, with an LED that lights either way round and one that lights one way only, and with LEDs
 * at its return. What it does then is common practice (it flashes in step with the lights off, alternately with them on).
 */
import { Simulation } from 'eecircuit-engine';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Job } from '../../core/model/job.ts';
import type { LedPart, Shelf } from '../../core/model/part.ts';
import { lampById } from '../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { playVehicle } from '../../core/simulation/vehicleRun.ts';
import { VehicleSimulation } from '../../core/simulation/vehicleSimulation.ts';
import { vehicleReport } from '../../core/traces/vehicleReport.ts';
import { addLamps } from '../../core/vehicle/edit/lamps.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type Vectors, worstOf } from './ngspice/compare.ts';
import { untilTheLook } from './ngspice/untilTheLook.ts';

const simulation = new Simulation();
beforeAll(() => simulation.start(), 60_000);

const MARKER = 'marker-between-left';
const LED: LedPart = {
  kind: 'led',
  id: 'either-way',
  code: 'either',
  name: 'marker LED',
  price: 1,
  stock: 2,
  bases: ['W2.1x9.5d'],
  colour: 'amber',
  watts: 0.6,
  atVolts: 13.5,
  supplyRange: [9, 16],
  polarity: 'either',
  ballast: { kind: 'series-resistor', forwardVolts: 6.2 },
  lumens: 30,
  lengthMm: 27,
  diameterMm: 10,
};
const ONE_WAY: LedPart = { ...LED, id: 'one-way', polarity: 'one-way' };
const shelf: Shelf = [...DEMO_SHELF, LED, ONE_WAY];

/** The van with its markers, nothing converted but what is named. */
function van(chosen: Job['chosen'] = {}): Job {
  const job = structuredClone(demoJob('library-route-1'));
  addLamps(job.vehicle, 'marker-between', 'pair');
  return { ...job, chosen, cures: {}, vehicleCures: [], evidence: [] };
}

const positions = van()
  .vehicle.lamps.filter(({ id }) => /^(position|stop-tail|plate)/.test(id))
  .map(({ id }) => id);
const tern = DEMO_SHELF.filter((part): part is LedPart => part.kind === 'led');
const ledFor = (lampId: string) =>
  tern.find(({ bases, twin }) => {
    const { base } = lampById(van().vehicle, lampId);
    return bases.includes(base) && (!base.startsWith('BAY') || twin !== undefined);
  })?.id ?? null;

const JOBS: readonly (readonly [string, Job])[] = [
  ['its stock bulb', van()],
  ['an LED that lights either way', van({ [MARKER]: LED.id })],
  ['an LED that lights one way', van({ [MARKER]: ONE_WAY.id })],
  ['its stock bulb, LEDs at its return', van(Object.fromEntries(positions.map((id) => [id, ledFor(id)])))],
];
const STATES: readonly (readonly [string, Partial<Controls>])[] = [
  ['nothing on', { key: 'on' }],
  ['lights', { key: 'on', lights: true }],
  ['left turn', { key: 'on', turn: 'left' }],
  ['left turn, lights', { key: 'on', turn: 'left', lights: true }],
  ['right turn, lights', { key: 'on', turn: 'right', lights: true }],
  ['hazard, lights', { hazard: true, lights: true }],
];

async function ngspice(text: string): Promise<Vectors> {
  simulation.setNetList(text);
  const result = await simulation.runSim();
  return new Map(result.data.map((vector) => [vector.name.toLowerCase(), vector.values as number[]]));
}

describe.each(JOBS)('a marker between two feeds with %s', (_, job) => {
  it.each(STATES)(
    '%s: agrees with ngspice within a hundredth or 1 mA, 1 mV',
    { timeout: 60_000 },
    async (__, change) => {
      const controls = { ...CONTROLS_OFF, ...change };
      const report = vehicleReport(job, shelf, 'leds', controls, 12.6);
      expect(worstOf(report, await ngspice(untilTheLook(report)))).toBeLessThan(1);
    },
  );
});

/** Light of the marker and the front turn lamp while the left side is lit and while it is dark, as a share of their own. */
function flashing(job: Job, lights: boolean) {
  const play = playVehicle({
    vehicle: job.vehicle,
    fitment: fitmentOf(job, shelf, 'leds'),
    controls: { ...CONTROLS_OFF, key: 'on', turn: 'left', lights },
    emfVolts: 12.6,
    thresholdAmps: 0,
    flashes: 4,
  });
  const last = play.flashes.at(-1);
  if (!last) throw new Error('it does not flash');
  const at = (lampId: string, share: number) => {
    const curve = play.emitters.find((each) => each.lampId === lampId)?.curve;
    return curve?.at(last.startSeconds + share * last.periodSeconds) ?? 0;
  };
  const { onSeconds, periodSeconds } = last;
  const lit = (0.95 * onSeconds) / periodSeconds;
  return {
    lit: { marker: at(MARKER, lit), turn: at('front-left', lit) },
    dark: { marker: at(MARKER, 0.98), turn: at('front-left', 0.98) },
  };
}

describe('what a marker between two feeds is seen to do', () => {
  it('flashes in step with the lights off', () => {
    const { lit, dark } = flashing(van(), false);
    expect(lit.turn).toBeGreaterThan(0.3);
    // In a row with the filaments it returns through, it has a little less than its own.
    expect(lit.marker).toBeGreaterThan(0.2);
    expect(dark.marker).toBeLessThan(0.02);
  });

  it('flashes alternately with the lights on', () => {
    const { lit, dark } = flashing(van(), true);
    expect(lit.turn).toBeGreaterThan(0.3);
    expect(lit.marker).toBeLessThan(0.02);
    expect(dark.turn).toBeLessThan(0.05);
    expect(dark.marker).toBeGreaterThan(0.3);
  });

  it('is dark one way with an LED that lights one way only', () => {
    expect(flashing(van({ [MARKER]: ONE_WAY.id }), false).lit.marker).toBeGreaterThan(0.3);
    expect(flashing(van({ [MARKER]: ONE_WAY.id }), true).dark.marker).toBeLessThan(0.02);
    expect(flashing(van({ [MARKER]: LED.id }), true).dark.marker).toBeGreaterThan(0.3);
  });

  it('dims where LEDs are all there is at its return', () => {
    const all = van(Object.fromEntries(positions.map((id) => [id, ledFor(id)])));
    expect(flashing(all, false).lit.marker).toBeLessThan(0.5 * flashing(van(), false).lit.marker);
  });

  it('takes its current from what flashes it', () => {
    const amps = (job: Job) =>
      new VehicleSimulation(job.vehicle, fitmentOf(job, shelf, 'stock'))
        .at({ controls: { ...CONTROLS_OFF, key: 'on', turn: 'left' }, emfVolts: 13.5 })
        .wireAmps('turn-left');
    const without = { ...demoJob('library-route-1'), chosen: {} };
    const more = amps(van()) - amps(without);
    expect(more).toBeGreaterThan(0.2);
    expect(more).toBeLessThan(0.4);
  });
});

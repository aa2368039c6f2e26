import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { seeded } from '../flashmeter/forTests.ts';
import { readFlash } from '../flashmeter/readFlash.ts';
import { patchBrightness, readFrames, writeFrames } from '../formats/frames.ts';
import type { Configuration } from '../model/cures.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { vehicleReport } from '../traces/vehicleReport.ts';
import { BenchVehicle } from './benchVehicle.ts';
import { multimeter } from './multimeter.ts';
import { FILM_SIZE, filmedLamp, recordedClicks } from './recordings.ts';

const VEHICLES = [
  'library-route-3',
  'dial-a-ride-2',
  'gritter-4',
  'courier-moped-7',
  'exhibition-trailer',
  'pool-car-5',
];
const STATES: readonly Partial<Controls>[] = [
  { key: 'off' },
  { key: 'on' },
  { key: 'on', lights: true },
  { key: 'on', brake: true },
  { key: 'on', lights: true, brake: true },
  { key: 'on', reverse: true },
  { key: 'on', lights: true, fog: true },
  { key: 'off', doors: true },
  { key: 'on', turn: 'left' },
  { key: 'on', turn: 'right', lights: true },
  { key: 'on', turn: 'left', brake: true, lights: true },
  { key: 'off', hazard: true },
  { key: 'on', hazard: true, brake: true, lights: true },
];
const jobs = demoJobs();
const jobOf = (id: string) => {
  const job = jobs.find((each) => each.id === id);
  if (!job) throw new Error(id);
  return job;
};
const panelOf = (id: string, configuration: Configuration, state: Partial<Controls>) => ({
  configuration,
  controls: { ...CONTROLS_OFF, ...state },
  emfVolts: 1.05 * jobOf(id).vehicle.systemVolts,
});

describe.each(VEHICLES)('instruments without noise on %s', (id) => {
  it.each(['stock', 'leds', 'cured'] as const)(
    'agree with plan and dash in every state, %s',
    (configuration) => {
      const job = jobOf(id);
      for (const state of STATES) {
        const panel = panelOf(id, configuration, state);
        const vehicle = new BenchVehicle(job, DEMO_SHELF, panel, [], () => 0);
        const meter = multimeter(vehicle, (value) => value);
        const ask = (spot: string, what: string) => {
          meter.line(`ROUT:PROB "${spot}"`);
          return Number(meter.line(`MEAS:${what}?`));
        };
        const said = `${id} ${configuration} ${JSON.stringify(state)}`;
        const report = vehicleReport(job, DEMO_SHELF, configuration, panel.controls, panel.emfVolts);
        const { traces } = vehicle;
        // The dash's rate, to the flash a minute it shows.
        const turning = job.vehicle.circuits.filter(
          ({ kind, side }) => kind === 'turn' && side !== null && traces.sides.includes(side),
        );
        if (traces.ratePerMinute !== null && turning[0])
          expect(Math.round(60 * ask(`wire:${turning[0].id}`, 'FREQ')), said).toBe(
            Math.round(traces.ratePerMinute),
          );
        for (const { id: circuitId } of job.vehicle.circuits) {
          const amps = ask(`wire:${circuitId}`, 'CURR:MAX');
          expect(Number.isFinite(amps) && Math.abs(amps) < 100, said).toBe(true);
        }
        // In a steady state the report solved the whole vehicle by another way, without a meter.
        if (report.flashing !== null || traces.blownFuses.length > 0) continue;
        for (const lamp of job.vehicle.lamps) {
          const mine = traces.lamps.filter((each) => each.lampId === lamp.id);
          const shown = mine.reduce((sum, each) => sum + each.steady * each.lumens, 0);
          meter.line('SENS:DIST 0.5');
          if (mine[0] && vehicle.spots.some((spot) => spot.id === `lamp:${lamp.id}:${mine[0]?.input}`))
            expect(ask(`lamp:${lamp.id}:${mine[0]?.input}`, 'ILL'), `${said} ${lamp.id}`).toBeCloseTo(
              shown / (4 * Math.PI * 0.25),
              1,
            );
        }
      }
    },
  );

  it('show the volts and amps that the whole vehicle solved without a meter has, steady', () => {
    const job = jobOf(id);
    for (const state of STATES.slice(0, 8)) {
      const panel = panelOf(id, 'stock', state);
      const report = vehicleReport(job, DEMO_SHELF, 'stock', panel.controls, panel.emfVolts);
      const vehicle = new BenchVehicle(job, DEMO_SHELF, panel, [], () => 0);
      const pulsed = new Set(
        job.vehicle.flasher.kind === 'controller'
          ? job.vehicle.flasher.outputs.flatMap(({ pwm, circuitId }) => (pwm ? [circuitId] : []))
          : [],
      );
      for (const lamp of job.vehicle.lamps)
        for (const input of ['main', 'dim'] as const) {
          const spot = vehicle.spots.find((each) => each.id === `lamp:${lamp.id}:${input}`);
          // The report has the volts in the pulses, a meter their mean.
          if (!spot || spot.about.some((each) => pulsed.has(each))) continue;
          const words = `${lamp.name}, ${input === 'main' ? 'feed' : 'dim feed'} contact`;
          const volts = report.quantities.find(({ what, unit }) => unit === 'V' && what === words);
          const amps = report.quantities.find(
            ({ what, unit }) =>
              unit === 'A' &&
              what === `${lamp.name}, current in its ${input === 'main' ? 'lead' : 'dim lead'}`,
          );
          if (volts && volts.value > 1)
            expect(vehicle.volts(spot).now, `${id} ${words}`).toBeCloseTo(volts.value, 2);
          if (amps && spot.about.length === 1)
            expect(vehicle.amps(spot).now, `${id} ${words}`).toBeCloseTo(amps.value, 2);
        }
    }
  });
});

describe('what a clamp shows where the relay looks', () => {
  it('is what the dash says the relay sees, to its two digits', () => {
    for (const configuration of ['stock', 'leds'] as const) {
      const panel = panelOf('library-route-3', configuration, { key: 'on', turn: 'left' });
      const vehicle = new BenchVehicle(jobOf('library-route-3'), DEMO_SHELF, panel, [], () => 0.12);
      const wire = vehicle.spots.find((spot) => spot.id === 'wire:turn-left');
      if (!wire) throw new Error('no such wire');
      expect(vehicle.amps(wire).most.toFixed(1)).toBe(vehicle.traces.watchedAmps.toFixed(1));
    }
  });
});

describe('recordings of a stand-in', () => {
  const panel = panelOf('library-route-3', 'stock', { key: 'on', turn: 'left' });
  const vehicle = new BenchVehicle(jobOf('library-route-3'), DEMO_SHELF, panel, [], () => 0);
  const truth = vehicle.traces.ratePerMinute ?? 0;

  it('as sound are read by the flash meter at the rate of the dash', () => {
    const sound = recordedClicks(vehicle, 12, 0.01, seeded(3));
    const reading = readFlash({ kind: 'sound', sound }, { pulsed: false });
    if (reading.kind !== 'rate') throw new Error(JSON.stringify(reading.kind));
    expect(Math.abs(reading.rate.perMinute / truth - 1)).toBeLessThan(0.01);
  });

  it.each([24, 25, 30, 60])('as a film at %s frames a second too, through its file', (framesPerSecond) => {
    const frames = filmedLamp(vehicle, 'rear-left', { framesPerSecond, seconds: 10, noise: 8 }, seeded(5));
    const read = readFrames(writeFrames(FILM_SIZE, framesPerSecond, frames));
    if (!read.ok) throw new Error(read.problem);
    const series = patchBrightness(read.frames, { left: 0.4, top: 0.4, width: 0.2, height: 0.2 });
    const reading = readFlash({ kind: 'levels', series }, { pulsed: false });
    if (reading.kind !== 'rate') throw new Error(JSON.stringify(reading));
    expect(Math.abs(reading.rate.perMinute / truth - 1)).toBeLessThan(0.01);
  });

  it('of a lamp it has not are refused', () => {
    expect(() =>
      filmedLamp(vehicle, 'none', { framesPerSecond: 30, seconds: 1, noise: 0 }, seeded(1)),
    ).toThrow(RangeError);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import type { LedPart } from '../model/part.ts';
import type { WorksLed } from '../model/vehicle/lamp.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import { verdictsOf } from '../possible/verdicts.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { lampOut } from '../simulation/strike.ts';
import { playVehicle } from '../simulation/vehicleRun.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { unknownWords } from '../words/unknowns.ts';
import { reasonsOf } from '../words/verdicts.ts';

const KNOWN: WorksLed = { sealed: false, amps: 0.4, faultLine: false };

/** The minibus, whose controller drives its turn lamps, with LEDs from the works in some of them; nothing else changed. */
function born(lampIds: readonly string[], works: WorksLed = KNOWN, chosen: Job['chosen'] = {}): Job {
  const job = structuredClone(demoJob('dial-a-ride-2'));
  for (const lamp of job.vehicle.lamps) if (lampIds.includes(lamp.id)) lamp.works = { ...works };
  return { ...job, chosen, cures: {}, vehicleCures: [], evidence: [] };
}

const FRONT = ['front-left', 'front-right'];
const LED: LedPart = {
  ...(DEMO_SHELF.find((part) => part.kind === 'led') as LedPart),
  id: 'small',
  watts: 3,
  atVolts: 13.5,
};
const shelf = [...DEMO_SHELF, LED];
const turnOf = (job: Job) =>
  verdictsOf(job, shelf).leds.circuits.find(({ circuitId }) => circuitId === 'turn-left');

describe('an LED from the works', () => {
  it('draws what was measured, at every supply', () => {
    const job = born(FRONT);
    const simulation = new VehicleSimulation(job.vehicle, fitmentOf(job, shelf, 'stock'));
    for (const emfVolts of [11.8, 13.5, 14.4]) {
      const probes = simulation.at({ controls: { ...CONTROLS_OFF, key: 'on', turn: 'left' }, emfVolts });
      expect(probes.bulbAmps('front-left')).toBeCloseTo(0.4, 2);
    }
  });

  it('is what its watcher was made for: left as it is, it holds', () => {
    expect(turnOf(born(FRONT))?.state).toBe('holds');
  });

  it('lowers what is asked of the rest: a watcher told by filaments misses nothing of it', () => {
    const band = (job: Job) => turnOf(job)?.worst?.band;
    expect(band(born(FRONT))?.highAmps).toBeLessThan((band(born([]))?.highAmps ?? 0) - 1);
  });
});

describe('an LED from the works nobody has measured', () => {
  const open = born(FRONT, { sealed: null, amps: null, faultLine: false }, { 'rear-left': 'small' });

  it('is judged from the least to the most such lamps draw, and a clamp is asked for', () => {
    const { leds } = verdictsOf(open, shelf);
    expect(leds.unknowns.map(unknownWords).join()).toMatch(/LEDs from the works.*clamp/);
    const states = [0.15, 1.2].map(
      (amps) => turnOf(born(FRONT, { ...KNOWN, amps }, { 'rear-left': 'small' }))?.state,
    );
    const state = turnOf(open)?.state;
    expect(states[0] === states[1] ? states[0] : 'either-way').toBe(state);
  });

  it('is asked for no more once it was measured', () => {
    const { leds } = verdictsOf(born(FRONT), shelf);
    expect(leds.unknowns.map(({ what }) => what)).not.toContain('works-not-measured');
  });
});

describe('a fault wire', () => {
  const told = (faultLine: boolean | null, sealed: boolean | null = false): WorksLed => ({
    ...KNOWN,
    faultLine,
    sealed,
  });
  const away = (works: WorksLed) => born(FRONT, works, { 'front-left': 'small' });

  it('left without an answer falls short, whatever is drawn, and says so', () => {
    const verdict = turnOf(away(told(true)));
    expect(verdict?.state).toBe('falls-short');
    expect(verdict && reasonsOf(away(told(true)).vehicle, verdict).join(' ')).toMatch(
      /wire of its own, and nothing answers/,
    );
  });

  it('nobody has looked for could go either way, and is asked for', () => {
    const job = away(told(null));
    expect(verdictsOf(job, shelf).leds.unknowns.map(({ what }) => what)).toContain('fault-wire-not-seen');
    expect(turnOf(job)?.findings.some(({ requirement }) => requirement === 'fault-wire')).toBe(true);
    expect(turnOf(job)?.state).not.toBe('holds');
  });

  it('of a lamp changed as a whole may be answered by the new one', () => {
    const found = turnOf(away(told(true, true)))?.findings.find(
      ({ requirement }) => requirement === 'fault-wire',
    );
    expect(found?.state).toBe('either-way');
  });

  it('is nothing where the LED stays', () => {
    expect(turnOf(born(FRONT, told(true)))?.state).toBe('holds');
  });

  it('is heard when the vehicle is played: the LED out, or another in its place', () => {
    const heard = (job: Job, out: boolean) =>
      playVehicle({
        vehicle: job.vehicle,
        fitment: fitmentOf(job, shelf, 'leds'),
        controls: { ...CONTROLS_OFF, key: 'on', turn: 'left' },
        emfVolts: 12.6,
        thresholdAmps: 0,
        strikes: out ? [lampOut('front-left')] : [],
        flashes: 2,
      }).events.filter((event) => event.kind === 'message' && event.by === 'fault-wire').length;
    expect(heard(born(FRONT, told(true)), false)).toBe(0);
    expect(heard(born(FRONT, told(true)), true)).toBe(1);
    expect(heard(away(told(true)), false)).toBe(1);
    expect(heard(away(told(false)), false)).toBe(0);
  });
});

describe('what stays of a lamp with an LED from the works', () => {
  it('draws from its own element, not a filament', () => {
    const job = born(FRONT);
    const netlist = new VehicleSimulation(job.vehicle, fitmentOf(job, shelf, 'stock')).netlist(
      { ...CONTROLS_OFF, key: 'on', turn: 'left' },
      12.6,
    );
    const own = netlist.elements.filter(({ id }) => id.startsWith(ELEMENTS.bulb('front-left')));
    expect(own.some(({ kind }) => kind === 'filament')).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { vehicleProblems } from '../../formats/vehicleProblems.ts';
import { Judge } from '../../judge/judge.ts';
import { workedFunctions } from '../../lookover/workedFunctions.ts';
import { newJob } from '../../model/newJob.ts';
import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import { Vehicle } from '../../model/vehicle/vehicle.ts';
import { layoutEntries, startingVehicle } from '../../presets/startingLayout.ts';
import { CONTROLS_OFF } from '../../simulation/controls.ts';
import { healthyStock } from '../../simulation/fitment.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';
import { coloursFor, functionsOf } from '../lampWork.ts';
import { clearStopTurn, setStopTurn, stopsAndTurns } from './stopTurn.ts';

/** A North American car whose rear bulb a side turns and stops, and whose front one turns and parks. */
function shared(): Vehicle {
  const about = { kind: 'car' as const, year: 1988, region: 'US' as const };
  return startingVehicle('v', {
    ...about,
    name: 'v',
    model: 'v',
    systemVolts: 12,
    entries: layoutEntries(about).filter((entry) => entry.usual),
    flasher: 'watching-relay',
    frontTwin: true,
    rearStop: true,
  });
}
const amps = (vehicle: Vehicle, change: Partial<typeof CONTROLS_OFF>, lampId: string) => {
  const simulation = new VehicleSimulation(vehicle, healthyStock({ vehicle, identified: {} }));
  return simulation
    .at({ controls: { ...CONTROLS_OFF, key: 'on', ...change }, emfVolts: 12.6 })
    .bulbAmps(lampId);
};

describe('one filament for stop and turn at the rear, one bulb for turn and position in front', () => {
  const vehicle = shared();

  it('is a sound vehicle of one lamp a corner, with a third brake lamp of its own', () => {
    expect(Vehicle.parse(vehicle)).toEqual(vehicle);
    expect(vehicleProblems(vehicle)).toEqual([]);
    const ids = vehicle.lamps.map(({ id }) => id);
    expect(ids).toContain('front-turn-position-left');
    expect(ids).not.toContain('rear-turn-left');
    expect(ids).not.toContain('position-left');
    expect(turnCircuits(vehicle)).toHaveLength(2);
    expect(functionsOf(vehicle, 'stop-tail-left')).toBe('turn and stop, tail or position');
    expect(functionsOf(vehicle, 'front-turn-position-left')).toBe('turn, tail or position');
    expect(coloursFor(vehicle, vehicle.lamps.find(({ id }) => id === 'stop-tail-left') as never)).toContain(
      'red',
    );
    expect(
      coloursFor(vehicle, vehicle.lamps.find(({ id }) => id === 'front-turn-position-left') as never),
    ).toContain('amber');
  });

  it('stops at the rear and not in front; turning, both ends of that side flash and the other still stops', () => {
    const [front, rear, right] = ['front-turn-position-left', 'stop-tail-left', 'stop-tail-right'] as const;
    expect(amps(vehicle, { brake: true }, rear)).toBeGreaterThan(1);
    expect(amps(vehicle, { brake: true }, front)).toBeLessThan(0.01);
    expect(amps(vehicle, { turn: 'left' }, rear)).toBeGreaterThan(1);
    expect(amps(vehicle, { turn: 'left' }, front)).toBeGreaterThan(1);
    expect(amps(vehicle, { turn: 'left' }, right)).toBeLessThan(0.01);
    expect(amps(vehicle, { turn: 'left', brake: true }, right)).toBeGreaterThan(1);
    const brake = workedFunctions(vehicle).find(({ id }) => id === 'brake');
    expect(brake?.lampIds).toEqual(expect.arrayContaining([rear, right]));
    expect(brake?.lampIds).not.toContain(front);
  });

  it('is judged like any other: stock it holds, with one LED at the rear it falls short', () => {
    const job = newJob('j', 'j', vehicle, '2026-11-26T10:00:00.000Z');
    expect(Judge.of(job, DEMO_SHELF, 'stock').verdict().state).toBe('holds');
    const led = DEMO_SHELF.find((part) => part.kind === 'led' && part.id === 'led-godwit-3r');
    if (led?.kind !== 'led') throw new Error('no such LED');
    for (const side of ['left', 'right'])
      for (const id of [`stop-tail-${side}`, `front-turn-position-${side}`]) job.chosen[id] = led.id;
    expect(Judge.of(job, DEMO_SHELF, 'leds').verdict().state).toBe('falls-short');
  });

  it('is said and taken back in the editor, lamp by lamp', () => {
    const van = structuredClone(demoJob('library-route-3').vehicle);
    for (const side of ['left', 'right']) setStopTurn(van, `stop-tail-${side}`);
    expect(vehicleProblems(van)).toEqual([]);
    expect(stopsAndTurns(van, 'stop-tail-left')).toBe(true);
    expect(stopsAndTurns(van, 'rear-left')).toBe(false);
    expect(amps(van, { brake: true }, 'stop-tail-left')).toBeGreaterThan(1);
    expect(amps(van, { brake: true }, 'rear-left')).toBeLessThan(0.01);
    for (const side of ['left', 'right']) clearStopTurn(van, `stop-tail-${side}`);
    expect(turnCircuits(van).every(({ stopFuseId }) => stopFuseId === undefined)).toBe(true);
    expect(
      turnCircuits(van)
        .flatMap(({ feeds }) => feeds)
        .some(({ turnOnly }) => turnOnly),
    ).toBe(false);
  });

  it('leaves a trailer that stops through all of its turn lamps as it was', () => {
    const trailer = demoJob('exhibition-trailer').vehicle;
    for (const circuit of turnCircuits(trailer))
      for (const { lampId } of circuit.feeds)
        expect(amps(trailer, { brake: true }, lampId)).toBeGreaterThan(0.5);
  });
});

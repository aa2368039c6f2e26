import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { vehicleProblems } from '../../formats/vehicleProblems.ts';
import { Judge } from '../../judge/judge.ts';
import { newJob } from '../../model/newJob.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { setFlasher } from '../../presets/flashers.ts';
import { layoutEntries, startingVehicle } from '../../presets/startingLayout.ts';
import { lampFunctions } from './circuits.ts';
import { addLamps, changeRole, changeStockBulb, changeWork, removeLamp } from './lamps.ts';
import { setTurnOutputs } from './turnOutputs.ts';
import { VehicleEditError } from './vehicleEditError.ts';

function van(year = 1997): Vehicle {
  const about = { kind: 'van', year, region: 'UN', systemVolts: 12 } as const;
  return startingVehicle('new', {
    ...about,
    name: 'van',
    model: 'van',
    entries: layoutEntries(about).filter((entry) => entry.usual),
    flasher: null,
  });
}

describe('lamps are added', () => {
  it('on the wire and fuse their function has already', () => {
    const vehicle = van();
    const before = vehicle.circuits.length;
    const added = addLamps(vehicle, 'reverse', 'pair');
    expect(added).toEqual(['reverse-2-left', 'reverse-2-right']);
    expect(vehicle.circuits.length).toBe(before);
    expect(vehicle.circuits.find((each) => each.kind === 'reverse')?.feeds.length).toBe(4);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });

  it('of a dash behind one cluster: its panel is opened once', () => {
    const vehicle = van();
    const ids = [...addLamps(vehicle, 'dash', 'pair'), ...addLamps(vehicle, 'charge', 'centre')];
    const groups = vehicle.lamps.filter(({ id }) => ids.includes(id)).map(({ access }) => access.group);
    expect(new Set(groups)).toEqual(new Set(['cluster']));
  });

  it('as many as one circuit takes: one more is refused in words, and what to do', () => {
    const vehicle = van();
    const interior = () => vehicle.circuits.find((each) => each.kind === 'interior')?.feeds.length ?? 0;
    while (interior() < 60) addLamps(vehicle, 'interior', 'centre');
    expect(() => addLamps(vehicle, 'interior', 'centre')).toThrow(VehicleEditError);
    expect(() => addLamps(vehicle, 'interior', 'centre')).toThrow(
      /feeds 60 lamps already, which is as many as one circuit takes here\. Remove one of them first/,
    );
  });

  it('with a circuit and a fuse of their own where there is none yet', () => {
    const vehicle = van();
    addLamps(vehicle, 'front-fog', 'pair');
    const circuit = vehicle.circuits.find((each) => each.kind === 'front-fog');
    expect(circuit?.from).toEqual({ by: 'switch', fuseId: 'front-fog-fuse' });
    expect(vehicle.fuses.find((fuse) => fuse.id === 'front-fog-fuse')?.ratedAmps).toBe(20);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });

  it('beside, not over, one that stands at their usual place', () => {
    const vehicle = van();
    const [first] = addLamps(vehicle, 'interior', 'centre');
    const [second] = addLamps(vehicle, 'interior', 'centre');
    const at = (id?: string) => vehicle.lamps.find((lamp) => lamp.id === id)?.plan.along ?? 0;
    expect(Math.abs(at(first) - at(second))).toBeGreaterThan(0.03);
  });

  it('on a controller with an output of their own, its threshold between one missing and all lit', () => {
    const vehicle = van(2015);
    setTurnOutputs(vehicle, 'side');
    const output = () =>
      vehicle.flasher.kind === 'controller'
        ? vehicle.flasher.outputs.find((each) => each.circuitId === 'turn-left')?.watch?.simulatedFilament
            .amps
        : undefined;
    const before = output() ?? 0;
    // PY21W and P21W of 1.85 A each, a repeater of 0.37 A: between 2.2 and 4.1 A.
    expect(before).toBeGreaterThan(2.2);
    expect(before).toBeLessThan(4.1);
    addLamps(vehicle, 'rear-turn', 'pair');
    expect(output()).toBeGreaterThan(before + 1.5);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });

  it('up to what a vehicle holds', () => {
    const vehicle = van();
    expect(() => {
      for (let count = 0; count < 200; count += 1) addLamps(vehicle, 'marker', 'pair');
    }).toThrow(VehicleEditError);
    expect(vehicle.lamps.length).toBeLessThanOrEqual(300);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });
});

describe('lamps are removed', () => {
  it('with their feeds, and with its last lamp so does a circuit go', () => {
    const vehicle = van();
    removeLamp(vehicle, 'rear-fog');
    expect(vehicle.circuits.some((circuit) => circuit.kind === 'rear-fog')).toBe(false);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });

  it('but never the last main turn lamp of a side that keeps a repeater', () => {
    const vehicle = van();
    removeLamp(vehicle, 'rear-turn-left');
    const lamps = vehicle.lamps.length;
    expect(() => removeLamp(vehicle, 'front-turn-left')).toThrow(/last main lamp of the left/);
    expect(vehicle.lamps.length).toBe(lamps);
  });
});

describe('a lamp counts as something else', () => {
  it('but the last main one of a side stays main', () => {
    const vehicle = van();
    changeRole(vehicle, 'rear-turn-left', 'repeater');
    expect(() => changeRole(vehicle, 'front-turn-left', 'repeater')).toThrow(/last main lamp of the left/);
    expect(vehicleProblems(vehicle)).toEqual([]);
  });
});

describe('a lamp gets other work', () => {
  it('and moves from one circuit to another', () => {
    const vehicle = van();
    changeWork(vehicle, 'rear-fog', [{ kind: 'reverse', input: 'main' }]);
    expect(circuitsOf(vehicle, 'rear-fog').map((circuit) => circuit.kind)).toEqual(['reverse']);
    expect(vehicle.circuits.some((circuit) => circuit.kind === 'rear-fog')).toBe(false);
  });

  it('both filaments of a twin bulb may hang on one wire', () => {
    const vehicle = van();
    changeWork(vehicle, 'stop-tail-left', [
      { kind: 'stop', input: 'main' },
      { kind: 'stop', input: 'dim' },
    ]);
    expect(lampFunctions(vehicle, 'stop-tail-left')).toEqual([
      { kind: 'stop', input: 'main' },
      { kind: 'stop', input: 'dim' },
    ]);
    const job = newJob('j', 'j', vehicle, '2026-01-01T00:00:00.000Z');
    expect(Judge.of(job, DEMO_SHELF, 'stock').verdict().state).toBe('holds');
  });

  it('but not none at all', () => {
    expect(() => changeWork(van(), 'rear-fog', [])).toThrow(/needs something to do/);
  });

  it('and another base with another bulb', () => {
    const vehicle = van();
    changeStockBulb(vehicle, 'reverse-left', 'W16W');
    expect(vehicle.lamps.find((lamp) => lamp.id === 'reverse-left')?.base).toBe('W2.1x9.5d');
    expect(() => changeStockBulb(vehicle, 'reverse-left', 'P99W')).toThrow(/not in the catalogue/);
  });
});

describe('another flasher', () => {
  it('takes the circuits with it, there and back', () => {
    const vehicle = van();
    setFlasher(vehicle, 'controller');
    expect(vehicle.circuits.every((circuit) => circuit.from.by === 'output')).toBe(true);
    expect(vehicleProblems(vehicle)).toEqual([]);
    setFlasher(vehicle, 'watching-relay');
    expect(vehicle.circuits.filter((circuit) => circuit.from.by === 'flasher').length).toBe(2);
    expect(vehicle.circuits.some((circuit) => circuit.from.by === 'output')).toBe(false);
    expect(vehicleProblems(vehicle)).toEqual([]);
    setFlasher(vehicle, 'thermal');
    setFlasher(vehicle, 'non-watching-relay');
    expect(vehicleProblems(vehicle)).toEqual([]);
  });
});

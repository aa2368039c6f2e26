import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { vehicleProblems } from '../../formats/vehicleProblems.ts';
import { circuitsOf, lampById, returnCircuit } from '../../model/vehicle/lookUp.ts';
import { Vehicle } from '../../model/vehicle/vehicle.ts';
import { connectorOfLamp, functionsAt } from '../../wiring/connectors.ts';
import { switchWords } from '../../words/switches.ts';
import { functionsOf, switchesFor } from '../lampWork.ts';
import { addLamps, removeLamp } from './lamps.ts';
import { setReturn } from './returns.ts';

const van = () => structuredClone(demoJob('library-route-1').vehicle);

describe('a side marker between two feeds', () => {
  it('is added as one, each on the circuits of its own side, and leaves a sound vehicle', () => {
    const vehicle = van();
    const ids = addLamps(vehicle, 'marker-between', 'pair');
    expect(ids).toEqual(['marker-between-left', 'marker-between-right']);
    for (const side of ['left', 'right'] as const) {
      const id = `marker-between-${side}`;
      expect(circuitsOf(vehicle, id).map((each) => each.id)).toEqual([`turn-${side}`]);
      const back = returnCircuit(vehicle, id);
      expect(back?.kind).toBe('tail');
      expect([side, null]).toContain(back?.side);
    }
    expect(vehicleProblems(Vehicle.parse(vehicle))).toEqual([]);
  });

  it('is said to do both, and is seen by both switches', () => {
    const vehicle = van();
    const [left = ''] = addLamps(vehicle, 'marker-between', 'pair');
    expect(functionsOf(vehicle, left)).toBe('turn, tail or position');
    expect(switchWords(switchesFor(vehicle, lampById(vehicle, left)))).toBe('key on, left turn; lights on');
  });

  it('has two feeds in its plug and no earth', () => {
    const vehicle = van();
    const [left = ''] = addLamps(vehicle, 'marker-between', 'pair');
    const known = connectorOfLamp(vehicle, left);
    const uses = known ? functionsAt(vehicle, known.connector).map(({ use }) => use.does) : [];
    expect(uses).toEqual(['feed', 'feed', 'nothing']);
  });

  it('goes back to earth when asked, and when the circuit it hung on is no more', () => {
    const vehicle = van();
    const [left = '', right = ''] = addLamps(vehicle, 'marker-between', 'pair');
    setReturn(vehicle, left, undefined);
    expect(lampById(vehicle, left).returnsTo).toBeUndefined();
    const to = returnCircuit(vehicle, right);
    for (const { lampId } of to?.feeds ?? [])
      if (circuitsOf(vehicle, lampId).length === 1) removeLamp(vehicle, lampId);
    vehicle.circuits = vehicle.circuits.map((each) =>
      each.id === to?.id ? { ...each, feeds: each.feeds.slice(0, 1) } : each,
    );
    const [last] = vehicle.circuits.find(({ id }) => id === to?.id)?.feeds ?? [];
    if (last) removeLamp(vehicle, last.lampId);
    expect(lampById(vehicle, right).returnsTo).toBeUndefined();
  });

  it('set for one side is set for the other on its own circuit', () => {
    const vehicle = van();
    const [left = '', right = ''] = addLamps(vehicle, 'marker-between', 'pair');
    const tail = vehicle.circuits.find(({ kind, side }) => kind === 'tail' && side === 'left');
    for (const id of [left, right]) setReturn(vehicle, id, tail?.id ?? returnCircuit(vehicle, left)?.id);
    for (const [id, side] of [
      [left, 'left'],
      [right, 'right'],
    ] as const)
      expect([side, null]).toContain(returnCircuit(vehicle, id)?.side);
  });

  it('that cannot carry a current is refused by name', () => {
    const bad = (to: string) => {
      const vehicle = van();
      const [left = ''] = addLamps(vehicle, 'marker-between', 'pair');
      lampById(vehicle, left).returnsTo = to;
      return vehicleProblems(vehicle).join(' ');
    };
    expect(bad('no-such')).toMatch(/returns to "no-such", a circuit the vehicle does not have/);
    expect(bad('turn-left')).toMatch(/which feeds it too: nothing would ever flow/);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { signalFilament } from '../catalogue/bulbs.ts';
import { Circuit } from '../circuit/engine/circuit.ts';
import { FUSE_HOLD } from '../circuit/engine/netlist.ts';
import { Transient } from '../circuit/engine/transient.ts';
import { Filament } from '../circuit/filament.ts';
import { CONTROLS_OFF } from './controls.ts';
import { bulbOf, fitmentOf } from './fitment.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

const minibus = demoJob('dial-a-ride-2');
const lights = { ...CONTROLS_OFF, key: 'on' as const, lights: true };

describe('an output that holds its lamp’s volts', () => {
  it('pulses the shorter the higher the supply, in steady moments too', () => {
    const simulation = new VehicleSimulation(minibus.vehicle, fitmentOf(minibus, DEMO_SHELF, 'stock'));
    const circuit = minibus.vehicle.circuits.find((each) => each.id === 'position-left');
    const lamp = minibus.vehicle.lamps.find((each) => each.id === circuit?.feeds[0]?.lampId);
    if (!circuit || !lamp) throw new Error('no position lamp');
    const at = (emfVolts: number) =>
      simulation.at({ controls: lights, emfVolts }, [circuit.id]).wireAmps(circuit.id);
    at(11.8);
    const amps = at(14.4);
    // Its filament is as hot as at the held volts, and is given 14.4 V in the pulses: I = V / R(T at 12.8 V).
    const filament = new Filament(signalFilament(bulbOf(minibus, lamp)));
    const byHand = 14.4 / filament.ohmsAt(filament.settledKelvin(12.8));
    expect(amps / byHand).toBeGreaterThan(0.97);
    expect(amps / byHand).toBeLessThan(1.01);
    expect(amps).toBeCloseTo(0.404, 2);
    // Asked first at that supply, the answer is the same.
    const fresh = new VehicleSimulation(minibus.vehicle, fitmentOf(minibus, DEMO_SHELF, 'stock'));
    expect(fresh.at({ controls: lights, emfVolts: 14.4 }, [circuit.id]).wireAmps(circuit.id)).toBeCloseTo(
      amps,
      6,
    );
  });
});

describe('a fuse behind a pulsed output', () => {
  const netlist = (duty: number) => ({
    title: 'a pulsed feed',
    elements: [
      { kind: 'battery', id: 'battery', a: '30', b: 'earth', volts: 12, ohms: 0.01 },
      {
        kind: 'fuse',
        id: 'fuse',
        a: '30',
        b: 'fed',
        ohms: 0.01,
        ratedAmps: 5,
        pulsed: [{ elementId: 'wire', duty }],
      },
      { kind: 'resistor', id: 'wire', a: 'fed', b: 'lamp', ohms: 0.01 },
      { kind: 'resistor', id: 'lamp', a: 'lamp', b: 'earth', ohms: 1.2 },
    ] as const,
  });

  it('of 5 A lives at 3.3 A RMS, whatever flows in the pulses; on throughout it melts', () => {
    const share = (3.3 / 9.76) ** 2;
    const pulsed = new Circuit(netlist(share));
    pulsed.solveSteady();
    expect(pulsed.blown).toEqual([]);
    expect(pulsed.amps('wire')).toBeGreaterThan(5 * FUSE_HOLD);
    const steady = new Circuit(netlist(1));
    steady.solveSteady();
    expect(steady.blown).toEqual(['fuse']);
    const run = new Transient(netlist(share), {});
    run.advanceTo(20);
    expect(run.circuit.blown).toEqual([]);
  });
});

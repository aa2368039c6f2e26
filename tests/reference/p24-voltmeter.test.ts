/**
 * P24: direct-voltage meters respond to the average and are 10 MΩ in parallel: a pulsed feed of duty D reads D·V; a lead that
 * floats behind 1 MΩ reads V·10/11.
 */
import { describe, expect, it } from 'vitest';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import { EARTH } from '../../core/circuit/engine/netlist.ts';
import { BenchVehicle } from '../../core/instruments/benchVehicle.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { VOLTMETER_OHMS } from '../../core/simulation/meterAt.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

describe('a voltmeter', () => {
  it('on a feed pulsed at a duty reads that share of its volts', () => {
    const job = demoJob('dial-a-ride-2');
    const { flasher } = job.vehicle;
    if (flasher.kind !== 'controller') throw new Error('the minibus has a controller');
    const output = flasher.outputs.find(({ pwm }) => pwm?.to === 'dim');
    if (output?.pwm?.to !== 'dim') throw new Error('and a pulsed tail');
    const [lamp] = job.vehicle.circuits.find(({ id }) => id === output.circuitId)?.feeds ?? [];
    const vehicle = new BenchVehicle(
      job,
      DEMO_SHELF,
      { configuration: 'stock', controls: { ...CONTROLS_OFF, key: 'on', lights: true }, emfVolts: 12.6 },
      [],
      () => 0,
    );
    const spot = vehicle.spots.find(
      (each) => each.lamp?.lampId === lamp?.lampId && each.lamp?.input === lamp?.input,
    );
    if (!spot) throw new Error('no such contact');
    const { now } = vehicle.volts(spot);
    // Less what wire and output drop: a few percent at a lamp.
    expect(now / (output.pwm.duty * 12.6)).toBeGreaterThan(0.93);
    expect(now / (output.pwm.duty * 12.6)).toBeLessThanOrEqual(1.0001);
  });

  it('of 10 MΩ on a lead that floats behind 1 MΩ reads ten elevenths', () => {
    const circuit = new Circuit({
      title: 'a lead that floats',
      elements: [
        { kind: 'battery', id: 'battery', a: 'plus', b: EARTH, volts: 12.6, ohms: 0.01 },
        { kind: 'resistor', id: 'leak', a: 'plus', b: 'lead', ohms: 1e6 },
        { kind: 'resistor', id: 'meter', a: 'lead', b: EARTH, ohms: VOLTMETER_OHMS },
      ],
    });
    circuit.solveSteady();
    expect(circuit.nodeVolts('lead')).toBeCloseTo((12.6 * 10) / 11, 3);
  });
});

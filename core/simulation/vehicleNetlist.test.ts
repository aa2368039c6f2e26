import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, withRearLoad } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Circuit } from '../circuit/engine/circuit.ts';
import { Transient } from '../circuit/engine/transient.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import { contactsOf } from './contacts.ts';
import { CONTROLS_OFF, type Controls, dutyOf, outputOf, stopsThroughTurn, wanted } from './controls.ts';
import { coupledCircuits } from './coupled.ts';
import { fitmentOf } from './fitment.ts';
import { vehicleNetlist } from './vehicleNetlist.ts';

const fleet = demoJobs();
const CONFIGURATIONS: readonly Configuration[] = ['stock', 'leds', 'cured'];

const anyControls: fc.Arbitrary<Controls> = fc.record({
  key: fc.constantFrom('off', 'on', 'running'),
  turn: fc.constantFrom('left', 'right', null),
  hazard: fc.boolean(),
  lights: fc.boolean(),
  brake: fc.boolean(),
  reverse: fc.boolean(),
  fog: fc.boolean(),
  mainBeam: fc.boolean(),
  doors: fc.boolean(),
  lids: fc.boolean(),
  lampSwitches: fc.boolean(),
  work: fc.boolean(),
  beacon: fc.boolean(),
  dimmed: fc.boolean(),
});

function solved(
  job: Job,
  configuration: Configuration,
  controls: Controls,
  emfVolts: number,
  lit = true,
): Circuit {
  const fitment = fitmentOf(job, DEMO_SHELF, configuration);
  const circuit = new Circuit(vehicleNetlist(job.vehicle, fitment, { emfVolts, controls }));
  circuit.setControls(contactsOf(job.vehicle, fitment, controls, lit));
  circuit.solveSteady();
  return circuit;
}

describe('names in the netlist', () => {
  it('are each one thing, though a lamp be called as its circuit is', () => {
    for (const job of fleet) {
      const circuit = firstTurn(job.vehicle);
      const lampId = circuit?.feeds[0]?.lampId;
      if (!lampId) throw new Error('a circuit without a lamp');
      const odd = JSON.parse(JSON.stringify(job).replaceAll(`"${lampId}"`, `"${circuit.id}"`)) as Job;
      for (const configuration of CONFIGURATIONS) {
        const fitment = fitmentOf(odd, DEMO_SHELF, configuration);
        const { elements } = vehicleNetlist(odd.vehicle, fitment, {
          emfVolts: 12,
          controls: CONTROLS_OFF,
          trials: true,
        });
        expect(new Set(elements.map(({ id }) => id)).size).toBe(elements.length);
      }
    }
  });
});

describe('every demo vehicle, whatever is switched on', () => {
  it('keeps Kirchhoff at every node and the battery’s power in balance', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...fleet),
        fc.constantFrom(...CONFIGURATIONS),
        anyControls,
        fc.double({ min: 0.85, max: 1.25, noNaN: true }),
        fc.boolean(),
        (job, configuration, controls, share, lit) => {
          const circuit = solved(
            job,
            configuration,
            controls,
            12 * share * (job.vehicle.systemVolts / 12),
            lit,
          );
          let delivered = 0;
          for (const branch of circuit.branches) {
            const { a, b } = circuit.netlist.elements.find((each) => each.id === branch.id) ?? {
              a: '',
              b: '',
            };
            const volts = circuit.nodeVolts(a) - circuit.nodeVolts(b);
            delivered += volts * circuit.amps(branch.id);
          }
          for (const node of circuit.nodes) expect(Math.abs(circuit.imbalance(node))).toBeLessThan(1e-5);
          // The battery's share is negative, so all together come to nought.
          expect(Math.abs(delivered)).toBeLessThan(1e-3);
        },
      ),
      { numRuns: 120, seed: 11 },
    );
  });

  it('never cools a filament below its surroundings, nor heats one past melting', () => {
    fc.assert(
      fc.property(fc.constantFrom(...fleet), anyControls, anyControls, (job, before, after) => {
        const fitment = fitmentOf(job, DEMO_SHELF, 'stock');
        const emfVolts = 14.4 * (job.vehicle.systemVolts / 12);
        const netlist = vehicleNetlist(job.vehicle, fitment, { emfVolts, controls: before });
        const run = new Transient(netlist, contactsOf(job.vehicle, fitment, before, true));
        const check = () => {
          for (const branch of run.circuit.branches) {
            const kelvin = branch.filamentKelvin;
            if (kelvin === undefined) continue;
            expect(kelvin).toBeGreaterThan(290);
            expect(kelvin).toBeLessThan(3300);
          }
        };
        run.advanceTo(0.15);
        check();
        run.setControls(contactsOf(job.vehicle, fitment, after, false));
        run.advanceTo(0.3);
        check();
      }),
      { numRuns: 25, seed: 3 },
    );
  });

  it('lights what is asked for and nothing else, with sound stock bulbs', () => {
    for (const job of fleet) {
      for (const change of [{ lights: true }, { brake: true }, { doors: true }, { hazard: true }]) {
        const controls = { ...CONTROLS_OFF, ...change };
        const circuit = solved(job, 'stock', controls, 12.6 * (job.vehicle.systemVolts / 12));
        for (const each of job.vehicle.circuits) {
          const on = wanted(each, controls) || stopsThroughTurn(each, controls);
          const amps = circuit.amps(ELEMENTS.wire(each.id));
          if (on) expect(amps, `${job.id} ${each.id}`).toBeGreaterThan(0.05);
          else expect(Math.abs(amps), `${job.id} ${each.id}`).toBeLessThan(0.003);
        }
      }
    }
  });
});

describe('wiring', () => {
  const trailer = demoJob('exhibition-trailer');
  const minibus = demoJob('dial-a-ride-2');
  const van = demoJob('library-route-1');

  it('one filament for stop and turn: the brake lights both sides, the turn switch takes its own side over', () => {
    const brake = { ...CONTROLS_OFF, key: 'on' as const, brake: true };
    const both = solved(trailer, 'stock', brake, 12.6);
    const turning = solved(trailer, 'stock', { ...brake, turn: 'left' }, 12.6, false);
    for (const lamp of ['upper-left', 'upper-right'])
      expect(both.amps(ELEMENTS.lead(lamp))).toBeGreaterThan(1.8);
    // In the dark part of its flash the left side is dark although the pedal is down.
    expect(turning.amps(ELEMENTS.lead('upper-left'))).toBeLessThan(0.01);
    expect(turning.amps(ELEMENTS.lead('upper-right'))).toBeGreaterThan(1.8);
  });

  it('one filament on a pulsed output: dim by pulses, full with the brake', () => {
    const tail = minibus.vehicle.circuits.find((circuit) => circuit.id === 'tail-left');
    if (!tail) throw new Error('tail-left');
    const output = outputOf(minibus.vehicle, tail);
    expect(dutyOf(tail, output, { ...CONTROLS_OFF, lights: true }, 12.6)).toBe(0.22);
    expect(dutyOf(tail, output, { ...CONTROLS_OFF, lights: true, brake: true }, 12.6)).toBe(1);
    const kelvin = (controls: Controls) =>
      solved(minibus, 'stock', controls, 12.6).branch(ELEMENTS.bulb('stop-tail-left')).filamentKelvin ?? 0;
    expect(kelvin({ ...CONTROLS_OFF, lights: true })).toBeLessThan(2150);
    expect(kelvin({ ...CONTROLS_OFF, lights: true, brake: true })).toBeGreaterThan(2600);
  });

  it('a voltage-holding output aims at the same lamp power at every supply', () => {
    const position = minibus.vehicle.circuits.find((circuit) => circuit.id === 'position-left');
    if (!position) throw new Error('position-left');
    const output = outputOf(minibus.vehicle, position);
    const lights = { ...CONTROLS_OFF, lights: true };
    expect(dutyOf(position, output, lights, 12)).toBe(1);
    expect(dutyOf(position, output, lights, 14.4)).toBeCloseTo((12.8 / 14.4) ** 2, 12);
    const kelvin = (emf: number) =>
      solved(minibus, 'stock', lights, emf).branch(ELEMENTS.bulb('position-left')).filamentKelvin ?? 0;
    expect(Math.abs(kelvin(14.4) / kelvin(13.2) - 1)).toBeLessThan(0.004);
  });

  it('the charge lamp lights through the alternator’s rotor, and goes out when that generates', () => {
    const volts = (key: Controls['key']) => {
      const circuit = solved(van, 'stock', { ...CONTROLS_OFF, key }, 12.6);
      return circuit.nodeVolts(NODES.feed('charge-lamp')) - circuit.nodeVolts(NODES.earth('charge-lamp'));
    };
    expect(volts('on')).toBeGreaterThan(10);
    expect(Math.abs(volts('running'))).toBeLessThan(0.1);
    expect(Math.abs(volts('off'))).toBeLessThan(0.1);
  });

  it('a dimmer takes volts from the dash lamps only while it is turned down', () => {
    const volts = (dimmed: boolean) =>
      solved(van, 'stock', { ...CONTROLS_OFF, lights: true, dimmed }, 12.6).nodeVolts(
        NODES.feed('dash-lamp'),
      );
    expect(volts(false)).toBeGreaterThan(12);
    expect(volts(true)).toBeLessThan(volts(false) - 0.5);
  });

  it('fuses melt by what they carry: a shorted feed takes its own fuse and no other', () => {
    const shorted = withRearLoad(van, 0.1);
    const circuit = solved(shorted, 'cured', { ...CONTROLS_OFF, key: 'on', turn: 'left', brake: true }, 12.6);
    expect(circuit.blown).toEqual([ELEMENTS.fuse('turn-fuse')]);
    expect(circuit.amps(ELEMENTS.lead('stop-tail-left'))).toBeGreaterThan(1.5);
  });
});

describe('coupledCircuits', () => {
  const { vehicle } = demoJob('gritter-4');

  it('joins what shares a bulb, and what shares an earth where that is asked for', () => {
    expect([...coupledCircuits(vehicle, ['stop'], { earths: false })].toSorted()).toEqual([
      'stop',
      'tail-left',
      'tail-right',
    ]);
    const earths = coupledCircuits(vehicle, ['stop'], { earths: true });
    for (const id of ['turn-left', 'turn-right', 'reverse', 'rear-fog']) expect(earths.has(id)).toBe(true);
    expect(earths.has('interior')).toBe(false);
  });

  it('joins both sides through a single pilot lamp', () => {
    const moped = demoJob('courier-moped-7').vehicle;
    expect(coupledCircuits(moped, ['turn-left'], { earths: false }).has('turn-right')).toBe(true);
  });
});

describe('fuses', () => {
  it.each([
    // ISO 8820-3 for blade fuses, from memory: at twice the rating 0.15 to 5 s, at 3.5 times 0.08 to 0.5 s.
    [2, 0.15, 5],
    [3.5, 0.08, 0.5],
  ])('at %f times the rating melt after %f to %f s', (times, shortest, longest) => {
    const ohms = 12 / (10 * times);
    const run = new Transient(
      {
        title: 'fuse',
        elements: [
          { kind: 'battery', id: 'b', a: 'plus', b: 'earth', volts: 12, ohms: 1e-4 },
          { kind: 'fuse', id: 'f', a: 'plus', b: 'load', ohms: 0.004, ratedAmps: 10 },
          { kind: 'resistor', id: 'r', a: 'load', b: 'earth', ohms },
        ],
      },
      {},
    );
    run.advanceTo(shortest);
    expect(run.circuit.blown).toEqual([]);
    run.advanceTo(longest);
    expect(run.circuit.blown).toEqual(['f']);
  });

  it('hold 1.1 times their rating', () => {
    const circuit = new Circuit({
      title: 'fuse',
      elements: [
        { kind: 'battery', id: 'b', a: 'plus', b: 'earth', volts: 12, ohms: 1e-4 },
        { kind: 'fuse', id: 'f', a: 'plus', b: 'load', ohms: 0.004, ratedAmps: 10 },
        { kind: 'resistor', id: 'r', a: 'load', b: 'earth', ohms: 12 / 11 },
      ],
    });
    circuit.solveSteady();
    expect(circuit.blown).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { relayOf } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Job } from '../model/job.ts';
import { turnFuse } from '../model/vehicle/lookUp.ts';
import { bulbOf, fitmentOf, healthyStock, ledOf, UnknownReferenceError } from './fitment.ts';
import { leadOhms, TurnCircuits } from './turnCircuits.ts';

const [open, , finished] = demoJobs() as [Job, Job, Job];
const stock = TurnCircuits.of(open.vehicle, healthyStock(open));
const cured = TurnCircuits.of(finished.vehicle, fitmentOf(finished, DEMO_SHELF, 'cured'));

describe('TurnCircuits', () => {
  it('keeps the sum of the lamps equal to what passes the fuse', () => {
    for (const network of [stock, cured]) {
      for (const sides of [['left'], ['right'], ['left', 'right']] as const) {
        const currents = network.solve({ emfVolts: 13.5, sides });
        const sum = currents.lamps.reduce((total, lamp) => total + lamp.bulbAmps + lamp.resistorAmps, 0);
        // But for the microamps that the leak of every hanging feed takes.
        expect(Math.abs(currents.totalAmps - sum)).toBeLessThan(2e-4);
        expect(currents.watchedAmps).toBe(currents.totalAmps);
      }
    }
  });

  it('drops over each wire what Ohm says', () => {
    const currents = stock.solve({ emfVolts: 12.6, sides: ['left'] });
    const { vehicle } = open;
    const fuse = turnFuse(vehicle);
    const source = vehicle.internalOhms + fuse.ohms + wireOhms(fuse.wire) + relayOf(vehicle).contactOhms;
    expect(currents.lampTerminalVolts).toBeCloseTo(12.6 - currents.totalAmps * source, 5);
    const rear = currents.lamps.find((lamp) => lamp.lampId === 'rear-left');
    const front = currents.lamps.find((lamp) => lamp.lampId === 'front-left');
    const drop = (lamp: typeof rear) => (lamp?.bulbAmps ?? 0) * leadOhms(stock.lamp(lamp?.lampId ?? ''));
    expect((rear?.volts ?? 0) + drop(rear)).toBeCloseTo((front?.volts ?? 0) + drop(front), 5);
    expect(rear?.volts).toBeLessThan(front?.volts ?? 0);
  });

  it('gives the same currents left and right on a symmetrical vehicle', () => {
    const [left, right] = (['left', 'right'] as const).map(
      (side) => stock.solve({ emfVolts: 12, sides: [side] }).totalAmps,
    );
    expect(left).toBeCloseTo(right ?? 0, 6);
  });

  it('sags a little more in hazard than one side alone', () => {
    const one = stock.solve({ emfVolts: 12.6, sides: ['left'] });
    const both = stock.solve({ emfVolts: 12.6, sides: ['left', 'right'] });
    expect(both.lampTerminalVolts).toBeLessThan(one.lampTerminalVolts);
    expect(both.totalAmps).toBeLessThan(2 * one.totalAmps);
    expect(both.totalAmps).toBeGreaterThan(1.95 * one.totalAmps);
  });

  it('takes out one bulb, adds a resistor on trial, and lets resistors be off their value', () => {
    const at = (state: Partial<Parameters<typeof stock.solve>[0]>) =>
      cured.solve({ emfVolts: 12.6, sides: ['left'], ...state });
    const whole = at({});
    const pulled = at({ without: 'rear-left' });
    expect(pulled.lamps.find((lamp) => lamp.lampId === 'rear-left')).toMatchObject({ bulbAmps: 0 });
    expect(pulled.lamps.find((lamp) => lamp.lampId === 'rear-left')?.resistorAmps).toBeGreaterThan(1.8);
    expect(at({ trial: { ohms: 100, at: { lampId: 'front-left' } } }).totalAmps).toBeGreaterThan(
      whole.totalAmps + 0.1,
    );
    expect(at({ trial: { ohms: 100, at: 'side-feed' } }).totalAmps).toBeGreaterThan(whole.totalAmps + 0.1);
    expect(at({ resistorFactor: 1.05 }).totalAmps).toBeLessThan(whole.totalAmps);
    expect(at({ resistorFactor: 0.95 }).totalAmps).toBeGreaterThan(whole.totalAmps);
  });

  it('refuses a lamp the vehicle does not have', () => {
    expect(() => stock.lamp('horn')).toThrow(RangeError);
  });
});

describe('fitment', () => {
  it('keeps dead bulbs in stock, and replaces them where an LED is chosen', () => {
    const job: Job = {
      ...open,
      lookOver: { ...open.lookOver, lamps: { 'rear-left': { condition: 'dead', note: '' } } },
    };
    expect(fitmentOf(job, DEMO_SHELF, 'stock').contents.get('rear-left')).toEqual({ kind: 'empty' });
    expect(fitmentOf(job, DEMO_SHELF, 'leds').contents.get('rear-left')?.kind).toBe('led');
    expect(healthyStock(job).contents.get('rear-left')?.kind).toBe('filament');
    const kept = { ...job, chosen: { ...job.chosen, 'rear-left': null } };
    expect(fitmentOf(kept, DEMO_SHELF, 'leds').contents.get('rear-left')).toEqual({ kind: 'empty' });
  });

  it('brings resistors only with the cure', () => {
    expect(fitmentOf(finished, DEMO_SHELF, 'leds').resistors).toEqual([]);
    expect(fitmentOf(finished, DEMO_SHELF, 'cured').resistors.length).toBe(4);
  });

  it('uses the bulb that was found rather than the one listed', () => {
    const lamp = stock.lamp('rear-left');
    expect(bulbOf({ ...open, identified: { 'rear-left': '1156' } }, lamp).id).toBe('1156');
    expect(bulbOf({ ...open, identified: {} }, lamp).id).toBe('P21W');
    expect(() => bulbOf({ ...open, identified: { 'rear-left': 'X9' } }, lamp)).toThrow(UnknownReferenceError);
  });

  it('knows an LED from a part of another kind with its id', () => {
    expect(ledOf({ ...open, chosen: {} }, DEMO_SHELF, 'rear-left')).toBeNull();
    expect(() => ledOf({ ...open, chosen: { 'rear-left': 'res-6-50' } }, DEMO_SHELF, 'rear-left')).toThrow(
      UnknownReferenceError,
    );
  });
});

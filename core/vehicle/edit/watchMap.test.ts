import { describe, expect, it } from 'vitest';
import { Vehicle, type VehicleKind } from '../../model/vehicle/vehicle.ts';
import { layoutEntries, startingVehicle } from '../../presets/startingLayout.ts';
import { settleWatch } from './openWatch.ts';
import { setAlreadyLed, setCanSetLed, setLeaks, setPulsed, setWatched, watchMap } from './watchMap.ts';

function fresh(kind: VehicleKind, year: number, controller = false): Vehicle {
  return startingVehicle('v', {
    name: 'V',
    model: '',
    kind,
    year,
    region: 'UN',
    systemVolts: 12,
    entries: layoutEntries({ kind, year, region: 'UN' }),
    flasher: controller ? 'controller' : 'watching-relay',
  });
}
const watched = (vehicle: Vehicle) =>
  Object.fromEntries(watchMap(vehicle).map((row) => [row.circuit.kind, row.watched]));

describe('the watch map', () => {
  it('of a fresh vehicle with a relay leaves open what may have a module, and says no where none was ever built', () => {
    expect(watched(fresh('car', 1992))).toMatchObject({
      turn: true,
      stop: null,
      tail: null,
      interior: false,
    });
    expect(watched(fresh('car', 1970))).toMatchObject({ stop: false, tail: false });
    expect(watched(fresh('moped', 1994))).toMatchObject({ stop: false });
    expect(watched(fresh('moped', 2012))).toMatchObject({ stop: null });
    expect(watched(fresh('trailer', 2005))).toMatchObject({ stop: null, tail: null });
  });

  it('of one with a controller leaves open whether an output is watched, and whether it could be told of LEDs', () => {
    const rows = watchMap(fresh('car', 2012, true));
    const of = (kind: string) => rows.find(({ circuit }) => circuit.kind === kind);
    expect(of('stop')).toMatchObject({
      by: null,
      watched: null,
      toldElsewhere: false,
      canSetLed: null,
    });
    expect(of('interior')).toMatchObject({ by: null, watched: null, canSetLed: undefined });
  });

  it('is settled by looking for a module, and open again when that is taken back', () => {
    const vehicle = fresh('car', 1992);
    vehicle.facts = { ...vehicle.facts, bulbCheck: false };
    settleWatch(vehicle);
    expect(watched(vehicle)).toMatchObject({ stop: false, tail: false });
    expect(
      watchMap(vehicle)
        .filter((row) => row.toldElsewhere)
        .every(({ circuit }) => circuit.kind === 'turn'),
    ).toBe(true);
    delete vehicle.facts.bulbCheck;
    settleWatch(vehicle);
    expect(watched(vehicle)).toMatchObject({ stop: null, tail: null });
  });

  it('keeps what was said of one circuit by itself', () => {
    const vehicle = fresh('car', 1992);
    setWatched(vehicle, 'stop', true);
    vehicle.facts = { ...vehicle.facts, bulbCheck: false };
    settleWatch(vehicle);
    expect(watched(vehicle)).toMatchObject({ stop: true, tail: false });
  });

  it('takes yes, no and unknown of an output and of a switched circuit, and stays a sound vehicle', () => {
    for (const vehicle of [fresh('car', 1992), fresh('car', 2012, true)])
      for (const { circuit } of watchMap(vehicle).filter((row) => row.circuit.kind !== 'turn'))
        for (const said of [true, null, false, true] as const) {
          setWatched(vehicle, circuit.id, said);
          expect(watchMap(vehicle).find((row) => row.circuit === circuit)?.watched).toBe(said);
          expect(Vehicle.parse(vehicle)).toEqual(vehicle);
        }
  });

  it('says of a controller whether it can be told of LEDs', () => {
    const vehicle = fresh('car', 2012, true);
    for (const said of [true, false, null]) {
      setCanSetLed(vehicle, 'turn-left', said);
      expect(watchMap(vehicle).find(({ circuit }) => circuit.id === 'turn-left')?.canSetLed).toBe(said);
    }
    expect(() => setCanSetLed(vehicle, 'none', true)).toThrow(RangeError);
  });

  it('takes yes, no and unknown of pulses and of leakage on every output, and of none elsewhere', () => {
    const vehicle = fresh('car', 2012, true);
    for (const { circuit } of watchMap(vehicle))
      for (const said of [true, false, null, true] as const) {
        setPulsed(vehicle, circuit.id, said);
        setLeaks(vehicle, circuit.id, said);
        const row = watchMap(vehicle).find((each) => each.circuit === circuit);
        expect([row?.pulsed, row?.leaks]).toEqual([said, said]);
        expect(Vehicle.parse(vehicle)).toEqual(vehicle);
      }
    const relay = fresh('car', 1992);
    setPulsed(relay, 'stop', true);
    expect(watchMap(relay).every(({ pulsed, leaks }) => pulsed === undefined && leaks === undefined)).toBe(
      true,
    );
  });

  it('of an output that is set to LED already says so: it can be, and nothing is to be written', () => {
    const vehicle = fresh('car', 2014, true);
    const row = (id: string) => watchMap(vehicle).find(({ circuit }) => circuit.id === id);
    setAlreadyLed(vehicle, 'turn-left', true);
    expect(row('turn-left')).toMatchObject({ setLed: true, canSetLed: true });
    // Front and rear are set apart.
    expect(row('turn-left-rear')).toMatchObject({ setLed: false, canSetLed: null });
    setAlreadyLed(vehicle, 'turn-left', false);
    expect(row('turn-left')).toMatchObject({ setLed: false });
    expect(() => setAlreadyLed(vehicle, 'none', true)).toThrow(RangeError);
  });
});

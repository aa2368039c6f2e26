import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls, stopsThroughTurn, wanted } from '../simulation/controls.ts';

/** One thing the driver can switch on, and the lamps that should light with it. */
export interface WorkedFunction {
  id: string;
  name: string;
  /** how the panel stands for it */
  controls: Controls;
  lampIds: readonly string[];
}

const on = (change: Partial<Controls>): Controls => ({ ...CONTROLS_OFF, key: 'on', ...change });

/** In the order of one walk: what stays on first, then what is pressed, then what a door does. */
const ALL: readonly { id: string; name: string; controls: Controls; beneath?: Controls[] }[] = [
  { id: 'charge', name: 'Key on, lights off', controls: on({}) },
  { id: 'lights', name: 'Lights', controls: on({ lights: true }), beneath: [on({})] },
  {
    id: 'main-beam',
    name: 'Main beam',
    controls: on({ lights: true, mainBeam: true }),
    beneath: [on({ lights: true })],
  },
  {
    id: 'fog',
    name: 'Fog lamps',
    controls: on({ lights: true, fog: true }),
    beneath: [on({ lights: true })],
  },
  { id: 'left', name: 'Left turn', controls: on({ turn: 'left' }), beneath: [on({})] },
  { id: 'right', name: 'Right turn', controls: on({ turn: 'right' }), beneath: [on({})] },
  { id: 'brake', name: 'Brake', controls: on({ brake: true }), beneath: [on({})] },
  { id: 'reverse', name: 'Reverse', controls: on({ reverse: true }), beneath: [on({})] },
  {
    id: 'cornering-left',
    name: 'Cornering left: lights and left turn',
    controls: on({ lights: true, turn: 'left' }),
    beneath: [on({ turn: 'left' }), on({ lights: true })],
  },
  {
    id: 'cornering-right',
    name: 'Cornering right: lights and right turn',
    controls: on({ lights: true, turn: 'right' }),
    beneath: [on({ turn: 'right' }), on({ lights: true })],
  },
  { id: 'work', name: 'Work lamps', controls: { ...CONTROLS_OFF, work: true } },
  { id: 'beacon', name: 'Beacon', controls: { ...CONTROLS_OFF, beacon: true } },
  { id: 'doors', name: 'Door open', controls: { ...CONTROLS_OFF, doors: true } },
  { id: 'lids', name: 'Boot, glove box and flaps open', controls: { ...CONTROLS_OFF, lids: true } },
  { id: 'lamp-switches', name: 'Switches at the lamps', controls: { ...CONTROLS_OFF, lampSwitches: true } },
];

/**
 * The functions of a vehicle in the order they are worked, each with the lamps it adds to those already lit. A lamp
 * no switch lights (a pilot) comes with the turn of its side, or with the left.
 */
export function workedFunctions(vehicle: Vehicle): WorkedFunction[] {
  const lit = (controls: Controls) =>
    vehicle.circuits.filter((circuit) => wanted(circuit, controls) || stopsThroughTurn(circuit, controls));
  return ALL.map(({ beneath, ...each }) => {
    const before = new Set((beneath ?? []).flatMap(lit).map((circuit) => circuit.id));
    const brakes = each.controls.brake;
    const added = lit(each.controls).filter(
      (circuit) => !before.has(circuit.id) || (brakes && circuit.fullWithBrake === true),
    );
    const lampIds = [
      ...new Set(
        added.flatMap((circuit) =>
          stopsThroughTurn(circuit, each.controls)
            ? circuit.feeds.filter(({ turnOnly }) => !turnOnly).map(({ lampId }) => lampId)
            : lampIdsOf(circuit),
        ),
      ),
    ];
    if (vehicle.pilot && each.id === 'left' && lampIds.length > 0) lampIds.push(vehicle.pilot.lampId);
    return { ...each, lampIds };
  }).filter((each) => each.lampIds.length > 0);
}

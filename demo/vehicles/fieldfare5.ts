import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { layoutEntries, startingVehicle } from '../../core/presets/startingLayout.ts';
import { setDaytime } from '../../core/vehicle/edit/daytime.ts';
import { setTurnOutputs } from '../../core/vehicle/edit/turnOutputs.ts';

const KIND = { kind: 'car', year: 2016, region: 'UN' } as const;

/** Lamps inside that are offered unticked, and it has. */
const INSIDE: ReadonlySet<string> = new Set(['boot', 'glove-box', 'map']);

/** Lamps that left the works with LEDs, sealed in, and what a clamp showed of them, A. */
const BORN: Readonly<Record<string, number>> = {
  'position-left': 0.19,
  'position-right': 0.19,
  'third-brake': 0.22,
};

/**
 * Fieldfare 5, 2016, a pool car: as most of its kind, with a controller that drives every corner from an output of its own
 * and watches each, position lamps and third brake LED from the works. Somebody has looked at all of it.
 */
function fieldfare(): Vehicle {
  const vehicle = startingVehicle('fieldfare-5', {
    ...KIND,
    name: 'Fieldfare 5, pool car',
    model: 'Fieldfare 5',
    systemVolts: 12,
    entries: layoutEntries(KIND).filter(({ id, usual }) => usual || INSIDE.has(id)),
    flasher: 'controller',
  });
  delete vehicle.facts?.turnOutputs;
  setTurnOutputs(vehicle, 'corner');
  for (const circuit of vehicle.circuits)
    if (circuit.watched === null) circuit.watched = circuit.kind !== 'interior' || circuit.workedBy === 'lid';
  setDaytime(vehicle, 'lights', 'dimmed', true);
  setDaytime(vehicle, 'turning', 'off', true);
  for (const lamp of vehicle.lamps) {
    const amps = BORN[lamp.id];
    if (amps !== undefined) lamp.works = { sealed: true, amps, faultLine: false };
    lamp.resistorMount = lamp.end === 'rear' ? 'panel' : lamp.end === 'front' ? 'bracket' : 'none';
    lamp.access.how =
      lamp.end === 'rear'
        ? 'Flap in the boot trim; the holder turns out.'
        : lamp.end === 'front'
          ? 'Bonnet up; the holder turns out behind the headlamp.'
          : 'Push it forwards and ease it out.';
  }
  if (vehicle.flasher.kind === 'controller')
    for (const { watch } of vehicle.flasher.outputs) if (watch) watch.canSetLed = false;
  vehicle.past = [
    {
      id: 'trailer-harness',
      kind: 'harness',
      lampId: 'rear-turn-left',
      text: 'a trailer harness was tapped in here and cut off short',
    },
    { id: 'trailer-plug', kind: 'spare-plug', lampId: 'rear-turn-left', text: 'three pins, black' },
  ];
  vehicle.facts = {
    ...vehicle.facts,
    gearbox: 'manual',
    brakeSensed: false,
    towing: 'none',
    highVoltage: false,
  };
  return vehicle;
}

export const FIELDFARE_5: Vehicle = fieldfare();

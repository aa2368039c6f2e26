import type { Lamp, Side, Vehicle } from '../core/model/vehicle.ts';

/** Mobile library "Quillon 75" (invented), 1997: a three-terminal relay that watches two main bulbs and a repeater. */

function lampsOf(side: Side): Lamp[] {
  const near = (across: number) => (side === 'left' ? across : 1 - across);
  const name = side === 'left' ? 'left' : 'right';
  return [
    {
      id: `front-${name}`,
      name: `Front ${name}`,
      side,
      end: 'front',
      role: 'main',
      plan: { across: near(0.09), along: 0.055 },
      lens: 'clear',
      base: 'BAU15s',
      stockBulb: 'PY21W',
      lead: { lengthM: 2.5, areaMm2: 1 },
      earth: { lengthM: 0.4, areaMm2: 1 },
      resistorMount: 'panel',
      access: {
        group: `front-${name}`,
        how: 'Bonnet up; the lamp holder turns out from behind the headlamp.',
        tools: ['torch'],
        minutes: [3, 6],
      },
    },
    {
      id: `repeater-${name}`,
      name: `Repeater ${name}`,
      side,
      end: 'side',
      role: 'repeater',
      plan: { across: near(0.01), along: 0.29 },
      lens: 'amber',
      base: 'W2.1x9.5d',
      stockBulb: 'W5W',
      lead: { lengthM: 2, areaMm2: 0.75 },
      earth: { lengthM: 0.3, areaMm2: 0.75 },
      resistorMount: 'none',
      access: {
        group: `repeater-${name}`,
        how: 'Press the lens forwards and ease its rear edge out of the wing.',
        tools: ['plastic pry tool'],
        minutes: [2, 4],
      },
    },
    {
      id: `rear-${name}`,
      name: `Rear ${name}`,
      side,
      end: 'rear',
      role: 'main',
      plan: { across: near(0.075), along: 0.945 },
      lens: 'amber',
      base: 'BA15s',
      stockBulb: 'P21W',
      lead: { lengthM: 6.5, areaMm2: 1 },
      earth: { lengthM: 0.5, areaMm2: 1 },
      resistorMount: 'chassis',
      access: {
        group: `rear-${name}`,
        how: 'Lens off: four screws from outside.',
        tools: ['cross-head screwdriver'],
        minutes: [4, 8],
      },
    },
  ];
}

export const QUILLON_75: Vehicle = {
  id: 'quillon-75',
  name: 'Quillon 75, mobile library',
  model: 'Quillon 75',
  kind: 'van',
  year: 1997,
  systemVolts: 12,
  region: 'UN',
  supply: {
    internalOhms: 0.015,
    fuse: { name: '15 A fuse', ratedAmps: 15, ohms: 0.004 },
    wire: { lengthM: 2, areaMm2: 2.5 },
  },
  flasher: {
    id: 'relay',
    kind: 'watching-relay',
    name: 'three-terminal relay',
    terminals: { supply: '49', lamps: '49a', earth: '31' },
    normalRate: 88,
    onFraction: 0.5,
    fastMultiplier: 2,
    ratedAmps: 16,
    contactOhms: 0.006,
    watchesRepeaters: true,
    simulatedThreshold: { amps: 2.9, atVolts: 13.5, law: 'filament' },
  },
  circuits: (['left', 'right'] as const).map((side) => ({
    id: `turn-${side}`,
    kind: 'turn',
    side,
    lampIds: [`front-${side}`, `repeater-${side}`, `rear-${side}`],
    feed: { lengthM: 1.5, areaMm2: 1.5 },
    switchOhms: 0.008,
  })),
  lamps: [...lampsOf('left'), ...lampsOf('right')],
};

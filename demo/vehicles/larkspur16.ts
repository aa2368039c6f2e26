// Longer than 300 lines: one vehicle, lamp by lamp.
import type { ControllerOutput, SimulatedThreshold } from '../../core/model/vehicle/flasher.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { circuitOf, lampOf, pairOf } from '../../core/presets/rows.ts';

const SIDES = ['left', 'right'] as const;
const PULSES = 200;

const fixed = (amps: number): SimulatedThreshold => ({ amps, atVolts: 13.5, law: 'fixed' });

/** One output of the body controller: high-side switch of a few milliohms, watched, tested when cold. */
function output(
  circuitId: string,
  filamentAmps: number,
  told: { message: string; code: string; reaction?: 'double-rate' | 'message' },
  more: Partial<ControllerOutput> = {},
): ControllerOutput {
  return {
    circuitId,
    onOhms: 0.02,
    limitAmps: 8,
    retries: 3,
    blankingSeconds: 0.12,
    watch: {
      setting: 'filament',
      canSetLed: true,
      simulatedFilament: { amps: filamentAmps, atVolts: 13.5, law: 'filament' },
      simulatedLed: fixed(0.03),
      reaction: told.reaction ?? 'message',
      message: told.message,
      code: told.code,
    },
    ...more,
  };
}

const COLD_CHECK = { everySeconds: 0.8, pulseSeconds: 0.002 };

/** Dial-a-ride minibus "Larkspur 16" (invented), 2014: a body controller runs and watches every lamp by itself. */
export const LARKSPUR_16: Vehicle = {
  id: 'larkspur-16',
  name: 'Larkspur 16, dial-a-ride minibus',
  model: 'Larkspur 16',
  kind: 'minibus',
  year: 2014,
  systemVolts: 12,
  region: 'UN',
  hazardSwitch: true,
  facts: { gearbox: 'manual' },
  internalOhms: 0.012,
  fuses: [
    {
      id: 'body-fuse',
      name: '40 A controller fuse',
      ratedAmps: 40,
      ohms: 0.002,
      wire: { lengthM: 1, areaMm2: 6 },
    },
  ],
  earthPoints: [
    { id: 'rear-left-earth', name: 'Bolt behind the rear left lamp', ohms: 0.002 },
    { id: 'rear-right-earth', name: 'Bolt behind the rear right lamp', ohms: 0.002 },
  ],
  flasher: {
    id: 'controller',
    kind: 'controller',
    name: 'body controller',
    fuseId: 'body-fuse',
    normalRate: 86,
    onFraction: 0.5,
    fastMultiplier: 2,
    outputs: [
      ...SIDES.map((side, index) =>
        output(
          `turn-${side}`,
          3.1,
          {
            message: `Check ${side} turn lamps`,
            code: `B1A1${index + 1}-18`,
            reaction: 'double-rate',
          },
          { coldCheck: COLD_CHECK },
        ),
      ),
      ...SIDES.map((side, index) =>
        output(
          `tail-${side}`,
          1.2,
          { message: `Check ${side} tail lamp`, code: `B1A2${index + 1}-18` },
          { pwm: { to: 'dim', hertz: PULSES, duty: 0.22 }, coldCheck: COLD_CHECK },
        ),
      ),
      ...SIDES.map((side, index) =>
        output(
          `position-${side}`,
          0.2,
          { message: `Check ${side} position lamp`, code: `B1A3${index + 1}-18` },
          { pwm: { to: 'hold', hertz: PULSES, holdVolts: 12.8 }, inrush: { amps: 25, seconds: 0.001 } },
        ),
      ),
      output(
        'third',
        0.7,
        { message: 'Check third brake lamp', code: 'B1A41-18' },
        { coldCheck: COLD_CHECK, leakOhms: 5600 },
      ),
      output('plate', 0.4, { message: 'Check plate lamps', code: 'B1A42-18' }),
      output('reverse', 1, { message: 'Check reverse lamp', code: 'B1A43-18' }),
      output('rear-fog', 1, { message: 'Check rear fog lamp', code: 'B1A44-18' }),
      {
        circuitId: 'interior',
        onOhms: 0.03,
        limitAmps: 6,
        retries: 2,
        blankingSeconds: 1,
        fadeSeconds: 0.8,
      },
    ],
  },
  circuits: [
    ...SIDES.map((side) =>
      circuitOf({
        id: `turn-${side}`,
        kind: 'turn',
        name: side === 'left' ? 'Left turn' : 'Right turn',
        side,
        lamps: [`front-${side}`, `repeater-${side}`, `rear-${side}`],
        wire: { lengthM: 0.5, areaMm2: 1 },
      }),
    ),
    ...SIDES.map((side) =>
      circuitOf(
        {
          id: `tail-${side}`,
          kind: 'tail',
          name: side === 'left' ? 'Left stop and tail' : 'Right stop and tail',
          side,
          lamps: [`stop-tail-${side}`],
          wire: { lengthM: 0.5, areaMm2: 1 },
        },
        { fullWithBrake: true },
      ),
    ),
    ...SIDES.map((side) =>
      circuitOf({
        id: `position-${side}`,
        kind: 'tail',
        name: side === 'left' ? 'Left position' : 'Right position',
        side,
        lamps: [`position-${side}`],
        wire: { lengthM: 0.5, areaMm2: 0.75 },
      }),
    ),
    circuitOf({
      id: 'third',
      kind: 'third-brake',
      name: 'Third brake',
      lamps: ['third-brake'],
      wire: { lengthM: 6, areaMm2: 0.75 },
    }),
    circuitOf({
      id: 'plate',
      kind: 'plate',
      name: 'Plate',
      lamps: ['plate-left', 'plate-right'],
      wire: { lengthM: 0.5, areaMm2: 0.75 },
    }),
    circuitOf({
      id: 'reverse',
      kind: 'reverse',
      name: 'Reverse',
      lamps: ['reverse'],
      wire: { lengthM: 0.5, areaMm2: 1 },
    }),
    circuitOf({
      id: 'rear-fog',
      kind: 'rear-fog',
      name: 'Rear fog',
      lamps: ['rear-fog'],
      wire: { lengthM: 0.5, areaMm2: 1 },
    }),
    circuitOf({
      id: 'interior',
      kind: 'interior',
      name: 'Saloon lamps',
      lamps: ['saloon-1', 'saloon-2', 'saloon-3'],
      wire: { lengthM: 1, areaMm2: 0.75 },
    }),
  ],
  lamps: [
    ...pairOf({
      id: 'front',
      name: 'Front',
      end: 'front',
      base: 'BAU15s',
      stockBulb: 'PY21W',
      at: [0.1, 0.05],
      lead: 1.8,
      mount: 'panel',
      access: {
        group: 'front',
        how: 'Bonnet up; the holder turns out behind the headlamp.',
        tools: ['torch'],
      },
    }),
    ...pairOf({
      id: 'position',
      name: 'Position',
      end: 'front',
      base: 'W2.1x9.5d',
      stockBulb: 'W5W',
      at: [0.25, 0.025],
      lead: 1.8,
      areaMm2: 0.75,
      access: {
        group: 'front',
        how: 'Bonnet up; the holder turns out behind the headlamp.',
        tools: ['torch'],
      },
    }),
    ...pairOf({
      id: 'repeater',
      name: 'Repeater',
      end: 'side',
      role: 'repeater',
      base: 'W2.1x9.5d',
      stockBulb: 'W5W',
      lens: 'amber',
      at: [0.01, 0.24],
      lead: 2.5,
      areaMm2: 0.75,
      access: { how: 'In the mirror arm: lens forwards and out.', tools: ['plastic pry tool'] },
    }),
    ...pairOf({
      id: 'rear',
      name: 'Rear',
      end: 'rear',
      base: 'BAU15s',
      stockBulb: 'PY21W',
      at: [0.07, 0.95],
      lead: 6,
      mount: 'panel',
      access: { group: 'rear', how: 'Rear door open; two screws, the lamp slides back out.' },
    }),
    ...['left', 'right'].flatMap((side) =>
      pairOf({
        id: 'stop-tail',
        name: 'Stop and tail',
        end: 'rear',
        base: 'BA15s',
        stockBulb: 'P21W',
        lens: 'red',
        at: [0.07, 0.875],
        lead: 6,
        mount: 'panel',
        earthPoint: `rear-${side}-earth`,
        access: { group: 'rear', how: 'Rear door open; two screws, the lamp slides back out.' },
      }).filter((lamp) => lamp.side === side),
    ),
    lampOf({
      id: 'third-brake',
      name: 'Third brake',
      side: 'centre',
      end: 'rear',
      base: 'W2.1x9.5d',
      stockBulb: 'W16W',
      lens: 'red',
      at: [0.5, 0.985],
      lead: 0.6,
      areaMm2: 0.75,
      access: { how: 'Inside over the rear doors: two screws.' },
    }),
    ...pairOf({
      id: 'plate',
      name: 'Plate lamp',
      end: 'rear',
      base: 'SV8.5',
      stockBulb: 'C5W',
      at: [0.4, 0.96],
      lead: 6.4,
      areaMm2: 0.75,
      access: { group: 'plate', how: 'Lens pried out of the door handle.', tools: ['plastic pry tool'] },
    }),
    lampOf({
      id: 'reverse',
      name: 'Reverse',
      side: 'right',
      end: 'rear',
      base: 'BA15s',
      stockBulb: 'P21W',
      at: [0.77, 0.97],
      lead: 6,
      earthPoint: 'rear-right-earth',
      access: { group: 'rear-right', how: 'Rear door open; two screws, the lamp slides back out.' },
    }),
    lampOf({
      id: 'rear-fog',
      name: 'Rear fog',
      side: 'left',
      end: 'rear',
      base: 'BA15s',
      stockBulb: 'P21W',
      lens: 'red',
      at: [0.23, 0.97],
      lead: 6,
      earthPoint: 'rear-left-earth',
      access: { group: 'rear-left', how: 'Rear door open; two screws, the lamp slides back out.' },
    }),
    ...[0.36, 0.56, 0.76].map((along, index) =>
      lampOf({
        id: `saloon-${index + 1}`,
        name: `Saloon lamp ${index + 1}`,
        side: 'centre',
        end: 'inside',
        base: 'SV8.5',
        stockBulb: 'C5W',
        at: [0.5, along],
        lead: 1 + index,
        areaMm2: 0.75,
        access: { how: 'Ease the lens off from its marked edge.', tools: ['plastic pry tool'] },
      }),
    ),
  ],
};

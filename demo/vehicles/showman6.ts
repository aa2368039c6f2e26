import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { circuitOf, lampOf, pairOf } from '../../core/presets/rows.ts';

const SIDES = ['left', 'right'] as const;
/** A plug contact that has lived outdoors, in series with every feed, ohms (typical). */
const PLUG_OHMS = 0.02;

const fuse = (id: string, name: string, ratedAmps: number) => ({
  id,
  name,
  ratedAmps,
  ohms: 0.006,
  wire: { lengthM: 4, areaMm2: 2 },
});

/**
 * Exhibition trailer "Showman 6" (invented), 2008, imported: a four-way plug, one filament for stop and turn, twin
 * wedge bulbs in CK sockets. The towing vehicle's lamp module flashes it and watches the trailer's lamps.
 */
export const SHOWMAN_6: Vehicle = {
  id: 'showman-6',
  name: 'Showman 6, exhibition trailer',
  model: 'Showman 6',
  kind: 'trailer',
  year: 2008,
  systemVolts: 12,
  region: 'US',
  hazardSwitch: true,
  internalOhms: 0.02,
  fuses: [
    fuse('turn-fuse', '20 A trailer turn fuse', 20),
    fuse('stop-fuse', '20 A trailer stop fuse', 20),
    fuse('tail-fuse', '15 A trailer tail fuse', 15),
    fuse('inside-fuse', '10 A inside fuse', 10),
  ],
  earthPoints: [{ id: 'plug-earth', name: 'White earth wire of the plug', ohms: 0.04 }],
  flasher: {
    id: 'module',
    kind: 'watching-relay',
    name: 'trailer lamp module',
    fuseId: 'turn-fuse',
    terminals: { supply: 'B', lamps: 'L', earth: 'E' },
    normalRate: 85,
    onFraction: 0.5,
    fastMultiplier: 2,
    ratedAmps: 15,
    contactOhms: 0.01,
    watchesRepeaters: true,
    simulatedThreshold: { amps: 3.45, atVolts: 12.8, law: 'filament' },
  },
  circuits: [
    ...SIDES.map((side) =>
      circuitOf(
        {
          id: `turn-${side}`,
          kind: 'turn',
          name: side === 'left' ? 'Left stop and turn (yellow)' : 'Right stop and turn (green)',
          side,
          lamps: [`upper-${side}`, `lower-${side}`],
          from: 'flasher',
          wire: { lengthM: 6, areaMm2: 2 },
          switchOhms: PLUG_OHMS,
        },
        { stopFuseId: 'stop-fuse' },
      ),
    ),
    circuitOf({
      id: 'tail',
      kind: 'tail',
      name: 'Tail, markers and plate (brown)',
      lamps: [
        'upper-left:dim',
        'lower-left:dim',
        'upper-right:dim',
        'lower-right:dim',
        'marker-front-left',
        'marker-front-right',
        'marker-rear-left',
        'marker-rear-right',
        'plate',
      ],
      fuse: 'tail-fuse',
      wire: { lengthM: 6, areaMm2: 2 },
      switchOhms: PLUG_OHMS,
    }),
    circuitOf({
      id: 'interior',
      kind: 'interior',
      name: 'Stand lamps',
      lamps: ['stand-1', 'stand-2'],
      fuse: 'inside-fuse',
      wire: { lengthM: 4, areaMm2: 1.5 },
    }),
  ],
  lamps: [
    ...(['upper', 'lower'] as const).flatMap((level, index) =>
      pairOf({
        id: level,
        name: level === 'upper' ? 'Upper rear' : 'Lower rear',
        end: 'rear',
        base: 'W2.5x16q',
        socketWiring: 'ck',
        stockBulb: '3157',
        lens: 'red',
        at: [0.06 + index * 0.12, 0.965],
        lead: 1,
        mount: 'chassis',
        earthPoint: 'plug-earth',
        access: { group: 'rear', how: 'Lens off: two screws; the holder turns out from behind.' },
      }),
    ),
    ...pairOf({
      id: 'marker-front',
      name: 'Front marker',
      end: 'side',
      base: 'W2.1x9.5d',
      stockBulb: '194',
      lens: 'amber',
      at: [0.01, 0.26],
      lead: 5,
      earthPoint: 'plug-earth',
    }),
    ...pairOf({
      id: 'marker-rear',
      name: 'Rear marker',
      end: 'side',
      base: 'W2.1x9.5d',
      stockBulb: '194',
      lens: 'red',
      at: [0.01, 0.84],
      lead: 1.5,
      earthPoint: 'plug-earth',
    }),
    lampOf({
      id: 'plate',
      name: 'Plate lamp',
      side: 'centre',
      end: 'rear',
      base: 'W2.1x9.5d',
      stockBulb: '168',
      at: [0.5, 0.96],
      lead: 1,
      earthPoint: 'plug-earth',
    }),
    ...[0.4, 0.7].map((along, index) =>
      lampOf({
        id: `stand-${index + 1}`,
        name: `Stand lamp ${index + 1}`,
        side: 'centre',
        end: 'inside',
        base: 'SV8.5',
        stockBulb: '211-2',
        at: [0.5, along],
        lead: 1 + index,
        areaMm2: 0.75,
        earthPoint: 'plug-earth',
      }),
    ),
  ],
};

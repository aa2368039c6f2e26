import { z } from 'zod';
import { Amps, Id, Line, SystemVolts, WireRun } from '../fields.ts';
import { MOST_CIRCUITS, MOST_FUSES, MOST_LAMPS } from '../limits.ts';
import { PastItem } from '../past.ts';
import { Circuit } from './circuit.ts';
import { Connector } from './connector.ts';
import { BulbCheckModule, Flasher, FlasherKind } from './flasher.ts';
import { Lamp } from './lamp.ts';
import { Opening } from './opening.ts';

export const Fuse = z.strictObject({
  id: Id,
  name: Line,
  ratedAmps: Amps,
  /** nobody has read what is printed on it: it is taken as is usual */
  assumed: z.literal(true).optional(),
  ohms: z.number().min(0).max(1),
  /** from the fuse box to what it feeds */
  wire: WireRun,
});
export type Fuse = z.infer<typeof Fuse>;

/** A bolt or plug pin that several lamps share as their earth. */
export const EarthPoint = z.strictObject({
  id: Id,
  name: Line,
  /** its contact and the way from it to the battery, ohms */
  ohms: z.number().min(0).max(100),
});
export type EarthPoint = z.infer<typeof EarthPoint>;

/** One dash lamp for both sides, wired between them: each side's filaments complete the other's circuit. */
export const Pilot = z.strictObject({ lampId: Id });

export const VehicleKind = z.enum(['car', 'van', 'minibus', 'coach', 'lorry', 'trailer', 'moped', 'tractor']);
export type VehicleKind = z.infer<typeof VehicleKind>;

/** What a controller drives its turn lamps by: one output a side, one a corner, or one a lamp, each watched for itself. */
export const TurnOutputs = z.enum(['side', 'corner', 'lamp']);
export type TurnOutputs = z.infer<typeof TurnOutputs>;

/** What somebody has looked at; whatever is left out is not known yet. */
export const VehicleFacts = z.strictObject({
  /** only automatics commonly sense the stop circuit */
  gearbox: z.enum(['manual', 'automatic']).optional(),
  brakeSensed: z.boolean().optional(),
  /** a trailer socket, and whether a module of its own feeds it */
  towing: z.enum(['none', 'plain-socket', 'socket-with-module']).optional(),
  bulbCheck: z.boolean().optional(),
  /** how its brake is used: held for long in queues, which is what is judged where nobody said, or now and then on a road */
  brakeUse: z.enum(['stop-and-go', 'road']).optional(),
  /** blind-spot sensors and the like that live in the rear lamps */
  lampModules: z.boolean().optional(),
  /** hybrid or electric: work on it is for qualified people */
  highVoltage: z.boolean().optional(),
  /** the side of the road that traffic keeps to where it is used: where its driver sits and a single fog lamp is */
  traffic: z.enum(['left', 'right']).optional(),
  /** under the relay's cover, mm */
  relayRoomMm: z.number().positive().max(200).optional(),
  /** whether somebody has held the flasher, or it is only what is usual */
  flasherSeen: z.boolean().optional(),
  /** every kind of flasher it may have while nobody has looked, the listed one among them */
  flashers: z.array(FlasherKind).min(2).max(4).optional(),
  /** every way a controller may drive its turn lamps while nobody has looked, the drawn one among them */
  turnOutputs: z.array(TurnOutputs).min(2).max(3).optional(),
  /** side repeaters are listed, and nobody has looked whether there are any */
  repeatersAssumed: z.boolean().optional(),
  /** a single pilot between the sides is listed, and nobody has looked whether there are two */
  pilotAssumed: z.boolean().optional(),
  /** equipment that must come out first, and how long that takes */
  inTheWay: z.strictObject({ what: Line, minutes: z.number().min(0).max(600) }).optional(),
});
export type VehicleFacts = z.infer<typeof VehicleFacts>;

export const Vehicle = z.strictObject({
  id: Id,
  name: Line,
  /** what the fleet calls it: painted on it, or its plate */
  fleetNumber: Line.optional(),
  /** records of the same model are compared with each other */
  model: Line,
  kind: VehicleKind,
  year: z.int().min(1920).max(2100),
  systemVolts: SystemVolts,
  /** which rules on colour and flash rate apply */
  region: z.enum(['UN', 'US']),
  /** mopeds have none */
  hazardSwitch: z.boolean(),
  facts: VehicleFacts.optional(),
  /** battery and its leads */
  internalOhms: z.number().min(0).max(1),
  fuses: z.array(Fuse).min(1).max(MOST_FUSES),
  earthPoints: z.array(EarthPoint).max(20),
  flasher: Flasher,
  bulbCheck: BulbCheckModule.optional(),
  pilot: Pilot.optional(),
  circuits: z.array(Circuit).min(1).max(MOST_CIRCUITS),
  lamps: z.array(Lamp).min(1).max(MOST_LAMPS),
  /** what is opened, as far as somebody has written down how; a lamp's own words say it where not */
  openings: z.array(Opening).max(MOST_LAMPS).optional(),
  /** plugs and the relay socket, as far as somebody has looked at their wires */
  connectors: z.array(Connector).max(MOST_LAMPS).optional(),
  /** what was added, repaired or left hanging before this job */
  past: z.array(PastItem).max(60).optional(),
});
export type Vehicle = z.infer<typeof Vehicle>;

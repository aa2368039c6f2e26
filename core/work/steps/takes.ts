import { needsEarthWire } from '../../devices/relayMapping.ts';
import type { TakenKit } from '../../kits/jobKits.ts';
import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import { jointsOf } from '../../model/joints.ts';
import type { ConsumableUse, Shelf } from '../../model/part.ts';
import type { RepairKind } from '../../model/past.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { plugsOf } from '../../wiring/wholeLampPins.ts';
import type { FitStep } from './fitStep.ts';
import type { StepAbout } from './stepAbout.ts';

/** What a step uses up. Amounts are common practice. */
export interface Take {
  use: ConsumableUse;
  /** pieces; metres of wire */
  count: number;
  /** a tube, roll or pen that serves the whole job: one, however many steps want it */
  once?: true;
}

/** A part of the shelf that a step puts into the vehicle. */
export interface FittedPart {
  partId: string;
  pieces: number;
}

const once = (...uses: readonly ConsumableUse[]): Take[] =>
  uses.map((use) => ({ use, count: 1, once: true }));

/** What repairs use up (common practice). */
const REPAIRS: Record<RepairKind, readonly Take[]> = {
  'descale-carrier': once('cleaner', 'contact-grease'),
  'replace-socket': [{ use: 'feed-joint', count: 2 }, ...once('contact-grease')],
  'rebuild-bracket': [],
  'seal-wire': [{ use: 'shrink', count: 1 }],
  other: [],
};

const outside = ({ end }: Lamp) => end !== 'inside' && end !== 'dash';

/** What one step of a job uses up: joints, rings, screws, caps, grease, and what else it needs that no part is. */
export function takesOf(
  job: Pick<Job, 'vehicle' | 'vehicleCures'>,
  shelf: Shelf,
  { about }: FitStep,
): Take[] {
  switch (about.of) {
    case 'open': {
      const plugs = about.past.filter(({ kind }) => kind === 'spare-plug').length;
      return plugs > 0
        ? [
            { use: 'dummy-cap', count: plugs },
            { use: 'tie', count: plugs },
          ]
        : [];
    }
    case 'swap':
    case 'renew':
      return [{ use: 'label', count: 1 }, ...(outside(about.lamp) ? once('contact-grease') : [])];
    case 'repair':
      return [...REPAIRS[about.repair.kind]];
    case 'whole':
      return wholeTakes(about);
    case 'mount':
      return [
        { use: 'mounting-screw', count: 2 * about.loose.network.pieces.length },
        { use: 'tie', count: 1 },
        ...once('edge-paint'),
      ];
    case 'tap':
      return [
        { use: 'feed-joint', count: jointsOf([about.loose.network]) },
        { use: 'earth-ring', count: 1 },
      ];
    case 'harness':
      return [{ use: 'mounting-screw', count: 2 * about.loose.network.pieces.length }, ...once('edge-paint')];
    case 'cure':
      return cureTakes(job, shelf, about.cure);
    case 'add': {
      const metres = about.lamp.lead.lengthM;
      return [
        { use: 'wire', count: metres + (about.fuseAmps === null ? 0 : 1) },
        { use: 'feed-joint', count: about.fuseAmps === null ? 2 : 5 },
        { use: 'earth-ring', count: 1 },
        { use: 'mounting-screw', count: about.fuseAmps === null ? 3 : 4 },
        // A tie every 30 cm or so.
        { use: 'tie', count: Math.ceil(metres / 0.3) },
        ...(about.fuseAmps === null ? [] : [{ use: 'fuse' as const, count: 1 }]),
        ...(about.drilled ? [{ use: 'grommet' as const, count: 1 }, ...once('edge-paint')] : []),
      ];
    }
    case 'kit':
      // Both ends of a link are joined; its lead is in the box.
      return about.links.length > 0 ? [{ use: 'feed-joint', count: 2 * about.links.length }] : [];
    case 'close':
      return about.worked.some(({ end }) => end === 'dash') ? once('lens-glue') : [];
    default:
      return [];
  }
}

function wholeTakes({ part, pins, lamp }: Extract<StepAbout, { of: 'whole' }>): Take[] {
  const plugs = plugsOf(part).length;
  const capped = pins.rows.filter(({ change }) => change === 'capped').length;
  return [
    // Both ends of plugs that look alike, and the old lamp.
    { use: 'label', count: 1 + (plugs > 1 ? 2 * plugs : 0) },
    ...(capped > 0 ? [{ use: 'dummy-cap' as const, count: capped }] : []),
    ...(outside(lamp) ? once('cleaner', 'tape') : []),
  ];
}

function cureTakes(
  { vehicle, vehicleCures }: Pick<Job, 'vehicle' | 'vehicleCures'>,
  shelf: Shelf,
  cure: VehicleCure,
): Take[] {
  const { work, takes = [] } = cureKind(cure);
  // What is done once for all of a kind is taken once.
  const first = vehicleCures.find(({ kind }) => kind === cure.kind) === cure;
  const joints = work.each || first ? work.joints : 0;
  return [
    ...(joints > 0 ? [{ use: 'feed-joint' as const, count: joints }] : []),
    ...takes,
    ...(needsEarth(vehicle, shelf, cure)
      ? [
          { use: 'earth-ring' as const, count: 1 },
          { use: 'mounting-screw' as const, count: 1 },
          ...once('edge-paint'),
        ]
      : []),
  ];
}

/** Whether a relay that is planned needs an earth that the old socket does not have. */
export function needsEarth(vehicle: Job['vehicle'], shelf: Shelf, cure: VehicleCure): boolean {
  const part = cure.kind === 'flasher-relay' && shelf.find(({ id }) => id === cure.partId);
  return part && part.kind === 'flasher' ? needsEarthWire(vehicle.flasher, part) : false;
}

/** The parts of the shelf one step puts into the vehicle; what comes out of a kit comes with the kit's own step. */
export function partsFitted(step: FitStep, shelf: Shelf, kits: readonly TakenKit[]): FittedPart[] {
  const inBox = new Set(kits.flatMap(({ part }) => part.sheet.items.flatMap(({ partId }) => partId ?? [])));
  const kit = (partId: string) =>
    inBox.has(partId) || shelf.some((part) => part.id === partId && part.kind === 'kit');
  return step.about.of === 'kit'
    ? [{ partId: step.about.partId, pieces: 1 }]
    : namedBy(step).filter(({ partId }) => !kit(partId));
}

function namedBy({ about }: FitStep): FittedPart[] {
  switch (about.of) {
    case 'swap':
      return [{ partId: about.wayRound.led.id, pieces: 1 }];
    case 'whole':
      return [{ partId: about.part.id, pieces: 1 }];
    case 'mount':
    case 'harness':
      return about.loose.network.pieces.flatMap(({ partId }) => (partId ? [{ partId, pieces: 1 }] : []));
    case 'cure':
      return (cureKind(about.cure).parts?.(about.cure) ?? []).flatMap(({ holder }) =>
        holder.partId ? [{ partId: holder.partId, pieces: 1 }] : [],
      );
    default:
      return [];
  }
}

import { needsEarthWire } from '../devices/relayMapping.ts';
import { jointsOfCures } from '../model/cureKinds/kinds.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { ConsumablePart, Shelf } from '../model/part.ts';
import { networksOf } from '../simulation/fitment.ts';
import { type PickLine, shelfLine } from './pickLine.ts';

/** Joints that some resistors need in the loom: each piece its own, and one more a place; a harness none. */
export function jointsOf(networks: readonly ResistorNetwork[]): number {
  return networks.reduce((sum, network) => (network.plugged ? sum : sum + network.pieces.length + 1), 0);
}

/** Joints and fixings of the resistors: two taps each, an earth ring and two screws a place. */
export function consumableLines(job: Job, shelf: Shelf): PickLine[] {
  const networks = networksOf(job);
  const earthed = relaysToEarth(job, shelf);
  const cures = jointsOfCures(job.vehicleCures);
  if (networks.length === 0 && earthed === 0 && cures === 0) return [];
  const wired = networks.filter((network) => !network.plugged);
  const pieces = networks.reduce((sum, network) => sum + network.pieces.length, 0);
  const needs: readonly [ConsumablePart['use'], number, string][] = [
    [
      'feed-joint',
      jointsOf(networks) + cures,
      [
        ...(jointsOf(networks) > 0 ? ['feed and earth leads of the resistors'] : []),
        ...(cures > 0 ? ['joints of the other cures'] : []),
      ].join(', '),
    ],
    ['earth-ring', wired.length + earthed, ringsWhy(wired.length, earthed)],
    [
      'mounting-screw',
      pieces * 2 + earthed,
      earthed > 0 ? 'two a resistor, one the earth of the relay' : 'two a resistor',
    ],
    ['edge-paint', pieces + earthed > 0 ? 1 : 0, 'drilled edges'],
  ];
  return needs.flatMap(([use, quantity, why]) => {
    if (quantity === 0) return [];
    const part = shelf.find((each) => each.kind === 'consumable' && each.use === use);
    return part ? [shelfLine(part, quantity, why)] : [];
  });
}

/** How many of the relays planned need an earth that the old socket does not have, a count. */
export function relaysToEarth({ vehicle, vehicleCures }: Job, shelf: Shelf): number {
  return vehicleCures.filter((cure) => {
    const part = cure.kind === 'flasher-relay' && shelf.find(({ id }) => id === cure.partId);
    return part && part.kind === 'flasher' && needsEarthWire(vehicle.flasher, part);
  }).length;
}

function ringsWhy(resistors: number, relays: number): string {
  return [
    ...(resistors > 0 ? ['earth of each resistor place'] : []),
    ...(relays > 0 ? ['earth of the relay'] : []),
  ].join(', ');
}

import { circuitById, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { circuitsOnFuse } from './fuses.ts';

// What kinds of fault have in common that sit at the same sort of place: which of its kind each is, the lamps and circuits it
// changes, where one looks. A kind takes one and says what is its own.

/** Ohms of what touches by itself (typical). */
export const TOUCHING_OHMS = 0.05;

/** At one lamp. */
export const AT_LAMP = {
  where: ({ lampId }: { lampId: string }) => lampId,
  lampIds: ({ lampId }: { lampId: string }) => [lampId],
  atLamp: true,
} as const;

/** In the socket of one lamp: a look at its bulb finds it. */
export const IN_SOCKET = {
  ...AT_LAMP,
  place: ({ lampId }: { lampId: string }) => `bulb:${lampId}`,
} as const;

/** At one of the load resistors of a lamp, counted from 0. */
export const AT_RESISTOR = {
  ...AT_LAMP,
  where: ({ lampId, index }: { lampId: string; index: number }) => `${lampId}:${index}`,
  place: ({ lampId, index }: { lampId: string; index: number }) => `resistor:${lampId}:${index}`,
} as const;

/** On one circuit. */
export const ON_CIRCUIT = {
  where: ({ circuitId }: { circuitId: string }) => circuitId,
  lampIds: ({ circuitId }: { circuitId: string }, vehicle: Vehicle) =>
    lampIdsOf(circuitById(vehicle, circuitId)),
  circuitIds: ({ circuitId }: { circuitId: string }) => [circuitId],
} as const;

/** On the feed of one circuit. */
export const ON_FEED = {
  ...ON_CIRCUIT,
  place: ({ circuitId }: { circuitId: string }) => `wire:${circuitId}`,
} as const;

/** On several circuits at once. */
export const ON_CIRCUITS = {
  where: ({ circuitIds }: { circuitIds: readonly string[] }) => circuitIds.join(':'),
  lampIds: ({ circuitIds }: { circuitIds: readonly string[] }, vehicle: Vehicle) =>
    circuitIds.flatMap((id) => lampIdsOf(circuitById(vehicle, id))),
  circuitIds: ({ circuitIds }: { circuitIds: readonly string[] }) => circuitIds,
} as const;

/** In the holder of one fuse. */
export const IN_FUSE = {
  where: ({ fuseId }: { fuseId: string }) => fuseId,
  lampIds: ({ fuseId }: { fuseId: string }, vehicle: Vehicle) =>
    circuitsOnFuse(vehicle, fuseId).flatMap(lampIdsOf),
  circuitIds: ({ fuseId }: { fuseId: string }, vehicle: Vehicle) =>
    circuitsOnFuse(vehicle, fuseId).map(({ id }) => id),
  place: ({ fuseId }: { fuseId: string }) => `fuse:${fuseId}`,
} as const;

/** Of all that flashes; there is one alone where its kind says nothing else. */
export const OF_TURNS = {
  where: () => '',
  lampIds: (_: unknown, vehicle: Vehicle) => turnCircuits(vehicle).flatMap(lampIdsOf),
  circuitIds: (_: unknown, vehicle: Vehicle) => turnCircuits(vehicle).map(({ id }) => id),
} as const;

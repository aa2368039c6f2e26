import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { unansweredWires } from '../../simulation/faultWires.ts';
import type { FindingOf } from './findingOf.ts';
import type { Scene } from './scene.ts';

/** LEDs from the works that told of their failure over a wire of their own, and are there no more. */
export type FaultWireFinding = FindingOf<'fault-wire', { lampIds: readonly string[] }>;

/** The wire an LED from the works told of its failure on must have an answer: else its controller takes it for failed. */
export function faultWireRequirement({ vehicle, circuit, fitted }: Scene): FaultWireFinding[] {
  const found = unansweredWires(vehicle, fitted.simulation.fitment, lampIdsOf(circuit));
  if (found.length === 0) return [];
  return [
    {
      requirement: 'fault-wire',
      state: found.some(({ sure }) => sure) ? 'falls-short' : 'either-way',
      lampIds: found.map(({ lampId }) => lampId),
    },
  ];
}

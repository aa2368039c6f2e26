import { expect, it } from 'vitest';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import type { LoadResistorCure } from '../../model/cures.ts';
import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import { mirrorCure } from './mirrorCure.ts';

const right = turnCircuits(QUILLON_75).find((circuit) => circuit.side === 'right');
if (!right) throw new Error('the van has a right side');
const piece = { partId: null, ohms: 6, watts: 50, tolerance: 0.05 };
const cure: LoadResistorCure = {
  kind: 'load-resistor',
  networks: [
    { lampId: 'rear-left', connection: 'parallel', pieces: [piece] },
    { lampId: 'front-left', connection: 'parallel', pieces: [piece] },
  ],
};

it('puts each resistor at the lamp of the same end across the vehicle', () => {
  const mirrored = mirrorCure(QUILLON_75, cure, right);
  expect(mirrored?.networks.map((network) => network.lampId)).toEqual(['rear-right', 'front-right']);
  expect(mirrored?.networks[0]?.pieces).toEqual([piece]);
});

it('gives null where there is no such lamp', () => {
  expect(
    mirrorCure(QUILLON_75, cure, { ...right, feeds: [{ lampId: 'rear-right', input: 'main' }] }),
  ).toBeNull();
});

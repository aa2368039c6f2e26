import { expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { lampAcross } from './across.ts';

it.each([
  ['library-route-1', 'front-left', 'front-right'],
  ['library-route-1', 'third-brake', undefined],
  ['library-route-1', 'reverse', undefined],
  ['gritter-4', 'marker-2-right', 'marker-2-left'],
  // Two alike on each flank: upper stays with upper.
  ['exhibition-trailer', 'lower-left', 'lower-right'],
  ['exhibition-trailer', 'upper-right', 'upper-left'],
])('on %s across from %s stands %s', (id, lamp, partner) => {
  const { vehicle } = demoJob(id);
  expect(lampAcross(vehicle, lampById(vehicle, lamp))?.id).toBe(partner);
});

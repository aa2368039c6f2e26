/** Twin wedge sockets whose wiring nobody has looked at: standard and CK look alike (trade: common practice). */

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import type { LedPart } from '../model/part.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { unknownWords } from '../words/unknowns.ts';
import { curedState, verdictsOf } from './verdicts.ts';

const LAMP = 'stop-tail-left';
const twin = DEMO_SHELF.find(
  (part): part is LedPart => part.kind === 'led' && part.twin !== undefined,
) as LedPart;
const led: LedPart = { ...twin, id: 'twin', bases: ['W2.5x16q'], socketWiring: 'standard' };
const shelf = [...DEMO_SHELF, led];

function job(wiring: 'standard' | 'ck' | undefined): Job {
  const made = structuredClone(demoJob('library-route-1'));
  made.vehicle.region = 'US';
  made.cures = {};
  made.vehicleCures = [];
  made.evidence = [];
  for (const lamp of made.vehicle.lamps) {
    made.chosen[lamp.id] = null;
    if (lamp.id !== LAMP) continue;
    lamp.base = 'W2.5x16q';
    lamp.stockBulb = '3157';
    delete lamp.socketWiring;
    if (wiring) lamp.socketWiring = wiring;
    made.chosen[lamp.id] = led.id;
  }
  return made;
}

const tailOf = (made: Job) => {
  const [tail] = circuitsFeeding(made.vehicle, LAMP, 'dim');
  return verdictsOf(made, shelf).steady.find(({ circuit }) => circuit.id === tail?.id)?.is;
};

describe('a twin wedge of unknown wiring', () => {
  it('holds as standard, is too much as CK, and could go either way until somebody looks', () => {
    expect(tailOf(job('standard'))?.state).toBe('holds');
    expect(tailOf(job('ck'))?.state).toBe('too-much');
    expect(tailOf(job(undefined))?.state).toBe('either-way');
    expect(curedState(job(undefined), shelf)).not.toBe('holds');
  });

  it('names the look that settles it', () => {
    const { leds } = verdictsOf(job(undefined), shelf);
    expect(leds.unknowns.map(unknownWords).join()).toMatch(
      /stop and tail left.*opposite corners are standard, on one side CK/,
    );
    expect(verdictsOf(job('standard'), shelf).leds.unknowns.map(({ what }) => what)).not.toContain(
      'sockets-not-seen',
    );
  });
});

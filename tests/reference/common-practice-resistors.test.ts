/** Facts of the trade, common practice, no published source: what installers fit and what they see. */
import { describe, expect, it } from 'vitest';
import { parallelOhms, pieceWatts } from '../../core/circuit/resistorNetwork.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { Judge } from '../../core/judge/judge.ts';
import type { Job } from '../../core/model/job.ts';
import { turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { reasonOf } from '../../core/words/verdicts.ts';
import { firstTurn } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const open = demoJobs()[0] as Job;
const left = firstTurn(open.vehicle);
const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };

describe('load resistors, common practice', () => {
  it('proposes one 6 Ω 50 W resistor across each converted 21 W bulb, unprompted', () => {
    const best = planResistors(open, DEMO_SHELF, left).search.choices[0];
    expect(best?.pieces.map((piece) => [piece.ohms, piece.watts])).toEqual([
      [6, 50],
      [6, 50],
    ]);
    expect(best?.cure.networks.map((network) => network.lampId).toSorted()).toEqual([
      'front-left',
      'rear-left',
    ]);
  });

  it('two 7.5 Ω in parallel act as 3.75 Ω', () => {
    expect(parallelOhms([7.5, 7.5])).toBeCloseTo(3.75, 12);
  });

  it('a 6 Ω resistor takes about 35 W on a charging vehicle while lit', () => {
    const piece = { partId: null, ohms: 6, watts: 50, tolerance: 0.05 };
    expect(pieceWatts({ connection: 'parallel', pieces: [piece] }, 14.4)[0]).toBeCloseTo(34.56, 6);
  });

  it('a 6 Ω resistor at each lamp holds the flash with the LEDs out of their sockets', () => {
    const pulled: Job = {
      ...open,
      chosen: Object.fromEntries(Object.keys(open.chosen).map((id) => [id, null])),
      lookOver: {
        ...open.lookOver,
        lamps: Object.fromEntries(
          open.vehicle.lamps.map((lamp) => [lamp.id, { condition: 'dead', note: '' }]),
        ),
      },
      cures: {
        'turn-left': {
          kind: 'load-resistor',
          networks: ['front-left', 'rear-left'].map((lampId) => ({
            lampId,
            connection: 'parallel',
            pieces: [{ partId: 'res-6-50', ohms: 6, watts: 50, tolerance: 0.05 }],
          })),
        },
      },
    };
    const played = traceLamps(pulled, DEMO_SHELF, 'cured', LEFT, 12.6);
    expect(played.missesLamp).toBe(false);
    expect(played.ratePerMinute).toBe(88);
    expect(played.lamps.every((lamp) => lamp.steady === 0)).toBe(true);
  });

  it('an under-loaded watching relay runs about twice as fast, from a normal 85 to 90', () => {
    const stock = traceLamps(open, DEMO_SHELF, 'stock', LEFT, 12.6);
    const leds = traceLamps(open, DEMO_SHELF, 'leds', LEFT, 12.6);
    expect(stock.ratePerMinute).toBeGreaterThanOrEqual(85);
    expect(stock.ratePerMinute).toBeLessThanOrEqual(90);
    expect((leds.ratePerMinute ?? 0) / (stock.ratePerMinute ?? 1)).toBeCloseTo(2, 1);
  });

  it('a 3 W LED takes about one seventh of the 21 W bulb it replaces', () => {
    const watts = DEMO_SHELF.find((part) => part.id === 'led-tern-3a');
    expect(21 / (watts?.kind === 'led' ? watts.watts : 0)).toBeCloseTo(7, 6);
  });

  it('a resistor tapped at one lamp only leaves the verdict open, and says at which volts', () => {
    const single: Job = {
      ...open,
      cures: Object.fromEntries(
        turnCircuits(open.vehicle).map((circuit) => [
          circuit.id,
          {
            kind: 'load-resistor',
            networks: [
              {
                lampId: `rear-${circuit.side}`,
                connection: 'parallel',
                pieces: [{ partId: 'res-6-50', ohms: 6, watts: 50, tolerance: 0.05 }],
              },
            ],
          },
        ]),
      ),
    };
    const side = Judge.of(single, DEMO_SHELF, 'cured').verdict().circuits[0];
    expect(side?.state).toBe('either-way');
    expect(side && reasonOf(single.vehicle, side)).toContain('11.8, 12.6, 13.5 and 14.4 V');
  });
});

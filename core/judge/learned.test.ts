import { describe, expect, it } from 'vitest';
import { demoJob, firstTurn, trialAt } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { Judge } from './judge.ts';
import { learnedBands, seenAmps } from './learned.ts';
import { HealthyBands } from './outageBand.ts';

const job = demoJob('library-route-3');
const circuit = firstTurn(job.vehicle);
const resistor = (ohms: number): ResistorNetwork => ({
  lampId: 'rear-left',
  connection: 'parallel',
  pieces: [{ partId: null, ohms, watts: 50, tolerance: 0.05 }],
});
let count = 0;
function finding(
  result: WatcherTrial['result'],
  supplyVolts: number,
  networks: ResistorNetwork[],
  out: string[] = [],
): WatcherTrial {
  count += 1;
  const lamps = { 'front-left': 'led-tern-3y', 'rear-left': 'led-tern-3a', 'repeater-left': 'led-tern-06' };
  return trialAt(circuit.id, result, supplyVolts, { lamps, networks, out }, { id: `f${count}` });
}
/** What the watcher saw in a trial, at the supply it was made at. */
const seenIn = (trial: WatcherTrial) => seenAmps(job, DEMO_SHELF, trial, trial.supply?.fromVolts ?? 0);
const having = (...evidence: WatcherTrial[]): Job => ({ ...job, evidence });
function bandAt(with_: Job, at: number) {
  const learned = learnedBands(with_, DEMO_SHELF, new HealthyBands(with_));
  return learned ? learned.at(circuit, at) : new HealthyBands(with_).at(circuit, at);
}

describe('the band that learns', () => {
  it('knows nothing without a finding', () => {
    expect(learnedBands(having(), DEMO_SHELF, new HealthyBands(job))).toBeNull();
  });

  it('two LEDs and one 6 Ω flashing normally lowers its upper edge to what was seen, at that supply', () => {
    const seen = finding('normal', 12.6, [resistor(6)]);
    const range = seenIn(seen);
    const before = new HealthyBands(job).at(circuit, 12.6);
    expect(range?.high).toBeLessThan(before.highAmps);
    expect(range?.high).toBeGreaterThan(before.lowAmps);
    const after = bandAt(having(seen), 12.6);
    expect(after.highAmps).toBeCloseTo(range?.high ?? 0, 3);
    expect(after.lowAmps).toBeGreaterThanOrEqual(before.lowAmps);
  });

  it('still fast raises its lower edge', () => {
    const seen = finding('fast', 12.6, [resistor(6)]);
    const after = bandAt(having(seen), 12.6);
    expect(after.lowAmps).toBeCloseTo(seenIn(seen)?.low ?? 0, 3);
    expect(after.highAmps).toBeLessThanOrEqual(new HealthyBands(job).at(circuit, 12.6).highAmps + 1e-9);
  });

  it('carries over to other supplies only as far as every way of following the supply allows', () => {
    const after = bandAt(having(finding('normal', 14.4, [resistor(6)])), 11.8);
    const seen = seenIn(finding('normal', 14.4, [resistor(6)]))?.high ?? 0;
    // A fixed threshold may still stand at all that was seen at 14.4 V; a proportional one at less.
    expect(after.highAmps).toBeLessThanOrEqual(seen + 1e-9);
    expect(after.highAmps).toBeGreaterThan((seen * 11.8) / 14.4 - 1e-9);
  });

  it('always holds the true threshold, whatever was truly seen', () => {
    for (const law of ['fixed', 'proportional', 'filament'] as const)
      for (const truth of [2.4, 2.9, 3.4]) {
        const follows = { fixed: 0, proportional: 1, filament: 0.54 }[law];
        const threshold = (at: number) => truth * (at / 13.5) ** follows;
        // A threshold that no healthy vehicle could have is none to be found.
        const sane = [11.8, 12.6, 13.5, 14.4].every((at) => {
          const band = new HealthyBands(job).at(circuit, at);
          return threshold(at) > band.lowAmps && threshold(at) < band.highAmps;
        });
        if (!sane) continue;
        const findings = [6, 8, 10, 5].flatMap((ohms) =>
          [11.8, 14.4].map((at) => {
            const tried = finding('normal', at, [
              { ...resistor(ohms), pieces: [{ partId: null, ohms, watts: 50, tolerance: 0 }] },
            ]);
            const seen = seenIn(tried)?.low ?? 0;
            return { ...tried, result: seen >= threshold(at) ? 'normal' : 'fast' } as WatcherTrial;
          }),
        );
        for (const at of [11.8, 12.6, 13.5, 14.4]) {
          const band = bandAt(having(...findings), at);
          expect(threshold(at), `${law} ${truth} at ${at}`).toBeGreaterThanOrEqual(band.lowAmps - 1e-6);
          expect(threshold(at), `${law} ${truth} at ${at}`).toBeLessThanOrEqual(band.highAmps + 1e-6);
        }
      }
  });

  it('changes the verdict: one resistor a side that could go either way holds once it was seen to', () => {
    const cures = {
      'turn-left': { kind: 'load-resistor' as const, networks: [resistor(6)] },
    };
    const planned = { ...job, cures };
    const state = (with_: Job) => Judge.of(with_, DEMO_SHELF, 'cured').circuitAt(circuit, 12.6).state;
    expect(state(planned)).toBe('either-way');
    const exact: ResistorNetwork = {
      ...resistor(6),
      pieces: [{ partId: null, ohms: 6.6, watts: 50, tolerance: 0 }],
    };
    expect(state({ ...planned, evidence: [finding('normal', 12.6, [exact])] })).toBe('holds');
    expect(
      state({
        ...planned,
        evidence: [
          finding('fast', 12.6, [
            { ...exact, pieces: [{ partId: null, ohms: 5.4, watts: 50, tolerance: 0 }] },
          ]),
        ],
      }),
    ).toBe('falls-short');
  });

  it('findings that contradict each other are reported, never averaged, and teach nothing', () => {
    const with_ = having(finding('normal', 12.6, [resistor(7)]), finding('fast', 12.6, [resistor(6)]));
    const learned = learnedBands(with_, DEMO_SHELF, new HealthyBands(with_));
    expect(learned?.contradiction(circuit)?.text).toMatch(
      /^Normal with .* A at 12.6 V, yet fast with .* A at 12.6 V\. One watcher cannot do both/,
    );
    expect(learned?.contradiction(circuit)?.suspects.length).toBe(2);
    // What no way of following the supply allows is taken off even so: under a milliampere here.
    expect(bandAt(with_, 12.6).lowAmps).toBeCloseTo(new HealthyBands(job).at(circuit, 12.6).lowAmps, 2);
  });

  it('a bulb out that still flashed normally says the relay does not trip there', () => {
    const stock = trialAt(circuit.id, 'fast', 12.6, { out: ['front-left'] });
    const after = bandAt(having(stock), 12.6);
    expect(after.lowAmps).toBeGreaterThanOrEqual(new HealthyBands(job).at(circuit, 12.6).lowAmps - 1e-6);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { answerQuestion } from '../lookover/questions.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import { addLamps } from '../vehicle/edit/lamps.ts';
import { reasonsOf } from '../words/verdicts.ts';
import { Judge } from './judge.ts';
import type { CircuitVerdict } from './verdict.ts';

const copy = (id: string) => structuredClone(demoJob(id));
const VEHICLES = [
  'library-route-3',
  'dial-a-ride-2',
  'gritter-4',
  'courier-moped-7',
  'exhibition-trailer',
].map((id) => demoJob(id).vehicle);
/** What is said of a circuit of one of the demo fleet. */
const said = (verdict: CircuitVerdict) => {
  const mine = VEHICLES.find(({ circuits }) => circuits.some(({ id }) => id === verdict.circuitId));
  return reasonsOf(mine ?? demoJob('library-route-3').vehicle, verdict);
};
function judged(job: Job, circuitId: string, configuration: Configuration = 'leds') {
  const circuit = job.vehicle.circuits.find((each) => each.id === circuitId);
  if (!circuit) throw new Error(`no circuit ${circuitId}`);
  return Judge.of(job, DEMO_SHELF, configuration).circuit(circuit);
}

describe('a steady circuit', () => {
  it.each(['library-route-3', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'])(
    'holds as it left the works, whatever it is: %s',
    (id) => {
      const job = copy(id);
      job.lookOver.lamps = {};
      for (const circuit of job.vehicle.circuits)
        if (circuit.kind !== 'turn') {
          const verdict = Judge.of(job, DEMO_SHELF, 'stock').circuit(circuit);
          expect(verdict.state, circuit.id).toBe('holds');
          expect(verdict.amps).toBeCloseTo(verdict.stockAmps, 9);
        }
    },
  );

  it('with LEDs is called out by a bulb-check module: 3 W LEDs where it looks for one of two 21 W bulbs', () => {
    const job = copy('gritter-4');
    for (const side of ['left', 'right']) job.chosen[`stop-tail-${side}`] = 'led-godwit-24';
    const verdict = judged(job, 'stop');
    expect(verdict.state).toBe('falls-short');
    // 2 × 3 W at 27 V on a converter: 0.22 A; one P21/5W of 29.7/1.06 W at 28 V is about 1 A.
    expect(verdict.amps).toBeCloseTo(6 / 27, 1);
    expect(said(verdict)[0]).toMatch(/bulb-check module calls a bulb out.*so it reports a bulb out/);
  });

  it('without a watcher is nobody’s concern', () => {
    const job = copy('library-route-3');
    job.chosen['plate-left'] = 'led-gull-1w';
    const verdict = judged(job, job.vehicle.circuits.find((each) => each.kind === 'plate')?.id ?? '');
    expect(verdict.state).toBe('holds');
    expect(said(verdict).join(' ')).toContain('Nothing watches this circuit');
  });

  it('whose wire is read with the pedal up is held up by an LED', () => {
    const job = copy('library-route-3');
    answerQuestion(job, 'brake-sense', 'yes');
    const circuit = job.vehicle.circuits.find((each) => each.sense);
    if (!circuit) throw new Error('not sensed');
    expect(judged(job, circuit.id, 'stock').state).toBe('holds');
    for (const feed of circuit.feeds)
      job.chosen[feed.lampId] = circuit.kind === 'stop' ? 'led-godwit-3r' : 'led-ruff-2r';
    const verdict = judged(job, circuit.id);
    expect(verdict.state).toBe('falls-short');
    expect(said(verdict)[0]).toMatch(/V on the wire with the pedal up/);
  });

  it('whose wire nobody has looked at may be held up, and says what to measure', () => {
    const job = copy('library-route-3');
    for (const each of job.vehicle.circuits) delete each.sense;
    job.vehicle.facts = {};
    const circuit = job.vehicle.circuits.find((each) => each.kind === 'third-brake');
    if (!circuit) throw new Error('no third brake lamp');
    const fitted = (...ids: string[]) => {
      for (const [index, feed] of circuit.feeds.entries()) {
        const id = ids[index];
        if (id) job.chosen[feed.lampId] = id;
        else delete job.chosen[feed.lampId];
      }
      return judged(job, circuit.id);
    };
    expect(fitted().state).toBe('holds');
    const open = fitted(...circuit.feeds.map(() => 'led-ruff-2r'));
    expect(open.state).toBe('either-way');
    expect(said(open)[0]).toMatch(/Nobody has looked.*If one does: [\d.]+ V.*Measure the wire/);
    for (const facts of [{ gearbox: 'manual' as const }, { brakeSensed: false }]) {
      job.vehicle.facts = facts;
      expect(judged(job, circuit.id).state).toBe('holds');
    }
  });

  it('told of LEDs by a setting nobody has looked up may hold, until it was read back', () => {
    const job = copy('dial-a-ride-2');
    const { flasher } = job.vehicle;
    if (flasher.kind !== 'controller') throw new Error('no controller');
    expect(judged(job, 'third', 'cured').state).toBe('holds');
    for (const { watch } of flasher.outputs) if (watch) watch.canSetLed = null;
    const open = judged(job, 'third', 'cured');
    expect(open.state).toBe('either-way');
    expect(said(open)[0]).toMatch(
      /Nobody has looked up whether the .* can be told of LEDs.*read the setting back/,
    );
    const told = job.vehicleCures.find((cure) => 'circuitId' in cure && cure.circuitId === 'third');
    if (told?.kind !== 'controller-setting') throw new Error('not told');
    told.readBack = true;
    expect(judged(job, 'third', 'cured').state).toBe('holds');
  });

  it('with a resistor where nobody has looked for metal may hold; on a plug nobody need look', () => {
    const job = copy('library-route-1');
    expect(judged(job, 'turn-left', 'cured').state).toBe('holds');
    for (const lamp of job.vehicle.lamps) lamp.resistorMount = 'unknown';
    expect(said(judged(job, 'turn-left', 'cured')).join(' ')).toMatch(
      /Nobody has looked whether there is metal.*rear left.*say it in Identify/,
    );
    for (const cure of Object.values(job.cures)) for (const each of cure?.networks ?? []) each.plugged = true;
    expect(said(judged(job, 'turn-left', 'cured')).join(' ')).not.toMatch(/metal/);
  });

  it('that starts the alternator falls short through an LED', () => {
    const job = copy('library-route-3');
    const circuit = job.vehicle.circuits.find((each) => each.excite);
    const id = circuit?.feeds[0]?.lampId;
    if (!circuit || !id) throw new Error('no charge lamp');
    expect(judged(job, circuit.id, 'stock').state).toBe('holds');
    job.chosen[id] = 'led-wren-9';
    const verdict = judged(job, circuit.id);
    expect(verdict.state).toBe('falls-short');
    expect(said(verdict)[0]).toMatch(/at 11.8 V does not start the alternator/);
  });

  it('more lamps on one feed are counted against the fuse', () => {
    const job = copy('library-route-3');
    const reverse = job.vehicle.circuits.find((each) => each.kind === 'reverse');
    if (reverse?.from.by !== 'switch') throw new Error('no reverse circuit on a fuse');
    const { fuseId } = reverse.from;
    const fuse = job.vehicle.fuses.find((each) => each.id === fuseId);
    if (!fuse) throw new Error('no fuse');
    fuse.ratedAmps = 5;
    for (let count = 0; count < 2; count += 1)
      for (const id of addLamps(job.vehicle, 'reverse', 'pair')) job.chosen[id] = 'led-gannet-20';
    const verdict = judged(job, reverse.id);
    expect(verdict.amps).toBeGreaterThan(5);
    expect(verdict.state).toBe('too-much');
    expect(said(verdict)[0]).toMatch(/like a steady .* for hours it may carry 3.50 A/);
    // On the fuse it came with, two more pairs of the same LEDs would do.
    fuse.ratedAmps = 15;
    expect(judged(job, reverse.id).state).toBe('holds');
  });

  it('that draws more than stock says so', () => {
    const job = copy('library-route-3');
    for (const feed of job.vehicle.circuits.find((each) => each.kind === 'plate')?.feeds ?? [])
      job.chosen[feed.lampId] = 'led-gannet-20';
    expect(said(judged(job, 'plate')).join(' ')).toMatch(/draws more than stock: .* where the bulbs drew/);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import { chargeResistor } from './chargeResistor.ts';

function chargeJob() {
  const job = structuredClone(demoJob('library-route-3'));
  const circuit = job.vehicle.circuits.find((each) => each.excite);
  const lampId = circuit?.feeds[0]?.lampId;
  if (!circuit || !lampId) throw new Error('no charge lamp');
  return { job, circuit, lampId };
}

describe('the resistor beside a charge lamp', () => {
  it('is none for the filament that left the works', () => {
    const { job, circuit } = chargeJob();
    expect(chargeResistor(job, DEMO_SHELF, circuit)).toMatchObject({
      piece: null,
      maxOhms: Number.POSITIVE_INFINITY,
    });
  });

  it('brings what the LED does not, by hand: owed current through the rotor from a tired battery', () => {
    const { job, circuit, lampId } = chargeJob();
    job.chosen[lampId] = 'led-wren-9';
    const plan = chargeResistor(job, DEMO_SHELF, circuit);
    const { amps = 0, rotorOhms = 0 } = circuit.excite ?? {};
    // 11.8 V over the rotor carrying all of it; what is left over the resistor carrying what the LED does not.
    const byHand = (11.8 - amps * rotorOhms) / (amps - plan.ledAmps);
    expect(plan.maxOhms / byHand).toBeGreaterThan(0.95);
    expect(plan.maxOhms / byHand).toBeLessThan(1.05);
    expect(plan.piece && plan.piece.ohms * (1 + plan.piece.tolerance)).toBeLessThanOrEqual(plan.maxOhms);
    expect(plan.litWatts).toBeLessThan((plan.piece?.watts ?? 0) * 0.5 + 1e-9);
  });

  it('cures what it is sized for', () => {
    const { job, circuit, lampId } = chargeJob();
    job.chosen[lampId] = 'led-wren-9';
    expect(Judge.of(job, DEMO_SHELF, 'leds').circuit(circuit).state).toBe('falls-short');
    const { piece } = chargeResistor(job, DEMO_SHELF, circuit);
    if (!piece) throw new Error('no piece');
    job.cures[circuit.id] = {
      kind: 'load-resistor',
      networks: [{ lampId, connection: 'parallel', pieces: [piece] }],
    };
    expect(Judge.of(job, DEMO_SHELF, 'cured').circuit(circuit).state).toBe('holds');
  });

  it('is refused a circuit that starts nothing', () => {
    const { job } = chargeJob();
    const plate = job.vehicle.circuits.find((each) => each.kind === 'plate');
    if (!plate) throw new Error('no plate');
    expect(() => chargeResistor(job, DEMO_SHELF, plate)).toThrow(/starts no alternator/);
  });
});

import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import { Judge } from '../../judge/judge.ts';
import { answerQuestion } from '../../lookover/questions.ts';
import type { Job } from '../../model/job.ts';
import { newJob } from '../../model/newJob.ts';
import type { LedPart } from '../../model/part.ts';
import { layoutEntries, startingVehicle } from '../../presets/startingLayout.ts';
import { bleedResistor } from '../bleedResistor.ts';
import type { CureReport } from './evaluate.ts';
import { circuitScope } from './scope.ts';
import { steadyComplaints } from './steadyCures.ts';
import { withCure } from './withCure.ts';

const bare = (id: string): Job => ({ ...structuredClone(demoJob(id)), vehicleCures: [], cures: {} });
const of = (cures: readonly CureReport[], id: string) => {
  const cure = cures.find((each) => each.option.id === id);
  if (!cure) throw new Error(`no cure ${id} among ${cures.map((each) => each.option.id).join()}`);
  return cure;
};
const complaintOf = (job: Job, circuitId: string, shelf = DEMO_SHELF) => {
  const found = steadyComplaints(job, shelf).find((each) => each.circuitId === circuitId);
  if (!found) throw new Error(`${circuitId} has no complaint`);
  return found;
};

describe('the minibus, its tails dimmed by pulses', () => {
  it('the setting works, a capacitor is refused there, and loads built in fail or are not to be had', () => {
    const { verdict, cures } = complaintOf(bare('dial-a-ride-2'), 'tail-left');
    expect(verdict.state).not.toBe('holds');
    expect(of(cures, 'setting').state).toBe('holds');
    expect(of(cures, 'decoder-decoder-otter-d')).toMatchObject({ state: null });
    expect(of(cures, 'decoder-decoder-otter-d').reason).toMatch(/dims by pulses of 22 %.*5 to 1 is lost/);
    expect(of(cures, 'built-in').state).not.toBe('holds');
  });

  it('an LED of 18 W with its load inside does not content the output that wants two filaments in its pulses', () => {
    const dunlin = DEMO_SHELF.find(
      (part): part is LedPart => part.id === 'led-dunlin-18' && part.kind === 'led',
    );
    if (!dunlin) throw new Error('no such LED');
    const red: LedPart = {
      ...dunlin,
      id: 'led-dunlin-r',
      code: 'DUNLIN-18R',
      colour: 'red',
      builtInLoadOhms: 16,
    };
    const { cures } = complaintOf(bare('dial-a-ride-2'), 'tail-left', [...DEMO_SHELF, red]);
    const cure = of(cures, 'built-in');
    expect(cure.state).not.toBe('holds');
    expect(cure.reason).toMatch(/burnt inside the housing/);
  });
});

describe('the gritter, its bulb-check module', () => {
  it('wants what the bulbs drew: a load holds it on the chassis, a filament left in leaves it open', () => {
    const job = bare('gritter-4');
    for (const side of ['left', 'right']) job.chosen[`stop-tail-${side}`] = 'led-godwit-24';
    const { cures } = complaintOf(job, 'stop');
    const load = of(cures, 'load');
    expect(load.state).toBe('holds');
    expect(load.reason).toMatch(/twenty minutes on the brake/);
    if (!load.option.change) throw new Error('no change');
    const circuit = job.vehicle.circuits.find((each) => each.id === 'stop');
    if (!circuit) throw new Error('no stop circuit');
    expect(
      Judge.of(withCure(job, load.option.change, circuitScope(circuit)), DEMO_SHELF, 'cured').circuit(circuit)
        .state,
    ).toBe('holds');
    expect(of(cures, 'filament').state).not.toBe('too-much');
  });
});

describe('the tail lamps of twin bulbs', () => {
  it('take their load across the dim feed, where their watcher looks', () => {
    const job = bare('gritter-4');
    for (const side of ['left', 'right']) job.chosen[`stop-tail-${side}`] = 'led-godwit-24';
    const tail = job.vehicle.circuits.find(
      (each) => each.kind === 'tail' && each.feeds.some((feed) => feed.lampId.startsWith('stop-tail')),
    );
    if (!tail) throw new Error('the gritter has tail lamps');
    const { cures } = complaintOf(job, tail.id);
    const load = of(cures, 'load');
    expect(load.state).toBe('holds');
    expect(load.reason).toMatch(/two hours with lights on/);
    const networks = load.option.change?.cures?.[tail.id]?.networks ?? [];
    const dim = tail.feeds.filter((feed) => feed.input === 'dim').map((feed) => feed.lampId);
    expect(dim.length).toBeGreaterThan(0);
    expect(networks.filter((network) => network.input === 'dim').map((each) => each.lampId)).toEqual(
      expect.arrayContaining(dim),
    );
  });
});

describe('a sensed brake wire', () => {
  it('by hand: 2.2 kΩ, 14.4 V, 1.0 V: at most 164 Ω, so 150 Ω, 1.4 W while pressed', () => {
    const plan = bleedResistor({ what: 'brake', pullUpOhms: 2200, heldUnderVolts: 1 }, 12, DEMO_SHELF);
    expect(plan.maxOhms).toBeCloseTo(164.2, 1);
    expect(plan.piece?.ohms).toBe(150);
    expect(plan.pressedWatts).toBeCloseTo(1.38, 2);
  });

  it('is held down by the bleed, and by one filament', () => {
    const job = bare('library-route-3');
    answerQuestion(job, 'brake-sense', 'yes');
    const circuit = job.vehicle.circuits.find((each) => each.sense);
    if (!circuit) throw new Error('not sensed');
    for (const feed of circuit.feeds)
      job.chosen[feed.lampId] = circuit.kind === 'stop' ? 'led-godwit-3r' : 'led-ruff-2r';
    const { cures } = complaintOf(job, circuit.id);
    expect(of(cures, 'bleed')).toMatchObject({ state: 'holds' });
    expect(of(cures, 'filament')).toMatchObject({ state: 'holds' });
    expect(of(cures, 'load')).toMatchObject({ state: null });
  });
});

describe('an interior lamp of which nobody knows whether it is watched', () => {
  it('is offered the resistor that would content whatever may watch it', () => {
    const vehicle = startingVehicle('car', {
      name: 'Car',
      model: '',
      kind: 'car',
      year: 2014,
      region: 'UN',
      systemVolts: 12,
      entries: layoutEntries({ kind: 'car', year: 2014, region: 'UN' }).filter(({ usual }) => usual),
      flasher: 'controller',
    });
    const job = newJob('j', 'j', vehicle, '2026-01-01T00:00:00.000Z');
    const lamp = vehicle.lamps.find(({ id }) => id === 'interior');
    const circuit = vehicle.circuits.find(({ kind }) => kind === 'interior');
    if (!lamp || !circuit) throw new Error('no interior lamp');
    expect(circuit.watched).toBeNull();
    lamp.resistorMount = 'chassis';
    const led = DEMO_SHELF.find((part): part is LedPart => part.kind === 'led') as LedPart;
    const fitting: LedPart = { ...led, id: 'festoon', bases: [lamp.base], watts: 1, colour: 'white' };
    job.chosen[lamp.id] = fitting.id;
    const [told] = steadyComplaints(job, [...DEMO_SHELF, fitting]);
    expect(told?.circuitId).toBe(circuit.id);
    const load = told?.cures.find(({ option }) => option.id === 'load');
    expect(load?.option.refused, load?.reason).toBeNull();
    expect(load?.state).toBe('holds');
  });
});

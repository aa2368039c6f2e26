import { describe, expect, it } from 'vitest';
import { bulbById } from '../../core/catalogue/bulbs.ts';
import { worksAmps } from '../../core/catalogue/worksLeds.ts';
import { workedFunctions } from '../../core/lookover/workedFunctions.ts';
import type { Bulb } from '../../core/model/bulb.ts';
import type { Job } from '../../core/model/job.ts';
import { newJob } from '../../core/model/newJob.ts';
import type { Shelf } from '../../core/model/part.ts';
import { circuitsOf, returnCircuit } from '../../core/model/vehicle/lookUp.ts';
import { startingVehicle } from '../../core/presets/startingLayout.ts';
import { FaultFinder } from '../../core/proving/finder.ts';
import { provingGrid } from '../../core/proving/grid.ts';
import { NOTHING_TOLD } from '../../core/proving/told.ts';
import { genericLed } from '../../core/quick/genericLed.ts';
import { addLamps } from '../../core/vehicle/edit/lamps.ts';
import { LAMP_TEMPLATES, type LampTemplateId, TEMPLATES } from '../../core/vehicle/edit/lampTemplates.ts';
import { coloursFor, switchesFor } from '../../core/vehicle/lampWork.ts';
import { switchWords } from '../../core/words/switches.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

/** A car with a controller and the few lamps every car has, one kind more, and LEDs in those. */
function converted(template: LampTemplateId): { job: Job; shelf: Shelf; lampIds: string[] } {
  const vehicle = startingVehicle('one-kind', {
    name: 'Car with one kind more',
    model: '',
    kind: 'car',
    year: 2014,
    region: 'UN',
    systemVolts: 12,
    entries: (['front-turn', 'rear-turn', 'stop-tail', 'position'] as const).map((id) => ({
      id,
      where: 'pair' as const,
    })),
    flasher: 'controller',
  });
  const lampIds = addLamps(vehicle, template, TEMPLATES[template].at[0] === 0.5 ? 'centre' : 'pair');
  const job = newJob('one-kind', 'One kind more', vehicle, '2026-11-29T10:00:00.000Z');
  const lamp = vehicle.lamps.find(({ id }) => id === lampIds[0]);
  if (!lamp) throw new Error(template);
  const part = genericLed(
    { kind: 'plain', watts: 3, forVolts: 12 },
    bulbById(lamp.stockBulb) as Bulb,
    12,
    coloursFor(vehicle, lamp)[0] ?? 'white',
  );
  for (const id of lampIds) job.chosen[id] = part.id;
  job.scope = { lampIds, aim: null };
  return { job, shelf: [...DEMO_SHELF, part], lampIds };
}

describe.each(LAMP_TEMPLATES.filter((id) => id !== 'turn-pilot'))('a lamp of the kind %s', (template) => {
  const { job, shelf, lampIds } = converted(template);
  const { vehicle } = job;

  it('has a bulb of these volts, a place, a colour, a switch, and what its LED from the works would draw', () => {
    for (const id of lampIds) {
      const lamp = vehicle.lamps.find((each) => each.id === id);
      if (!lamp) throw new Error(id);
      expect(bulbById(lamp.stockBulb)?.systemVolts, lamp.stockBulb).toBe(12);
      expect(coloursFor(vehicle, lamp).length).toBeGreaterThan(0);
      expect(switchWords(switchesFor(vehicle, lamp))).toMatch(/\w/);
      for (const { kind } of circuitsOf(vehicle, id)) expect(worksAmps(kind, 12)[1]).toBeGreaterThan(0);
    }
  });

  it('is worked in Look over', () => {
    const reached = workedFunctions(vehicle).flatMap((each) => each.lampIds);
    for (const id of lampIds) expect(reached).toContain(id);
  });

  it('has a cell of Prove in which it is lit, and dead there it is found', () => {
    const grid = provingGrid(job, shelf);
    if (!grid) throw new Error('it was ended');
    const finder = new FaultFinder(job, grid, shelf);
    for (const id of lampIds) {
      const at = grid.expected.findIndex(({ lumens }) => (lumens.get(id) ?? 0) > 0.5);
      expect(at, `${id} in ${grid.cells.map((cell) => cell.id).join()}`).toBeGreaterThanOrEqual(0);
      const cellId = grid.cells[at]?.id ?? '';
      const { suspects } = finder.find({ ...NOTHING_TOLD, cells: [{ cellId, seen: [`${id} dark`] }] });
      const named = suspects.slice(0, 4).flatMap(({ faults }) => faults.map((each) => each.id));
      expect(
        named.some((each) => each.includes(id)),
        named.join(),
      ).toBe(true);
    }
  });

  it('hangs on a circuit of its own work, and shares it with what goes by the same contact alone', () => {
    const work = TEMPLATES[template].works.map((each) => `${each.kind} ${each.workedBy ?? 'door'}`);
    for (const id of lampIds) {
      const circuits = circuitsOf(vehicle, id);
      expect(circuits.map((each) => `${each.kind} ${each.workedBy ?? 'door'}`)).toEqual(work);
      if (template === 'marker-between') expect(returnCircuit(vehicle, id)?.kind).toBe('tail');
    }
  });
});

describe('what opens or switches an inside lamp', () => {
  it('is one circuit for all doors, and one for each lid and each switch', () => {
    const { job } = converted('boot');
    const { vehicle } = job;
    for (const id of ['glove-box', 'interior', 'load-area'] as const) addLamps(vehicle, id, 'centre');
    for (const id of ['footwell', 'puddle', 'map'] as const) addLamps(vehicle, id, 'pair');
    const lit = Object.fromEntries(
      vehicle.circuits
        .filter(({ kind }) => kind === 'interior')
        .map((circuit) => [circuit.id, circuit.feeds.map(({ lampId }) => lampId)]),
    );
    expect(lit).toEqual({
      interior: ['interior', 'footwell-left', 'footwell-right', 'puddle-left', 'puddle-right'],
      'boot-lamp': ['boot'],
      'glove-box-lamp': ['glove-box'],
      'load-area-lamp': ['load-area'],
      'map-lamp': ['map-left', 'map-right'],
    });
  });
});

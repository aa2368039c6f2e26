import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { pickList } from '../inventory/picklist.ts';
import type { Job } from '../model/job.ts';
import type { LedPart, Shelf, WholeLampPart } from '../model/part.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { fitmentOf, ledOf } from '../simulation/fitment.ts';
import { noteModel, wholeLampFit } from '../vehicle/wholeLampFits.ts';
import { behavioursOf, candidatesFor } from './candidates.ts';
import { unlikeNeighbours } from './neighbours.ts';
import { type LedWeights, ranked, weightsFor } from './rank.ts';

/** By what the engine says and nothing else. */
const VERDICT_ALONE: LedWeights = { verdict: 1, light: 0, watts: 0, price: 0 };
const copy = (id: string) => structuredClone(demoJob(id));
function forLamp(job: Job, lampId: string, shelf: Shelf = DEMO_SHELF) {
  const lamp = lampById(job.vehicle, lampId);
  const candidates = candidatesFor(job, shelf, lamp);
  const tried = candidates.filter(({ fit }) => fit.obstacles.length === 0);
  const fitting = tried.filter(({ fit }) => fit.fits);
  const behaviours = new Map(behavioursOf(job, shelf, lamp, tried).map((each) => [each.partId, each]));
  return { candidates, fitting, behaviours, order: ranked(job, lamp, candidates, behaviours, VERDICT_ALONE) };
}
const led = (id: string): LedPart => {
  const part = DEMO_SHELF.find((each) => each.id === id);
  if (part?.kind !== 'led') throw new Error(id);
  return part;
};

describe('candidates for a turn lamp', () => {
  it('come sorted by what the engine says of this circuit, what does not go in last', () => {
    const job = copy('library-route-3');
    // One whose turn section has a socket, and that somebody has found to fit.
    const shelf = DEMO_SHELF.map((part) =>
      part.kind === 'whole-lamp' && part.id === 'lamp-merlin' ? noteModel(part, job.vehicle) : part,
    );
    const { order, behaviours, fitting } = forLamp(job, 'rear-left', shelf);
    expect(order.slice(0, fitting.length).every((each) => each.fit.fits)).toBe(true);
    const states = order.slice(0, fitting.length).map((each) => behaviours.get(each.part.id)?.state);
    // What converts nothing comes after all that does.
    const rank = ['holds', 'either-way', 'falls-short', 'too-much', null];
    const ranks = states.map((state) => rank.indexOf(state ?? null));
    expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
    expect(states).toContain(null);
    expect(behaviours.get('led-tern-3a')?.state).toBe('falls-short');
    expect(behaviours.get('led-tern-3a')?.lines[0]?.text).toMatch(/Left turn: .* A at 11.8 V, 176 a minute/);
  });

  it('each that does not go in says why, with a figure or a name', () => {
    const { candidates } = forLamp(copy('library-route-3'), 'rear-left');
    for (const { fit } of candidates.filter((each) => !each.fit.fits))
      expect([...fit.obstacles, ...fit.checks].join(' ')).toMatch(/base|made for|must show|section|lamp/);
  });
});

describe('the room behind a lamp', () => {
  it('keeps out what is longer or wider, and warns where nobody measured', () => {
    const job = copy('library-route-3');
    const plover = { ...led('led-plover-5') };
    const open = forLamp(job, 'rear-left', [plover]).candidates[0];
    expect(open?.fit.fits).toBe(true);
    // 58 mm against the 52.5 mm of a P21W.
    expect(open?.fit.cautions.join(' ')).toMatch(/6 mm longer than the P21W/);
    lampById(job.vehicle, 'rear-left').room = { lengthMm: 55, diameterMm: 30 };
    expect(forLamp(job, 'rear-left', [plover]).candidates[0]?.fit.obstacles).toEqual([
      'It is 58 mm long; the room behind is 55 mm.',
    ]);
  });

  it('holds a festoon only of its own length, give or take what clips bend', () => {
    const job = copy('dial-a-ride-2');
    const of = (id: string) => forLamp(job, 'saloon-1', [led(id)]).candidates[0]?.fit;
    expect(of('led-snipe-1')?.fits).toBe(true);
    expect(of('led-snipe-c21')?.obstacles.join(' ')).toMatch(/42 mm from tip to tip; the clips hold 36 mm/);
  });
});

describe('parts with a catch', () => {
  it('strobing, fan-cooled and absurdly printed ones are flagged', () => {
    const job = copy('library-route-3');
    const strobe = forLamp(job, 'stop-tail-left', [led('led-jackdaw-3r')]).candidates[0];
    expect(strobe?.fit.cautions.join(' ')).toMatch(/flashes 4 extra times/);
    const fan = forLamp(copy('library-route-3'), 'reverse', [led('led-gannet-20')]).candidates[0];
    expect(fan?.fit.cautions.join(' ')).toMatch(/fan/);
    const claim = candidatesFor(job, [led('led-magpie-9000')], lampById(job.vehicle, 'repeater-left'))[0];
    expect(claim?.claim).toMatch(/450 lm a watt/);
  });
});

describe('a whole lamp', () => {
  it('takes the place of every lamp of its corner, and the engine sees the sum of its sections', () => {
    const job = copy('library-route-3');
    const kestrel = candidatesFor(job, DEMO_SHELF, lampById(job.vehicle, 'rear-left')).find(
      (each) => each.part.id === 'lamp-kestrel',
    );
    expect(kestrel?.fit.fits).toBe(true);
    expect(kestrel?.lampIds).toEqual(expect.arrayContaining(['rear-left', 'stop-tail-left']));
    for (const id of kestrel?.lampIds ?? []) job.chosen[id] = 'lamp-kestrel';
    expect(ledOf(job, DEMO_SHELF, 'rear-left')?.watts).toBe(4);
    expect(ledOf(job, DEMO_SHELF, 'stop-tail-left')?.twin?.dimWatts).toBe(0.5);
    expect(fitmentOf(job, DEMO_SHELF, 'leds').contents.get('rear-left')?.kind).toBe('led');
    const line = pickList(job, DEMO_SHELF).lines.find((each) => each.key === 'lamp-kestrel');
    expect(line?.quantity).toBe(1);
  });

  it('with a socket keeps the old bulb there, and the flash as it was', () => {
    const job = copy('library-route-3');
    job.chosen = {};
    for (const id of ['rear-left', 'stop-tail-left', 'rear-right', 'stop-tail-right'])
      job.chosen[id] = 'lamp-merlin';
    expect(ledOf(job, DEMO_SHELF, 'rear-left')).toBeNull();
    expect(fitmentOf(job, DEMO_SHELF, 'leds').contents.get('rear-left')?.kind).toBe('filament');
    expect(pickList(job, DEMO_SHELF).lines.find((each) => each.key === 'lamp-merlin')?.quantity).toBe(2);
    const { behaviours } = forLamp(
      job,
      'rear-left',
      DEMO_SHELF.filter((part) => part.id === 'lamp-merlin'),
    );
    expect(behaviours.get('lamp-merlin')?.state).toBeNull();
    expect(behaviours.get('lamp-merlin')?.lines[0]?.text).toMatch(/converts nothing here/);
  });

  it('of another market or end does not go in', () => {
    const job = copy('library-route-3');
    job.vehicle.region = 'US';
    const fits = (lampId: string) =>
      candidatesFor(job, DEMO_SHELF, lampById(job.vehicle, lampId)).find(
        (each) => each.part.id === 'lamp-kestrel',
      )?.fit;
    expect(fits('rear-left')?.obstacles.join(' ')).toMatch(/made for UN markets/);
    expect(fits('front-left')?.obstacles.join(' ')).toMatch(/It is a rear lamp/);
  });

  it('fits where model, years and what it replaces are those of the vehicle, and says what else it is made for', () => {
    const job = copy('library-route-3');
    const kestrel = DEMO_SHELF.find((part): part is WholeLampPart => part.id === 'lamp-kestrel');
    if (!kestrel) throw new Error('no such lamp');
    const rear = lampById(job.vehicle, 'rear-left');
    const fit = (change: Partial<WholeLampPart>) =>
      wholeLampFit(job.vehicle, rear, { ...kestrel, ...change });
    expect(fit({})).toMatchObject({ fits: true, obstacles: [], checks: [] });
    expect(fit({ models: ['  quillon 75 '] }).fits).toBe(true);
    expect(fit({ models: ['Larkspur 16', 'Quillon 90'] }).obstacles.join()).toMatch(
      /made for Larkspur 16 and Quillon 90; this is a Quillon 75/,
    );
    expect(fit({ fromYear: 1998 }).obstacles.join()).toMatch(/years from 1998; this vehicle is of 1997/);
    expect(fit({ toYear: 1995 }).obstacles.join()).toMatch(/up to 1995/);
    expect(fit({ replaces: 'factory-led' }).obstacles.join()).toMatch(
      /factory LED lamp; this one has a bulb/,
    );
  });

  it('of which nobody has written down what it fits is no fit, and says what to look at', () => {
    const job = copy('library-route-3');
    const rear = lampById(job.vehicle, 'rear-left');
    const merlin = candidatesFor(job, DEMO_SHELF, rear).find((each) => each.part.id === 'lamp-merlin');
    expect(merlin?.fit).toMatchObject({ fits: false, obstacles: [] });
    expect(merlin?.fit.checks.join()).toMatch(/compare outline, screw holes and plug/);
    const kestrel = candidatesFor(job, DEMO_SHELF, rear).find((each) => each.part.id === 'lamp-kestrel');
    if (kestrel?.part.kind !== 'whole-lamp') throw new Error('no such lamp');
    const { part } = kestrel;
    expect(wholeLampFit({ ...job.vehicle, model: '' }, rear, part).checks.join()).toMatch(/no model yet/);
    expect(wholeLampFit(job.vehicle, rear, { ...part, trim: 'the tall roof' }).checks.join()).toMatch(
      /tall roof: look/,
    );
    const { fromYear: _, toYear: __, ...noYears } = part;
    expect(wholeLampFit(job.vehicle, rear, noYears).checks.join()).toMatch(/years is not written down/);
  });

  it('names every socket its moved bulbs would not go into, not only that of the lamp in hand', () => {
    const job = copy('library-route-3');
    const merlin = DEMO_SHELF.find((part): part is WholeLampPart => part.id === 'lamp-merlin');
    if (!merlin) throw new Error('no such lamp');
    const sections = merlin.sections.map((section) =>
      section.does === 'turn'
        ? { ...section, light: { kind: 'socket' as const, base: 'W3x16d' as const } }
        : section,
    );
    const fit = wholeLampFit(job.vehicle, lampById(job.vehicle, 'stop-tail-left'), { ...merlin, sections });
    expect(fit.cautions.join(' ')).toMatch(
      /turn section has a W3x16d socket; the old BA15s bulb does not go in/,
    );
  });

  it('that was looked at and fits is noted with its model and year, and fits from then on', () => {
    const job = copy('library-route-3');
    const merlin = DEMO_SHELF.find((part): part is WholeLampPart => part.id === 'lamp-merlin');
    if (!merlin) throw new Error('no such lamp');
    const noted = noteModel({ ...merlin, trim: 'the tall roof' }, job.vehicle);
    expect(noted).toMatchObject({ models: ['Quillon 75'], fromYear: 1997, toYear: 1997 });
    expect(wholeLampFit(job.vehicle, lampById(job.vehicle, 'rear-left'), noted).fits).toBe(true);
    expect(noteModel(noted, { ...job.vehicle, year: 2001 })).toMatchObject({
      models: ['Quillon 75'],
      fromYear: 1997,
      toYear: 2001,
    });
  });
});

describe('the order of what fits', () => {
  const job = copy('library-route-3');
  const rear = lampById(job.vehicle, 'rear-left');
  const { fitting, behaviours } = forLamp(job, 'rear-left');
  const best = (weights: LedWeights) => ranked(job, rear, fitting, behaviours, weights)[0]?.part;
  const amber = fitting.flatMap(({ part }) => (part.kind === 'led' && part.colour === 'amber' ? [part] : []));

  it('follows what the job is for: least watts for power, most light for light', () => {
    const only = (what: keyof LedWeights): LedWeights => ({
      verdict: 0,
      light: 0,
      watts: 0,
      price: 0,
      [what]: 1,
    });
    const least = Math.min(...amber.map(({ watts }) => watts));
    const most = Math.max(...amber.map(({ lumens }) => lumens));
    expect(best(only('watts'))).toMatchObject({ watts: least });
    expect(best(only('light'))).toMatchObject({ lumens: most });
    expect(best(only('price'))).toMatchObject({ price: Math.min(...amber.map(({ price }) => price)) });
    expect(weightsFor('power').watts).toBeGreaterThan(weightsFor('light').watts);
    expect(weightsFor(null)).toEqual(weightsFor(undefined));
  });

  it('never puts another colour, an impossible claim, or what converts nothing before what is right', () => {
    for (const aim of ['look', 'light', 'power', 'repair', 'rule'] as const) {
      const order = ranked(job, rear, fitting, behaviours, weightsFor(aim)).map(({ part }) => part);
      const colours = order.map((part) => (part.kind === 'led' && part.colour !== 'amber' ? 1 : 0));
      expect(colours, aim).toEqual(colours.toSorted());
    }
  });
});

describe('the neighbours that stay filament', () => {
  it('are named where a white is plainly colder than theirs, and not where both are amber', () => {
    const job = copy('library-route-3');
    const position = lampById(job.vehicle, 'position-left');
    const cold = unlikeNeighbours(job, DEMO_SHELF, position, { ...led('led-gull-1w'), kelvin: 6500 });
    expect(cold.map(({ lamp }) => lamp.end)).toEqual(cold.map(() => 'front'));
    expect(cold.length).toBeGreaterThan(0);
    expect(cold[0]?.colder).toBe(true);
    expect(cold[0]?.apart).toBeGreaterThan(0.012);
    const warm = unlikeNeighbours(job, DEMO_SHELF, position, { ...led('led-gull-1w'), kelvin: 2800 });
    expect(warm).toEqual([]);
    expect(unlikeNeighbours(job, DEMO_SHELF, lampById(job.vehicle, 'rear-left'), led('led-tern-3a'))).toEqual(
      [],
    );
  });
});

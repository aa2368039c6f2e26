import { describe, expect, it } from 'vitest';
import { QUILLON_75 } from '../../../demo/vehicles/quillon75.ts';
import { vehicleProblems } from '../../formats/vehicleProblems.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { changeOpening, dropOpening, freeOpeningId, putOpening } from '../../vehicle/edit/openings.ts';
import { closingWords, countWords, losable, undoWords } from '../../words/openings.ts';
import { openedFirst, openingFrom, openingProblems, openingsOf } from './openings.ts';
import { USUAL_OPENINGS, usualOpeningsFor } from './usualOpenings.ts';

const van = (): Vehicle => structuredClone(QUILLON_75);
const trim = USUAL_OPENINGS.find(({ of }) => of === 'trim');
const lamp = (vehicle: Vehicle, id: string) => {
  const found = vehicle.lamps.find((each) => each.id === id);
  if (!found) throw new Error(`no lamp ${id}`);
  return found;
};

describe('openings', () => {
  it('are as somebody wrote them down, and in the lamps’ own words where nobody has', () => {
    const all = openingsOf(van());
    const rear = all.find(({ opening }) => opening.id === 'rear-left');
    expect(rear?.structured).toBe(true);
    expect(rear?.lamps.map(({ id }) => id)).toContain('rear-fog');
    const third = all.find(({ opening }) => opening.id === 'third-brake');
    expect(third).toMatchObject({ structured: false, texts: ['Inside, above the rear doors: two clips.'] });
    expect(third?.opening.tools).toEqual(['plastic pry tool']);
  });

  it('open what is needed first, however deep, and a circle does not hang', () => {
    const vehicle = van();
    if (!trim) throw new Error('no trim');
    putOpening(vehicle, openingFrom(trim, 'a', 'A'));
    putOpening(vehicle, openingFrom(trim, 'b', 'B'));
    changeOpening(vehicle, 'b', undefined, (each) => void (each.needs = ['a']));
    changeOpening(vehicle, 'rear-left', undefined, (each) => void (each.needs = ['b']));
    expect(openedFirst(vehicle, 'rear-left').map(({ id }) => id)).toEqual(['a', 'b', 'rear-left']);
    expect(openingProblems(vehicle)).toEqual([]);
    changeOpening(vehicle, 'a', undefined, (each) => void (each.needs = ['rear-left']));
    expect(openedFirst(vehicle, 'rear-left').map(({ id }) => id)).toContain('rear-left');
    expect(openingProblems(vehicle).join()).toMatch(/needs itself/);
  });

  it('that do not hang together are refused by name in a file', () => {
    const broken = (act: (vehicle: Vehicle) => void) => {
      const vehicle = van();
      act(vehicle);
      return vehicleProblems(vehicle).join(' ');
    };
    const first = (vehicle: Vehicle) => vehicle.openings?.[0] ?? never();
    const never = (): never => {
      throw new Error('no opening');
    };
    expect(broken((v) => void first(v).needs.push('nowhere'))).toMatch(/needs "nowhere", which is not there/);
    expect(broken((v) => void (first(v).minutes = [9, 3]))).toMatch(/time runs backwards/);
    expect(broken((v) => void (first(v).id = 'no-group'))).toMatch(/has no lamp behind it/);
    expect(broken((v) => void v.openings?.push(structuredClone(first(v))))).toMatch(/more than one opening/);
  });

  it('are changed on both sides where they are alike, and each keeps what must come out first', () => {
    const vehicle = van();
    changeOpening(
      vehicle,
      'rear-left',
      lamp(vehicle, 'rear-right'),
      (each) => void (each.tools = ['T20 driver']),
    );
    const tools = (id: string) => vehicle.openings?.find((each) => each.id === id)?.tools;
    expect([tools('rear-left'), tools('rear-right')]).toEqual([['T20 driver'], ['T20 driver']]);
    dropOpening(vehicle, 'rear-right');
    expect(tools('rear-right')).toBeUndefined();
    changeOpening(vehicle, 'rear-left', lamp(vehicle, 'rear-right'), (each) => void (each.tools = []));
    expect(vehicle.openings?.find(({ id }) => id === 'rear-right')).toMatchObject({
      name: 'Rear right',
      needs: [],
    });
    expect(freeOpeningId(vehicle, 'flasher')).toBe('flasher-2');
  });

  it('are offered by kind of lamp', () => {
    const vehicle = van();
    const names = (id: string) => usualOpeningsFor('lamps', lamp(vehicle, id)).map((each) => each.id);
    expect(names('repeater-left')).toContain('repeater-push');
    expect(names('dash-lamp')).toEqual(['cluster-out']);
    expect(names('third-brake')).toContain('third-brake-clips');
    expect(names('rear-left')).not.toContain('cluster-out');
    expect(usualOpeningsFor('flasher').length).toBeGreaterThan(1);
  });
});

describe('words of an opening', () => {
  const rear = openingsOf(van()).find(({ opening }) => opening.id === 'rear-left')?.opening;

  it('undo it in order, ease every screw first, and close it backwards with counts', () => {
    if (!rear) throw new Error('no rear');
    expect(rear.undo.map(undoWords)).toEqual([
      '1 cross-head screw, 45 mm long: at the top.',
      '4 cross-head screws, 30 mm long, with washers: the rest. Ease each a little before taking any out.',
      'Lens with its seal: ease it off evenly.',
    ]);
    expect(rear.undo.toReversed().map(closingWords)).toEqual([
      'lens with its seal on',
      '4 cross-head screws, 30 mm long, with washers: the rest',
      '1 cross-head screw, 45 mm long: at the top',
    ]);
    expect(countWords(rear)).toBe('5 fasteners, 1 of 45 mm (at the top), 4 of 30 mm (the rest)');
    expect(losable(rear)).toEqual(['screw, cross-head, 45 mm', 'screw, cross-head, 30 mm']);
  });

  it('pull pins straight and never lever them', () => {
    expect(undoWords({ kind: 'guide-pin', count: 2, pull: 'rearwards' })).toBe(
      '2 guide pins: pull straight rearwards, do not lever.',
    );
    expect(undoWords({ kind: 'clip', count: 1, edge: 'rear', pull: 'outwards' })).toBe(
      '1 clip at the rear edge: pry from there with plastic, pull outwards.',
    );
  });
});

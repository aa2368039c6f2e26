import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import { switchWords } from '../words/switches.ts';
import { coloursFor, functionsOf, neverByDefault, switchesFor } from './lampWork.ts';

const van = demoJob('library-route-1').vehicle;
const minibus = demoJob('dial-a-ride-2').vehicle;
const trailer = demoJob('exhibition-trailer').vehicle;
const moped = demoJob('courier-moped-7').vehicle;

describe('what a lamp does', () => {
  it.each([
    [van, 'front-left', 'turn'],
    [van, 'stop-tail-left', 'stop, tail or position'],
    [minibus, 'stop-tail-left', 'stop and tail'],
    [trailer, 'upper-left', 'turn and stop, tail or position'],
    [moped, 'pilot', 'turn pilot'],
  ] as const)('%#: is said by its circuits, the bright filament first', (vehicle, lamp, words) => {
    expect(functionsOf(vehicle, lamp)).toBe(words);
  });

  it('is seen by switching that on', () => {
    const how = (id: string) => switchWords(switchesFor(van, lampById(van, id)));
    expect(how('front-right')).toBe('key on, right turn');
    expect(how('stop-tail-left')).toBe('brake; lights on');
    expect(how('reverse')).toBe('key on, reverse');
  });

  it('asks for its colour: amber to turn, red behind, white to see by', () => {
    const first = (vehicle: typeof van, id: string) => coloursFor(vehicle, lampById(vehicle, id))[0];
    expect(first(van, 'rear-left')).toBe('amber');
    expect(first(van, 'third-brake')).toBe('red');
    expect(first(van, 'position-left')).toBe('white');
    expect(first(van, 'reverse')).toBe('white');
    expect(first(trailer, 'upper-left')).toBe('red');
    expect(first(trailer, 'marker-front-left')).toBe('amber');
    expect(first(trailer, 'marker-rear-left')).toBe('red');
  });

  it('warns off lamps whose current has another use', () => {
    expect(neverByDefault(van, 'charge-lamp')).toBe(true);
    expect(neverByDefault(van, 'stop-tail-left')).toBe(false);
  });
});

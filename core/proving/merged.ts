import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { Layered } from './layered.ts';
import type { Outcome } from './outcome.ts';

/** Lamps of some circuits, with the pilot where both of its sides are among them. */
export function lampsTouched(vehicle: Vehicle, circuitIds: readonly string[]): ReadonlySet<string> {
  const ids = new Set(circuitIds);
  const lamps = new Set(vehicle.circuits.filter(({ id }) => ids.has(id)).flatMap(lampIdsOf));
  if (vehicle.pilot && turnCircuits(vehicle).every(({ id }) => ids.has(id))) lamps.add(vehicle.pilot.lampId);
  return lamps;
}

/**
 * What was played in one cell said of another that differs only in what the faults do not touch.
 *
 * @param touched circuits the faults touch, and `lamps` theirs
 */
export function merged(
  fitted: Outcome,
  faulty: Outcome,
  touched: readonly string[],
  lamps: ReadonlySet<string>,
): Outcome {
  const ids = new Set(touched);
  const over = <V>(of: ReadonlyMap<string, V>, by: ReadonlyMap<string, V>) => {
    const laid = new Layered(of);
    for (const id of lamps) {
      const value = by.get(id);
      if (value === undefined) laid.delete(id);
      else laid.set(id, value);
    }
    return laid;
  };
  const drawn = new Layered(fitted.drawn);
  for (const id of touched) {
    const each = faulty.drawn.get(id);
    if (each) drawn.set(id, each);
  }
  const told = (of: ReadonlySet<string>, by: ReadonlySet<string>) =>
    new Set([...[...of].filter((id) => !ids.has(id)), ...[...by].filter((id) => ids.has(id))]);
  return {
    lumens: over(fitted.lumens, faulty.lumens),
    watts: over(fitted.watts, faulty.watts),
    drawn,
    flashing: faulty.flashing,
    blown: new Set([...fitted.blown, ...faulty.blown]),
    mayBlow: new Set([...fitted.mayBlow, ...faulty.mayBlow]),
    messages: told(fitted.messages, faulty.messages),
    maybe: told(fitted.maybe, faulty.maybe),
    flash: faulty.flash,
    short: faulty.short,
  };
}

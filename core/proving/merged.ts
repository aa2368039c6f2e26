import { circuitsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Outcome } from './outcome.ts';

/** What was played in one cell said of another that differs only in what the faults do not touch. */
export function merged(
  fitted: Outcome,
  faulty: Outcome,
  touched: readonly string[],
  vehicle: Vehicle,
): Outcome {
  const ids = new Set(touched);
  const lamps = new Set(
    vehicle.lamps.flatMap(({ id }) => (circuitsOf(vehicle, id).some((each) => ids.has(each.id)) ? [id] : [])),
  );
  if (vehicle.pilot && turnCircuits(vehicle).every(({ id }) => ids.has(id))) lamps.add(vehicle.pilot.lampId);
  const over = <V>(of: ReadonlyMap<string, V>, by: ReadonlyMap<string, V>) =>
    new Map([...[...of].filter(([id]) => !lamps.has(id)), ...[...by].filter(([id]) => lamps.has(id))]);
  const told = (of: ReadonlySet<string>, by: ReadonlySet<string>) =>
    new Set([...[...of].filter((id) => !ids.has(id)), ...[...by].filter((id) => ids.has(id))]);
  return {
    lumens: over(fitted.lumens, faulty.lumens),
    watts: over(fitted.watts, faulty.watts),
    drawn: new Map([...fitted.drawn, ...faulty.drawn]),
    flashing: faulty.flashing,
    blown: new Set([...fitted.blown, ...faulty.blown]),
    mayBlow: new Set([...fitted.mayBlow, ...faulty.mayBlow]),
    messages: told(fitted.messages, faulty.messages),
    maybe: told(fitted.maybe, faulty.maybe),
    flash: faulty.flash,
    short: faulty.short,
  };
}

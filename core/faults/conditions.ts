import type { Job } from '../model/job.ts';
import { scopeCircuits } from '../model/scope.ts';
import { sensedOn } from '../model/vehicle/brakeSense.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Fitment } from '../simulation/fitment.ts';
import type { FaultFacts } from './kinds.ts';
import { FEW_PLACES, type PossibleFault } from './library.ts';

/** Something that is as it is fitted, and shows by itself: no circuit is changed for it. */
export type Condition = PossibleFault & {
  fault: null;
  /** whether an eye is sure to see it, or may */
  sure: boolean;
  /** what it shows, and under which circuit's switch it is seen */
  shows: readonly { circuitId: string; what: string }[];
};

/** Priors beside those of `FAULT_FACTS`, and common practice like them. */
const FACTS = {
  pulsed: {
    prior: 5,
    minutes: [2, 6],
    look: 'Look through a camera while it is on: does the flicker stay with another LED?',
    cure: 'A decoder with its capacitor where Cure says one works; else an LED that smooths itself, or the flicker is accepted.',
  },
  unlooked: {
    prior: 1.5,
    minutes: [2, 6],
    look: 'Look through a camera while it is on, or measure its feed: pulses, or plain volts?',
    cure: 'If it is pulsed: a decoder with its capacitor where Cure says one works; else an LED that smooths itself.',
  },
  tested: {
    prior: 4,
    minutes: [1, 3],
    look: 'Key on, lamps off, dark: does it twitch every second or so?',
    cure: 'A load across the lamp swallows the test pulses; or the outputs are set to LED.',
  },
  sensed: {
    prior: 5,
    minutes: [3, 10],
    look: 'Volts on the stop wire, lamps out, key on, pedal up: over 2 V says a unit reads it.',
    cure: 'One filament left in, or a bleed resistor from the stop wire to earth. A dead filament in the third brake lamp does the same.',
  },
  excite: {
    prior: 5,
    minutes: [2, 6],
    look: 'Engine on, a little above idle: does it charge (over 13 V at the battery)?',
    cure: 'Put the filament bulb back, or a resistor across the LED that carries the current the alternator needs.',
  },
  sweep: {
    prior: 3,
    minutes: [1, 3],
    look: 'Count the flashes: does it go dark before its last segment is lit?',
    cure: 'Slow the flasher down to 60 to 90 a minute, or fit an LED that lights at once.',
  },
  wet: {
    prior: 3,
    minutes: [2, 6],
    look: 'Water or mist inside the lens, white or green on the contacts.',
    cure: 'Dry it, renew seal, grommet or dust cover, grease the contacts.',
  },
} satisfies Record<string, FaultFacts>;

export type ConditionKind = keyof typeof FACTS;

export const CONDITION_KIND_WORDS: Record<ConditionKind, string> = {
  pulsed: 'a pulsed feed the LED follows',
  unlooked: 'a feed that may be pulsed, nobody has looked',
  tested: 'test pulses in the dark',
  sensed: 'a stop wire that is read',
  excite: 'a charge lamp converted',
  sweep: 'a flash too fast for the sweep',
  wet: 'a broken seal',
};

/** Which kind a condition is, by its id; null for a fault that is put into the circuit. */
export function conditionKind({ fault, id }: PossibleFault): ConditionKind | null {
  const kind = id.split(':')[0] as ConditionKind;
  return fault === null && kind in FACTS ? kind : null;
}

/**
 * What shows by itself on a job's vehicle as it is fitted: pulses that an LED follows, tests in the dark, a stop wire that
 * is or may be read, a charge lamp that is an LED, a sweep, and water (from a small table: no circuit tells of it).
 */
export function conditionsOf(job: Job, { contents, flasher }: Fitment): Condition[] {
  const { vehicle } = job;
  const found: Condition[] = [];
  const name = (id: string) => lampById(vehicle, id).name;
  const add = (
    kind: keyof typeof FACTS,
    where: string,
    words: string,
    openingId: string | null,
    shows: Condition['shows'],
  ) =>
    found.push({
      sure: kind === 'pulsed',
      id: `${kind}:${where}`,
      fault: null,
      facts: FACTS[kind],
      name: words,
      prior: 0,
      openingId,
      shows,
    });
  const wet = new Map<string, Condition['shows'][number][]>();
  for (const circuit of scopeCircuits(job)) {
    const { id: circuitId, kind } = circuit;
    const output =
      flasher.kind === 'controller'
        ? flasher.outputs.find((each) => each.circuitId === circuitId)
        : undefined;
    const ledIds = lampIdsOf(circuit).filter((id) => contents.get(id)?.kind === 'led');
    for (const id of lampIdsOf(circuit)) {
      const shown = wet.get(id) ?? [];
      shown.push({ circuitId, what: `${id} wet` });
      wet.set(id, shown);
    }
    for (const id of ledIds) {
      const opening = lampById(vehicle, id).access.group;
      const content = contents.get(id);
      if (output && !output.notPulsed)
        add(
          'pulsed',
          `${circuitId}:${id}`,
          `${name(id)}: its feed ${output.pwm ? 'is' : 'may be'} pulsed, and the LED follows`,
          opening,
          [{ circuitId, what: `${id} flickers` }],
        );
      if (output?.coldCheck)
        add(
          'tested',
          `${circuitId}:${id}`,
          `${name(id)}: tested in the dark, and the LED shows it`,
          opening,
          [{ circuitId: '', what: `${id} flickers` }],
        );
      if (kind === 'turn' && content?.kind === 'led' && content.part.sweep)
        add('sweep', id, `${name(id)}: its sweep is cut short`, opening, [
          { circuitId, what: `${id} unfinished` },
        ]);
    }
    if (ledIds.length > 0 && sensedOn(vehicle, circuit))
      add('sensed', circuitId, `${circuit.name}: a unit reads this wire and misses its filament`, null, [
        { circuitId, what: `odd ${circuitId}` },
      ]);
    if (circuit.excite)
      add('excite', circuitId, `${circuit.name}: too little current to start the alternator`, null, [
        { circuitId, what: `odd ${circuitId}` },
      ]);
  }
  for (const [id, shows] of wet)
    add('wet', id, `${name(id)}: water gets in`, lampById(vehicle, id).access.group, shows);
  const places = new Map<FaultFacts, number>();
  for (const { facts } of found) places.set(facts, (places.get(facts) ?? 0) + 1);
  return found.map((each) => {
    // What is known to pulse does so at every lamp of it: that is not shared.
    const shared = each.sure ? FEW_PLACES : Math.max(FEW_PLACES, places.get(each.facts) ?? 1);
    return { ...each, prior: each.facts.prior / shared };
  });
}

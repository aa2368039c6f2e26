import { newJob } from '../../core/model/newJob.ts';
import type { Connector } from '../../core/model/vehicle/connector.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { connectorsOf } from '../../core/wiring/connectors.ts';
import { type Read, readingOf } from '../../core/wiring/pinFinder/agreement.ts';
import {
  type Expected,
  type ExpectedReadings,
  expectedReadings,
  type PinTestAt,
} from '../../core/wiring/pinFinder/expected.ts';
import { type CavityReading, PinFinder, type PinFinding } from '../../core/wiring/pinFinder/finder.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

/** Numbers between 0 and 1, the same for the same seed (mulberry32). */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** A plug of a simulated vehicle of which only whoever measures it learns which cavity is for what. */
export interface HiddenPlug {
  vehicle: Vehicle;
  connector: Connector;
  readings: ExpectedReadings;
  finder: PinFinder;
}

/** Every plug of a vehicle, as the finder comes to it: cavities and nothing known. */
export function plugsOf(vehicle: Vehicle): HiddenPlug[] {
  const job = newJob('hidden', 'hidden', vehicle, '2026-01-01T00:00:00.000Z');
  return connectorsOf(vehicle).map(({ connector }) => {
    const blank = { ...connector, cavities: connector.cavities.map(({ id }) => ({ id })) };
    const spare: Connector = { ...blank, cavities: [...blank.cavities, { id: 'spare' }] };
    const readings = expectedReadings(job, DEMO_SHELF, spare);
    return { vehicle, connector: spare, readings, finder: new PinFinder(vehicle, spare, readings) };
  });
}

export interface Measured {
  readings: number;
  right: boolean;
  finding: PinFinding;
}

/**
 * Measures a plug until its map is settled, or so many readings are spent.
 *
 * @param falseShare of readings, which show what another cavity or nothing would
 * @param pick whether the next reading is the one advised or any
 */
export function measure(
  plug: HiddenPlug,
  random: () => number,
  falseShare: number,
  pick: 'advised' | 'random',
  most = 400,
): Measured {
  const { connector, readings, finder } = plug;
  const truth = shuffled(
    [...readings.functions.keys()].filter((at) => readings.functions[at]?.id !== 'nothing'),
    random,
  );
  const nothing = readings.functions.findIndex(({ id }) => id === 'nothing');
  // A wire that branches behind the plug may come in twice: then no cavity is spare.
  const twice = truth.filter((at) => (readings.functions[at]?.most ?? 1) > 1 && random() < 0.4)[0];
  const places = connector.cavities.map((_, at) => truth[at] ?? twice ?? nothing);
  const mixed = shuffled(places, random);
  const supply = 0.95 + 0.12 * random();
  const taken: CavityReading[] = [];
  let standing: PinTestAt | null = null;
  let finding = finder.find([]);
  while (taken.length < most) {
    const next =
      pick === 'advised' ? finding.next : finding.next && anyReading(connector, readings.tests, random);
    if (!next) break;
    const test = readings.tests.findIndex(
      ({ circuitId, how }) => circuitId === next.circuitId && how === next.how,
    );
    const cavity = connector.cavities.findIndex(({ id }) => id === next.cavity);
    const slipped = random() < falseShare;
    const place = slipped ? Math.floor(random() * readings.functions.length) : (mixed[cavity] ?? nothing);
    const read = noisy(readings.table[test]?.[place] ?? null, supply, random);
    taken.push({ cavity: next.cavity, circuitId: next.circuitId, how: next.how, ...read });
    standing = { circuitId: next.circuitId, how: next.how };
    finding = finder.find(taken, standing);
  }
  const right = finding.cavities.every(({ likely }, at) =>
    likely[0]?.group.functions.some((each) => each === readings.functions[mixed[at] ?? nothing]),
  );
  return { readings: taken.length, right, finding };
}

function anyReading(connector: Connector, tests: readonly PinTestAt[], random: () => number) {
  const usable = tests.filter(({ how }) => how !== 'probe');
  const test = usable[Math.floor(random() * usable.length)] ?? { circuitId: null, how: 'volts' as const };
  const cavity = connector.cavities[Math.floor(random() * connector.cavities.length)]?.id ?? '';
  return { ...test, cavity };
}

/** What a meter shows of it: a supply a little off, a last digit that wanders, leads with ohms of their own. */
function noisy(expected: Expected, supply: number, random: () => number): Read {
  const any = { value: 12 * random(), unit: 'V' as const, uncertainty: null };
  const read: Read = readingOf(expected) ?? { seen: 'steady', quantity: any };
  const { quantity } = read;
  const wander = 1 + 0.02 * (random() - 0.5);
  if (quantity?.unit === 'V')
    return {
      ...read,
      quantity: { ...quantity, value: quantity.value * supply * wander + 0.04 * (random() - 0.5) },
    };
  if (quantity)
    return {
      ...read,
      quantity: { ...quantity, value: Math.max(0, quantity.value * wander + 0.15 * random()) },
    };
  return read;
}

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const mixed = [...list];
  for (let at = mixed.length - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [mixed[at], mixed[other]] = [mixed[other] as T, mixed[at] as T];
  }
  return mixed;
}

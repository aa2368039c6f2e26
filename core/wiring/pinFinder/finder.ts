import { bestTest, type TestChoice } from '../../evidence/nextTest.ts';
import type { PinReading } from '../../model/evidence.ts';
import type { CavityUse, Connector, ProofMethod } from '../../model/vehicle/connector.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { type ColourHint, colourHint } from '../colourHints.ts';
import { idOfUse, type PlugFunction } from '../connectors.ts';
import { isProved } from '../feedProof.ts';
import { agreement, FALSE_SHARE, type Read, readWords } from './agreement.ts';
import type { Expected, ExpectedReadings, PinTestAt } from './expected.ts';
import { type JointMap, jointMap, type Placed } from './joint.ts';
import { alike, outcomesOf } from './outcomes.ts';

/** A reading at one cavity, as far as the finder goes. */
export type CavityReading = Pick<PinReading, 'cavity' | 'circuitId' | 'how'> & Read;

/** Functions that no reading tells apart: one answer for all of them. */
export interface FunctionGroup {
  functions: readonly PlugFunction[];
  name: string;
}

export interface CavityFinding {
  cavity: string;
  /** what it may be for, the likeliest first, with shares that add up to 1 */
  likely: readonly { group: FunctionGroup; share: number }[];
  /** shown by readings at this very cavity, colour left out */
  proved: boolean;
  by: ProofMethod | null;
  readings: number;
  /** what its colour hints at, in words */
  hint: string | null;
}

export interface NextReading extends PinTestAt {
  cavity: string;
  minutes: number;
  /** a reading that was taken already and does not fit the rest */
  again: boolean;
}

export interface PinFinding {
  cavities: readonly CavityFinding[];
  /** how likely the whole map is as it stands, 0 to 1 */
  certainty: number;
  /** every cavity proved */
  complete: boolean;
  /** readings that cannot be, or do not go together, in words */
  contradictions: readonly string[];
  next: NextReading | null;
}

/** What the installer has switched on and set now: another switch is a walk, another range a turn of the dial. */
export interface Standing {
  circuitId: string | null;
  how: PinTestAt['how'];
}

/** From here a map is taken as settled. */
const SURE = 0.98;
/** From here a cavity counts as proved by its readings. */
const PROVED = 0.95;
/** A wire that was proved before weighs so much more than any other (judgement; once in a hundred it was another plug). */
const KNOWN_BEFORE = 100;
/** A reading that agrees with nothing so well cannot be. */
const IMPOSSIBLE = 0.05;
/** A probe needs an earth to go back by: this sure of one. */
const EARTH_KNOWN = 0.9;
/** Weights of plugs that are built otherwise (judgement): a second cavity of one wire, earth twice, a wire that is not there. */
const AGAIN = 0.25;
const MISSING = 0.02;
const BLANK = 0.25;
/** Minutes of one reading, of another range, of bulbs out and in, of the plug off and a probe on, of another switch by foot (typical). */
const READING = 0.3;
const OTHER_RANGE = 0.2;
const BULBS_OUT = 1;
const PLUG_OFF = 1.2;
const OTHER_SWITCH = 0.7;

/** Finds which cavity of one plug is for what, from readings in any order, and which reading tells most next. */
export class PinFinder {
  readonly groups: readonly FunctionGroup[];
  /** by group, what each test would show */
  private readonly expected: readonly (readonly Expected[])[];
  /** by test and group, the outcomes with their shares */
  private readonly shown: readonly (readonly ReadonlyMap<string, number>[])[];
  private readonly placed: readonly Placed[];
  private readonly earth: number;

  constructor(
    private readonly vehicle: Vehicle,
    private readonly connector: Connector,
    private readonly readings: ExpectedReadings,
  ) {
    const { functions, tests, table } = readings;
    const rows: number[][] = [];
    functions.forEach((_, place) => {
      const same = rows.find(([first = 0]) =>
        tests.every((_, test) => alike(table[test]?.[first] ?? null, table[test]?.[place] ?? null)),
      );
      if (same) same.push(place);
      else rows.push([place]);
    });
    this.groups = rows.map((places) => groupOf(places.flatMap((place) => functions[place] ?? [])));
    this.expected = rows.map((places) => tests.map((_, test) => table[test]?.[places[0] ?? 0] ?? null));
    this.shown = tests.map((_, test) => outcomesOf(this.expected.map((row) => row[test] ?? null)));
    this.placed = this.groups.map(({ functions: each }) => {
      const most = each.reduce((sum, one) => sum + one.most, 0);
      return { most, again: Number.isFinite(most) ? AGAIN : BLANK, missing: MISSING };
    });
    this.earth = this.groups.findIndex(({ functions: each }) => each.some(({ use }) => use.does === 'earth'));
  }

  /**
   * What the readings say of every cavity together, what does not fit, and the reading that would tell most per minute.
   *
   * @param standing what is switched on and set now
   */
  find(readings: readonly CavityReading[], standing: Standing | null = null): PinFinding {
    const hints = this.connector.cavities.map(({ colour }) => colourHint(this.vehicle.region, colour));
    const byCavity = this.connector.cavities.map(({ id }) => readings.filter(({ cavity }) => cavity === id));
    const read = byCavity.map((own, at) =>
      this.groups.map((_, group) =>
        own.length > 0 ? this.weightOf(own, group) : this.knownWeight(at, group),
      ),
    );
    const seen = jointMap(read, this.placed);
    const all = jointMap(
      read.map((row, at) => row.map((weight, group) => weight * this.hintWeight(hints[at] ?? null, group))),
      this.placed,
    );
    const cavities = this.connector.cavities.map(({ id, provedBy }, at): CavityFinding => {
      const shares = all.marginals[at] ?? [];
      const best = all.likeliest[at] ?? 0;
      const telling = (byCavity[at] ?? []).filter((each) => this.agrees(each, best) > 1);
      const before = byCavity[at]?.length === 0 && this.knownWeight(at, best) > 1 ? provedBy : undefined;
      return {
        cavity: id,
        likely: this.groups
          .map((group, place) => ({ group, share: shares[place] ?? 0 }))
          .toSorted((a, b) => b.share - a.share),
        proved: (telling.length > 0 || before !== undefined) && (seen.marginals[at]?.[best] ?? 0) >= PROVED,
        by:
          before ??
          (telling.length === 0 ? null : telling.every(({ how }) => how === 'probe') ? 'probe' : 'meter'),
        readings: byCavity[at]?.length ?? 0,
        hint: hints[at]?.words ?? null,
      };
    });
    const complete = cavities.every(({ proved }) => proved);
    const settled = complete && all.probability >= SURE;
    const doubted = this.doubted(readings, all);
    return {
      cavities,
      certainty: all.probability,
      complete,
      contradictions: [...this.contradictions(readings, all, settled), ...this.againstSheet(byCavity, all)],
      next: settled ? null : this.next(all, byCavity, doubted, standing),
    };
  }

  /** What every group of functions would show in a test, in the order of the groups. */
  expectedAt(test: PinTestAt): readonly Expected[] {
    const at = this.testAt(test);
    return this.expected.map((row) => row[at] ?? null);
  }

  private testAt({ circuitId, how }: PinTestAt): number {
    return this.readings.tests.findIndex((test) => test.circuitId === circuitId && test.how === how);
  }

  /** How well a reading goes with one group; 1, which tells nothing, of a test this plug does not have. */
  private agrees(reading: CavityReading, group: number): number {
    const at = this.testAt(reading);
    return at < 0 ? 1 : agreement(this.expected[group]?.[at] ?? null, reading);
  }

  private weightOf(own: readonly CavityReading[], group: number): number {
    return own.reduce(
      (weight, reading) => weight * ((1 - FALSE_SHARE) * this.agrees(reading, group) + FALSE_SHARE),
      1,
    );
  }

  /** What the sheet says already: a cavity that was proved counts for what it was proved to be until it is read again. */
  private knownWeight(at: number, group: number): number {
    const cavity = this.connector.cavities[at];
    if (!cavity?.use || !isProved(cavity)) return 1;
    const known = idOfUse(cavity.use);
    return this.groups[group]?.functions.some(({ use }) => idOfUse(use) === known) ? KNOWN_BEFORE : 1;
  }

  private hintWeight(hint: ColourHint | null, group: number): number {
    if (!hint) return 1;
    return this.groups[group]?.functions.some(({ use }) => hint.fits(use, this.vehicle)) ? hint.weight : 1;
  }

  private doubted(readings: readonly CavityReading[], { likeliest }: JointMap): CavityReading[] {
    const place = new Map(this.connector.cavities.map(({ id }, at) => [id, likeliest[at] ?? 0]));
    return readings.filter((each) => this.agrees(each, place.get(each.cavity) ?? 0) < IMPOSSIBLE);
  }

  private contradictions(readings: readonly CavityReading[], map: JointMap, settled: boolean): string[] {
    const said = this.doubted(readings, map).map((reading) => {
      const none = this.groups.every((_, group) => this.agrees(reading, group) < IMPOSSIBLE);
      const at = `Cavity ${reading.cavity}, ${this.switched(reading)}: ${readWords(reading, this.vehicle)}`;
      return none
        ? `${at} is what no wire of this plug gives. Measure it again; if it stays so, the plug is another than it is taken for, or something is wrong with the circuit.`
        : `${at} does not go with what else was read. One of them is false: measure it again.`;
    });
    if (settled)
      this.groups.forEach((group, place) => {
        if (group.functions.some(({ use }) => use.does !== 'nothing') && !map.likeliest.includes(place))
          said.push(
            `No cavity of this plug is for ${group.name}: that wire comes another way, is broken, or was not switched on.`,
          );
      });
    return said;
  }

  /** Cavities whose readings cannot be of what the wiring sheet says they are for. */
  private againstSheet(byCavity: readonly (readonly CavityReading[])[], { likeliest }: JointMap): string[] {
    return this.connector.cavities.flatMap(({ id, use }, at) => {
      if (!use) return [];
      const said = this.groups.findIndex(({ functions }) =>
        functions.some((each) => idOfUse(each.use) === idOfUse(use)),
      );
      const found = likeliest[at] ?? said;
      const against = (byCavity[at] ?? []).filter((each) => this.agrees(each, said) < IMPOSSIBLE);
      if (said < 0 || found === said || against.length === 0) return [];
      return [
        `The sheet has cavity ${id} for ${this.groups[said]?.name}; what was read there is ${this.groups[found]?.name}. Measure it once more, and write what was measured into the sheet.`,
      ];
    });
  }

  private switched({ circuitId, how }: PinTestAt): string {
    const circuit = this.vehicle.circuits.find(({ id }) => id === circuitId);
    return circuit ? `${circuit.name.toLowerCase()} on` : how === 'probe' ? 'loose lamp' : 'everything off';
  }

  private next(
    { marginals }: JointMap,
    byCavity: readonly (readonly CavityReading[])[],
    doubted: readonly CavityReading[],
    standing: Standing | null,
  ): NextReading | null {
    const earthKnown = marginals.findIndex((row) => (row[this.earth] ?? 0) >= EARTH_KNOWN);
    let best: { reading: NextReading; worth: number } | null = null;
    this.connector.cavities.forEach(({ id }, at) => {
      const row = marginals[at] ?? [];
      const possible = row.map((weight, group) => ({ is: group, weight, follows: String(group) }));
      const tests = this.readings.tests
        .map((test, place) => ({ test, place }))
        .filter(({ test }) => test.how !== 'probe' || (earthKnown >= 0 && earthKnown !== at))
        .map(({ test, place }) => this.choice(test, place, standing));
      const found = bestTest(tests, possible, 0);
      if (!found) return;
      // What was never measured itself is measured, however sure the rest makes it.
      const unread = byCavity[at]?.length === 0 && row.every((_, group) => this.knownWeight(at, group) <= 1);
      const told = Math.max(found.told, unread ? 1e-6 : 0);
      const worth = told / found.test.minutes;
      if (best && best.worth >= worth) return;
      const { test } = found.test;
      const again = doubted.some((each) => each.cavity === id && each.how === test.how);
      best = { reading: { ...test, cavity: id, minutes: found.test.minutes, again }, worth };
    });
    return (best as { reading: NextReading } | null)?.reading ?? null;
  }

  private choice(
    test: PinTestAt,
    place: number,
    standing: Standing | null,
  ): TestChoice<number> & { test: PinTestAt } {
    const shown = this.shown[place] ?? [];
    const minutes =
      READING +
      (standing && standing.circuitId !== test.circuitId ? OTHER_SWITCH : 0) +
      (standing && standing.how !== test.how ? OTHER_RANGE : 0) +
      (test.how === 'ohms-out' && standing?.how !== 'ohms-out' ? BULBS_OUT : 0) +
      (test.how === 'probe' && standing?.how !== 'probe' ? PLUG_OFF : 0);
    return { test, minutes, shows: (group) => shown[group] ?? new Map() };
  }
}

function groupOf(functions: readonly PlugFunction[]): FunctionGroup {
  const names = [...new Set(functions.map(({ name }) => name))];
  return { functions, name: names.join(' or ') };
}

/** What a group of functions is for, where all of it is the same; undefined where it is one or the other. */
export function groupUse({ functions }: FunctionGroup): CavityUse | undefined {
  return functions.length === 1 ? functions[0]?.use : undefined;
}

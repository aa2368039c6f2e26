import fc from 'fast-check';
import { expect, it } from 'vitest';
import { jobFileOf, readJobFile, writeJobFile } from '../../core/formats/jobFile.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const RUNS = Number(process.env.VUMBLE_FUZZ ?? 250);
type Holder = Record<string, unknown>;

/** Every place of a value, by the keys that lead there. */
function placesOf(value: unknown, path: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [path];
  return [path, ...Object.entries(value).flatMap(([key, each]) => placesOf(each, [...path, key]))];
}

/** What a stranger may have put in the place of something. */
const strange = fc.oneof(
  fc.constantFrom(null, true, [], {}, -1, 0, 1e12, 0.5, '', 'x', 'x'.repeat(5000), '<b>'),
  fc.jsonValue({ maxDepth: 2 }),
);

it('a job file with anything in it put wrong is read, or refused in whole sentences that say where, and never breaks', () => {
  const files = demoJobs().map((job) => writeJobFile(jobFileOf(job, DEMO_SHELF, '2026-11-30T10:00:00.000Z')));
  const places = files.map((text) => placesOf(JSON.parse(text)).filter((path) => path.length > 0));
  const pick = fc.record({
    file: fc.nat(files.length - 1),
    at: fc.nat(),
    act: fc.constantFrom('put', 'remove', 'add', 'twice'),
    value: strange,
  });
  let refused = 0;
  fc.assert(
    fc.property(pick, ({ file, at, act, value }) => {
      const text = files[file] ?? '';
      const path = places[file]?.[at % (places[file]?.length ?? 1)] ?? [];
      const data = JSON.parse(text) as Holder;
      const holder = path.slice(0, -1).reduce<Holder>((within, key) => within[key] as Holder, data);
      const key = path.at(-1) ?? '';
      if (act === 'remove') delete holder[key];
      else if (act === 'add') holder[`${key} too`] = value;
      else if (act === 'twice' && Array.isArray(holder)) holder.push(holder[Number(key)]);
      else holder[key] = value;
      const read = readJobFile(JSON.stringify(data));
      if (read.ok) return;
      refused += 1;
      expect(read.problems.length).toBeGreaterThan(0);
      for (const problem of read.problems) {
        expect(problem.length).toBeLessThan(700);
        // It begins with where, or as a sentence does, and it ends as one.
        expect(problem).toMatch(/^([A-Z]|(job|parts|vehicle|exportedAt|format|version)\b)/);
        expect(problem).toMatch(/[.!?]$/);
      }
    }),
    { numRuns: RUNS, seed: 26 },
  );
  expect(refused).toBeGreaterThan(RUNS / 3);
}, 600_000);

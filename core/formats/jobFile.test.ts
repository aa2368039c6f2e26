import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { Judge } from '../judge/judge.ts';
import type { Job } from '../model/job.ts';
import { ratesOf } from '../model/seen.ts';
import {
  JOB_FILE_MAX_BYTES,
  JOB_FILE_VERSION,
  type JobFile,
  jobFileOf,
  readJobFile,
  writeJobFile,
} from './jobFile.ts';

const finished = demoJobs()[2] as Job;
const file = jobFileOf(finished, DEMO_SHELF, '2026-11-25T10:00:00.000Z');

/** The problems of a file changed by hand. */
function problemsOf(change: (draft: JobFile) => unknown): string {
  const draft = structuredClone(file);
  const result = readJobFile(JSON.stringify(change(draft) ?? draft));
  return result.ok ? 'none' : result.problems.join('\n');
}

describe('job files', () => {
  it('come back as they were written, every demo job', () => {
    for (const job of demoJobs()) {
      const written = jobFileOf(job, DEMO_SHELF, '2026-11-25T10:00:00.000Z');
      expect(readJobFile(writeJobFile(written))).toEqual({ ok: true, file: written });
    }
  });

  it('are read in their first version too: the same verdict from the same vehicle', () => {
    const text = readFileSync(
      new URL('../../tests/fixtures/job-version-1.vumble.json', import.meta.url),
      'utf8',
    );
    const result = readJobFile(text);
    if (!result.ok) throw new Error(result.problems.join());
    const { job, parts } = result.file;
    expect(result.file.version).toBe(JOB_FILE_VERSION);
    const verdict = Judge.of(job, parts, 'cured').verdict();
    const today = Judge.of(finished, DEMO_SHELF, 'cured').verdict();
    expect(verdict.circuits[0]?.worst.amps.nominal).toBeCloseTo(
      today.circuits[0]?.worst.amps.nominal ?? 0,
      6,
    );
    expect(verdict.state).toBe('holds');
  });

  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17])(
    'of version %i are read, judged and written again: a frozen one of each',
    (version) => {
      const text = readFileSync(
        new URL(`../../tests/fixtures/job-version-${version}.vumble.json`, import.meta.url),
        'utf8',
      );
      expect(JSON.parse(text)).toMatchObject({ version });
      const result = readJobFile(text);
      if (!result.ok) throw new Error(result.problems.join());
      const { job, parts } = result.file;
      expect(result.file.version).toBe(JOB_FILE_VERSION);
      for (const configuration of ['stock', 'leds', 'cured'] as const) {
        const judge = Judge.of(job, parts, configuration);
        for (const circuit of job.vehicle.circuits)
          expect(Number.isFinite(judge.circuit(circuit).amps), `${configuration} ${circuit.id}`).toBe(true);
      }
      expect(Judge.of(job, parts, 'stock').verdict().state).toBe('holds');
      // What an older file could not say is not known: it is left out, not filled in.
      if (version < 4) for (const circuit of job.vehicle.circuits) expect(circuit.watched).toBeUndefined();
      // What it converts it could not say before either: what it had LEDs for.
      if (version < 7) expect(job.scope?.lampIds.every((id) => job.chosen[id])).not.toBe(false);
      for (const seen of ratesOf(job)) expect(seen.on).toMatchObject({ lights: false });
      expect(job.evidence.length).toBeGreaterThan(0);
      // What it took for granted is open now, and remembered until it was read.
      const { flasher, facts } = job.vehicle;
      const drives = version < 12 && flasher.kind === 'controller';
      expect(job.reopened !== undefined).toBe(version < 8 || drives);
      const may = drives || (version < 12 && facts?.flashers?.includes('controller') === true);
      if (version < 12) expect(facts?.turnOutputs !== undefined).toBe(may);
      const again = readJobFile(writeJobFile(jobFileOf(job, parts, '2026-11-26T10:00:00.000Z')));
      expect(again).toMatchObject({ ok: true, file: { job } });
    },
  );

  it('of a newer version are refused with what to do', () => {
    const newer = (draft: JobFile) => ({ ...draft, version: JOB_FILE_VERSION + 1 });
    expect(problemsOf(newer)).toMatch(/version 18; this Vumble reads versions 1 to 17. Update/);
  });

  it('of the first version that are broken are refused by name, not upgraded into nonsense', () => {
    for (const job of [
      {},
      { vehicle: {} },
      { vehicle: { supply: {} } },
      { vehicle: { supply: { fuse: 1 } } },
    ]) {
      const result = readJobFile(JSON.stringify({ ...file, version: 1, job }));
      expect(result.ok).toBe(false);
    }
  });

  it.each<[string, (draft: JobFile) => unknown, RegExp]>([
    [
      'a circuit on a fuse that is not there',
      (draft) => draft.job.vehicle.circuits.forEach((each) => (each.from = { by: 'switch', fuseId: 'none' })),
      /fuse "none"/,
    ],
    [
      'an output without a controller',
      (draft) => draft.job.vehicle.circuits.forEach((each) => (each.from = { by: 'output' })),
      /no controller has one/,
    ],
    ['a pilot that is no lamp', (draft) => void (draft.job.vehicle.pilot = { lampId: 'none' }), /"none"/],
    ['no turn circuit', (draft) => draft.job.vehicle.circuits.splice(0, 2), /no turn circuit/],
    [
      'a cure with a part nobody has',
      (draft) => draft.job.vehicleCures.push({ kind: 'decoder', lampId: 'rear-left', partId: 'gone' }),
      /part "gone"/,
    ],
    [
      'an earth point nobody has',
      (draft) => draft.job.vehicle.lamps.forEach((lamp) => (lamp.earthPoint = 'moon')),
      /earth point "moon"/,
    ],
  ])('refuse %s', (_, change, reason) => {
    expect(problemsOf((draft) => void change(draft))).toMatch(reason);
  });

  it('carry only the LEDs they chose', () => {
    expect(
      file.parts
        .filter((part) => part.kind === 'led')
        .map((part) => part.id)
        .toSorted(),
    ).toEqual(['led-tern-06', 'led-tern-3a', 'led-tern-3y']);
  });

  it('are valid by the published JSON Schema, and a broken one is not', () => {
    const schema = JSON.parse(
      readFileSync(new URL('../../docs/formats/vumble-job.schema.json', import.meta.url), 'utf8'),
    );
    const ajv = new Ajv({ strict: false, validateFormats: false });
    const validate = ajv.compile(schema);
    expect(validate(JSON.parse(writeJobFile(file)))).toBe(true);
    expect(validate({ ...file, job: { ...file.job, title: 7 } })).toBe(false);
  });

  it.each([
    ['not JSON', 'hello', /not JSON/],
    ['another program’s JSON', '{"cells":[]}', /not a Vumble job/],
    ['a list', '[]', /not a Vumble job/],
    [
      'a version between two',
      JSON.stringify({ ...file, version: 9.5 }),
      /9\.5, which is no whole number\. Export it again/,
    ],
    [
      'two observations of one id',
      JSON.stringify({
        ...file,
        job: { ...file.job, evidence: [...file.job.evidence, file.job.evidence[0]] },
      }),
      /more than one observation/,
    ],
    ['a newer version', JSON.stringify({ ...file, version: 18 }), /version 18/],
    ['too large', ' '.repeat(JOB_FILE_MAX_BYTES + 1), /larger than 8 MB/],
    ['nested past reason', `${'['.repeat(5000)}${']'.repeat(5000)}`, /nested too deeply/],
  ])('refuses %s with the reason', (_, text, reason) => {
    const result = readJobFile(text);
    expect(result.ok).toBe(false);
    expect(result.ok ? '' : result.problems.join()).toMatch(reason);
  });

  it('says where a value is wrong', () => {
    expect(problemsOf((draft) => void ((draft.job.vehicle.fuses[0] ?? never()).ratedAmps = -3))).toContain(
      'job.vehicle.fuses.0.ratedAmps',
    );
    expect(problemsOf((draft) => ({ ...draft, extra: 1 }))).toContain('extra');
    expect(
      problemsOf((draft) => JSON.parse(`${JSON.stringify(draft).slice(0, -1)},"__proto__":{"x":1}}`)),
    ).toMatch(/__proto__|none/);
  });

  it.each<[string, (draft: JobFile) => unknown, RegExp]>([
    ['an unknown bulb', (draft) => void (draft.job.identified['rear-left'] = 'P99W'), /"P99W".*catalogue/],
    ['an unknown lamp', (draft) => void (draft.job.chosen.nowhere = null), /lamp "nowhere"/],
    [
      'an LED that is not enclosed',
      (draft) => void (draft.job.chosen['rear-left'] = 'led-none'),
      /LED "led-none"/,
    ],
    ['a cure of an unknown circuit', (draft) => void (draft.job.cures.horn = null), /circuit "horn"/],
    [
      'two lamps of one name',
      (draft) => void draft.job.vehicle.lamps.push(structuredClone(draft.job.vehicle.lamps[0] ?? never())),
      /more than one lamp/,
    ],
    [
      'a side without a main lamp',
      (draft) => draft.job.vehicle.lamps.forEach((lamp) => (lamp.role = 'repeater')),
      /no main lamp/,
    ],
    [
      'a relay worked by nothing',
      (draft) => void ((draft.job.vehicle.circuits[0] ?? never()).relay = { by: 'nowhere', coilOhms: 85 }),
      /relay of circuit .* names circuit "nowhere"/,
    ],
    [
      'a kit that is not enclosed',
      (draft) => void (draft.job.kits = [{ partId: 'kit-none', answers: {} }]),
      /"kit-none", which is not among the parts/,
    ],
    [
      'two movements of one id',
      (draft) => {
        const one = {
          id: 'm',
          partId: 'x',
          at: '2026-11-01T08:00:00.000Z',
          kind: 'fitted',
          pieces: 1,
        } as const;
        draft.job.pieces = [one, one];
      },
      /more than one movement/,
    ],
    [
      'access time backwards',
      (draft) => void ((draft.job.vehicle.lamps[0] ?? never()).access.minutes = [9, 1]),
      /runs backwards/,
    ],
    [
      'an LED that cannot be as printed',
      (draft) => draft.parts.forEach((part) => part.kind === 'led' && (part.builtInLoadOhms = 2)),
      /built-in load alone/,
    ],
  ])('refuses %s', (_, change, reason) => {
    expect(problemsOf((draft) => void change(draft))).toMatch(reason);
  });

  it('never throws, whatever text it is given', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.jsonValue().map((value) => JSON.stringify({ ...file, job: value })),
        ),
        (text) => {
          expect(readJobFile(text).ok).toBe(false);
        },
      ),
      { numRuns: 300, seed: 5 },
    );
  });
});

function never(): never {
  throw new Error('the demo vehicle has lamps');
}

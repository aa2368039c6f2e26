import { unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { sealedJob } from '../handoff/mergeJobs.ts';
import { jobFileOf, readJobFile, writeJobFile } from './jobFile.ts';
import { type Pack, readPack, writePack } from './pack.ts';
import { BadZipError, readZip, writeZip } from './zip.ts';

const AT = '2026-11-30T10:00:00.000Z';
const signer = { id: 'rev-1', device: 'desk', at: AT };
const text = (content: string) => new TextEncoder().encode(content);

/** As it is after a file: in the order of the schema. */
function asRead(): Pack {
  const jobs = demoJobs()
    .slice(0, 2)
    .map((job) => {
      const read = readJobFile(writeJobFile(jobFileOf(job, DEMO_SHELF, AT)));
      if (!read.ok) throw new Error(read.problems.join());
      return {
        id: job.id,
        title: job.title,
        updatedAt: AT,
        file: read.file,
        history: sealedJob(read.file.job, null, signer).history,
      };
    });
  return {
    content: 'jobs',
    exportedAt: AT,
    jobs,
    photos: [
      {
        id: 'photo-1',
        jobId: jobs[0]?.id ?? '',
        lampId: null,
        takenAt: AT,
        name: 'rear.jpg',
        type: 'image/jpeg',
        bytes: new Uint8Array([255, 216, 1, 2, 3]),
      },
    ],
    shelf: { parts: [], movements: [], shelves: ['shelf-1'] },
    partHistories: {},
    kept: { 'seen-by': '"Ada"' },
    drawings: [],
  };
}

describe('a pack', () => {
  it('comes back as it was, and the same pack is the same bytes', () => {
    const pack = asRead();
    const bytes = writePack({ ...pack, drawings: [{ name: 'netlists/a.cir', text: '* a' }] });
    const read = readPack(bytes);
    expect(read).toEqual({ ok: true, pack });
    expect(writePack({ ...pack, drawings: [{ name: 'netlists/a.cir', text: '* a' }] })).toEqual(bytes);
  });

  const problems = (bytes: Uint8Array): string => {
    const read = readPack(bytes);
    return read.ok ? 'read' : read.problems.join(' ');
  };
  /** A pack with its files changed by hand. */
  const tampered = (change: (files: Record<string, Uint8Array>) => void) => {
    const files = unzipSync(writePack(asRead()));
    change(files);
    return problems(zipSync(files));
  };

  it('that is cut off anywhere is refused, and says so', () => {
    const bytes = writePack(asRead());
    for (const share of [0, 0.01, 0.3, 0.6, 0.9])
      expect(problems(bytes.subarray(0, Math.floor(bytes.length * share)))).toMatch(
        /cut off|damaged|no ZIP archive|missing/,
      );
  });

  it('that is no archive, or of something else, is refused by name', () => {
    expect(problems(text('{"format":"vumble-job"}'))).toMatch(/no ZIP archive/);
    expect(problems(zipSync({ 'readme.txt': text('hello') }))).toMatch(/“vumble.json” is missing/);
    expect(tampered((files) => (files['vumble.json'] = text('{"format":"other","version":1}')))).toMatch(
      /not a pack/,
    );
    expect(
      tampered((files) => (files['vumble.json'] = text('{"format":"vumble-pack","version":2}'))),
    ).toMatch(/version 2; this Vumble reads version 1/);
    expect(tampered((files) => (files['vumble.json'] = text('{')))).toMatch(/not JSON/);
  });

  it('whose files were changed, taken out or added to is refused', () => {
    const [job] = Object.keys(unzipSync(writePack(asRead()))).filter((name) => name.endsWith('.vumble.json'));
    if (!job) throw new Error('no job in the pack');
    expect(tampered((files) => (files[job] = text('{}')))).toMatch(/damaged on the way/);
    expect(tampered((files) => delete files[job])).toMatch(/is missing/);
    expect(tampered((files) => (files['more.txt'] = text('x')))).toMatch(/does not know/);
  });

  it('whose history names what is not there is refused', () => {
    const pack = asRead();
    const [first, ...others] = pack.jobs;
    if (!first?.history) throw new Error('no history');
    const broken = { ...first, history: { ...first.history, head: 'elsewhere' } };
    expect(problems(writePack({ ...pack, jobs: [broken, ...others] }))).toMatch(
      /revision is named that is not there/,
    );
  });

  it('is quoted in part where a stranger wrote megabytes', () => {
    const name = 'k'.repeat(3_000_000);
    const file = { ...asRead().jobs[0]?.file, [name]: 1 };
    const read = readJobFile(JSON.stringify(file));
    expect(read.ok ? '' : read.problems.join('')).toMatch(/^The file: Unrecognized key: "k+…/);
    expect(read.ok ? 0 : read.problems.join('').length).toBeLessThan(500);
  });
});

describe('an archive', () => {
  it('that leads out of its folder is refused', () => {
    for (const name of ['../evil', 'a/../../b', '/etc/passwd', 'C:/x', 'a\\..\\b', 'a//b', './a', '~/x'])
      expect(() => readZip(zipSync({ [name]: text('x') })), name).toThrow(/leads out of its folder/);
  });

  it('is counted by what it unfolds to, whatever it declares', () => {
    const bomb = zipSync({ 'zeros.txt': [new Uint8Array(5_000_000), { level: 9 }] });
    expect(bomb.length).toBeLessThan(10_000);
    expect(() => readZip(bomb, 1_000_000)).toThrow(/unfolds to more than 1 MB/);
    // The size in its headers, little-endian: a liar says three bytes.
    const lying = bomb.slice();
    const size = [5_000_000 & 255, (5_000_000 >> 8) & 255, (5_000_000 >> 16) & 255, 0];
    let lies = 0;
    for (let at = 0; at + 4 <= lying.length; at += 1)
      if (size.every((byte, index) => lying[at + index] === byte)) {
        lying.set([3, 0, 0, 0], at);
        lies += 1;
      }
    expect(lies).toBe(2);
    expect(() => readZip(lying, 1_000_000)).toThrow(BadZipError);
  });

  it('has one time on all its entries', () => {
    const entries = [{ name: 'a.txt', bytes: text('a') }];
    const bytes = writeZip(entries);
    // DOS time and date of the local header: midnight of 1 January 1980.
    expect([...bytes.subarray(10, 14)]).toEqual([0, 0, 0x21, 0]);
    expect(readZip(bytes).get('a.txt')).toEqual(text('a'));
  });
});

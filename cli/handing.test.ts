import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readJobFile } from '../core/formats/jobFile.ts';
import { readPack } from '../core/formats/pack.ts';
import type { Job } from '../core/model/job.ts';
import { call, demoDirectory } from './forTests.ts';
import { EXIT } from './output.ts';

const { path, job: demo } = demoDirectory();

/** A copy of a demo job, changed by hand. */
function changed(name: string, as: string, change: (job: Job) => void): string {
  const file = JSON.parse(readFileSync(demo(name), 'utf8'));
  change(file.job);
  writeFileSync(path(as), JSON.stringify(file));
  return path(as);
}

describe('vumble pack and unpack', () => {
  it('makes one file of several jobs, with drawings, and takes them out again as they were', async () => {
    const to = path('both.vumble.zip');
    const made = await call('pack', demo('library-route-1'), demo('courier-moped-7'), '-o', to);
    expect(made).toMatchObject({ code: EXIT.fine, out: expect.stringMatching(/2 jobs, \d+ drawings/) });
    const read = readPack(readFileSync(to));
    expect(read.ok && read.pack.jobs.map(({ id }) => id)).toEqual(['library-route-1', 'courier-moped-7']);
    mkdirSync(path('out'));
    await call('unpack', to, '-o', path('out'));
    const of = (file: string) => {
      const text = readJobFile(readFileSync(file, 'utf8'));
      return text.ok ? text.file.job : text.problems;
    };
    expect(of(path('out/library-route-1.vumble.json'))).toEqual(of(demo('library-route-1')));
  });

  it('says what is missing, wrong, or there twice', async () => {
    expect((await call('pack', demo('library-route-1'))).error).toMatch(/-o FILE.vumble.zip/);
    const twice = await call('pack', demo('library-route-1'), demo('library-route-1'), '-o', path('x.zip'));
    expect(twice).toMatchObject({
      code: EXIT.badInput,
      error: expect.stringMatching(/another of these files/),
    });
    writeFileSync(path('cut.vumble.zip'), 'PK nothing');
    expect((await call('unpack', path('cut.vumble.zip'))).error).toMatch(/damaged|no ZIP archive/);
    expect((await call('unpack', path('nowhere.zip'))).error).toMatch(/Cannot read/);
  });
});

describe('vumble merge', () => {
  const base = () => demo('library-route-1');

  it('takes what one side changed, by the copy both come from', async () => {
    const a = changed('library-route-1', 'a.vumble.json', (job) =>
      Object.assign(job, { title: 'By the desk' }),
    );
    const b = changed('library-route-1', 'b.vumble.json', (job) =>
      Object.assign(job.handOver, { note: 'By the phone' }),
    );
    const { code, out } = await call('merge', a, b, '--base', base());
    expect(code).toBe(EXIT.fine);
    expect(JSON.parse(out).job).toMatchObject({ title: 'By the desk', handOver: { note: 'By the phone' } });
  });

  it('lists what somebody must choose, with exit code 1, and takes the answers', async () => {
    const a = changed('library-route-1', 'a2.vumble.json', (job) => Object.assign(job, { title: 'Desk' }));
    const b = changed('library-route-1', 'b2.vumble.json', (job) => Object.assign(job, { title: 'Phone' }));
    const asked = await call('merge', a, b, '--base', base());
    expect(asked.code).toBe(EXIT.fallsShort);
    expect(asked.out).toMatch(/1 to choose/);
    expect(asked.out).toMatch(/title {2}Title of the job: mine Desk; theirs Phone/);
    const to = path('merged.vumble.zip');
    const done = await call('merge', a, b, '--base', base(), '--answer', 'title=theirs', '-o', to);
    expect(done.code).toBe(EXIT.fine);
    const read = readPack(readFileSync(to));
    expect(read.ok && read.pack.jobs[0]?.title).toBe('Phone');
    // What comes out knows both: neither is asked again, and no base is wanted.
    expect((await call('merge', to, to)).code).toBe(EXIT.fine);
  });

  it('refuses two jobs that are not one, and an answer that is none', async () => {
    expect((await call('merge', base(), demo('courier-moped-7'))).error).toMatch(/two copies of one job/);
    expect((await call('merge', base(), base(), '--answer', 'title')).error).toMatch(
      /PATH=mine or PATH=theirs/,
    );
  });
});

describe('vumble log and handover', () => {
  it('lists what was fitted, as a table, CSV or JSON', async () => {
    const plain = await call('log', demo('library-route-1'));
    expect(plain.out).toMatch(/TERN-3A .*Rear left, 2026-\d\d-\d\d: in/);
    const { out } = await call('log', demo('library-route-1'), demo('library-route-2'), '--json');
    expect(JSON.parse(out).length).toBeGreaterThan(6);
    expect((await call('log', demo('library-route-1'), '--csv')).out).toMatch(/^vehicle,fleet_number,model/);
  });

  it('writes the owner’s page as one sheet of PDF, in either unit', async () => {
    const to = path('owner.pdf');
    const { code, out } = await call('handover', demo('library-route-1'), '--pdf', to, '--units', 'imperial');
    expect(code).toBe(EXIT.fine);
    expect(out).toMatch(/1 sheet of A4/);
    expect(readFileSync(to).subarray(0, 5).toString()).toBe('%PDF-');
    expect((await call('handover', demo('library-route-1'))).error).toMatch(/--pdf FILE/);
    const workshop = await call('handover', demo('library-route-1'), '--pdf', to, '--workshop');
    expect(workshop.out).toMatch(/[2-9] sheets/);
  });

  it('obeys --units everywhere and names a wrong one', async () => {
    const wires = async (...units: string[]) =>
      (await call('wiring', demo('library-route-1'), '--lamp', 'rear-left', ...units)).out;
    expect(await wires()).toMatch(/mm²/);
    const imperial = await wires('--units', 'imperial');
    expect(imperial).toMatch(/AWG/);
    expect(imperial).not.toMatch(/mm²/);
    expect((await call('plan', demo('library-route-1'), '--units', 'cubits')).error).toMatch(
      /metric or imperial/,
    );
    expect(await wires('--units', 'metric')).toMatch(/mm²/);
  });
});

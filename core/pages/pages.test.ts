import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterAll, describe, expect, it } from 'vitest';
import { writePdf } from '../../cli/pdf.ts';
import { demoJob } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { cureBoard } from '../cures/board/board.ts';
import { IMPERIAL, METRIC, setUnits } from '../formatting/units.ts';
import type { Job } from '../model/job.ts';
import type { CameBack } from '../model/measuredEvidence.ts';
import { signed } from '../record/tell.ts';
import { LABEL_SIZES, LEAST_MODULE_MM, labelLines, labelOf } from './label.ts';
import { codePath, labelSheetSvg, labelSvg, labelsOnSheet } from './labelSvg.ts';
import { ownersPage } from './ownersPage.ts';
import type { Page } from './page.ts';
import { drawingDocument, onOneSheet } from './pdf.ts';
import { warrantiesOf } from './warranties.ts';
import { workshopPage } from './workshopPage.ts';

const context = { day: (date: string) => date.slice(0, 10), moment: (at: string) => at.slice(0, 16) };
const owners = (job: Job) => ownersPage(job, DEMO_SHELF, context);

/** What somebody reads in a PDF, sheet by sheet, by a library that had no part in writing it. */
async function readPdf(bytes: Uint8Array): Promise<{ sheets: number; text: string; sizes: number[][] }> {
  const pdf = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const texts: string[] = [];
  const sizes: number[][] = [];
  for (let number = 1; number <= pdf.numPages; number += 1) {
    const sheet = await pdf.getPage(number);
    const { items } = await sheet.getTextContent();
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
    sizes.push(sheet.view.slice(2) as number[]);
  }
  return { sheets: pdf.numPages, text: texts.join(' '), sizes };
}

/** Without the gaps a line break leaves. */
const plain = (text: string) => text.replaceAll(/\s+/g, '');

function textsOf({ title, about, blocks, foot }: Page): string[] {
  return [
    title,
    about,
    foot,
    ...blocks.flatMap((block) => {
      if (block.kind === 'words') return [block.text];
      if (block.kind === 'list') return [block.title, ...block.items];
      if (block.kind === 'facts') return block.rows.flat();
      return [block.title, ...block.head, ...block.rows.flat()];
    }),
  ].filter((text) => text !== '');
}

describe('the owner’s page', () => {
  it('of every demo job is one sheet of PDF, and everything on it can be read back', async () => {
    for (const job of demoJobs()) {
      const page = owners(job);
      const { bytes, sheets } = await onOneSheet(page, writePdf);
      expect(sheets, job.id).toBe(1);
      const read = await readPdf(bytes);
      expect(read.sheets).toBe(1);
      // A4, points.
      expect(read.sizes[0]?.map(Math.round)).toEqual([595, 842]);
      for (const text of textsOf(page)) expect(plain(read.text), job.id).toContain(plain(text));
    }
  });

  it('says “all proved” only where each level of each lamp was', () => {
    const open = owners(demoJob('library-route-3'));
    expect(JSON.stringify(open.blocks[0])).toMatch(/Not all proved: \d of \d/);
    const finished = demoJob('library-route-1');
    expect(JSON.stringify(owners(finished).blocks[0])).toMatch(/All proved/);
    // Another LED in one lamp: nobody has seen that one.
    const [lampId] = Object.entries(finished.chosen).find(([, part]) => part !== null) ?? [];
    const other = DEMO_SHELF.find(({ id, kind }) => kind === 'led' && id !== finished.chosen[lampId ?? '']);
    const changed = { ...finished, chosen: { ...finished.chosen, [lampId ?? '']: other?.id ?? null } };
    expect(JSON.stringify(owners(changed).blocks[0])).toMatch(/Not all proved/);
  });

  it('names what is not sure by the figures', () => {
    const job = demoJob('dial-a-ride-2');
    const page = ownersPage(job, DEMO_SHELF, { ...context, board: cureBoard(job, DEMO_SHELF) });
    const unsure = page.blocks.find((block) => block.title === 'By the figures not sure to hold');
    expect(unsure?.kind === 'list' ? unsure.items.length : 0).toBeGreaterThan(0);
  });

  it('says what no longer warns, what gets hot, and the way back from a setting', () => {
    const titles = (id: string) => owners(demoJob(id)).blocks.map((block) => block.title);
    expect(titles('library-route-1')).toContain('What no longer warns');
    expect(titles('library-route-1')).toContain('What gets hot, by estimate');
    const job = demoJob('dial-a-ride-2');
    const [circuit] = job.vehicle.circuits;
    const set: Job = {
      ...job,
      vehicleCures: [
        { kind: 'controller-setting', circuitId: circuit?.id ?? '', setting: 'led', before: 'filament' },
      ],
    };
    expect(JSON.stringify(owners(set).blocks)).toMatch(/To go back, write filament again/);
  });

  it('is in the units of whoever reads', async () => {
    const job = demoJob('library-route-1');
    setUnits(IMPERIAL);
    const text = textsOf(workshopPage(job, DEMO_SHELF, context)).join('\n');
    setUnits(METRIC);
    expect(text).toMatch(/°F/);
    expect(text).not.toMatch(/°C|mm²/);
    expect(text).toMatch(/AWG/);
  });
});
afterAll(() => setUnits(METRIC));

it('the workshop’s page has evidence, order, wires and pieces, with who and when', async () => {
  const page = workshopPage(demoJob('library-route-1'), DEMO_SHELF, context);
  const titles = page.blocks.map((block) => block.title ?? '');
  expect(titles.some((title) => title.startsWith('The work in its order'))).toBe(true);
  expect(titles).toContain('Evidence, in the order it was told');
  expect(titles.some((title) => title.startsWith('Wires: '))).toBe(true);
  const { bytes, sheets } = await onOneSheet(page, writePdf);
  expect(sheets).toBeGreaterThan(1);
  const { text } = await readPdf(bytes);
  for (const each of textsOf(page)) expect(plain(text)).toContain(plain(each));
});

describe('a warranty', () => {
  it('counts from the day its part went in, and a part that went back has none', () => {
    const [part] = DEMO_SHELF.filter(({ kind }) => kind === 'led');
    if (!part) throw new Error('no LED');
    const moved = (kind: 'fitted' | 'returned', at: string, pieces: number) => ({
      id: `${kind}-${at}`,
      partId: part.id,
      at: `${at}T10:00:00.000Z`,
      kind,
      pieces,
    });
    const shelf = [{ ...part, warrantyMonths: 24, warrantyVoid: 'a cut lead' }];
    const job = { ...demoJob('library-route-1'), chosen: {}, cures: {}, vehicleCures: [], fit: {} };
    const of = (...pieces: ReturnType<typeof moved>[]) => warrantiesOf({ ...job, pieces }, shelf);
    expect(of(moved('fitted', '2026-11-30', 2))).toMatchObject([
      { pieces: 2, until: '2028-11-30', voidBy: 'a cut lead' },
    ]);
    expect(of(moved('fitted', '2026-11-01', 2), moved('returned', '2026-11-02', 2))).toEqual([]);
    // Fitted anew it runs anew.
    expect(
      of(
        moved('fitted', '2026-11-01', 1),
        moved('returned', '2026-11-02', 1),
        moved('fitted', '2026-11-30', 1),
      ),
    ).toMatchObject([{ until: '2028-11-30' }]);
  });

  it('is of what was done and never counted too, and of nothing that came back', () => {
    const job = demoJob('library-route-1');
    const leds = new Set(Object.values(job.chosen));
    const [led] = DEMO_SHELF.filter(({ id }) => leds.has(id));
    if (!led) throw new Error('no LED is fitted');
    const shelf = DEMO_SHELF.map((part) => (part === led ? { ...part, warrantyMonths: 12 } : part));
    const fitted = Object.values(job.chosen).filter((id) => id === led.id).length;
    const uncounted: Job = { ...job, pieces: [] };
    const mine = (of: Job) => warrantiesOf(of, shelf).find(({ partId }) => partId === led.id);
    expect(mine(uncounted)?.pieces).toBe(fitted);
    expect(mine(uncounted)?.until).toMatch(/^\d{4}-\d\d-\d\d$/);
    const lampId = Object.entries(job.chosen).find(([, id]) => id === led.id)?.[0] ?? null;
    const back = signed<CameBack>(
      uncounted,
      { kind: 'came-back', lampId, partId: led.id, part: led.code, fittedAt: null, words: 'dark' },
      { id: 'back', at: '2027-01-01T10:00:00.000Z', device: 'desk' },
    );
    const came: Job = { ...uncounted, evidence: [...job.evidence, back] };
    expect(mine(came)?.pieces ?? 0).toBe(fitted - 1);
    // The page of the vehicle's owner says the same.
    const text = plain(textsOf(ownersPage(came, shelf, context)).join(' '));
    expect(text).toContain(plain(led.code));
  });
});

describe('a label', () => {
  const PIXELS = 4;
  /** What a phone would read: the code painted, and a decoder that had no part in making it. */
  function decoded(label: ReturnType<typeof labelOf>): string {
    const { code } = label;
    if (!code) throw new Error('no code');
    const side = (code.modules + 8) * PIXELS;
    const image = new Uint8ClampedArray(4 * side * side).fill(255);
    for (let y = 0; y < side; y += 1)
      for (let x = 0; x < side; x += 1) {
        const [row, column] = [Math.floor(y / PIXELS) - 4, Math.floor(x / PIXELS) - 4];
        const inside = row >= 0 && column >= 0 && row < code.modules && column < code.modules;
        if (inside && code.isDark(row, column)) image.fill(0, 4 * (y * side + x), 4 * (y * side + x) + 3);
      }
    return jsQR(image, side, side)?.data ?? '';
  }

  it('holds in its code what stands on it, in modules a phone can read', () => {
    for (const job of demoJobs())
      for (const size of LABEL_SIZES) {
        const label = labelOf(job, DEMO_SHELF, `${job.vehicle.name}, 30 Nov 2026`, size);
        expect(label.code?.moduleMm ?? 0).toBeGreaterThanOrEqual(LEAST_MODULE_MM);
        expect(decoded(label)).toBe(label.codeText);
        expect(label.codeText).not.toMatch(/https?:/);
        // Each line is in the code, or said not to be.
        for (const line of labelLines(job, DEMO_SHELF))
          expect(label.codeText.includes(line) !== label.notInCode.includes(line)).toBe(true);
      }
  });

  it('names what has no room', () => {
    const job = demoJob('library-route-1');
    const long = {
      ...job,
      handOver: { ...job.handOver, stockBulbsKeptAt: 'a very long place '.repeat(8).trim() },
    };
    const label = labelOf(long, DEMO_SHELF, 'Van', LABEL_SIZES[0]);
    expect(label.notInWords.join()).toContain('very long place');
    for (const { xMm, text, sizeMm } of label.lines)
      expect(xMm + text.length * sizeMm * 0.52).toBeLessThanOrEqual(label.code?.xMm ?? 50);
  });

  it('is drawn in true size, alone and on a sheet', async () => {
    const label = labelOf(demoJob('library-route-1'), DEMO_SHELF, 'Van <7> & co', LABEL_SIZES[1]);
    const svg = labelSvg(label);
    expect(svg).toMatch(/width="70mm" height="40mm" viewBox="0 0 70 40"/);
    expect(svg).toContain('Van &lt;7&gt; &amp; co');
    expect(codePath(label.code as never)).toMatch(/^M[\d.]+ [\d.]+h/);
    const { sizes } = await readPdf(await writePdf(drawingDocument(svg, 70, 40)));
    // 70 by 40 mm in points, 72 to the inch.
    expect(sizes[0]?.[0]).toBeCloseTo((70 / 25.4) * 72, 1);
    expect(sizes[0]?.[1]).toBeCloseTo((40 / 25.4) * 72, 1);
    const full = labelSheetSvg(label, 99);
    expect(full.match(/<g /g)).toHaveLength(labelsOnSheet(label));
    expect(labelsOnSheet(label)).toBe(14);
    const first = LABEL_SIZES[0];
    expect(labelsOnSheet({ size: first })).toBe(27);
  });
});

import ELK from 'elkjs/lib/elk.bundled.js';
import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../../demo/jobs.ts';
import { DEMO_SHELF } from '../../../demo/shelf.ts';
import type { Job } from '../../model/job.ts';
import type { WholeLampPart } from '../../model/part.ts';
import { lampById } from '../../model/vehicle/lookUp.ts';
import { pinChangeWords } from '../../words/pinMap.ts';
import { connectorsOf } from '../connectors.ts';
import { type Shape, sheetShapes } from './drawing.ts';
import { layoutSheet } from './layout.ts';
import { plugSwapSheet } from './plugSwap.ts';
import { wiringSheet } from './sheet.ts';
import { sheetSvg } from './svg.ts';

const [open, , finished, minibus, , moped] = demoJobs() as [Job, Job, Job, Job, Job, Job];
const elk = new ELK();
const wordsOf = (shapes: readonly Shape[]): string[] =>
  shapes.flatMap(({ text, children }) => [...(text ? [text] : []), ...wordsOf(children ?? [])]);

describe('wiringSheet', () => {
  it('has a row for every cavity: colour in letters, function, proof, fuse', () => {
    const { rows } = wiringSheet(finished, DEMO_SHELF, 'plug-rear-left');
    expect(rows.length).toBe(6);
    expect(rows[0]).toMatchObject({
      letters: 'BK/WH',
      does: 'left turn',
      proof: 'proved by meter',
      proved: true,
    });
    expect(rows[1]).toMatchObject({
      letters: 'GY/BK',
      proved: false,
      proof: 'colour only: unproved, measure',
    });
    expect(rows[3]?.hint).toContain('brown is often earth');
  });

  it('keeps what it says of a feed inside its frame, at 5.6 px a small letter', async () => {
    for (const job of [finished, minibus, moped])
      for (const { connector } of connectorsOf(job.vehicle)) {
        const layout = await layoutSheet(wiringSheet(job, DEMO_SHELF, connector.id), elk);
        for (const node of layout.nodes.filter(({ kind }) => kind === 'source' || kind === 'earth')) {
          const words = sheetShapes({ ...layout, nodes: [node], wires: [] }).filter(
            ({ tag }) => tag === 'text',
          );
          expect(words.length).toBeGreaterThan(1);
          for (const { attributes, text = '' } of words)
            expect(Number(attributes.x) + 5.6 * text.length, text).toBeLessThan(node.x + node.width);
        }
      }
  });

  it('is no wider than a phone where it is asked to, with every word inside its frame', async () => {
    for (const job of [finished, minibus, moped])
      for (const { connector } of connectorsOf(job.vehicle)) {
        const layout = await layoutSheet(wiringSheet(job, DEMO_SHELF, connector.id), elk, true);
        expect(layout.width, `${job.id} ${connector.id}`).toBeLessThan(400);
        for (const node of layout.nodes) {
          const shapes = sheetShapes({ ...layout, nodes: [node], wires: [] });
          for (const { attributes, text = '' } of shapes.filter(({ tag }) => tag === 'text')) {
            const wide = 5.6 * text.length;
            const x = Number(attributes.x);
            const right = { start: x + wide, middle: x + wide / 2, end: x }[`${attributes['text-anchor']}`];
            expect(right, text).toBeLessThan(node.x + node.width);
            expect(Number(attributes.y), text).toBeLessThan(node.y + node.height);
          }
        }
      }
  });

  it('draws the resistor that is joined there, the LED that is fitted, and a joint where they meet', async () => {
    const sheet = wiringSheet(finished, DEMO_SHELF, 'plug-rear-left');
    expect(sheet.nodes.find(({ kind }) => kind === 'resistor')?.title).toBe('6 Ω 50 W');
    const layout = await layoutSheet(sheet, elk);
    expect(layout.wires.some(({ joints }) => joints.length > 0)).toBe(true);
    const words = wordsOf(sheetShapes(layout)).join('|');
    expect(words).toContain('TERN-3A');
    expect(words).toContain('crimp, shrink');
  });

  it('has letters on every wire of the loom: colour is never the only sign', async () => {
    for (const job of [finished, minibus, moped])
      for (const { connector } of connectorsOf(job.vehicle)) {
        const layout = await layoutSheet(wiringSheet(job, DEMO_SHELF, connector.id), elk);
        const words = wordsOf(sheetShapes(layout));
        for (const wire of layout.wires.filter(({ kind }) => kind === 'loom'))
          expect(words).toContain(wire.label);
        for (const wire of layout.wires)
          expect(wire.points.length, `${connector.id} ${wire.id}`).toBeGreaterThan(1);
      }
  }, 30_000);

  it('says of a plug nobody has looked at that nothing of it is known', () => {
    const sheet = wiringSheet(open, DEMO_SHELF, 'plug-rear-left');
    expect(sheet.rows.every(({ cavity, proved }) => cavity === '?' && !proved)).toBe(true);
    expect(sheet.notes.join()).toContain('Nobody has looked at this plug');
  });

  it('tells two plugs that look alike apart by their colours', () => {
    const sheet = wiringSheet(finished, DEMO_SHELF, 'plug-rear-left');
    expect(sheet.notes.join()).toMatch(
      /Plug of rear right looks alike, 6 cavities too: this one has BK\/WH.*that one BK\/GN/,
    );
  });

  it('is a file that stands by itself, and nothing typed breaks out of it', async () => {
    const job = structuredClone(finished);
    const plug = job.vehicle.connectors?.[0];
    if (plug) plug.name = '"><script>alert(1)</script>';
    const svg = sheetSvg(
      await layoutSheet(wiringSheet(job, DEMO_SHELF, 'plug-rear-left'), elk),
      plug?.name ?? '',
    );
    expect(svg).not.toContain('<script');
    expect(svg).toContain('&lt;script&gt;');
  });
});

describe('plugSwapSheet', () => {
  const merlin = DEMO_SHELF.find(({ id }) => id === 'lamp-merlin') as WholeLampPart;
  const rear = lampById(finished.vehicle, 'rear-right');

  it('moves the earth, doubles a wire, and draws each from its old cavity to its new one', async () => {
    const { sheet, map } = plugSwapSheet(finished.vehicle, rear, merlin);
    const notes = pinChangeWords(finished.vehicle, map);
    expect(notes).toContain('The earth wire moves from cavity 4 to 5.');
    expect(notes.join()).toMatch(/The wire of cavity 2 is doubled: it feeds 2 .* and 4/);
    expect(sheet.wires.filter(({ from }) => from.port === 'e2').map(({ to }) => to.port)).toEqual([
      'w2',
      'w4',
    ]);
    const layout = await layoutSheet(sheet, elk);
    expect(wordsOf(sheetShapes(layout)).join('|')).toContain('GY/RD');
  });

  it('caps what the new plug has no place for, and names what the old one has no wire for', () => {
    const part = structuredClone(merlin);
    part.pinMap = [
      { cavity: '1', does: 'earth' },
      { cavity: '2', does: 'turn' },
      { cavity: '3', does: 'plate' },
    ];
    const { map } = plugSwapSheet(finished.vehicle, rear, part);
    const notes = pinChangeWords(finished.vehicle, map);
    expect(notes.join(' ')).toMatch(/The old plug has no wire for plate, cavity 3\./);
    expect(notes.join(' ')).toMatch(/The stop wire of cavity 3 has no place in the new plug: cap it\./);
  });

  it('says that nothing is known of an old plug nobody has looked at', () => {
    const { map } = plugSwapSheet(open.vehicle, rear, merlin);
    expect(map.rows.every(({ change }) => change === 'unknown')).toBe(true);
  });
});

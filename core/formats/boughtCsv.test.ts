import { describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { orderLine, shelfLine } from '../inventory/pickLine.ts';
import { readBoughtCsv } from './boughtCsv.ts';
import { pickListCsv } from './pickListCsv.ts';

const joint = DEMO_SHELF.find(({ id }) => id === 'joint-shrink') ?? never();
const lamp = DEMO_SHELF.find(({ id }) => id === 'res-6-50') ?? never();

describe('a shopping list read back as what came', () => {
  it('counts packs as their pieces, the rest by the piece, and leaves out what was there', () => {
    const text = pickListCsv({
      lines: [
        shelfLine({ ...joint, stock: 0 }, 26, 'x'),
        shelfLine({ ...lamp, stock: 0 }, 3, 'x'),
        shelfLine({ ...lamp, stock: 9, code: 'THERE' }, 3, 'x'),
      ],
    });
    const { bought, problems } = readBoughtCsv(text, DEMO_SHELF);
    expect(problems).toEqual([]);
    // 26 joints are two packs of 25.
    expect(bought.map(({ part, pieces }) => [part.code, pieces])).toEqual([
      ['JOINT-S', 50],
      ['OTTER-6/50', 3],
    ]);
  });

  it('names a line nobody could count, and one that is no number', () => {
    const text = pickListCsv({
      lines: [orderLine('k', '', 'P21W', 2, 'x'), shelfLine({ ...lamp, stock: 0 }, 3, 'x')],
    });
    expect(
      readBoughtCsv(text.replace(/OTTER-6\/50,(.*?),3,0,3/, 'OTTER-6/50,$1,3,0,three'), DEMO_SHELF).problems,
    ).toMatchObject([{ line: 2 }, { line: 3 }]);
    expect(readBoughtCsv('a,b', DEMO_SHELF).problems[0]?.text).toContain('must name the columns');
  });
});

function never(): never {
  throw new Error('the demo shelf has it');
}

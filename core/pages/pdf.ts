import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Block, Page } from './page.ts';

const POINTS_PER_MM = 72 / 25.4;
/** A4, points. */
const MARGIN = 34;
/** Type from the largest that is asked for to the smallest somebody can read, points. */
export const TYPE_SIZES = [9.5, 9, 8.5, 8, 7.5, 7, 6.5] as const;

/**
 * A page as a document for pdfmake: the same blocks as on the screen.
 *
 * @param size of the type, points
 * @param counted is told how many sheets it came to
 */
export function pageDocument(
  page: Page,
  size: number,
  counted: (sheets: number) => void = () => {},
): TDocumentDefinitions {
  return {
    pageSize: 'A4',
    pageMargins: [MARGIN, MARGIN, MARGIN, MARGIN],
    info: { title: page.title, creator: 'Vumble' },
    defaultStyle: { font: 'Roboto', fontSize: size, lineHeight: 1.08 },
    footer: (current, sheets) => {
      counted(sheets);
      return {
        text: `${page.title}, sheet ${current} of ${sheets}`,
        fontSize: 7,
        color: '#555555',
        margin: [MARGIN, 8, MARGIN, 0],
      };
    },
    content: [
      { text: page.title, fontSize: size * 1.7, bold: true },
      { text: page.about, color: '#444444', margin: [0, 2, 0, size * 0.5] },
      ...page.blocks.flatMap((block) => contentOf(block, size)),
      { text: page.foot, fontSize: size * 0.85, color: '#444444', margin: [0, size * 0.8, 0, 0] },
    ],
  };
}

/**
 * A page as PDF on one sheet, its type as large as that allows; what has no room at the smallest goes on.
 *
 * @param write makes the bytes of a document: pdfmake's work, in a browser or on the command line
 */
export async function onOneSheet(
  page: Page,
  write: (document: TDocumentDefinitions) => Promise<Uint8Array>,
): Promise<{ bytes: Uint8Array; sheets: number }> {
  let written: { bytes: Uint8Array; sheets: number } | null = null;
  for (const size of TYPE_SIZES) {
    let sheets = 0;
    const bytes = await write(
      pageDocument(page, size, (count) => {
        sheets = count;
      }),
    );
    written = { bytes, sheets };
    if (sheets <= 1) break;
  }
  return written as { bytes: Uint8Array; sheets: number };
}

/** A drawing in true size as a document for pdfmake. */
export function drawingDocument(svg: string, widthMm: number, heightMm: number): TDocumentDefinitions {
  const [width, height] = [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM];
  return {
    pageSize: { width, height },
    pageMargins: 0,
    defaultStyle: { font: 'Roboto' },
    content: [{ svg, width, height }],
  };
}

function contentOf(block: Block, size: number): Content[] {
  const title: Content[] = block.title
    ? [{ text: block.title, bold: true, fontSize: size * 1.12, margin: [0, size * 0.7, 0, size * 0.15] }]
    : [];
  switch (block.kind) {
    case 'words':
      return [...title, { text: block.text, bold: block.strong === true }];
    case 'list':
      return [...title, { ul: [...block.items] }];
    case 'facts':
      return [
        ...title,
        {
          layout: 'noBorders',
          margin: [0, size * 0.4, 0, 0],
          table: {
            widths: ['auto', '*'],
            body: block.rows.map(([name, text]) => [{ text: name, color: '#444444' }, { text }]),
          },
        },
      ];
    case 'table':
      return [
        ...title,
        {
          layout: 'lightHorizontalLines',
          table: {
            headerRows: 1,
            widths: block.head.map((_, index) => (index === 0 ? '*' : 'auto')),
            body: [
              block.head.map((text) => ({ text, bold: true })),
              ...block.rows.map((row) => row.map((text) => ({ text }))),
            ],
          },
        },
      ];
  }
}

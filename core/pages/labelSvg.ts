import { xmlText } from '../formatting/xml.ts';
import type { Label } from './label.ts';

/** A4, mm, and the edge no printer reaches. */
const SHEET = { widthMm: 210, heightMm: 297, edgeMm: 8 };

/** A label as SVG in true size. */
export function labelSvg(label: Label): string {
  const { widthMm, heightMm } = label.size;
  return `${opening(widthMm, heightMm)}${drawn(label)}</svg>\n`;
}

/** How many labels have room on a sheet, a count. */
export function labelsOnSheet({ size }: Pick<Label, 'size'>): number {
  const { across, down } = gridOf(size);
  return across * down;
}

/** A sheet of A4 with so many of a label on it, with lines to cut along. */
export function labelSheetSvg(label: Label, count: number): string {
  const { size } = label;
  const { across } = gridOf(size);
  const places = Array.from({ length: Math.min(count, labelsOnSheet(label)) }, (_, index) => {
    const x = SHEET.edgeMm + (index % across) * size.widthMm;
    const y = SHEET.edgeMm + Math.floor(index / across) * size.heightMm;
    return `<g transform="translate(${x} ${y})">${drawn(label)}</g>`;
  });
  return `${opening(SHEET.widthMm, SHEET.heightMm)}${places.join('')}</svg>\n`;
}

function gridOf({ widthMm, heightMm }: Label['size']) {
  return {
    across: Math.floor((SHEET.widthMm - 2 * SHEET.edgeMm) / widthMm),
    down: Math.floor((SHEET.heightMm - 2 * SHEET.edgeMm) / heightMm),
  };
}

function opening(widthMm: number, heightMm: number): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}">`;
}

function drawn({ size, lines, code }: Label): string {
  const frame = `<rect x="0.1" y="0.1" width="${size.widthMm - 0.2}" height="${size.heightMm - 0.2}" fill="#ffffff" stroke="#000000" stroke-width="0.2"/>`;
  const texts = lines.map(
    ({ xMm, yMm, sizeMm, text, bold }) =>
      `<text x="${round(xMm)}" y="${round(yMm)}" font-size="${sizeMm}" font-family="Barlow Condensed, Roboto, sans-serif"${bold ? ' font-weight="bold"' : ''}>${xmlText(text)}</text>`,
  );
  return `${frame}${texts.join('')}${code ? `<path d="${codePath(code)}" fill="#000000"/>` : ''}`;
}

/** The dark modules of a code as one path, runs of a row together. */
export function codePath({ xMm, yMm, moduleMm, modules, isDark }: NonNullable<Label['code']>): string {
  const parts: string[] = [];
  for (let row = 0; row < modules; row += 1) {
    let column = 0;
    while (column < modules) {
      let run = 0;
      while (column + run < modules && isDark(row, column + run)) run += 1;
      if (run > 0)
        parts.push(
          `M${round(xMm + column * moduleMm)} ${round(yMm + row * moduleMm)}h${round(run * moduleMm)}v${round(moduleMm)}h${round(-run * moduleMm)}z`,
        );
      column += Math.max(1, run);
    }
  }
  return parts.join('');
}

function round(value: number): number {
  return Number(value.toFixed(3));
}

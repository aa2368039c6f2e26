import { xmlText } from '../../formatting/xml.ts';
import type { Shape } from './drawing.ts';
import { sheetShapes } from './drawing.ts';
import type { SheetLayout } from './layout.ts';

/** How the classes of a drawing look in a file of its own: on paper, and on a dark screen. */
const STYLE = `
.ws-text,.ws-strong,.ws-small,.ws-letters,.ws-cavity{font-family:Barlow,Arial,sans-serif;fill:#15202a;font-size:13px}
.ws-strong{font-weight:600}.ws-small{font-size:11.5px;fill:#4e5b66}.ws-letters{font-weight:600;font-size:12.5px}.ws-letters,.ws-small{paint-order:stroke;stroke:#f3efe7;stroke-width:3px;stroke-linejoin:round}.ws-cavity{font-weight:600;font-size:15px}
.ws-box{fill:#fbf9f4;stroke:#a79d8a}.ws-plug{fill:#ece7dc;stroke:#15202a;stroke-width:1.6}
.ws-line,.ws-sign{stroke:#15202a;stroke-width:1.6}.ws-sign{fill:#fbf9f4}.ws-outline{stroke:#15202a}.ws-unknown{stroke:#15202a;stroke-width:1.4;stroke-dasharray:3 4}
.ws-added{stroke:#15202a;stroke-width:2.6;stroke-dasharray:9 4}.ws-joint{fill:#15202a}.ws-pin{fill:#fbf9f4;stroke:#15202a;stroke-width:1.6}
`.trim();

/** A drawn sheet as an SVG file that stands by itself. */
export function sheetSvg(layout: SheetLayout, title: string): string {
  const { width, height } = layout;
  const [w, h] = [Math.ceil(width), Math.ceil(height)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}" role="img">`,
    `<title>${xmlText(title)}</title>`,
    `<style>${STYLE}</style>`,
    `<rect width="${w}" height="${h}" fill="#f3efe7"/>`,
    ...sheetShapes(layout).map(shapeText),
    '</svg>',
    '',
  ].join('\n');
}

function shapeText({ tag, attributes, text, children }: Shape): string {
  const written = Object.entries(attributes)
    .map(([name, value]) => ` ${name}="${xmlText(String(value))}"`)
    .join('');
  const inside = `${text === undefined ? '' : xmlText(text)}${(children ?? []).map(shapeText).join('')}`;
  return inside ? `<${tag}${written}>${inside}</${tag}>` : `<${tag}${written}/>`;
}

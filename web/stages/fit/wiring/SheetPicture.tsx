import { createElement, type ReactElement } from 'react';
import { type Shape, sheetShapes } from '../../../../core/wiring/sheet/drawing.ts';
import type { SheetLayout } from '../../../../core/wiring/sheet/layout.ts';
import './sheet.css';
import { Scrolls } from '../../../ui/Scrolls.tsx';

/** React's names of the SVG attributes a drawing uses. */
const NAMES: Record<string, string> = {
  class: 'className',
  'stroke-width': 'strokeWidth',
  'stroke-dasharray': 'strokeDasharray',
  'text-anchor': 'textAnchor',
};

/** A wiring sheet as it is drawn, in the colours of the theme around the wires' own. */
export function SheetPicture({ layout, title }: { layout: SheetLayout; title: string }) {
  const { width, height } = layout;
  return (
    <Scrolls label="The sheet" className="ws-scroll">
      <svg
        className="ws-sheet"
        viewBox={`0 0 ${Math.ceil(width)} ${Math.ceil(height)}`}
        role="img"
        aria-label={title}
      >
        {sheetShapes(layout).map(shapeElement)}
      </svg>
    </Scrolls>
  );
}

function shapeElement({ tag, attributes, text, children }: Shape, key: number): ReactElement {
  const properties = Object.fromEntries(
    Object.entries(attributes).map(([name, value]) => [NAMES[name] ?? name, value]),
  );
  return createElement(tag, { ...properties, key }, text, children?.map(shapeElement));
}

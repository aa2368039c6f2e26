import { create } from 'qrcode';
import { useEffect, useMemo, useRef } from 'react';
import { codeText, keyWords, type ParcelCode } from '../../../core/handoff/parcel.ts';
import { codePath } from '../../../core/pages/labelSvg.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './HandOff.module.css';

/** Modules of white round a code. */
const QUIET = 4;

/** The code of what lies in the mailbox: for the other device's camera, or to be read aloud. */
export function CodeCard({ code }: { code: ParcelCode }) {
  const { path, side } = useMemo(() => {
    const { modules } = create(codeText(code), { errorCorrectionLevel: 'M' });
    const drawn = {
      xMm: QUIET,
      yMm: QUIET,
      moduleMm: 1,
      modules: modules.size,
      isDark: (row: number, column: number) => Boolean(modules.get(row, column)),
    };
    return { path: codePath(drawn), side: modules.size + 2 * QUIET };
  }, [code]);
  const shown = useRef<SVGSVGElement>(null);
  // The whole of it is held before a camera.
  useEffect(() => {
    if (path) shown.current?.scrollIntoView({ block: 'center' });
  }, [path]);
  return (
    <Card title="On the other device" heading="h2">
      <p>
        Open Hand off there, Take over, and scan this, or type the number and the words. It lies here for ten
        minutes.
      </p>
      <svg
        ref={shown}
        className={classes.code}
        viewBox={`0 0 ${side} ${side}`}
        role="img"
        aria-label="Code of the parcel"
      >
        <rect width={side} height={side} className={classes.codePaper} />
        <path d={path} />
      </svg>
      <p>
        Number <b>{code.number.replace(/(\d{3})(?=\d)/g, '$1 ')}</b>
      </p>
      <p data-words>
        Words <b>{keyWords(code.key)}</b>
      </p>
      <p className="faint">
        Sealed in this browser: the machine in between cannot read it, and keeps it in memory alone. Whoever
        sees this code can.
      </p>
    </Card>
  );
}

import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { LABEL_SIZES, labelOf } from '../../../core/pages/label.ts';
import { codePath, labelSheetSvg, labelSvg, labelsOnSheet } from '../../../core/pages/labelSvg.ts';
import { drawingDocument } from '../../../core/pages/pdf.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { shortDate } from '../../ui/dates.ts';
import { saveFile, saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './HandOver.module.css';
import { writePdf } from './writePdf.ts';

const A4 = { widthMm: 210, heightMm: 297 };

/** What is not stock any more, for the fuse box or the relay's carrier: as it comes out of the printer. */
export function LabelCard() {
  const { job, shelf } = useDesk();
  const [sizeId, setSizeId] = useState<string>(LABEL_SIZES[0].id);
  const [count, setCount] = useState<string | number>(1);
  const size = LABEL_SIZES.find(({ id }) => id === sizeId) ?? LABEL_SIZES[0];
  const day = job.handOver.filedAt ?? new Date().toISOString();
  const label = useMemo(
    () => labelOf(job, shelf, `${job.vehicle.name}, ${shortDate(day)}`, size),
    [job, shelf, day, size],
  );
  const most = labelsOnSheet(label);
  const many = Math.min(most, Math.max(1, Math.floor(Number(count) || 1)));
  const name = `${job.id}-label-${size.id}`;
  const svg = many === 1 ? labelSvg(label) : labelSheetSvg(label, many);
  const paper = many === 1 ? size : A4;
  const savePdf = () =>
    writePdf(drawingDocument(svg, paper.widthMm, paper.heightMm))
      .then((bytes) => saveFile(new File([bytes as BlobPart], `${name}.pdf`, { type: 'application/pdf' })))
      .catch(tellTrouble);
  return (
    <Card title="Label">
      <svg
        className={classes.label}
        viewBox={`0 0 ${size.widthMm} ${size.heightMm}`}
        role="img"
        aria-label={`Label: ${label.lines.map(({ text }) => text).join(' ')}`}
      >
        <rect width={size.widthMm} height={size.heightMm} className={classes.labelPaper} />
        {label.lines.map(({ xMm, yMm, sizeMm, text, bold }) => (
          <text key={yMm} x={xMm} y={yMm} fontSize={sizeMm} fontWeight={bold ? 700 : 400}>
            {text}
          </text>
        ))}
        {label.code && <path d={codePath(label.code)} />}
      </svg>
      <div className={classes.fields}>
        <NativeSelect
          label="Size"
          value={size.id}
          data={LABEL_SIZES.map(({ id, widthMm, heightMm }) => ({
            value: id,
            label: `${widthMm} × ${heightMm} millimetres`,
          }))}
          onChange={(event) => setSizeId(event.currentTarget.value)}
        />
        <NumberInput
          label="How many"
          description={`more than one are a sheet of A4, ${most} at most`}
          value={count}
          onChange={setCount}
          min={1}
          max={most}
          clampBehavior="blur"
          allowDecimal={false}
        />
      </div>
      {label.notInWords.length > 0 && (
        <p>No room in words for: {label.notInWords.join('; ')}. They are in the code where it has room.</p>
      )}
      {label.notInCode.length > 0 && <p>No room in the code for: {label.notInCode.join('; ')}.</p>}
      <div className={classes.actions}>
        <Button variant="default" onClick={() => saveTextFile(`${name}.svg`, svg, 'image/svg+xml')}>
          Save as SVG
        </Button>
        <Button variant="default" onClick={savePdf}>
          Save as PDF
        </Button>
      </div>
      <p className="faint">True size: print at 100 %. The code holds the same in plain text, and no link.</p>
    </Card>
  );
}

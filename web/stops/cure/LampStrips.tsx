import { useElementSize } from '@mantine/hooks';
import type { Stage } from '../../../core/model/job.ts';
import { volts } from '../../../core/quantities/format.ts';
import {
  type LampStrip,
  STRIP_SECONDS,
  STRIP_STEP,
  type StageStrips,
} from '../../../core/rehearsal/lampStrips.ts';
import { flashRule, rateResult } from '../../../core/verdict/flashRule.ts';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { useLampStrips } from '../../workers/useLampStrips.ts';
import classes from './LampStrips.module.css';

const STAGE_WORDS: Record<Stage, string> = { stock: 'As it is', leds: 'LEDs alone', cured: 'With the cure' };
const ROW = 34;
const LABEL = 96;
const FIGURES = 150;

/** One lamp's light over four seconds in the three states: soft filament, hard LED, and how often. */
export function LampStrips() {
  const { job, shelf, circuit, lamp, supplyVolts } = useWorkspace();
  const strips = useLampStrips(job, shelf, circuit.side, supplyVolts);
  const { ref, width } = useElementSize();
  const shown =
    lamp && circuit.lampIds.includes(lamp.id)
      ? lamp
      : job.vehicle.lamps.find((each) => circuit.lampIds.includes(each.id) && each.end === 'rear');
  if (!shown) return null;
  return (
    <Card title={`${shown.name} lamp, the first four seconds at ${volts(supplyVolts)}, simulated`}>
      <div ref={ref} className={classes.frame}>
        {strips.error ? (
          <p role="alert">The simulation stopped: {strips.error.message}</p>
        ) : strips.data && width > 0 ? (
          <>
            <Strips rows={strips.data} lampId={shown.id} width={width} />
            <p className="faint">
              Height: light against the bulb’s own rated light.
              {strips.data[0]?.thresholdAssumed
                ? ' The relay’s threshold is not known; the middle of its band stands in for it.'
                : ' The relay obeys the threshold of this simulated vehicle, which the verdict above does not look at.'}
            </p>
          </>
        ) : (
          <p className="faint">Simulating.</p>
        )}
      </div>
    </Card>
  );
}

function Strips({ rows, lampId, width }: { rows: readonly StageStrips[]; lampId: string; width: number }) {
  const { job } = useWorkspace();
  const rule = flashRule(job.vehicle.region);
  const narrow = width < 480;
  const from = narrow ? 0 : LABEL;
  const to = narrow ? width : width - FIGURES;
  const step = narrow ? ROW + 18 : ROW;
  const lights = rows.map((row) => row.lamps.find((each) => each.lampId === lampId));
  // All three on one scale, or a weak LED would look as bright as a strong one; the strongest fills the row.
  const brightest = Math.max(0.1, ...lights.flatMap((each) => each?.light ?? []));
  return (
    <svg width={width} height={step * rows.length + 18} role="img" aria-label={inWords(rows)}>
      {rows.map((row, index) => {
        const base = step * (index + 1) - 4;
        const strip = lights[index];
        const wrong = rateResult(rule, row.ratePerMinute, 0) !== 'within';
        return (
          <g key={row.stage}>
            <text x="0" y={narrow ? base - ROW + 8 : base - 8} className={classes.name}>
              {STAGE_WORDS[row.stage]}
            </text>
            <path d={`M${from} ${base}H${to}`} stroke="var(--line2)" />
            {strip && <path d={areaOf(strip, from, to, base, brightest)} fill={`var(--${strip.colour})`} />}
            <text
              x={width}
              y={narrow ? base - ROW + 8 : base - 8}
              textAnchor="end"
              className={classes.figures}
              data-wrong={wrong}
            >
              {Math.round(row.ratePerMinute)} a minute, on {Math.round(row.onFraction * 100)} %
            </text>
          </g>
        );
      })}
      {[0, 1, 2, 3, 4].map((second) => (
        <text
          key={second}
          x={from + ((to - from) * second) / STRIP_SECONDS}
          y={step * rows.length + 14}
          textAnchor={second === 0 ? 'start' : second === 4 ? 'end' : 'middle'}
          className={classes.tick}
        >
          {second}
          {second === 4 ? ' s' : ''}
        </text>
      ))}
    </svg>
  );
}

function areaOf(strip: LampStrip, from: number, to: number, base: number, brightest: number): string {
  const points = strip.light.map((light, index) => {
    const x = from + ((to - from) * index * STRIP_STEP) / STRIP_SECONDS;
    return `${x.toFixed(1)} ${(base - (ROW - 12) * (light / brightest)).toFixed(1)}`;
  });
  return `M${from} ${base}L${points.join('L')}L${to} ${base}Z`;
}

function inWords(rows: readonly StageStrips[]): string {
  return rows
    .map(
      (row) =>
        `${STAGE_WORDS[row.stage]}: ${Math.round(row.ratePerMinute)} flashes a minute, on ${Math.round(row.onFraction * 100)} % of the time`,
    )
    .join('. ');
}

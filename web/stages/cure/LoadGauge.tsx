import { useElementSize } from '@mantine/hooks';
import { useDeferredValue, useId } from 'react';
import { flasherWords } from '../../../core/devices/flasher.ts';
import { amps, capital, inARow } from '../../../core/formatting/format.ts';
import type { GaugeRow } from '../../../core/judge/loadGauge.ts';
import { watcherOf } from '../../../core/judge/requirements/watch.ts';
import { isTurn } from '../../../core/judge/scenario.ts';
import { VERDICT_WORDS } from '../../../core/judge/states.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { fuseById, turnFuse } from '../../../core/model/vehicle/lookUp.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { type Gauge, useLoadGauge } from '../../workers/useLoadGauge.ts';
import { gaugeScale } from './gaugeScale.ts';
import classes from './LoadGauge.module.css';

const FROM = 56;
const LEAST_WIDTH = 280;

interface Row extends GaugeRow {
  name: string;
  y: number;
}

/** Each row is so high, its band behind it. */
const ROW_HEIGHT = 38;
const BLOCK_HEIGHT = 24;

const NAMES: Record<Configuration, string> = { stock: 'Stock', leds: 'LEDs', cured: 'Cured' };

/**
 * Amps along a line at the supply the slider stands at: what the stock bulbs draw, the band in which the
 * relay may trip, the LEDs, the resistors stacked on, and the fuse at the far end.
 *
 * @param waits the verdict is not there yet, and must not be kept waiting
 */
export function LoadGauge({ circuit, waits }: { circuit: Circuit; waits: boolean }) {
  const { job, shelf, supplyVolts } = useWorkspace();
  const { data, error, isPlaceholderData } = useLoadGauge(job, shelf, circuit.id, supplyVolts, !waits);
  // Drawn in slices, so that the slider is answered first.
  const gauge = useDeferredValue(data);
  if (error) return <p role="alert">What it draws could not be computed: {error.message}</p>;
  // Rows of another circuit under this one's name would be taken for its own.
  if (gauge?.circuitId !== circuit.id) return <div className={classes.waiting} />;
  return <GaugeDrawing circuit={circuit} gauge={gauge} busy={isPlaceholderData} />;
}

interface GaugeDrawingProps {
  circuit: Circuit;
  gauge: Gauge;
  busy: boolean;
}

function GaugeDrawing({ circuit, gauge, busy }: GaugeDrawingProps) {
  const { job } = useDesk();
  const rows = gauge.rows.map(
    (row, index): Row => ({ ...row, name: NAMES[row.configuration], y: 8 + index * ROW_HEIGHT }),
  );
  const { ref, width } = useElementSize();
  const hatch = useId();
  const height = rows.length > 2 ? 146 : 108;
  const fuse =
    circuit.from.by === 'switch' ? fuseById(job.vehicle, circuit.from.fuseId) : turnFuse(job.vehicle);
  const watcher = isTurn(circuit)
    ? flasherWords(job.vehicle.flasher).short
    : watcherOf(job.vehicle, job.vehicle.flasher, circuit);
  const largest = Math.max(...rows.map((row) => Math.max(row.verdict.amps.high, row.verdict.band.highAmps)));
  const drawn = Math.max(LEAST_WIDTH, width);
  const scale = gaugeScale(FROM, drawn, largest, fuse.ratedAmps);
  return (
    <div ref={ref} className={classes.frame} aria-busy={busy}>
      <p className={classes.band}>
        {watcher === null ? (
          circuit.watched === null ? (
            'Nobody has looked whether anything watches this circuit. Something that did would decide in the hatched band.'
          ) : (
            'Nothing watches this circuit: what it draws matters to its fuse alone. Computed'
          )
        ) : (
          <>
            <b>{capital(watcher)} decides somewhere in the hatched band of each row:</b> {bandsInWords(rows)}.
            Computed
          </>
        )}
      </p>
      <svg width={drawn} height={height} role="img" aria-label={inWords(rows, gauge.supplyVolts)}>
        <defs>
          <pattern
            id={hatch}
            width="9"
            height="9"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="9" height="9" fill="var(--slate-bg)" />
            <path d="M0 0v9" stroke="var(--line2)" strokeWidth="2" />
          </pattern>
        </defs>
        {rows
          .filter(({ verdict: { band } }) => band.highAmps > 0)
          .map(({ name, y, verdict: { band } }) => (
            <rect
              key={name}
              x={scale.x(band.lowAmps)}
              y={y - (ROW_HEIGHT - BLOCK_HEIGHT) / 2}
              width={Math.max(2, scale.x(band.highAmps) - scale.x(band.lowAmps))}
              height={ROW_HEIGHT}
              fill={`url(#${hatch})`}
              opacity="0.75"
            />
          ))}
        {rows.map((row) => (
          <GaugeRowDrawing key={row.name} row={row} x={scale.x} narrow={scale.narrow} />
        ))}
        <path d={`M${FROM} ${height - 30}H${scale.breakAt ?? scale.fuseX + 20}`} stroke="var(--line2)" />
        {scale.breakAt !== null && (
          <path
            d={`M${scale.breakAt} ${height - 36}l6 12M${scale.breakAt + 6} ${height - 36}l6 12M${scale.breakAt + 10} ${height - 30}H${scale.fuseX + 18}`}
            stroke="var(--line2)"
            fill="none"
          />
        )}
        {scale.ticks.map((tick) => (
          <g key={tick}>
            <path d={`M${scale.x(tick)} ${height - 30}v6`} stroke="var(--line2)" />
            <text x={scale.x(tick)} y={height - 10} textAnchor="middle" className={classes.text}>
              {tick}
              {tick === scale.ticks.at(-1) ? ' A' : ''}
            </text>
          </g>
        ))}
        <path
          d={`M${scale.fuseX} 6V${height - 28}`}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="7 4"
        />
        <text x={scale.fuseX + 20} y={height - 10} textAnchor="end" className={classes.strong}>
          {fuse.ratedAmps} A fuse
        </text>
      </svg>
    </div>
  );
}

function GaugeRowDrawing({ row, x, narrow }: { row: Row; x(amps: number): number; narrow: boolean }) {
  let sum = 0;
  const { low, nominal, high } = row.verdict.amps;
  return (
    <g>
      <text x="0" y={row.y + 17} className={classes.strong}>
        {row.name}
      </text>
      {row.blocks.map((block, index) => {
        const from = x(sum);
        sum += block.amps;
        const to = x(sum);
        const last = index === row.blocks.length - 1;
        const wide = Math.max(1.5, to - from - 1.5);
        const round = Math.min(10, wide);
        return (
          <g key={block.key}>
            <path
              d={
                last
                  ? `M${from} ${row.y}h${wide - round}q${round} 0 ${round} 12t-${round} 12h-${wide - round}z`
                  : `M${from} ${row.y}h${wide}v24h-${wide}z`
              }
              className={classes.block}
              data-kind={block.kind}
              data-state={row.verdict.state}
            />
            {wide > block.label.length * 6.4 + 10 && (
              <text x={from + 7} y={row.y + 17} className={classes.inside} data-kind={block.kind}>
                {block.label}
              </text>
            )}
          </g>
        );
      })}
      {high - low > 0.005 && (
        <path
          d={`M${x(low)} ${row.y - 4}v32M${x(high)} ${row.y - 4}v32M${x(low)} ${row.y - 2}H${x(high)}`}
          stroke="var(--ink)"
          strokeWidth="1.3"
          fill="none"
        />
      )}
      <text
        x={x(Math.max(high, nominal)) + 8}
        y={row.y + 17}
        className={classes.sum}
        data-state={row.name === 'Stock' ? 'stock' : row.verdict.state}
      >
        {amps(nominal)}
        {high - low > 0.005 && !narrow ? `, at least ${amps(low)}` : ''}
      </text>
    </g>
  );
}

/** The bands in words, rows that share one together. */
function bandsInWords(rows: readonly Row[]): string {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const words = bandWords(row.verdict.band);
    groups.set(words, [...(groups.get(words) ?? []), row]);
  }
  if (groups.size === 1) return [...groups.keys()].join('');
  return [...groups].map(([words, of]) => `${inARow(of.map((row) => row.name))}: ${words}`).join('; ');
}

function bandWords({ lowAmps, highAmps, missingLampId }: Row['verdict']['band']): string {
  if (missingLampId !== '')
    return `${amps(lowAmps)} with the smallest main lamp missing, ${amps(highAmps)} with all lit`;
  return highAmps > 0 ? `from ${amps(highAmps)} it is content` : 'it asks for no current';
}

function inWords(rows: readonly Row[], volts: number): string {
  return `Load gauge at ${volts.toFixed(1)} V. ${rows
    .map(
      (row) =>
        `${row.name}: ${amps(row.verdict.amps.nominal)}, ${VERDICT_WORDS[row.verdict.state].toLowerCase()}`,
    )
    .join('. ')}.`;
}

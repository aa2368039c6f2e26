import { Button } from '@mantine/core';
import { useElementSize } from '@mantine/hooks';
import { memo, useState } from 'react';
import { volts } from '../../../core/formatting/format.ts';
import { flashRule, rateResult } from '../../../core/judge/flashRule.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import type { Controls } from '../../../core/simulation/controls.ts';
import { controlsFor } from '../../../core/simulation/moment.ts';
import {
  type ConfigurationStrips,
  type LampStrip,
  STRIP_SECONDS,
  STRIP_STEP,
} from '../../../core/traces/lampStrips.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { useLampStrips } from '../../workers/useLampStrips.ts';
import classes from './LampStrips.module.css';

const CONFIGURATION_WORDS: Record<Configuration, string> = {
  stock: 'As it is',
  leds: 'LEDs alone',
  cured: 'With the cure',
};
const ROW = 20;
const LABEL = 96;
/** Lamps shown before somebody asks for all. */
const FIRST_SHOWN = 4;

/** Each lit lamp's light over four seconds in the three states: soft filament, hard LED, and how often. */
export function LampStrips({ circuit }: { circuit: Circuit }) {
  const workspace = useWorkspace();
  const { job, shelf, lamp: selected, supplyVolts } = workspace;
  const controls = anythingOn(workspace.controls) ? workspace.controls : controlsFor(circuit);
  const strips = useLampStrips(job, shelf, controls, supplyVolts);
  const flashing = strips.data?.some((each) => each.ratePerMinute !== null) ?? false;
  const { ref, width } = useElementSize();
  const [all, setAll] = useState(false);
  const lamps = litLamps(job.vehicle.lamps, strips.data ?? [], selected);
  const shown = all ? lamps : lamps.slice(0, FIRST_SHOWN);
  return (
    <Card title={`Lamp strips: the first four seconds at ${volts(supplyVolts)}, simulated`}>
      {flashing && <Rates rows={strips.data ?? []} />}
      <div ref={ref} className={classes.frame} aria-busy={strips.isFetching}>
        {strips.error ? (
          <p role="alert">The simulation stopped: {strips.error.message}</p>
        ) : !strips.data ? (
          <p className="faint">Simulating.</p>
        ) : lamps.length === 0 ? (
          <p>No lamp gives light with the driver’s panel as it is. Press a switch.</p>
        ) : (
          width > 0 &&
          shown.map((each) => <Strips key={each.id} lamp={each} rows={strips.data} width={width} />)
        )}
      </div>
      {lamps.length > FIRST_SHOWN && (
        <Button size="xs" variant="subtle" onClick={() => setAll(!all)}>
          {all ? 'Fewer lamps' : `All ${lamps.length} lit lamps`}
        </Button>
      )}
      <p className="faint">
        Height: light against the strongest of the three states.
        {flashing &&
          (strips.data?.[0]?.thresholdAssumed
            ? ' The flasher’s threshold is not known; the middle of its band stands in for it.'
            : ' The flasher obeys the thresholds of this simulated vehicle, which the verdict above does not look at.')}
      </p>
    </Card>
  );
}

/** Rate and on-time of the three states: they are the flasher's, so the same for every lamp. */
function Rates({ rows }: { rows: readonly ConfigurationStrips[] }) {
  const { job } = useDesk();
  const rule = flashRule(job.vehicle.region);
  return (
    <ul className={classes.rates}>
      {rows.map(({ configuration, ratePerMinute, onFraction }) => {
        const wrong = ratePerMinute !== null && rateResult(rule, ratePerMinute, 0) !== 'within';
        return (
          <li key={configuration} data-wrong={wrong}>
            <b>{CONFIGURATION_WORDS[configuration]}</b>{' '}
            {ratePerMinute === null
              ? 'nothing flashes'
              : `${Math.round(ratePerMinute)} a minute, on ${Math.round(onFraction * 100)} %`}
          </li>
        );
      })}
    </ul>
  );
}

/** Drawn anew only for new light: while the slider moves the old strips stay. */
const Strips = memo(function Strips({
  lamp,
  rows,
  width,
}: {
  lamp: Lamp;
  rows: readonly ConfigurationStrips[];
  width: number;
}) {
  const narrow = width < 480;
  const from = narrow ? 0 : LABEL;
  const step = narrow ? ROW + 16 : ROW;
  const strips = rows.map((row) => row.lamps.filter((each) => each.lampId === lamp.id));
  // All states on one scale, or a weak LED would look as bright as a strong one; the strongest fills the row.
  const lumens = (strip: LampStrip) => Math.max(...strip.light) * strip.lumens;
  const brightest = Math.max(1e-3, ...strips.flatMap((each) => each.map(lumens)));
  return (
    <figure className={classes.lamp}>
      <figcaption>{lamp.name}</figcaption>
      <svg
        width={width}
        height={step * rows.length + 16}
        role="img"
        aria-label={`${lamp.name}. ${rows.map((row, index) => inWords(row, strips[index] ?? [])).join('. ')}`}
      >
        {rows.map((row, index) => {
          const base = step * (index + 1) - 2;
          return (
            <g key={row.configuration}>
              <text x="0" y={narrow ? base - ROW + 6 : base - 4} className={classes.name}>
                {CONFIGURATION_WORDS[row.configuration]}
              </text>
              <path d={`M${from} ${base}H${width}`} stroke="var(--line2)" />
              {strips[index]?.map((strip) => (
                <path
                  key={strip.input}
                  d={areaOf(strip, from, width, base, brightest)}
                  fill={`var(--${strip.colour})`}
                  className={classes.light}
                />
              ))}
            </g>
          );
        })}
        {[0, 1, 2, 3, 4].map((second) => (
          <text
            key={second}
            x={from + ((width - from) * second) / STRIP_SECONDS}
            y={step * rows.length + 12}
            textAnchor={second === 0 ? 'start' : second === 4 ? 'end' : 'middle'}
            className={classes.tick}
          >
            {second}
            {second === 4 ? ' s' : ''}
          </text>
        ))}
      </svg>
    </figure>
  );
});

function areaOf(strip: LampStrip, from: number, to: number, base: number, brightest: number): string {
  const tall = (ROW - 5) / brightest;
  const y = strip.light.map((light) => (base - tall * light * strip.lumens).toFixed(1));
  // Where the light stays as it is nothing needs drawing between.
  const turns = y.flatMap((each, index) => (each === y[index - 1] && each === y[index + 1] ? [] : [index]));
  const points = turns.map((index) => {
    const x = from + ((to - from) * index * STRIP_STEP) / STRIP_SECONDS;
    return `${x.toFixed(1)} ${y[index]}`;
  });
  return `M${from} ${base}L${points.join('L')}L${to} ${base}Z`;
}

/** The lamp in hand first, then turn before the rest as the vehicle lists them. */
function litLamps(
  lamps: readonly Lamp[],
  rows: readonly ConfigurationStrips[],
  selected: Lamp | null,
): readonly Lamp[] {
  const lit = new Set(rows.flatMap((row) => row.lamps.map((strip) => strip.lampId)));
  return lamps
    .filter((lamp) => lit.has(lamp.id))
    .toSorted((a, b) => Number(b.id === selected?.id) - Number(a.id === selected?.id));
}

function anythingOn({ key: _, dimmed: __, ...switches }: Controls): boolean {
  return Object.values(switches).some((each) => each !== false && each !== null);
}

function inWords(row: ConfigurationStrips, strips: readonly LampStrip[]): string {
  const state = CONFIGURATION_WORDS[row.configuration];
  if (strips.length === 0) return `${state}: dark`;
  return row.ratePerMinute === null
    ? `${state}: lit`
    : `${state}: ${Math.round(row.ratePerMinute)} flashes a minute, on ${Math.round(row.onFraction * 100)} % of the time`;
}

import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import { degrees, temperature, unitOf } from '../../../core/formatting/units.ts';
import type { HeatLine, HeatVerdict } from '../../../core/heat/useCases.ts';
import { type ChartTheme, useChart } from '../../ui/useChart.ts';
import classes from './HeatCard.module.css';

use([LineChart, GridComponent, LegendComponent, MarkLineComponent, MarkAreaComponent, CanvasRenderer]);

/** Case temperature over time in the cool and on a hot day, with the lines of what burns, softens and melts. */
export default function HeatChart({
  verdicts,
  lines,
}: {
  verdicts: readonly HeatVerdict[];
  lines: readonly HeatLine[];
}) {
  const box = useChart(
    useCallback(
      ({ colour, text }: ChartTheme) => {
        const peak = Math.max(...verdicts.map((verdict) => verdict.peakCaseCelsius));
        const shown = lines.filter((line) => line.celsius < Math.max(120, peak * 1.15));
        const last = verdicts[0]?.curve.at(-1)?.seconds ?? 0;
        return {
          grid: { left: 48, right: 16, top: 46, bottom: 36 },
          legend: { top: 0, left: 0, textStyle: text, itemHeight: 2 },
          xAxis: {
            type: 'value',
            max: last / 60,
            name: 'minutes',
            nameLocation: 'middle',
            nameGap: 22,
            axisLabel: text,
            splitLine: { show: false },
          },
          yAxis: {
            type: 'value',
            min: 0,
            max: Math.ceil(Math.max(120, peak * 1.1) / 20) * 20,
            name: unitOf('temperature'),
            axisLabel: { ...text, formatter: degrees },
            splitLine: { lineStyle: { color: colour('--line') } },
          },
          series: verdicts.map((verdict, index) => ({
            type: 'line',
            name: `case at ${temperature(verdict.ambientCelsius)} around it`,
            showSymbol: false,
            lineStyle: { width: 2, type: index === 0 ? 'dashed' : 'solid', color: colour('--petrol') },
            itemStyle: { color: colour('--petrol') },
            data: verdict.curve.map((point) => [point.seconds / 60, point.caseCelsius]),
            ...(index === 0
              ? {
                  markLine: {
                    silent: true,
                    symbol: 'none',
                    lineStyle: { color: colour('--plum'), type: 'dotted' },
                    label: { position: 'insideEndTop', ...text },
                    // Neighbours stand close: the lower of two has its words under its line.
                    data: shown
                      .toSorted((a, b) => a.celsius - b.celsius)
                      .map((line, index) => ({
                        yAxis: line.celsius,
                        label: {
                          formatter: `${temperature(line.celsius)} ${line.what}`,
                          position: index % 2 === 0 ? 'insideEndBottom' : 'insideEndTop',
                        },
                      })),
                  },
                }
              : {}),
          })),
        };
      },
      [verdicts, lines],
    ),
  );
  const words = verdicts
    .map(
      (verdict) =>
        `${temperature(verdict.peakCaseCelsius)} at ${temperature(verdict.ambientCelsius)} around it`,
    )
    .join(', ');
  return (
    <div ref={box} className={classes.chart} role="img" aria-label={`Case temperature peaks at ${words}`} />
  );
}

import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import { degrees, unitOf } from '../../../core/formatting/units.ts';
import type { HeatCompared } from '../../../core/heat/measured.ts';
import { type ChartTheme, useChart } from '../../ui/useChart.ts';
import classes from './Bench.module.css';

use([LineChart, ScatterChart, GridComponent, LegendComponent, CanvasRenderer]);

/** Readings as points over time, each with what was predicted for it, and with what is predicted now. */
export default function ReadingsChart({
  compared,
  factor,
}: {
  compared: readonly HeatCompared[];
  factor: number;
}) {
  const box = useChart(
    useCallback(
      ({ colour, text }: ChartTheme) => {
        const at = (each: HeatCompared) => each.reading.seconds / 60;
        // The longest is the whole curve; the others lie on one like it.
        const longest = compared.toSorted((a, b) => b.reading.seconds - a.reading.seconds)[0];
        const air = longest?.reading.airCelsius ?? 0;
        const curve = (times: number) =>
          (longest?.curve ?? []).map(({ seconds, caseCelsius }) => [
            seconds / 60,
            air + times * (caseCelsius - air),
          ]);
        return {
          grid: { left: 48, right: 16, top: 56, bottom: 36 },
          legend: { top: 0, left: 0, textStyle: text },
          xAxis: {
            type: 'value',
            name: 'minutes on',
            nameLocation: 'middle',
            nameGap: 22,
            axisLabel: text,
            splitLine: { show: false },
          },
          yAxis: {
            type: 'value',
            name: unitOf('temperature'),
            axisLabel: { ...text, formatter: degrees },
            splitLine: { lineStyle: { color: colour('--line') } },
          },
          series: [
            {
              type: 'scatter',
              name: 'measured',
              symbolSize: 11,
              itemStyle: { color: colour('--plum') },
              data: compared.map((each) => [at(each), each.reading.quantity.value]),
            },
            {
              type: 'line',
              name: 'predicted, typical (estimate)',
              symbol: 'none',
              lineStyle: { color: colour('--petrol'), type: 'dashed' },
              itemStyle: { color: colour('--petrol') },
              data: curve(1),
            },
            {
              type: 'line',
              name: 'predicted now (estimate)',
              symbol: 'none',
              lineStyle: { color: colour('--petrol') },
              itemStyle: { color: colour('--petrol') },
              data: curve(factor),
            },
          ],
        };
      },
      [compared, factor],
    ),
  );
  return (
    <div
      ref={box}
      className={classes.chart}
      role="img"
      aria-label={`${compared.length} temperatures measured, beside what was predicted`}
    />
  );
}

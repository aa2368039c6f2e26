import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import type { DrawnTrace } from '../../../../core/flashmeter/drawn.ts';
import type { Flash } from '../../../../core/flashmeter/reading.ts';
import { type ChartTheme, useChart } from '../../../ui/useChart.ts';
import classes from './FlashMeter.module.css';

use([LineChart, GridComponent, MarkAreaComponent, CanvasRenderer]);

/** A click or tap is drawn so wide, s. */
const MOMENT = 0.03;

/** What was recorded, with the flashes that were found in it shaded. */
export default function TraceChart({ trace, flashes }: { trace: DrawnTrace; flashes: readonly Flash[] }) {
  const box = useChart(
    useCallback(
      ({ colour, text }: ChartTheme) => {
        const first = trace.at[0] ?? 0;
        return {
          grid: { left: 8, right: 12, top: 8, bottom: 34 },
          xAxis: {
            type: 'value',
            min: first,
            max: trace.at.at(-1) ?? 1,
            name: 'seconds',
            nameLocation: 'middle',
            nameGap: 20,
            axisLabel: { ...text, formatter: (value: number) => (value - first).toFixed(0) },
            splitLine: { show: false },
          },
          yAxis: { type: 'value', min: 0, max: 1, show: false },
          series: [
            {
              type: 'line',
              showSymbol: false,
              lineStyle: { width: 1.2, color: colour('--ink') },
              data: trace.at.map((moment, index) => [moment, trace.level[index]]),
              markArea: {
                silent: true,
                itemStyle: { color: colour('--petrol'), opacity: 0.28 },
                data: flashes.map(({ from, until }) => [{ xAxis: from }, { xAxis: until ?? from + MOMENT }]),
              },
            },
          ],
        };
      },
      [trace, flashes],
    ),
  );
  return (
    <div
      ref={box}
      className={classes.trace}
      role="img"
      aria-label={`What was recorded, with ${flashes.length} flashes found`}
    />
  );
}

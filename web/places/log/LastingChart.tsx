import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import type { SurvivalStep } from '../../../core/log/survival.ts';
import { type ChartTheme, useChart } from '../../ui/useChart.ts';
import classes from './Log.module.css';

use([LineChart, GridComponent, LegendComponent, CanvasRenderer]);

/** The share still working by age, in steps, between its limits. */
export default function LastingChart({ steps }: { steps: readonly SurvivalStep[] }) {
  const box = useChart(
    useCallback(
      ({ colour, text }: ChartTheme) => {
        const line = (name: string, of: (step: SurvivalStep) => number, type: 'solid' | 'dashed') => ({
          type: 'line' as const,
          name,
          step: 'end' as const,
          showSymbol: false,
          lineStyle: { width: type === 'solid' ? 2 : 1, type, color: colour('--petrol') },
          itemStyle: { color: colour('--petrol') },
          data: [[0, 100], ...steps.map((step) => [step.at, 100 * of(step)])],
        });
        return {
          grid: { left: 52, right: 16, top: 40, bottom: 40 },
          legend: { top: 0, left: 0, textStyle: text, itemHeight: 2 },
          xAxis: {
            type: 'value',
            min: 0,
            name: 'age, days',
            nameLocation: 'middle',
            nameGap: 24,
            axisLabel: text,
            splitLine: { show: false },
          },
          yAxis: {
            type: 'value',
            min: 0,
            max: 100,
            name: '%',
            axisLabel: text,
            splitLine: { lineStyle: { color: colour('--line') } },
          },
          series: [
            line('still working', ({ survival }) => survival, 'solid'),
            line('95 % limits', ({ low }) => low, 'dashed'),
            line('', ({ high }) => high, 'dashed'),
          ],
        };
      },
      [steps],
    ),
  );
  const last = steps.at(-1);
  return (
    <div
      ref={box}
      className={classes.chart}
      role="img"
      aria-label={
        last
          ? `Share still working by age: ${Math.round(100 * last.survival)} % after ${Math.round(last.at)} days`
          : 'Share still working by age'
      }
    />
  );
}

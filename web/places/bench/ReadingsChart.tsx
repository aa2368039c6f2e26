import { useComputedColorScheme } from '@mantine/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { HeatCompared } from '../../../core/heat/measured.ts';
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
  const box = useRef<HTMLDivElement>(null);
  const scheme = useComputedColorScheme('dark');
  // biome-ignore lint/correctness/useExhaustiveDependencies: a chart takes its colours from the theme when it is made
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const chart = init(element);
    const resized = new ResizeObserver(() => chart.resize());
    resized.observe(element);
    const style = getComputedStyle(element);
    const colour = (name: string) => style.getPropertyValue(name).trim();
    const text = { color: colour('--mute'), fontFamily: 'Barlow', fontSize: 12 };
    const sorted = compared.toSorted((a, b) => a.reading.seconds - b.reading.seconds);
    const at = (each: HeatCompared) => each.reading.seconds / 60;
    chart.setOption({
      animation: false,
      textStyle: text,
      grid: { left: 48, right: 16, top: 40, bottom: 36 },
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
        name: '°C',
        axisLabel: text,
        splitLine: { lineStyle: { color: colour('--line') } },
      },
      series: [
        {
          type: 'scatter',
          name: 'measured',
          symbolSize: 11,
          itemStyle: { color: colour('--plum') },
          data: sorted.map((each) => [at(each), each.reading.quantity.value]),
        },
        {
          type: 'line',
          name: 'predicted, typical (estimate)',
          symbol: 'circle',
          lineStyle: { color: colour('--petrol'), type: 'dashed' },
          itemStyle: { color: colour('--petrol') },
          data: sorted.map((each) => [at(each), each.predictedCelsius]),
        },
        {
          type: 'line',
          name: 'predicted now (estimate)',
          symbol: 'none',
          lineStyle: { color: colour('--petrol') },
          itemStyle: { color: colour('--petrol') },
          data: sorted.map((each) => {
            const { airCelsius } = each.reading;
            return [at(each), airCelsius + factor * (each.predictedCelsius - airCelsius)];
          }),
        },
      ],
    });
    return () => {
      resized.disconnect();
      chart.dispose();
    };
  }, [compared, factor, scheme]);
  return (
    <div
      ref={box}
      className={classes.chart}
      role="img"
      aria-label={`${compared.length} temperatures measured, beside what was predicted`}
    />
  );
}

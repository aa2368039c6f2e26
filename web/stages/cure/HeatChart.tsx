import { useComputedColorScheme } from '@mantine/core';
import { LineChart } from 'echarts/charts';
import { GridComponent, LegendComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components';
import { init, use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import type { HeatLine, HeatVerdict } from '../../../core/heat/useCases.ts';
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
    const peak = Math.max(...verdicts.map((verdict) => verdict.peakCaseCelsius));
    const shown = lines.filter((line) => line.celsius < Math.max(120, peak * 1.15));
    const text = { color: colour('--mute'), fontFamily: 'Barlow', fontSize: 12 };
    const last = verdicts[0]?.curve.at(-1)?.seconds ?? 0;
    chart.setOption(
      {
        animation: false,
        textStyle: text,
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
          name: '°C',
          axisLabel: text,
          splitLine: { lineStyle: { color: colour('--line') } },
        },
        series: verdicts.map((verdict, index) => ({
          type: 'line',
          name: `case at ${verdict.ambientCelsius} °C around it`,
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
                        formatter: `${line.celsius} °C ${line.what}`,
                        position: index % 2 === 0 ? 'insideEndBottom' : 'insideEndTop',
                      },
                    })),
                },
              }
            : {}),
        })),
      },
      { notMerge: true },
    );
    return () => {
      resized.disconnect();
      chart.dispose();
    };
  }, [verdicts, lines, scheme]);
  const words = verdicts
    .map((verdict) => `${Math.round(verdict.peakCaseCelsius)} °C at ${verdict.ambientCelsius} °C around it`)
    .join(', ');
  return (
    <div ref={box} className={classes.chart} role="img" aria-label={`Case temperature peaks at ${words}`} />
  );
}

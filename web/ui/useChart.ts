import { useComputedColorScheme } from '@mantine/core';
import { type ECharts, init } from 'echarts/core';
import { useEffect, useRef } from 'react';

/** What a chart takes from the theme: its colours by name, and its text. */
export interface ChartTheme {
  colour(name: string): string;
  text: { color: string; fontFamily: string; fontSize: number };
}

/**
 * A chart in a box: made anew when the theme or what it shows changes, sized with its box, and taken away with it.
 *
 * @param option of what it shows; the same function for as long as that is the same
 */
export function useChart(option: (theme: ChartTheme) => Parameters<ECharts['setOption']>[0]) {
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
    chart.setOption({ animation: false, textStyle: text, ...option({ colour, text }) }, { notMerge: true });
    return () => {
      resized.disconnect();
      chart.dispose();
    };
  }, [option, scheme]);
  return box;
}

import { useReducedMotion } from '@mantine/hooks';
import { useEffect, useRef } from 'react';
import type { LampTrace, Traces } from '../../../core/traces/traceLamps.ts';
import { lightAt } from '../../../core/traces/waveform.ts';

/** Which light of which lamp: a twin bulb has two. */
export function showKey({ lampId, input }: Pick<LampTrace, 'lampId' | 'input'>): string {
  return `${lampId}:${input}`;
}

/** Called each frame with the light of each filament or string, 1 when rated. */
export type ShowLight = (lights: ReadonlyMap<string, number>, telltaleLit: boolean) => void;

/**
 * Plays the traces in real time, outside React: a frame loop calls `show` with each lamp's light. The
 * clock runs through changes, so that switching between states compares them on one beat. What does not
 * flash is shown once and left; those who asked for less motion get every lamp held at its lit level.
 */
export function useFlash(traces: Traces, show: ShowLight): void {
  const still = useReducedMotion();
  const latest = useRef(show);
  latest.current = show;
  useEffect(() => {
    const lightsBy = (light: (lamp: LampTrace) => number) =>
      new Map(traces.lamps.map((lamp) => [showKey(lamp), light(lamp)]));
    const { periodSeconds, onFraction } = traces;
    if (still || traces.ratePerMinute === null) {
      latest.current(
        lightsBy((lamp) => lamp.steady),
        traces.sides.length > 0,
      );
      return;
    }
    let frame = 0;
    const begin = performance.now();
    const play = (now: number) => {
      const seconds = Math.max(0, now - begin) / 1000;
      latest.current(
        lightsBy((lamp) => lightAt(lamp.waveform, periodSeconds, seconds)),
        (seconds / periodSeconds) % 1 < onFraction,
      );
      frame = requestAnimationFrame(play);
    };
    frame = requestAnimationFrame(play);
    return () => cancelAnimationFrame(frame);
  }, [traces, still]);
}

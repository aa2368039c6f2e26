import { useReducedMotion } from '@mantine/hooks';
import { useEffect, useRef } from 'react';
import { type LampShow, lightAt, type Rehearsal } from '../../../core/rehearsal/rehearse.ts';

/** Which light of which lamp: a twin bulb has two. */
export function showKey({ lampId, input }: Pick<LampShow, 'lampId' | 'input'>): string {
  return `${lampId}:${input}`;
}

/** Called each frame with the light of each filament or string, 1 when rated. */
export type ShowLight = (lights: ReadonlyMap<string, number>, telltaleLit: boolean) => void;

/**
 * Plays a rehearsal in real time, outside React: a frame loop calls `show` with each lamp's light. The
 * clock runs through changes, so that switching between states compares them on one beat. What does not
 * flash is shown once and left; those who asked for less motion get every lamp held at its lit level.
 */
export function useFlash(rehearsal: Rehearsal, show: ShowLight): void {
  const still = useReducedMotion();
  const latest = useRef(show);
  latest.current = show;
  useEffect(() => {
    const lightsBy = (light: (lamp: LampShow) => number) =>
      new Map(rehearsal.lamps.map((lamp) => [showKey(lamp), light(lamp)]));
    const { periodSeconds, onFraction } = rehearsal;
    if (still || rehearsal.ratePerMinute === null) {
      latest.current(
        lightsBy((lamp) => lamp.steady),
        rehearsal.sides.length > 0,
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
  }, [rehearsal, still]);
}

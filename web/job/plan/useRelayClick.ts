import { useEffect } from 'react';
import type { Traces } from '../../../core/traces/traceLamps.ts';

/** Two clicks a flash, as a relay gives: the closing one lower, the opening one higher, Hz. */
const CLOSING = 1400;
const OPENING = 1900;

/** Clicks with the flasher while sound is on. Off until asked for: a browser would refuse it anyway. */
export function useRelayClick({ ratePerMinute, periodSeconds, onFraction }: Traces, sound: boolean): void {
  useEffect(() => {
    if (!sound || ratePerMinute === null) return;
    const audio = new AudioContext();
    let closed = false;
    let timer: ReturnType<typeof setTimeout>;
    const tick = () => {
      closed = !closed;
      click(audio, closed ? CLOSING : OPENING);
      timer = setTimeout(tick, 1000 * periodSeconds * (closed ? onFraction : 1 - onFraction));
    };
    tick();
    return () => {
      clearTimeout(timer);
      audio.close().catch(() => {
        // Already closed with its page.
      });
    };
  }, [sound, ratePerMinute, periodSeconds, onFraction]);
}

/** A contact's click: a few milliseconds of a damped tone. */
function click(audio: AudioContext, hertz: number): void {
  const tone = audio.createOscillator();
  const fade = audio.createGain();
  const now = audio.currentTime;
  tone.type = 'triangle';
  tone.frequency.value = hertz;
  fade.gain.setValueAtTime(0.25, now);
  fade.gain.exponentialRampToValueAtTime(1e-3, now + 0.02);
  tone.connect(fade).connect(audio.destination);
  tone.start(now);
  tone.stop(now + 0.025);
}

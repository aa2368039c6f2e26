import { useCallback, useEffect, useRef, useState } from 'react';
import type { Sound } from '../../../../core/flashmeter/onsets.ts';
import workletUrl from './clickRecorder.worklet.ts?worker&url';
import { askForMedia, mediaTrouble, stopMedia } from './media.ts';

/** Longest recording, s: thirty flashes of the slowest. */
const LONGEST = 40;
/** It is read anew so often while it is heard, ms. */
const EVERY = 1200;

/** Whatever a browser does to speech would eat the clicks. */
const PLAIN: MediaTrackConstraints = {
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
  channelCount: 1,
};

interface Heard {
  context: AudioContext;
  stream: MediaStream;
  parts: Float32Array[];
  length: number;
  timer: ReturnType<typeof setInterval>;
}

/** Listens to a relay until it is stopped; what it heard is kept in memory for the reading and dropped with it. */
export function useMicrophone(onSound: (sound: Sound) => void) {
  const [listening, setListening] = useState(false);
  const [seconds, setSeconds] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const heard = useRef<Heard | null>(null);
  const tell = useRef(onSound);
  tell.current = onSound;
  const stop = useCallback(() => {
    const now = heard.current;
    heard.current = null;
    setListening(false);
    if (!now) return;
    clearInterval(now.timer);
    stopMedia(now.stream);
    now.context.close().catch(() => {
      // It was closed before: there is nothing left to free.
    });
    if (now.length > 0) tell.current(soundOf(now));
  }, []);
  const start = useCallback(async () => {
    setTrouble(null);
    let stream: MediaStream | null = null;
    try {
      stream = await askForMedia({ audio: PLAIN });
      const context = new AudioContext();
      await context.audioWorklet.addModule(workletUrl);
      const source = context.createMediaStreamSource(stream);
      const recorder = new AudioWorkletNode(context, 'click-recorder', { numberOfOutputs: 0 });
      const now: Heard = { context, stream, parts: [], length: 0, timer: setInterval(() => beat(), EVERY) };
      const beat = () => {
        const { sampleRate } = context;
        setSeconds(Math.round(now.length / sampleRate));
        if (now.length > LONGEST * sampleRate) stop();
        else if (now.length > 3 * sampleRate) tell.current(soundOf(now));
      };
      recorder.port.onmessage = ({ data }: MessageEvent<Float32Array>) => {
        now.parts.push(data);
        now.length += data.length;
      };
      source.connect(recorder);
      heard.current = now;
      setSeconds(0);
      setListening(true);
    } catch (error) {
      stopMedia(stream);
      setTrouble(mediaTrouble(error, 'microphone'));
    }
  }, [stop]);
  useEffect(() => stop, [stop]);
  return { listening, seconds, trouble, start, stop };
}

function soundOf({ context, parts, length }: Heard): Sound {
  const samples = new Float32Array(length);
  let at = 0;
  for (const part of parts) {
    samples.set(part, at);
    at += part.length;
  }
  return { samplesPerSecond: context.sampleRate, samples };
}

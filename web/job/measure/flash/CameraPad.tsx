import { Button } from '@mantine/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import classes from './FlashMeter.module.css';
import { askForMedia, mediaTrouble, stopMedia } from './media.ts';
import { MIDDLE, PatchBox } from './PatchBox.tsx';
import type { useFlashReading } from './useFlashReading.ts';
import { usePatchMeter } from './usePatchMeter.ts';

/** It is read anew so often while it films, ms. */
const EVERY = 1000;
/** Frame rates that are asked for: the second settles what the first leaves open. */
const FRAME_RATES = [30, 24] as const;

/** The lamp before the camera: a patch dragged onto it, its brightness frame by frame. */
export function CameraPad({ flash }: { flash: ReturnType<typeof useFlashReading> }) {
  const video = useRef<HTMLVideoElement>(null);
  const stream = useRef<MediaStream | null>(null);
  const [patch, setPatch] = useState(MIDDLE);
  const [state, setState] = useState<'off' | 'on' | 'filming'>('off');
  const [trouble, setTrouble] = useState<string | null>(null);
  const { start: film, stop: rest, series } = usePatchMeter(video, patch);
  const { read, waitsForSecond } = flash;
  const close = useCallback(() => {
    rest();
    stopMedia(stream.current);
    stream.current = null;
    setState('off');
  }, [rest]);
  useEffect(() => close, [close]);
  const open = async () => {
    setTrouble(null);
    try {
      const frameRate = { ideal: FRAME_RATES[waitsForSecond ? 1 : 0] };
      stream.current = await askForMedia({
        video: { facingMode: { ideal: 'environment' }, width: { ideal: 640 }, frameRate },
      });
      const picture = video.current;
      if (!picture) return close();
      picture.srcObject = stream.current;
      await picture.play();
      setState('on');
    } catch (error) {
      close();
      setTrouble(mediaTrouble(error, 'camera'));
    }
  };
  const look = useCallback(() => {
    const taken = series();
    if (taken.at.length > 40) read({ kind: 'levels', series: taken });
  }, [read, series]);
  useEffect(() => {
    if (state !== 'filming') return;
    const timer = setInterval(look, EVERY);
    return () => clearInterval(timer);
  }, [state, look]);
  return (
    <div className={classes.pad}>
      <p className={classes.hint}>
        Prop the phone up, drag the frame onto the lamp alone, and film ten flashes. Nothing is kept but the
        brightness of the frame.
      </p>
      <div hidden={state === 'off'}>
        <PatchBox patch={patch} change={setPatch}>
          <video ref={video} muted playsInline className={classes.video} aria-label="Camera" />
        </PatchBox>
      </div>
      <div className={classes.buttons}>
        {state === 'off' && (
          <Button size="lg" onClick={open}>
            Open the camera
          </Button>
        )}
        {state === 'on' && (
          <Button
            size="lg"
            onClick={() => {
              film();
              setState('filming');
            }}
          >
            Film the flash
          </Button>
        )}
        {state === 'filming' && (
          <Button
            size="lg"
            variant="default"
            onClick={() => {
              rest();
              look();
              setState('on');
            }}
          >
            Stop
          </Button>
        )}
        {state !== 'off' && (
          <Button size="lg" variant="default" onClick={close}>
            Close the camera
          </Button>
        )}
      </div>
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </div>
  );
}

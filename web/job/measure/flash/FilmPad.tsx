import { Button } from '@mantine/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import classes from './FlashMeter.module.css';
import { MIDDLE, PatchBox } from './PatchBox.tsx';
import type { useFlashReading } from './useFlashReading.ts';
import { usePatchMeter } from './usePatchMeter.ts';

/** A film out of a file, played once while a patch of it is measured. */
export function FilmPad({ file, flash }: { file: File; flash: ReturnType<typeof useFlashReading> }) {
  const video = useRef<HTMLVideoElement>(null);
  const [patch, setPatch] = useState(MIDDLE);
  const [playing, setPlaying] = useState(false);
  const [played, setPlayed] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { start, stop, series } = usePatchMeter(video, patch);
  const { read } = flash;
  const address = useMemo(() => URL.createObjectURL(file), [file]);
  useEffect(() => () => URL.revokeObjectURL(address), [address]);
  const look = useCallback(() => {
    const taken = series();
    if (taken.at.length > 20) read({ kind: 'levels', series: taken });
  }, [read, series]);
  const end = useCallback(() => {
    stop();
    video.current?.pause();
    setPlaying(false);
    look();
  }, [stop, look]);
  const play = async () => {
    const film = video.current;
    if (!film) return;
    film.currentTime = 0;
    start();
    try {
      await film.play();
      setPlaying(true);
    } catch (error) {
      stop();
      setTrouble((error as Error).message);
    }
  };
  return (
    <>
      <PatchBox patch={patch} change={setPatch}>
        <video
          ref={video}
          src={address}
          muted
          playsInline
          className={classes.video}
          aria-label="Film"
          onEnded={end}
          onTimeUpdate={({ currentTarget: { currentTime, duration } }) => setPlayed(currentTime / duration)}
          onError={() => setTrouble('This browser cannot play the film. Save it as MP4 or WebM, or as Y4M.')}
        />
      </PatchBox>
      <div className={classes.buttons}>
        <Button size="lg" onClick={playing ? end : play} variant={playing ? 'default' : 'filled'}>
          {playing ? `Stop, ${Math.round(100 * played)} % played` : 'Measure the patch'}
        </Button>
      </div>
      <p className="faint">
        Drag the frame onto the lamp first. The film is played once, as fast as it was taken.
      </p>
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </>
  );
}

import { Button, Textarea } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { type ParcelCode, readCode } from '../../../core/handoff/parcel.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './HandOff.module.css';

/** A picture is looked at so often, ms. */
const LOOK_EVERY = 250;

/** The code of another device: by camera, or typed. */
export function ByCode({ take }: { take(code: ParcelCode): void }) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const [scanning, setScanning] = useState(false);
  const read = (code: string) => {
    try {
      take(readCode(code));
    } catch (error) {
      setSaid((error as Error).message);
    }
  };
  return (
    <Card title="From another device on this network" heading="h2">
      <div className={classes.cards}>
        <Textarea
          label="Number and twelve words"
          description="as they stand on the other device"
          autosize
          minRows={2}
          maxLength={300}
          value={text}
          error={said}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setSaid(null);
          }}
        />
        {scanning && (
          <Scanner
            found={(code) => {
              setScanning(false);
              read(code);
            }}
            failed={(problem) => {
              setScanning(false);
              setSaid(problem);
            }}
          />
        )}
        <div className={classes.actions}>
          <Button disabled={text.trim() === ''} onClick={() => read(text)}>
            Fetch it
          </Button>
          <Button variant="default" onClick={() => setScanning(!scanning)}>
            {scanning ? 'Stop the camera' : 'Scan the code'}
          </Button>
        </div>
      </div>
    </Card>
  );
}

/** Looks at what the camera sees until there is a code of ours in it. */
function Scanner({ found, failed }: { found(code: string): void; failed(problem: string): void }) {
  const video = useRef<HTMLVideoElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: one camera for as long as it is shown
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setInterval> | undefined;
    let over = false;
    const look = async () => {
      const [{ default: jsQR }] = await Promise.all([import('jsqr')]);
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      const seen = video.current;
      if (over || !seen) return stop();
      seen.srcObject = stream;
      await seen.play();
      const canvas = document.createElement('canvas');
      const paper = canvas.getContext('2d', { willReadFrequently: true });
      timer = setInterval(() => {
        if (!paper || seen.videoWidth === 0) return;
        canvas.width = seen.videoWidth;
        canvas.height = seen.videoHeight;
        paper.drawImage(seen, 0, 0);
        const { data } = paper.getImageData(0, 0, canvas.width, canvas.height);
        const code = jsQR(data, canvas.width, canvas.height);
        if (code?.data.startsWith('VUMBLE ')) found(code.data);
      }, LOOK_EVERY);
    };
    const stop = () => {
      over = true;
      clearInterval(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
    if (!navigator.mediaDevices)
      failed('This page may not use the camera: it wants https, or this very machine. Type the code.');
    else
      look().catch(() => failed('The camera could not be opened: allow it for this page, or type the code.'));
    return stop;
  }, []);
  return <video ref={video} className={classes.camera} muted playsInline aria-label="What the camera sees" />;
}

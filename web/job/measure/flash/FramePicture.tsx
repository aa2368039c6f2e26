import { useEffect, useRef } from 'react';
import classes from './FlashMeter.module.css';

/** The first frame of an uncompressed film, in grey. */
export function FramePicture({
  picture: { width, height, luma },
}: {
  picture: { width: number; height: number; luma: Uint8Array };
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(width, height);
    luma.forEach((value, at) => {
      image.data.set([value, value, value, 255], 4 * at);
    });
    context.putImageData(image, 0, 0);
  }, [width, height, luma]);
  return (
    <canvas ref={canvas} width={width} height={height} className={classes.video} aria-label="First frame" />
  );
}

import { type RefObject, useCallback, useEffect, useRef } from 'react';
import type { Series } from '../../../../core/flashmeter/series.ts';
import type { Patch } from '../../../../core/formats/frames.ts';

/** A patch is looked at in so many pixels across: its mean needs no more. */
const SIDE = 24;
/** Longest recording, s. */
const LONGEST = 40;

/** How bright some pixels are together, 0 to 255 (luma of ITU-R BT.709). */
function brightness({ data }: ImageData): number {
  let sum = 0;
  for (let at = 0; at < data.length; at += 4)
    sum += 0.2126 * (data[at] ?? 0) + 0.7152 * (data[at + 1] ?? 0) + 0.0722 * (data[at + 2] ?? 0);
  return (4 * sum) / data.length;
}

/**
 * The brightness of a patch of a moving picture, frame by frame as the picture gives them, with the time each frame has. Frames
 * that are dropped on a busy machine leave a gap and move nothing.
 */
export function usePatchMeter(video: RefObject<HTMLVideoElement | null>, patch: Patch) {
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const taken = useRef<{ at: number[]; values: number[] }>({ at: [], values: [] });
  const asked = useRef<number | null>(null);
  const where = useRef(patch);
  where.current = patch;
  const stop = useCallback(() => {
    if (asked.current !== null) video.current?.cancelVideoFrameCallback(asked.current);
    asked.current = null;
  }, [video]);
  const start = useCallback(() => {
    stop();
    taken.current = { at: [], values: [] };
    canvas.current ??= Object.assign(document.createElement('canvas'), { width: SIDE, height: SIDE });
    const context = canvas.current.getContext('2d', { willReadFrequently: true });
    const frame: VideoFrameRequestCallback = (_, { mediaTime }) => {
      const picture = video.current;
      if (!picture || !context) return;
      const { left, top, width, height } = where.current;
      const [w, h] = [picture.videoWidth, picture.videoHeight];
      context.drawImage(
        picture,
        left * w,
        top * h,
        Math.max(1, width * w),
        Math.max(1, height * h),
        0,
        0,
        SIDE,
        SIDE,
      );
      const { at, values } = taken.current;
      if (mediaTime > (at.at(-1) ?? Number.NEGATIVE_INFINITY)) {
        at.push(mediaTime);
        values.push(brightness(context.getImageData(0, 0, SIDE, SIDE)));
      }
      if (mediaTime - (at[0] ?? mediaTime) < LONGEST)
        asked.current = picture.requestVideoFrameCallback(frame);
    };
    asked.current = video.current?.requestVideoFrameCallback(frame) ?? null;
  }, [stop, video]);
  const series = useCallback(
    (): Series => ({
      at: Float64Array.from(taken.current.at),
      values: Float64Array.from(taken.current.values),
    }),
    [],
  );
  useEffect(() => stop, [stop]);
  return { start, stop, series };
}

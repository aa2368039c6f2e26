import type { Series } from '../flashmeter/series.ts';

/** Larger than a recording of ten flashes needs to be, bytes. */
export const FRAMES_MAX_BYTES = 400 * 1024 * 1024;

/** A patch of a picture: shares of its width and height, 0 to 1, from the upper left. */
export interface Patch {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Uncompressed frames: brightness alone is looked at. */
export interface Frames {
  width: number;
  height: number;
  framesPerSecond: number;
  count: number;
  /** brightness of a frame, one byte a pixel, row by row */
  luma(frame: number): Uint8Array;
}

export type FramesResult = { ok: true; frames: Frames } | { ok: false; problem: string };

const FRAME = 'FRAME';

/**
 * Reads uncompressed video (YUV4MPEG2): a line of text with size and frame rate, then each frame after a line `FRAME`.
 *
 * Source of the format: YUV4MPEG2 as the mjpegtools write it, from memory.
 */
export function readFrames(bytes: Uint8Array): FramesResult {
  const wrong = (problem: string): FramesResult => ({ ok: false, problem });
  if (bytes.length > FRAMES_MAX_BYTES) return wrong('The film is over 400 MB. Cut it to ten flashes.');
  const end = bytes.subarray(0, 512).indexOf(10);
  const head = end < 0 ? '' : new TextDecoder('latin1').decode(bytes.subarray(0, end));
  const [magic, ...fields] = head.split(' ');
  if (magic !== 'YUV4MPEG2') return wrong('This is no uncompressed film (Y4M).');
  const field = (key: string) => fields.find((each) => each.startsWith(key))?.slice(1) ?? '';
  const [width, height] = [Number(field('W')), Number(field('H'))];
  const [above, below] = field('F').split(':').map(Number);
  const framesPerSecond = (above ?? 0) / (below ?? 1);
  const colour = field('C') || '420jpeg';
  const chroma = /^420/.test(colour)
    ? 0.5
    : /^422/.test(colour)
      ? 1
      : /^444/.test(colour)
        ? 2
        : /^mono/.test(colour)
          ? 0
          : null;
  const sound = (side: number) => Number.isInteger(side) && side >= 2 && side <= 8192;
  if (
    !sound(width) ||
    !sound(height) ||
    !(framesPerSecond >= 1 && framesPerSecond <= 1000) ||
    chroma === null ||
    /p1[0-6]/.test(colour)
  )
    return wrong(
      'The film’s first line gives no size, rate or colours that can be read. Save it as Y4M of 8 bits.',
    );
  const size = width * height;
  const frameBytes =
    size + Math.round(chroma === 0.5 ? 2 * Math.ceil(width / 2) * Math.ceil(height / 2) : chroma * size);
  const starts: number[] = [];
  let at = end + 1;
  while (at + FRAME.length < bytes.length) {
    const line = bytes.subarray(at, at + 128).indexOf(10);
    if (line < 0 || new TextDecoder('latin1').decode(bytes.subarray(at, at + FRAME.length)) !== FRAME)
      return wrong(`The film breaks off: frame ${starts.length + 1} does not begin with FRAME.`);
    at += line + 1;
    if (at + frameBytes > bytes.length) break;
    starts.push(at);
    at += frameBytes;
  }
  if (starts.length === 0) return wrong('There is no whole frame in this film.');
  return {
    ok: true,
    frames: {
      width,
      height,
      framesPerSecond,
      count: starts.length,
      luma: (frame) => bytes.subarray(starts[frame] ?? 0, (starts[frame] ?? 0) + size),
    },
  };
}

/** The mean brightness of a patch, frame by frame, 0 to 255. */
export function patchBrightness(
  { width, height, framesPerSecond, count, luma }: Frames,
  patch: Patch,
): Series {
  const [left, top] = [Math.floor(patch.left * width), Math.floor(patch.top * height)];
  const right = Math.min(width, Math.max(left + 1, Math.ceil((patch.left + patch.width) * width)));
  const bottom = Math.min(height, Math.max(top + 1, Math.ceil((patch.top + patch.height) * height)));
  const values = Float64Array.from({ length: count }, (_, frame) => {
    const pixels = luma(frame);
    let sum = 0;
    for (let row = top; row < bottom; row++)
      for (let column = left; column < right; column++) sum += pixels[row * width + column] ?? 0;
    return sum / ((right - left) * (bottom - top));
  });
  return { at: Float64Array.from({ length: count }, (_, frame) => frame / framesPerSecond), values };
}

/** Frames of brightness alone, as uncompressed video that any player of Y4M shows. */
export function writeFrames(
  { width, height }: { width: number; height: number },
  framesPerSecond: number,
  frames: readonly Uint8Array[],
): Uint8Array {
  const text = new TextEncoder();
  const head = text.encode(
    `YUV4MPEG2 W${width} H${height} F${Math.round(framesPerSecond * 1000)}:1000 Ip A1:1 C420jpeg\n`,
  );
  const mark = text.encode(`${FRAME}\n`);
  const chroma = new Uint8Array(2 * Math.ceil(width / 2) * Math.ceil(height / 2)).fill(128);
  const out = new Uint8Array(head.length + frames.length * (mark.length + width * height + chroma.length));
  let at = 0;
  const put = (bytes: Uint8Array) => {
    out.set(bytes, at);
    at += bytes.length;
  };
  put(head);
  for (const frame of frames) {
    put(mark);
    put(frame.subarray(0, width * height));
    put(chroma);
  }
  return out;
}

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { patchBrightness, readFrames, writeFrames } from './frames.ts';
import { readRecording } from './recording.ts';
import { readTraceCsv, traceCsv } from './traceCsv.ts';
import { readWav, writeWav } from './wav.ts';

const text = (words: string) => new TextEncoder().encode(words);
function columnsOf(csv: string) {
  const read = readTraceCsv(csv);
  if (!read.ok) throw new Error(read.problem);
  return read.columns;
}
const lines = (count: number, line: (index: number) => string) =>
  Array.from({ length: count }, (_, index) => line(index)).join('\n');

describe('a WAV file', () => {
  it('comes back as it was written, to a step of its 16 bits', () => {
    const samples = Float32Array.from({ length: 4000 }, (_, index) => 0.8 * Math.sin(index / 9));
    const read = readWav(writeWav({ samplesPerSecond: 8000, samples }));
    if (!read.ok) throw new Error(read.problem);
    expect(read.sound.samplesPerSecond).toBe(8000);
    expect(read.sound.samples).toHaveLength(4000);
    read.sound.samples.forEach((sample, index) =>
      expect(Math.abs(sample - (samples[index] ?? 0))).toBeLessThan(2 / 32_768),
    );
  });

  it('begins as RIFF WAVE says', () => {
    const bytes = writeWav({ samplesPerSecond: 8000, samples: new Float32Array(10) });
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    expect(new TextDecoder().decode(bytes.subarray(0, 4))).toBe('RIFF');
    expect(new TextDecoder().decode(bytes.subarray(8, 16))).toBe('WAVEfmt ');
    expect([view.getUint16(20, true), view.getUint16(22, true), view.getUint32(24, true)]).toEqual([
      1, 1, 8000,
    ]);
  });

  it('that is none, or too short, or too coarse says what to do', () => {
    expect(readWav(text('RIFFxxxxWAVE'))).toMatchObject({ ok: false });
    expect(readWav(writeWav({ samplesPerSecond: 800, samples: new Float32Array(100) }))).toMatchObject({
      ok: false,
      problem: expect.stringContaining('800 samples'),
    });
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (noise) => {
        const read = readRecording(Uint8Array.from([...text('RIFF'), ...noise]));
        expect(read.ok).toBe(false);
      }),
      { numRuns: 200, seed: 3 },
    );
  });
});

describe('a table of a scope or logger', () => {
  it.each([
    ['time,volts\n', ',', 1],
    ['Time (ms);Channel A\n(ms);(V)\n', ';', 1e-3],
    ['t [us]\tCH1\n', '\t', 1e-6],
    ['Model,Invented 7\nRate,100\ntime_ms,feed\n', ',', 1e-3],
    ['', ',', 1],
  ])('under %j is read in seconds', (head, delimiter, seconds) => {
    const csv = head + lines(20, (index) => `${index * 10}${delimiter}${index % 2 ? 12.5 : 0.25}`);
    const [column] = columnsOf(csv);
    expect(column?.series.at).toHaveLength(20);
    expect(column?.series.at[3]).toBeCloseTo(30 * seconds, 9);
    expect(column?.series.values[3]).toBe(12.5);
  });

  it('comes back as it was written', () => {
    const series = {
      at: Float64Array.from({ length: 12 }, (_, at) => at / 30),
      values: Float64Array.from({ length: 12 }, (_, at) => at % 5),
    };
    const [column] = columnsOf(traceCsv(series, 'brightness'));
    expect(column?.name).toBe('brightness');
    expect([...(column?.series.values ?? [])]).toEqual([...series.values]);
    column?.series.at.forEach((moment, at) => expect(moment).toBeCloseTo(series.at[at] ?? 0, 3));
  });

  it('knows a decimal comma', () => {
    const [column] = columnsOf(`Zeit;Spannung\n${lines(10, (index) => `0,${index + 10};12,${index}`)}`);
    expect(column).toMatchObject({ name: 'Spannung' });
    expect(column?.series.at[2]).toBeCloseTo(0.12, 9);
    expect(column?.series.values[2]).toBeCloseTo(12.2, 9);
  });

  it('leaves out lines that cannot be read or go back in time, and counts them', () => {
    const read = readTraceCsv(
      `s,V\n${lines(12, (index) => (index === 4 ? 'lost,sync' : index === 7 ? '1,3' : `${index},${index}`))}`,
    );
    expect(read).toMatchObject({ ok: true, skipped: 2 });
  });

  it('takes the column that is asked for, and says which there are', () => {
    const csv = text(`time,rate,left,right\n${lines(12, (index) => `${index},7,${index % 2},${index % 3}`)}`);
    expect(readRecording(csv)).toMatchObject({ ok: true, column: 'left' });
    expect(readRecording(csv, 'right')).toMatchObject({ ok: true, column: 'right' });
    expect(readRecording(csv, 'rear')).toMatchObject({
      problem: expect.stringContaining('rate, left, right'),
    });
  });

  it.each(['', 'hello', 'a,b\nc,d', '1\n2\n3', '\u0000'])('that is %j is no table, and says so', (csv) => {
    expect(readRecording(text(csv)).ok).toBe(false);
  });
});

describe('a film', () => {
  const frames = [20, 200, 20].map((level) => new Uint8Array(8 * 6).fill(level));

  it('comes back frame by frame, and its patch has the brightness it was given', () => {
    const half = frames.map((frame) => frame.map((value, index) => (index % 8 < 4 ? value : 90)));
    const read = readFrames(writeFrames({ width: 8, height: 6 }, 29.97, half));
    if (!read.ok) throw new Error(read.problem);
    expect(read.frames).toMatchObject({ width: 8, height: 6, count: 3, framesPerSecond: 29.97 });
    const left = patchBrightness(read.frames, { left: 0, top: 0, width: 0.5, height: 1 });
    expect([...left.values]).toEqual([20, 200, 20]);
    expect(left.at[2]).toBeCloseTo(2 / 29.97, 6);
    const right = patchBrightness(read.frames, { left: 0.5, top: 0.5, width: 0.5, height: 0.5 });
    expect([...right.values]).toEqual([90, 90, 90]);
  });

  it.each([
    'YUV4MPEG2 W0 H0 F30:1\n',
    'YUV4MPEG2 W8 H6 F30:1\nnothing here',
    'YUV4MPEG2 W8 H6 F30:1 C420p10\n',
    'YUV4MPEG2',
  ])('of %j is refused in a line', (head) =>
    expect(readRecording(text(head))).toMatchObject({ ok: false, problem: expect.stringMatching(/\.$/) }),
  );
});

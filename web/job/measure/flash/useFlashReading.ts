import { useCallback, useRef, useState } from 'react';
import type { About } from '../../../../core/flashmeter/levels.ts';
import type { Recording } from '../../../../core/flashmeter/readFlash.ts';
import { confirmed, withSecondFrameRate } from '../../../../core/flashmeter/settle.ts';
import type { Patch } from '../../../../core/formats/frames.ts';
import { saveFile } from '../../../ui/saveTextFile.ts';
import { flashes, stopReadingFlashes } from '../../../workers/flash.ts';
import type { FlashResult } from '../../../workers/flash.worker.ts';

interface State {
  result: FlashResult | null;
  busy: boolean;
  trouble: string | null;
  looked: boolean;
}
const NOTHING: State = { result: null, busy: false, trouble: null, looked: false };

/** Reads recordings in the worker; a later one overtakes an earlier, and a second frame rate settles what the first left open. */
export function useFlashReading(about: About) {
  const [state, setState] = useState<State>(NOTHING);
  const asked = useRef(0);
  const inDoubt = useRef<FlashResult | null>(null);
  // What was recorded is held while its reading is shown, and dropped with it.
  const recorded = useRef<Recording | null>(null);
  const run = useCallback(async (work: () => Promise<FlashResult | string>) => {
    const mine = ++asked.current;
    setState((before) => ({ ...before, busy: true, trouble: null }));
    try {
      const result = await work();
      if (mine !== asked.current) return;
      if (typeof result === 'string') setState({ ...NOTHING, trouble: result });
      else setState({ ...NOTHING, result: settled(result, inDoubt.current) });
    } catch (error) {
      if (mine === asked.current) setState({ ...NOTHING, trouble: (error as Error).message });
    }
  }, []);
  const { pulsed } = about;
  const read = useCallback(
    (recording: Recording) => {
      recorded.current = recording;
      return run(() => flashes().read(recording, { pulsed }));
    },
    [run, pulsed],
  );
  const readFile = useCallback(
    (file: File, column: string | null, patch: Patch) =>
      run(() => flashes().readFile(file, { about: { pulsed }, column, patch })),
    [run, pulsed],
  );
  const cancel = useCallback(() => {
    asked.current += 1;
    stopReadingFlashes();
    setState(NOTHING);
  }, []);
  const clear = useCallback(() => {
    asked.current += 1;
    inDoubt.current = null;
    recorded.current = null;
    setState(NOTHING);
  }, []);
  /** Hands the recording over as a file: nothing is kept of it unless somebody asks. */
  const save = useCallback(async () => {
    const file = recorded.current && (await flashes().file(recorded.current));
    if (file) saveFile(file);
  }, []);
  /** Keeps what is in doubt, for a second recording at another frame rate. */
  const again = useCallback(() => {
    asked.current += 1;
    inDoubt.current = state.result;
    setState(NOTHING);
  }, [state.result]);
  /** One look said which of several it is. */
  const confirm = useCallback((index: number) => {
    setState((before) =>
      before.result
        ? {
            ...before,
            looked: true,
            result: { ...before.result, reading: confirmed(before.result.reading, index) },
          }
        : before,
    );
  }, []);
  return {
    ...state,
    waitsForSecond: inDoubt.current !== null,
    read,
    readFile,
    cancel,
    clear,
    again,
    confirm,
    save,
    canSave: recorded.current !== null,
  };
}

function settled(result: FlashResult, before: FlashResult | null): FlashResult {
  if (!before?.samplesPerSecond || !result.samplesPerSecond) return result;
  const reading = withSecondFrameRate(before.reading, result.reading, [
    before.samplesPerSecond,
    result.samplesPerSecond,
  ]);
  // What the first left open the second may have settled: then it is drawn with the second's flashes.
  return reading.kind === 'either'
    ? result
    : { ...result, reading: { ...reading, flashes: result.reading.flashes } };
}

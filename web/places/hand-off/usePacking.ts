import { proxy } from 'comlink';
import { useState } from 'react';
import type { Wanted } from '../../store/handOff/packing.ts';
import { saveFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { handOff, stopHandOff } from '../../workers/handOff.ts';

/** How far the packing has come. */
export interface Packing {
  done: number;
  of: number;
}

/** Makes a pack and hands it to the browser to save, with how far it is; it can be stopped. */
export function usePacking() {
  const [packing, setPacking] = useState<Packing | null>(null);
  const make = async (wanted: Wanted, use: (bytes: Uint8Array) => void | Promise<void>): Promise<boolean> => {
    setPacking({ done: 0, of: 0 });
    try {
      const worker = await handOff();
      const bytes = await worker.pack(
        wanted,
        proxy((done: number, of: number) => setPacking({ done, of })),
      );
      await use(bytes);
      return true;
    } catch (error) {
      tellTrouble(error as Error);
      return false;
    } finally {
      setPacking(null);
    }
  };
  const save = (wanted: Wanted, name: string) =>
    make(wanted, (bytes) => saveFile(new File([bytes as BlobPart], name, { type: 'application/zip' })));
  const stop = () => {
    stopHandOff();
    setPacking(null);
  };
  return { packing, make, save, stop };
}

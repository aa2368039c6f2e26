import { Button } from '@mantine/core';
import type { Packing } from './usePacking.ts';

/** How far a pack is, and how to stop it. */
export function PackingState({ packing, stop }: { packing: Packing | null; stop(): void }) {
  if (!packing) return null;
  return (
    <>
      <span role="status">
        {packing.of > 0 ? `Packing, ${packing.done} of ${packing.of} jobs` : 'Packing'}
      </span>
      <Button variant="subtle" onClick={stop}>
        Stop
      </Button>
    </>
  );
}

/** How much this browser keeps of how much it would, bytes, and whether it promises not to clear it. */
export interface Room {
  used: number;
  most: number;
  persisted: boolean;
}

/** Fuller than this it is said, share. */
export const NEARLY_FULL = 0.8;

/** Asks the browser; null where it does not say. */
export async function room(): Promise<Room | null> {
  const storage = globalThis.navigator?.storage;
  if (!storage?.estimate) return null;
  const [{ usage = 0, quota = 0 }, persisted] = await Promise.all([
    storage.estimate(),
    storage.persisted?.() ?? Promise.resolve(false),
  ]);
  return { used: usage, most: quota, persisted };
}

/** Where a visit is, for as long as it is on the screen: a tab that is torn down leaves it standing. */
const KEY = 'vumble-on-screen';

function notes(): Storage | null {
  try {
    return window.localStorage;
  } catch {
    return null;
  }
}

/** Where the last visit was when its tab broke; null where it ended as visits do. */
export function brokenAt(): string | null {
  return notes()?.getItem(KEY) ?? null;
}

/**
 * Marks where the visit is, and takes the mark away when it leaves the screen.
 *
 * @param onMove tells of every change of the address
 */
export function markVisit(onMove: (listener: () => void) => void): void {
  const mark = () => {
    try {
      if (document.visibilityState === 'visible') notes()?.setItem(KEY, window.location.pathname);
      else notes()?.removeItem(KEY);
    } catch {
      // A full disk: a stage that breaks the tab is then opened once more.
    }
  };
  document.addEventListener('visibilitychange', mark);
  window.addEventListener('pagehide', () => notes()?.removeItem(KEY));
  onMove(mark);
  mark();
}

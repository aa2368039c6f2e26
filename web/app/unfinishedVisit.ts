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

/** Marks where the visit is now; the mark is taken away when it leaves the screen. */
export function markVisit(): void {
  try {
    if (document.visibilityState === 'visible') notes()?.setItem(KEY, window.location.pathname);
    else notes()?.removeItem(KEY);
  } catch {
    // A full disk: a stage that breaks the tab is then opened once more.
  }
}

/** Keeps the mark true while the page comes and goes. */
export function watchVisit(): void {
  document.addEventListener('visibilitychange', markVisit);
  window.addEventListener('pagehide', () => notes()?.removeItem(KEY));
}

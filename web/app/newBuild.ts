/** One reload in so many milliseconds: a file that stays gone is an error to be shown, not a circle. */
const AT_MOST_EVERY = 60_000;
const KEY = 'vumble-reloaded-at';

/**
 * A tab that was open while Vumble was built anew asks for files that are gone. The page is then loaded again, once;
 * what stands in a field is saved first, as if the field had been left.
 */
export function surviveNewBuild(): void {
  window.addEventListener('vite:preloadError', (event) => {
    if (reloadOnce()) event.preventDefault();
  });
}

/** @returns whether the page is being loaded again */
export function reloadOnce(
  now = Date.now(),
  store: Pick<Storage, 'getItem' | 'setItem'> = sessionStorage,
  reload = () => window.location.reload(),
): boolean {
  if (now - Number(store.getItem(KEY) ?? 0) < AT_MOST_EVERY) return false;
  store.setItem(KEY, String(now));
  if (typeof document !== 'undefined' && document.activeElement instanceof HTMLElement)
    document.activeElement.blur();
  reload();
  return true;
}

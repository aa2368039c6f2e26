import { holdFocus, WHOLE_SCREEN } from '../ui/holdFocus.ts';

/** What has the focus by itself, a field left out: on a phone it would bring the keyboard up. */
const PRESSED = 'button:not(:disabled), a[href], [role="button"], [role="tab"], summary, input[type="radio"]';

/** So many things around what was taken away may go with it: with more, another screen has come. */
const NEAR = 5;
/**
 * Keeps the focus where somebody works. What held it may be taken away or put out of use by the very key that was pressed
 * (a card that is deleted, a reading taken back, the last Next): it then falls to the page itself, and the next Tab begins
 * at its top. It is given to what stands in its place, or to the nearest thing around it.
 *
 * @returns what ends it
 */
export function keepFocus(root: HTMLElement = document.body): () => void {
  let last: HTMLElement | null = null;
  /** where it was: each thing around it, and the place in it */
  let around: { element: Element; place: number }[] = [];
  const noted = ({ target }: FocusEvent) => {
    // A dialog gives it back itself.
    if (!(target instanceof HTMLElement) || target.closest('[role="dialog"]')) {
      last = null;
      return;
    }
    last = target;
    around = [];
    for (let at: Element = target; at.parentElement && at !== root; at = at.parentElement)
      around.push({ element: at.parentElement, place: [...at.parentElement.children].indexOf(at) });
  };
  // Whoever presses on an empty place means to leave it.
  const left = () => {
    last = null;
  };
  const changed = () => {
    if (!last || document.activeElement !== document.body) return;
    const gone = !last.isConnected;
    if (!gone && !last.matches(':disabled')) return;
    const next = inItsPlace(around);
    last = null;
    if (next?.matches(WHOLE_SCREEN)) holdFocus(next);
    else next?.focus({ preventScroll: true });
  };
  const observer = new MutationObserver(changed);
  observer.observe(root, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
  document.addEventListener('focusin', noted);
  document.addEventListener('pointerdown', left, true);
  return () => {
    observer.disconnect();
    document.removeEventListener('focusin', noted);
    document.removeEventListener('pointerdown', left, true);
  };
}

/** What takes the focus over from what was there. */
function inItsPlace(around: readonly { element: Element; place: number }[]): HTMLElement | null {
  const left = around.findIndex(({ element }) => element.isConnected);
  const screen = around[left]?.element.closest<HTMLElement>(WHOLE_SCREEN) ?? null;
  // All of a screen is another: its keys are to work there, and none of its buttons to be pressed by Space.
  if (left > NEAR && screen) return screen;
  for (const { element, place } of around.slice(Math.max(0, left))) {
    if (element.matches(WHOLE_SCREEN)) return element as HTMLElement;
    for (const each of [element.children[place], element.children[place - 1], element]) {
      const found = pressable(each);
      if (found) return found;
    }
  }
  return null;
}

function pressable(within: Element | undefined): HTMLElement | null {
  if (!within) return null;
  if (within instanceof HTMLElement && within.matches(PRESSED)) return within;
  return within.querySelector<HTMLElement>(PRESSED);
}

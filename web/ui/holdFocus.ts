/** What holds a screen, or one half of it. */
export const WHOLE_SCREEN = 'main, section[aria-label="The stage"]';

/** Gives the focus to a screen itself: its keys work there, and none of its buttons is pressed by Space. */
export function holdFocus(
  screen: HTMLElement | null = document.querySelector<HTMLElement>('section[aria-label="The stage"]') ??
    document.querySelector('main'),
): void {
  if (!screen) return;
  screen.tabIndex = -1;
  screen.focus({ preventScroll: true });
}

import { notifications } from '@mantine/notifications';

/** Said in the old tab: it goes on, and the new one waits for it. */
export function tellNewerWaits(): void {
  notifications.show({
    id: 'newer-waits',
    title: 'A newer Vumble waits in another tab',
    message:
      'It changes how jobs are kept, and waits until this tab is closed. Finish what you are at; all of it is kept.',
    autoClose: false,
    withBorder: true,
  });
}

/** Said in the new tab, on a page that has nothing else yet. */
export function tellOlderOpen(): void {
  const root = document.querySelector('.opening');
  if (root)
    root.textContent =
      'An older Vumble is open in another tab or window. Close it there: this one changes how jobs are kept, and waits for it, so that nothing is lost.';
  notifications.show({
    id: 'older-open',
    title: 'An older Vumble is open elsewhere',
    message: 'Close its tab or window: this one waits for it, so that nothing is lost.',
    autoClose: false,
    withBorder: true,
  });
}

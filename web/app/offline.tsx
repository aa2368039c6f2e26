import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { Workbox } from 'workbox-window';

/** How often a page that stays open asks whether there is a new build, ms. */
const ASK_EVERY = 30 * 60_000;

/**
 * Keeps the whole app in this browser, once its first screen is there. A new build is offered and never forced: whoever is in
 * the middle of something goes on, and has it at the next start at the latest.
 */
export function keepOffline(): void {
  if (!('serviceWorker' in navigator) || !window.isSecureContext) return;
  const worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => offer(worker));
  worker
    .register()
    .then(() => setInterval(() => worker.update().catch(() => {}), ASK_EVERY))
    .catch(() => {
      // Refused, as in a private window: Vumble works as long as its server answers.
    });
}

function offer(worker: Workbox): void {
  const take = () => {
    // Every field was saved as it was typed.
    worker.addEventListener('controlling', () => window.location.reload());
    worker.messageSkipWaiting();
  };
  notifications.show({
    id: 'new-build',
    title: 'There is a newer Vumble',
    message: (
      <div>
        It is used from the next start on, or now: the page is loaded again, and nothing you typed is lost.
        <Button size="xs" variant="default" mt={6} onClick={take}>
          Use it now
        </Button>
      </div>
    ),
    autoClose: false,
    withBorder: true,
  });
}

import '../theme/mantineStyles.ts';
import '@mantine/notifications/styles.layer.css';
import '../theme/fonts.css';
import { StrictMode, startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { db } from '../store/db.ts';
import { keptValues } from '../store/kept.ts';
import { writer } from '../store/writer.ts';
import { StorageTrouble } from '../ui/StorageTrouble.tsx';
import { beginWithSettings } from '../ui/settings.ts';
import { tellTrouble } from '../ui/tellTrouble.ts';
import { lookAtRows } from '../workers/lookAtRows.ts';
import { App, Frame } from './App.tsx';
import { keepFocus } from './keepFocus.ts';
import { pause } from './pause.ts';
import { makeRouter } from './router.tsx';

/** The app is kept for offline when the first screen is there, ms. */
const OFFLINE_AFTER = 4000;
/** The rows of the store are looked at when the first screen is long there, ms. */
const ROWS_AFTER = 8000;

/** Puts the app in the place of what the page said until now. */
export async function start(): Promise<void> {
  beginWithSettings();
  keptValues.trouble = tellTrouble;
  // A newer build in another tab wants the store changed: it waits until this tab is closed, and both say so.
  db.on('versionchange', () => {
    import('./storeWaits.ts').then(({ tellNewerWaits }) => tellNewerWaits());
    return false;
  });
  db.on('blocked', () => {
    import('./storeWaits.ts').then(({ tellOlderOpen }) => tellOlderOpen());
  });
  const trouble = db.open().then(
    () => null,
    (error: Error) => error,
  );
  writer.finishEarlier();
  setTimeout(() => lookAtRows(false), ROWS_AFTER);
  watchRoomLater();
  if (import.meta.env.PROD)
    setTimeout(() => import('./offline.tsx').then(({ keepOffline }) => keepOffline()), OFFLINE_AFTER);
  const root = document.getElementById('root');
  if (!root) throw new Error('index.html has no #root');
  keepFocus();
  const router = makeRouter();
  await pause();
  const app = createRoot(root);
  // In slices: a phone stays answerable while the first screen is built.
  startTransition(() =>
    app.render(
      <StrictMode>
        <App router={router} />
      </StrictMode>,
    ),
  );
  // Nothing of Vumble is there without its records: whatever a screen would wait for, this says why.
  trouble.then((error) => {
    if (!error) return;
    app.render(
      <Frame>
        <StorageTrouble error={error} />
      </Frame>,
    );
  });
}

/** What is said of too little room is fetched when the first screen is there, or when there is none. */
function watchRoomLater(): void {
  let watched = false;
  const watch = async () => {
    if (watched) return;
    watched = true;
    (await import('./room.tsx')).watchRoom();
  };
  const once = writer.subscribe(() => {
    once();
    watch();
  });
  setTimeout(async () => {
    await watch();
    await (await import('./room.tsx')).tellNearlyFull();
  }, ROWS_AFTER);
}

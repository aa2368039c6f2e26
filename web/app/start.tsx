import '../theme/mantineStyles.ts';
import '@mantine/notifications/styles.layer.css';
import '../theme/fonts.css';
import { StrictMode, startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { db } from '../store/db.ts';
import { writer } from '../store/writer.ts';
import { App } from './App.tsx';
import { pause } from './pause.ts';
import { makeRouter } from './router.tsx';

/** Puts the app in the place of what the page said until now. */
export async function start(): Promise<void> {
  db.open().catch(() => {
    // Whoever asks the store for something is told, and says so on the screen.
  });
  writer.finishEarlier();
  const root = document.getElementById('root');
  if (!root) throw new Error('index.html has no #root');
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
}

import '../theme/mantineStyles.ts';
import '@mantine/notifications/styles.layer.css';
import '../theme/fonts.css';
import { StrictMode, startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { db } from '../store/db.ts';
import { finishPending } from '../store/pendingEdits.ts';
import { App } from './App.tsx';

db.open().catch(() => {
  // Whoever asks the store for something is told, and says so on the screen.
});
const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
finishPending().catch(() => {
  // A store that cannot be opened says so itself, on the screen that needs it.
});
const app = createRoot(root);
// In slices: a phone stays answerable while the first screen is built.
startTransition(() =>
  app.render(
    <StrictMode>
      <App />
    </StrictMode>,
  ),
);

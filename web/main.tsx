import './theme/mantineStyles.ts';
import '@mantine/notifications/styles.layer.css';
import './theme/fonts.css';
import './theme/tokens.css';
import './theme/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App.tsx';
import { startEarly } from './app/early.ts';
import { surviveNewBuild } from './app/newBuild.ts';
import { finishPending } from './store/pendingEdits.ts';

surviveNewBuild();
startEarly(window.location.pathname);
const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
finishPending().catch(() => {
  // A store that cannot be opened says so itself, on the screen that needs it.
});
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

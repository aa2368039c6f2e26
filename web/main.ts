import './theme/tokens.css';
import './theme/base.css';
import { startEarly } from './app/early.ts';
import { surviveNewBuild } from './app/newBuild.ts';

surviveNewBuild();
startEarly(window.location.pathname);
open();

/** What the app stands on is run piece by piece, first what the page says is painted: a phone stays answerable. */
async function open(): Promise<void> {
  await painted();
  await import('react-dom/client');
  await painted();
  await import('./store/db.ts');
  await painted();
  await import('./app/start.tsx');
}

/** Longest wait for a frame, ms: a page in the background is given none. */
const A_FRAME = 100;

function painted(): Promise<void> {
  return new Promise((resolve) => {
    requestAnimationFrame(() => setTimeout(resolve));
    setTimeout(resolve, A_FRAME);
  });
}

import './theme/tokens.css';
import './theme/base.css';
import { startEarly } from './app/early.ts';
import { surviveNewBuild } from './app/newBuild.ts';
import { pause } from './app/pause.ts';

surviveNewBuild();
startEarly(window.location.pathname);
const PIECES = [
  () => import('react-dom/client'),
  () => import('./app/pieces/router.ts'),
  () => import('./app/pieces/store.ts'),
  () => import('./store/db.ts'),
] as const;
open().catch(tellWhy);

/** Nothing of the app is there to say it: in the plain words of the page itself, with a way to try again. */
function tellWhy(error: unknown): void {
  const root = document.getElementById('root');
  if (!root) return;
  const part = (name: string, text: string) => {
    const element = document.createElement(name);
    element.textContent = text;
    return element;
  };
  const again = part('button', 'Try again');
  again.addEventListener('click', () => window.location.reload());
  const box = document.createElement('div');
  box.setAttribute('role', 'alert');
  box.className = 'not-started';
  box.append(
    part('h1', 'Vumble could not start'),
    part(
      'p',
      'Jobs are kept in this browser only. Private windows, blocked site data or a full disk prevent that: allow site data for this address or make room, then try again.',
    ),
    part('p', `The browser’s own words: ${error instanceof Error ? error.message : String(error)}`),
    again,
  );
  root.replaceChildren(box);
}

/** What the app stands on is run piece by piece, first what the page says is painted: a phone stays answerable. */
async function open(): Promise<void> {
  await painted();
  askForAll();
  for (const piece of PIECES) {
    await piece();
    await pause();
  }
  const { start } = await import('./app/start.tsx');
  await pause();
  await start();
}

/** Every file of the app at once, not one after the other as each is run; none before the first words are on the screen. */
function askForAll(): void {
  const files = document.querySelector<HTMLMetaElement>('meta[name="app-files"]')?.content.split(' ') ?? [];
  for (const file of files) {
    const link = document.createElement('link');
    link.rel = 'modulepreload';
    link.href = `/${file}`;
    document.head.append(link);
  }
}

/** Longest wait for a frame, ms: a page in the background is given none. */
const A_FRAME = 400;

function painted(): Promise<void> {
  return new Promise((resolve) => {
    requestAnimationFrame(() => setTimeout(resolve));
    setTimeout(resolve, A_FRAME);
  });
}

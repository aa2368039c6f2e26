import { IconSearch } from '@tabler/icons-react';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useMatch } from 'react-router';
import { HistoryButtons } from '../job/HistoryButtons.tsx';
import { useKeys } from '../ui/useKeys.ts';
import { usePhone } from '../ui/usePhone.ts';
import classes from './Shell.module.css';
import { ThemeSwitch } from './ThemeSwitch.tsx';
import { markVisit } from './unfinishedVisit.ts';

const FindAnything = lazy(() => import('./FindAnything.tsx'));
const KeysHelp = lazy(() => import('./KeysHelp.tsx'));

/** The frame around every screen: name, places, undo and redo, day and night, keys. */
export function Shell() {
  const match = useMatch('/jobs/:jobId/*');
  const jobId = match?.params.jobId;
  const { pathname } = useLocation();
  // Here rather than by asking the router: whoever listens to it before the screen does takes its first word away.
  // biome-ignore lint/correctness/useExhaustiveDependencies: at every change of the address
  useEffect(markVisit, [pathname]);
  const phone = usePhone();
  const [keysShown, setKeysShown] = useState(false);
  const [finding, setFinding] = useState(false);
  useKeys([
    ['shift+?', () => setKeysShown(true)],
    ['/', () => setFinding(true)],
  ]);
  return (
    <div className={classes.shell}>
      <header className={classes.header}>
        <Link to="/" className={classes.mark} aria-label="Vumble, to the current job">
          <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true" focusable="false">
            <path d="M2 2h11a8 8 0 0 1 0 16H2z" fill="none" stroke="var(--ink)" strokeWidth="2" />
            <path d="M2 2h6v16H2z" fill="var(--ink)" />
            <path d="M24 4v12" stroke="var(--petrol)" strokeWidth="2.4" strokeLinecap="round" />
          </svg>
          <span>vumble</span>
        </Link>
        <nav aria-label="Places" className={classes.nav}>
          <NavLink to="/quick" className={classes.place} aria-label="Quick check">
            Quick<span className={classes.wide}>&nbsp;check</span>
          </NavLink>
          <NavLink to="/jobs" end={false} className={classes.place}>
            Jobs
          </NavLink>
          <NavLink to="/shelf" className={classes.place}>
            Shelf
          </NavLink>
          <LaterPlaces key={pathname} phone={phone} />
        </nav>
        <div className={classes.right}>
          <button
            type="button"
            className={classes.find}
            aria-label="Find anything"
            title="Find anything (/)"
            onClick={() => setFinding(true)}
          >
            <IconSearch size={20} />
          </button>
          {/* On a phone they stand in the job's own row: the header has room for its places. */}
          {jobId && !phone && <HistoryButtons jobId={jobId} />}
          <ThemeSwitch />
          <button type="button" className={classes.keys} aria-label="Keys" onClick={() => setKeysShown(true)}>
            <kbd aria-hidden="true">?</kbd>
          </button>
        </div>
      </header>
      <main className={classes.main}>
        <Outlet />
      </main>
      {finding && (
        <Suspense fallback={null}>
          <FindAnything jobId={jobId} onClose={() => setFinding(false)} />
        </Suspense>
      )}
      {keysShown && (
        <Suspense fallback={null}>
          <KeysHelp onClose={() => setKeysShown(false)} />
        </Suspense>
      )}
    </div>
  );
}

const LATER_PLACES = [
  { to: '/log', name: 'Log' },
  { to: '/bench', name: 'Bench' },
  { to: '/practice', name: 'Practice' },
  { to: '/reference', name: 'Reference' },
  { to: '/hand-off', name: 'Hand off' },
  { to: '/settings', name: 'Settings' },
] as const;

/** Places a phone's header has no room for: there they stand under one more word. */
function LaterPlaces({ phone }: { phone: boolean }) {
  const links = LATER_PLACES.map(({ to, name }) => (
    <NavLink key={to} to={to} className={classes.place}>
      {name}
    </NavLink>
  ));
  if (!phone) return links;
  return (
    <details className={classes.more}>
      <summary className={classes.place}>More</summary>
      <div className={classes.moreList}>{links}</div>
    </details>
  );
}

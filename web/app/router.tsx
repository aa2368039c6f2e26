import { createBrowserRouter, Navigate } from 'react-router';
import { JobScreen } from '../places/job/JobScreen.tsx';
import { ErrorScreen } from './ErrorScreen.tsx';
import { FirstScreen } from './FirstScreen.tsx';
import { Shell } from './Shell.tsx';
import { brokenAt, watchVisit } from './unfinishedVisit.ts';

/** Made when the app starts: it reads the address at once. */
export function makeRouter() {
  const broken = brokenAt();
  const router = createBrowserRouter([
    {
      element: <Shell />,
      errorElement: <ErrorScreen />,
      hydrateFallbackElement: <p className="visually-hidden">Vumble is opening.</p>,
      children: [
        {
          errorElement: <ErrorScreen />,
          children: [
            { path: '/', element: <FirstScreen underWay={underWay} broken={broken} /> },
            { path: '/quick', lazy: () => import('../places/quick/QuickPlace.tsx') },
            { path: '/jobs', lazy: () => import('../places/jobs/JobsPlace.tsx') },
            { path: '/shelf', lazy: () => import('../places/shelf/ShelfPlace.tsx') },
            { path: '/reference/:section?', lazy: () => import('../places/reference/ReferencePlace.tsx') },
            { path: '/bench', lazy: () => import('../places/bench/BenchPlace.tsx') },
            { path: '/practice/:kind?', lazy: () => import('../places/practice/PracticePlace.tsx') },
            { path: '/hand-off', lazy: () => import('../places/hand-off/HandOffPlace.tsx') },
            { path: '/settings', lazy: () => import('../places/settings/SettingsPlace.tsx') },
            { path: '/log', lazy: () => import('../places/log/LogPlace.tsx') },
            { path: '/fleet/:jobId', lazy: () => import('../places/fleet/FleetPlace.tsx') },
            { path: '/vehicles/new', lazy: () => import('../places/new-vehicle/NewVehiclePlace.tsx') },
            { path: '/jobs/:jobId/:stage?', Component: JobScreen },
            { path: '*', element: <Navigate to="/jobs" replace /> },
          ],
        },
      ],
    },
  ]);
  watchVisit();
  return router;

  function underWay() {
    return router.state.navigation.state !== 'idle';
  }
}

import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { RouterProvider } from 'react-router';
import { theme } from '../theme/mantine.ts';
import { queries } from '../workers/queries.ts';
import { router } from './router.tsx';

// A notice given before they are there waits in their store.
const Notices = lazy(() => import('./Notices.tsx'));

export function App() {
  return (
    // Style elements are off: the content policy allows style sheets only, and tokens.css sets the variables.
    <MantineProvider
      theme={theme}
      defaultColorScheme="auto"
      withCssVariables={false}
      withGlobalClasses={false}
    >
      <QueryClientProvider client={queries}>
        <Suspense fallback={null}>
          <Notices />
        </Suspense>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>
  );
}

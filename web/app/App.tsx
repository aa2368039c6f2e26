import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { RouterProvider } from 'react-router';
import { theme } from '../theme/mantine.ts';
import { router } from './router.tsx';

// Results come from the worker, not from a network: they never go stale by themselves.
const queries = new QueryClient({
  defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: false, networkMode: 'always' } },
});

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

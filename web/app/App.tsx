import { MantineProvider } from '@mantine/core';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, type ReactNode, Suspense } from 'react';
import { type DataRouter, RouterProvider } from 'react-router';
import { theme } from '../theme/mantine.ts';
import { queries } from '../workers/queries.ts';

// A notice given before they are there waits in their store.
const Notices = lazy(() => import('./Notices.tsx'));

/** What every screen stands on: the theme. Style elements are off: the content policy allows style sheets only, and tokens.css sets the variables. */
export function Frame({ children }: { children: ReactNode }) {
  return (
    <MantineProvider
      theme={theme}
      defaultColorScheme="auto"
      withCssVariables={false}
      withGlobalClasses={false}
    >
      {children}
    </MantineProvider>
  );
}

export function App({ router }: { router: DataRouter }) {
  return (
    <Frame>
      <QueryClientProvider client={queries}>
        <Suspense fallback={null}>
          <Notices />
        </Suspense>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </Frame>
  );
}

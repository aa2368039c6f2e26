// Run by itself, before the app that stands on it; no more of it than the app uses.
export { QueryClientProvider } from '@tanstack/react-query';
export { RouterProvider } from 'react-router';

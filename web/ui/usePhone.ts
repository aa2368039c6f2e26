import { useMediaQuery } from '@mantine/hooks';

/** Whether the screen is as narrow as a phone's, or as low as one on its side: one half of a job at a time. */
export function usePhone(): boolean {
  return (
    useMediaQuery('(max-width: 800px), (max-height: 480px)', undefined, { getInitialValueInEffect: false }) ??
    false
  );
}

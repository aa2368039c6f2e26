import { useMediaQuery } from '@mantine/hooks';

/** Whether the screen is as narrow as a phone's: one half of a job at a time. */
export function usePhone(): boolean {
  return useMediaQuery('(max-width: 800px)', undefined, { getInitialValueInEffect: false }) ?? false;
}

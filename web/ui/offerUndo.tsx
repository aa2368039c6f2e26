import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { tellTrouble } from './tellTrouble.ts';

/** Says what was done, and offers for a while to take it back. */
export function offerUndo(title: string, undo: () => Promise<void>, milliseconds = 8000): void {
  notifications.show({
    title,
    message: (
      <Button size="xs" variant="default" mt={6} onClick={() => undo().catch(tellTrouble)}>
        Take it back
      </Button>
    ),
    autoClose: milliseconds,
    withBorder: true,
  });
}

import { notifications } from '@mantine/notifications';
import { ZodError } from 'zod';

/** Shows why something was not saved, and that what was typed is still there. Stays until it is closed. */
export function tellTrouble(error: Error): void {
  const invalid = error instanceof ZodError;
  // An edit the vehicle cannot take says itself what to do instead; nothing was typed.
  if (error.name === 'VehicleEditError') {
    notifications.show({
      id: 'trouble',
      title: 'Not changed',
      message: error.message,
      autoClose: 9000,
      withBorder: true,
    });
    return;
  }
  notifications.show({
    id: 'trouble',
    title: 'Not saved',
    message: invalid
      ? `${error.issues[0]?.message ?? 'That value is not possible'}. What you typed is still on the screen.`
      : `${error.message} What you typed is still on the screen; export the job if this goes on.`,
    autoClose: false,
    withBorder: true,
  });
}

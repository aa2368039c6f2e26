import { notifications } from '@mantine/notifications';
import type { ZodError } from 'zod';

/** Shows why something was not saved, and that what was typed is still there. Stays until it is closed. */
export function tellTrouble(error: Error): void {
  const invalid = isInvalid(error);
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

/** By name: its class comes with everything else that checks jobs, and only then. */
function isInvalid(error: Error): error is ZodError {
  return error.name === 'ZodError';
}

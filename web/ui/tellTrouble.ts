import { notifications } from '@mantine/notifications';
import type { ZodError } from 'zod';
import { isFull } from '../store/isFull.ts';
import { isTyping } from './useKeys.ts';

/** Shows why something was not saved, and what became of what was typed or tapped. Stays until it is closed. */
export function tellTrouble(error: Error): void {
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
    message: troubleWords(error, isTyping(document.activeElement)),
    autoClose: false,
    withBorder: true,
  });
}

/**
 * What is said of something that was not saved.
 *
 * @param typed whether it was typed into a field, where it still stands; else it was tapped, and stands nowhere
 */
export function troubleWords(error: Error, typed: boolean): string {
  const kept = typed ? 'What you typed is still on the screen' : 'Nothing was changed by that tap';
  if (isInvalid(error)) return `${error.issues[0]?.message ?? 'That value is not possible'}. ${kept}.`;
  if (isFull(error))
    return `This browser has no room left for it. ${kept}. Make room: empty the bin at the foot of Jobs, or delete photographs; then ${typed ? 'type on' : 'tap again'}.`;
  return `${error.message} ${kept}; ${typed ? 'export the job if this goes on' : 'tap again, and export the job if this goes on'}.`;
}

/** By name: its class comes with everything else that checks jobs, and only then. */
function isInvalid(error: Error): error is ZodError {
  return error.name === 'ZodError';
}

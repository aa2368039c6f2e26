/** Why a microphone or camera cannot be had, and what to do. */
export function mediaTrouble(error: unknown, what: 'microphone' | 'camera'): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return `The browser was not allowed to use the ${what}. Allow it in the address bar, or measure by tapping or from a file.`;
  if (name === 'NotFoundError' || name === 'OverconstrainedError')
    return `This device has no ${what}. Measure by tapping or from a file.`;
  if (name === 'NotReadableError') return `Something else uses the ${what}. Close it and try again.`;
  return `The ${what} could not be started: ${error instanceof Error ? error.message : 'no reason given'}.`;
}

/**
 * Asks for a microphone or camera when it is wanted and not before. By plain http from another machine a browser has none
 * to give, and says nothing of it.
 *
 * @throws Error saying so
 */
export function askForMedia(constraints: MediaStreamConstraints): Promise<MediaStream> {
  const media = navigator.mediaDevices as MediaDevices | undefined;
  if (!media?.getUserMedia)
    return Promise.reject(
      new Error('by plain http a browser gives neither camera nor microphone. Tap, or choose a file'),
    );
  return media.getUserMedia(constraints);
}

export function stopMedia(stream: MediaStream | null): void {
  for (const track of stream?.getTracks() ?? []) track.stop();
}

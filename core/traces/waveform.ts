/** Light over one flash period, evenly sampled, as a share of the light when rated. One sample where it is steady. */
export type Waveform = readonly number[];

/** The light of a waveform at a moment, a share of what the lamp gives when rated, before its start or after its end too: the sample it falls into. */
export function lightAt(waveform: Waveform, periodSeconds: number, seconds: number): number {
  const place = (((seconds / periodSeconds) % 1) + 1) % 1;
  return waveform[Math.min(waveform.length - 1, Math.floor(place * waveform.length))] ?? 0;
}

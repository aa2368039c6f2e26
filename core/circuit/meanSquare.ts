/** A current and the share of the time it flows. */
export interface PulsedAmps {
  amps: number;
  duty: number;
}

/**
 * Mean square of several pulsed currents in one wire, A²: what heats a fuse. Outputs of one controller begin their
 * pulses together (typical), so that all are on while the shortest is: no other order heats more. One current of
 * duty D beside a steady I_s gives D·(I_s + I)² + (1 − D)·I_s², its cross term included.
 */
export function meanSquare(currents: readonly PulsedAmps[]): number {
  const byDuty = currents.toSorted((a, b) => b.duty - a.duty);
  let sum = 0;
  let flowing = 0;
  for (const [index, { amps, duty }] of byDuty.entries()) {
    flowing += amps;
    sum += flowing ** 2 * (duty - (byDuty[index + 1]?.duty ?? 0));
  }
  return sum;
}

/**
 * Mean square of what one wire carries while something flashes, A²: f·⟨I²⟩ lit + (1 − f)·⟨I²⟩ dark, so that what goes on
 * in the dark of a flash heats on.
 *
 * @param litShare share of the time of a flash in which it is lit, 1 where nothing flashes
 */
export function meanSquareOfFlash(
  litShare: number,
  lit: readonly PulsedAmps[],
  dark: readonly PulsedAmps[],
): number {
  return litShare * meanSquare(lit) + (1 - litShare) * meanSquare(dark);
}

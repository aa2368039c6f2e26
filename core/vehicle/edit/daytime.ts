import type { Circuit, DaytimeBeside } from '../../model/vehicle/circuit.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { outputOf } from '../../simulation/controls.ts';

type Beside = 'lights' | 'turning';

/** Pulses such a lamp is usually dimmed by (typical, from memory). */
const DIMMED = { to: 'dim', hertz: 120, duty: 0.15 } as const;

/** The circuits of daytime running lamps of which nobody has looked what they do beside the lights, or their turn lamp. */
export function openDaytime({ circuits }: Vehicle): Circuit[] {
  return circuits.filter(
    ({ kind, daytime }) =>
      kind === 'daytime-running' && (!daytime || daytime.lights === null || daytime.turning === null),
  );
}

/**
 * What daytime running lamps do beside something else. Dimmed by an output nobody has looked at, they are pulsed as is usual.
 *
 * @param vehicle changed in place
 * @param does null where nobody knows
 * @param over whether what somebody has said before is overwritten
 */
export function setDaytime(
  vehicle: Vehicle,
  beside: Beside,
  does: DaytimeBeside | null,
  over: boolean,
): void {
  for (const circuit of vehicle.circuits) {
    if (circuit.kind !== 'daytime-running') continue;
    const now = circuit.daytime ?? { lights: null, turning: null };
    if (now[beside] !== null && !over) continue;
    circuit.daytime = { ...now, [beside]: does };
    const output = outputOf(vehicle, circuit);
    if (does === 'dimmed' && output && !output.notPulsed) output.pwm ??= { ...DIMMED };
  }
}

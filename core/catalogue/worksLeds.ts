import type { SystemVolts } from '../model/fields.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';

/**
 * What LEDs from the works draw by what they do, least and most on 12 V, A. From memory, to be verified: lamps differ from
 * model to model, so that the range is wide and a clamp on the feed settles it.
 */
const DRAWS: Record<CircuitKind, readonly [number, number]> = {
  turn: [0.15, 1.2],
  stop: [0.1, 0.8],
  'third-brake': [0.05, 0.5],
  tail: [0.03, 0.4],
  marker: [0.01, 0.15],
  plate: [0.02, 0.2],
  reverse: [0.15, 1.2],
  'front-fog': [0.3, 1.5],
  'rear-fog': [0.1, 0.8],
  'dipped-beam': [0.8, 4],
  'main-beam': [0.8, 4],
  'daytime-running': [0.3, 1.5],
  cornering: [0.4, 2],
  work: [0.5, 5],
  beacon: [0.3, 2],
  interior: [0.02, 0.5],
  dash: [0.005, 0.05],
  charge: [0.005, 0.05],
};

/** What an LED from the works may draw where nobody has measured it, least and most, A. */
export function worksAmps(does: CircuitKind, systemVolts: SystemVolts): [number, number] {
  const [least, most] = DRAWS[does];
  const share = 12 / systemVolts;
  return [least * share, most * share];
}

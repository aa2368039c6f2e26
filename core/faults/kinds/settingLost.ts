import type { CircuitKind } from '../../model/vehicle/circuit.ts';
import { circuitById } from '../../model/vehicle/lookUp.ts';
import type { Fitment } from '../../simulation/fitment.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { ON_CIRCUITS } from '../sites.ts';

/** A controller's setting that was not taken: it looks for filaments still. */
export interface SettingLost {
  kind: 'setting-lost';
  /** one output, or all of a kind: most settings are of both sides at once */
  circuitIds: readonly string[];
}

/** How likely it is of one output alone, where that of all of its kind is 1 (common practice). */
const ONE_ALONE = 0.3;

export const settingLost: FaultKindOf<SettingLost> = {
  prior: 4,
  minutes: [3, 10],
  natures: ['with-leds', 'from-start'],
  of: ({ vehicle, fitment: { flasher } }) => {
    if (flasher.kind !== 'controller') return [];
    const set = flasher.outputs.filter(({ watch }) => watch?.setting === 'led');
    const alike = new Map<CircuitKind, string[]>();
    for (const { circuitId } of set) {
      const { kind } = circuitById(vehicle, circuitId);
      alike.set(kind, [...(alike.get(kind) ?? []), circuitId]);
    }
    return [...alike.values()].flatMap((ids): SettingLost[] =>
      [ids, ...(ids.length > 1 ? ids.map((id) => [id]) : [])].map((circuitIds) => ({
        kind: 'setting-lost',
        circuitIds,
      })),
    );
  },
  ...ON_CIRCUITS,
  place: () => 'settings',
  weight: ({ circuitIds: [id = '', ...others] }, vehicle) => {
    const { kind } = circuitById(vehicle, id);
    const more = vehicle.circuits.some((circuit) => circuit.kind === kind && circuit.id !== id);
    return others.length > 0 || !more ? 1 : ONE_ALONE;
  },
  strike: ({ circuitIds }) => ({ fitment: (fitment) => looksForFilaments(fitment, circuitIds) }),
};

function looksForFilaments(fitment: Fitment, circuitIds: readonly string[]): Fitment {
  const { flasher } = fitment;
  if (flasher.kind !== 'controller') return fitment;
  return {
    ...fitment,
    flasher: {
      ...flasher,
      outputs: flasher.outputs.map((output) =>
        circuitIds.includes(output.circuitId) && output.watch
          ? { ...output, watch: { ...output.watch, setting: 'filament' } }
          : output,
      ),
    },
  };
}

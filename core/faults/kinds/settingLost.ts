import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { Fitment } from '../../simulation/fitment.ts';
import type { FaultKindOf } from '../faultKind.ts';

/** A controller's setting that was not taken: it looks for filaments still. */
export interface SettingLost {
  kind: 'setting-lost';
  circuitId: string;
}

export const settingLost: FaultKindOf<SettingLost> = {
  prior: 4,
  minutes: [3, 10],
  natures: ['with-leds', 'from-start'],
  of: ({ fitment: { flasher } }) =>
    flasher.kind === 'controller'
      ? flasher.outputs.flatMap(({ circuitId, watch }): SettingLost[] =>
          watch?.setting === 'led' ? [{ kind: 'setting-lost', circuitId }] : [],
        )
      : [],
  where: ({ circuitId }) => circuitId,
  lampIds: ({ circuitId }, vehicle) => lampIdsOf(circuitById(vehicle, circuitId)),
  circuitIds: ({ circuitId }) => [circuitId],
  place: () => 'settings',
  strike: ({ circuitId }) => ({ fitment: (fitment) => looksForFilaments(fitment, circuitId) }),
};

function looksForFilaments(fitment: Fitment, circuitId: string): Fitment {
  const { flasher } = fitment;
  if (flasher.kind !== 'controller') return fitment;
  return {
    ...fitment,
    flasher: {
      ...flasher,
      outputs: flasher.outputs.map((output) =>
        output.circuitId === circuitId && output.watch
          ? { ...output, watch: { ...output.watch, setting: 'filament' } }
          : output,
      ),
    },
  };
}

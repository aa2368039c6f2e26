import type { ControllerSettingCure } from '../cures.ts';
import type { CureKind } from './cureKind.ts';

/** What an output watches by, told to it with a diagnostic tool. */
export const controllerSetting: CureKind<ControllerSettingCure> = {
  stepId: 'cure-setting',
  at: ({ circuitId }) => ({ on: 'circuit', circuitId }),
  // A relay cannot be told of LEDs.
  isFor: (flasher) => flasher === 'controller',
  bare: ({ kind, circuitId, setting, before }) => ({ kind, circuitId, setting, before }),
  flasher: ({ circuitId }, stock) =>
    stock.kind === 'controller'
      ? {
          ...stock,
          outputs: stock.outputs.map((output) =>
            output.watch && output.watch.canSetLed !== false && output.circuitId === circuitId
              ? { ...output, watch: { ...output.watch, setting: 'led' } }
              : output,
          ),
        }
      : stock,
  work: {
    minutes: [10, 20],
    each: false,
    joints: 0,
    opens: 'diagnostic plug',
    needs: 'a diagnostic adapter that has the setting',
  },
};

import { z } from 'zod';
import { Id, Line } from '../fields.ts';
import type { CureKind } from './cureKind.ts';

/** The controller told that LEDs are fitted; `before` is how to go back. */
export const ControllerSettingCure = z.strictObject({
  kind: z.literal('controller-setting'),
  circuitId: Id,
  setting: z.literal('led'),
  before: z.literal('filament'),
  /** what the tool calls it, and the old value as it was read */
  name: Line.optional(),
  tool: Line.optional(),
  keyCycled: z.boolean().optional(),
  /** read back from the controller as LED after that */
  readBack: z.boolean().optional(),
  codesCleared: z.boolean().optional(),
});

/** What an output watches by, told to it with a diagnostic tool. */
export const controllerSetting: CureKind<z.infer<typeof ControllerSettingCure>> = {
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

import type { KitSheet } from '../../../../core/model/kit.ts';

/** A change of the sheet that is being written. */
export type ChangeSheet = (act: (sheet: KitSheet) => void) => void;

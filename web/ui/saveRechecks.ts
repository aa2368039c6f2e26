import type { Recheck } from '../../core/model/recheck.ts';
import { saveTextFile } from './saveTextFile.ts';
import { tellTrouble } from './tellTrouble.ts';

/** Hands rechecks to the browser as a calendar file; what writes calendars is fetched when one is wanted. */
export async function saveRechecks(
  due: readonly { job: { id: string; title: string; vehicle: { name: string } }; recheck: Recheck }[],
  name: string,
): Promise<void> {
  try {
    const { rechecksIcs } = await import('../../core/formats/rechecksIcs.ts');
    saveTextFile(name, rechecksIcs(due, new Date().toISOString()), 'text/calendar');
  } catch (error) {
    tellTrouble(error as Error);
  }
}

import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

/**
 * Who touches a log itself: what stands in it is worked out in one place, what is added to it in another. Everybody else
 * asks those, so that nothing that was taken back is read by one and not by another.
 */
const MAY = [
  'core/model/seen.ts',
  'core/model/partReferences.ts',
  'core/model/upgradeJob.ts',
  'core/record/tell.ts',
  'core/record/vehicleLog.ts',
  // Two copies of a log are united record by record.
  'core/handoff/mergeJobs.ts',
  // Ids of a whole log are looked at once: in a file, none may be there twice.
  'core/formats/jobFile.ts',
  // Drafts of a log, whose changes the store tells as further records.
  'core/vehicle/edit/jobEdits.ts',
  'web/job/measure/useEvidence.ts',
  'web/stages/fit/wiring/PinFinderCard.tsx',
  'core/record/takePriors.ts',
  // Memories kept by the log a job has.
  'core/judge/evidenceRead.ts',
];
/** Handing a log on as it is reads nothing of it. */
const HANDED_ON = /evidence: (this\.)?(analysis\.)?job\.evidence\b/g;

function sources(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true, recursive: true }).flatMap((entry) =>
    entry.isFile() && /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name)
      ? [join(entry.parentPath, entry.name)]
      : [],
  );
}

describe('a log', () => {
  it('is read through what stands in it, and written by adding to it', () => {
    const reading = ['core', 'web', 'cli']
      .flatMap(sources)
      .filter((path) => !path.startsWith('web/store/') && !MAY.includes(path))
      .filter((path) => /\b(job|draft)\.evidence\b/.test(readFileSync(path, 'utf8').replace(HANDED_ON, '')));
    expect(reading).toEqual([]);
  });
});

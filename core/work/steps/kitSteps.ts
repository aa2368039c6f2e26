import { leftInBox, takenKits } from '../../kits/jobKits.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { FitStep } from './fitStep.ts';

/** What a kit's sheet asks for beside its parts: which plugs, which caps, which links, what moves over. */
export function kitSteps(job: Job, shelf: Shelf): FitStep[] {
  return takenKits(job, shelf).map(({ part, variant }) => {
    const plugs = (ids: readonly string[]) =>
      ids.map((id) => part.sheet.plugs.find((each) => each.id === id)?.what ?? id);
    return {
      id: `kit-${part.id}`.slice(0, 64),
      kind: 'cure',
      about: {
        of: 'kit',
        partId: part.id,
        code: part.code,
        variant: variant.name,
        used: plugs(variant.used),
        capped: plugs(variant.capped),
        links: variant.links,
        modules: variant.modules,
        stays: leftInBox(part.sheet, variant).map(({ item, count }) => ({ what: item.what, count })),
      },
      lampId: null,
      openingId: null,
      minutes: [3 + 4 * variant.links.length, 10 + 9 * variant.links.length],
      timedAs: 'kit',
    };
  });
}

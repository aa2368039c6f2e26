import type { LaterItem, PastKind, RepairKind } from '../model/past.ts';
import type { About } from '../work/steps/stepAbout.ts';
import type { StepWords } from './work/stepWords.ts';

/** What was there before, in a word or two. */
export const PAST_WORDS: Record<PastKind, string> = {
  harness: 'added harness',
  equipment: 'added equipment',
  repair: 'earlier repair',
  'spare-plug': 'spare plug',
  other: 'something else',
};

/** Repairs, as they are chosen and as the step is called. */
export const REPAIR_WORDS: Record<RepairKind, string> = {
  'descale-carrier': 'Descale the bulb carrier',
  'replace-socket': 'Replace the socket',
  'rebuild-bracket': 'Rebuild the bracket',
  'seal-wire': 'Seal a pierced wire',
  other: 'Another repair',
};

export const LATER_WORDS: Record<LaterItem['kind'], string> = {
  left: 'left on purpose',
  wished: 'wished for later',
};

const HOW: Record<RepairKind, string> = {
  'descale-carrier':
    'Plug off. Glass brush or fine abrasive on every track and contact until they shine, wipe clean, a trace of contact grease; bend tired tongues up. Measure from plug to contact: near 0 Ω.',
  'replace-socket':
    'Label the wires, cut one at a time and join the new socket’s lead to it, same colours; shrink every joint. Pull at each.',
  'rebuild-bracket':
    'Old fixing off, clean to bare plastic or metal; rebuild it so that the lamp sits where it did, and let it cure. The seal must meet all round.',
  'seal-wire':
    'Dry it. Liquid tape or shrink with glue over every hole a probe left: water follows the copper for metres.',
  other: 'As written down.',
};

/** The step of a repair. */
export function repairWords({ lamp, repair }: About<'repair'>): StepWords {
  return {
    place: lamp.name,
    title: REPAIR_WORDS[repair.kind],
    text: [repair.note && `${repair.note.replace(/[.\s]+$/, '')}.`, HOW[repair.kind]]
      .filter(Boolean)
      .join(' '),
    cautions:
      repair.kind === 'descale-carrier' || repair.kind === 'replace-socket'
        ? ['Lamps off and plug out: a carrier shorts easily under a brush.']
        : [],
  };
}

import { capital } from '../../formatting/format.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { MakeSafe, SafeAct, SafeWarning } from '../../work/steps/makeSafe.ts';
import { countWords } from '../openings.ts';
import { sayStep } from './sayStep.ts';

/** What leaves a vehicle safe, and what must not be driven so, in words. */
export function makeSafeWords(
  { acts, warnings }: Pick<MakeSafe, 'acts' | 'warnings'>,
  job: Pick<Job, 'vehicle'>,
  shelf: Shelf,
): { acts: string[]; warnings: string[] } {
  return {
    acts: acts.map((act) => capital(actWords(act, job, shelf))),
    warnings: warnings.map(warningWords),
  };
}

function actWords(act: SafeAct, job: Pick<Job, 'vehicle'>, shelf: Shelf): string {
  switch (act.act) {
    case 'unfinished': {
      const { place, title } = sayStep(act.step, job, shelf);
      return act.step.kind === 'tap'
        ? `${place}: the joint of “${title}” is not finished. Put heat shrink or tape over every bare end, each by itself, and tie the lead away from metal.`
        : `${place}: “${title}” is not finished. Take the resistor off or screw it down, so that it cannot touch plastic or wiring.`;
    }
    case 'unjoined':
      return `${sayStep(act.step, job, shelf).place}: the resistor is mounted and not joined. Insulate both its leads and tie them up.`;
    case 'empty-socket':
      return `${act.lamp.name}: put a bulb in, old or new; an empty socket lets water in.`;
    case 'close': {
      const counted = countWords(act.opening);
      return `Close ${(act.lamp ?? act.opening).name.toLowerCase()}${counted ? `: ${counted}` : ''}. With no time to seal it, tape over the gap keeps rain out until then.`;
    }
    case 'battery-on':
      return 'Put the battery back on: plus first, minus last.';
    case 'walk-round':
      return 'Walk round it: turn both sides, brake, lights. Each lamp seen lit.';
    case 'nothing-open':
      return 'Nothing is open and nothing hangs loose: it can go as it stands.';
  }
}

function warningWords(warning: SafeWarning): string {
  switch (warning.warning) {
    case 'not-seen-lit':
      return `${warning.lamp.name} was worked on and not seen lit: switch it on once. Dark, it must not be driven.`;
    case 'no-flasher':
      return 'Without its flasher nothing turns or warns: put one back in before it moves.';
    case 'half-converted':
      return 'Only some of its lamps are converted: try left, right and hazard. Where one flashes fast, a lamp is taken for dead; the old bulb back in puts it right.';
  }
}

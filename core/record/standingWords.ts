import { inARow } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import type { Level } from '../simulation/levels.ts';
import type { Amiss, Standing, ToSee } from './standing.ts';

const AMISS_WORDS: Record<Amiss, string> = {
  'not-all': 'not every lamp lights',
  glows: 'glows while off',
  flickers: 'flickers',
  message: 'a message or warning came',
};

/** How a circuit that is on steadily stands, in words: `lights, is dark when off, no message`. Null where nobody looked. */
export function standingWords(job: Job, { proved, open, amiss, looked }: Standing): string | null {
  if (amiss) return AMISS_WORDS[amiss];
  if (proved) return 'lights, is dark when off, no message';
  return looked ? `good as far as seen; not seen yet: ${inARow(openWords(job, open))}` : null;
}

/** What nobody has seen of a circuit yet: `rear left dim`, `rear left dark`, `whether a message comes`. */
export function openWords({ vehicle }: Job, open: readonly ToSee[]): string[] {
  const name = (id: string) => (vehicle.lamps.find((lamp) => lamp.id === id)?.name ?? id).toLowerCase();
  return open.map((each) => {
    if (each.what === 'quiet') return 'whether a message comes';
    return each.what === 'dark'
      ? `${name(each.lampId)} dark`
      : `${name(each.level.lampId)} ${levelWord(each.level)}`;
  });
}

function levelWord({ input, braking }: Level): string {
  if (braking !== null) return braking ? 'full, with the brake' : 'dim, without the brake';
  return input === 'dim' ? 'dim, by itself' : 'lit';
}

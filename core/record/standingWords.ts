import { inARow } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import type { Level } from '../simulation/levels.ts';
import type { Amiss, Standing, ToSee } from './standing.ts';

const AMISS_WORDS: Record<Amiss, string> = {
  'not-all': 'not every lamp lights',
  glows: 'glows while off',
  flickers: 'flickers',
  message: 'a message or warning came',
};

/** How a circuit that is on steadily stands, in words: `lights, is dark when off, no message`. Null where nobody looked. */
export function standingWords(
  job: Job,
  circuit: Circuit,
  { proved, open, amiss, looked }: Standing,
): string | null {
  if (amiss) return AMISS_WORDS[amiss];
  if (proved) return 'lights, is dark when off, no message';
  return looked ? `good as far as seen; not seen yet: ${inARow(openWords(job, circuit, open))}` : null;
}

/** What nobody has seen of a circuit yet: `dim alone (rear left)`, `dark when off (all lamps)`, `whether a message comes`. */
export function openWords({ vehicle }: Job, circuit: Circuit, open: readonly ToSee[]): string[] {
  const lamps = new Map<string, Set<string>>();
  for (const each of open) {
    if (each.what === 'quiet') continue;
    const [word, id] =
      each.what === 'dark' ? ['dark when off', each.lampId] : [levelWord(each.level), each.level.lampId];
    lamps.set(word, (lamps.get(word) ?? new Set()).add(id));
  }
  const all = new Set(lampIdsOf(circuit)).size;
  const named = [...lamps].map(([word, ids]) => {
    const names = [...ids].map((id) => lampById(vehicle, id).name.toLowerCase());
    return `${word} (${ids.size === all && all > 1 ? 'all lamps' : inARow(names)})`;
  });
  return open.some(({ what }) => what === 'quiet') ? [...named, 'whether a message comes'] : named;
}

function levelWord({ input, braking }: Level): string {
  if (braking !== null) return braking ? 'full with the brake' : 'dim without the brake';
  return input === 'dim' ? 'dim alone' : 'lit';
}

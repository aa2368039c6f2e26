import { amps, volts, watts } from '../../formatting/format.ts';
import { requirementOf } from '../../judge/limits.ts';
import type { CircuitVerdict, HazardVerdict } from '../../judge/verdict.ts';
import { REQUIREMENT_SHORT } from '../../words/findings.ts';

/** What is wrong with a circuit, in a few words: of what is worst the first. */
export function shortWhy({ watched, limits, findings, state }: CircuitVerdict): string {
  const broken = limits.find((limit) => !limit.ok);
  if (state === 'too-much' && broken) return REQUIREMENT_SHORT[requirementOf(broken)];
  if (watched === state) return state === 'either-way' ? 'a message, or none' : REQUIREMENT_SHORT.watch;
  return REQUIREMENT_SHORT[findings.find((finding) => finding.state === state)?.requirement ?? 'watch'];
}

/**
 * What decides where least is to spare, with its figures: a limit that is broken, a finding worse than what the watcher
 * says, else the point of the watcher with the least current for what it asks, A and V; empty where nothing watches.
 */
export function worstWords(verdict: CircuitVerdict | HazardVerdict): string {
  const { limits, worst, state } = verdict;
  const broken = limits.find((limit) => !limit.ok);
  if (state === 'too-much' && broken) {
    const write = broken.unit === 'A' ? amps : watts;
    return broken.kind === 'mount'
      ? REQUIREMENT_SHORT.mount
      : `${write(broken.value)} of ${write(broken.limit)}, ${broken.name}`;
  }
  if ('watched' in verdict && verdict.watched !== state) return shortWhy(verdict);
  if (!worst) return '';
  const { band, amps: seen, point } = worst;
  return `sees ${amps(seen.low)}, asks ${amps(band.highAmps)}, ${volts(point.volts)}`;
}

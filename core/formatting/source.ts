import type { Source } from '../model/source.ts';

/** A fact written down from memory, to be compared with its document. */
export function fromMemory(name: string): Source {
  return { name, verified: false };
}

/** What the trade does and no document says: there is none to compare it with. */
export function commonPractice(name: string): Source {
  return { name, verified: true };
}

/** Several sources of one record as one: verified only where all are. */
export function together(...sources: readonly Source[]): Source {
  return {
    name: sources.map((each) => each.name).join('; '),
    verified: sources.every((each) => each.verified),
  };
}

/** A source as it stands beside its fact: with what is to be done before it is relied on. */
export function sourceWords({ name, verified }: Source): string {
  return verified ? name : `${name} (from memory, verify)`;
}

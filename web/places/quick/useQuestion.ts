import { useLocalStorage } from '@mantine/hooks';
import { z } from 'zod';
import { type QuickLamps, QuickQuestion, quickQuestion } from '../../../core/quick/question.ts';

const Stored = z.strictObject({
  question: QuickQuestion,
  /** when it was begun */
  at: z.string(),
  /** which of the taps are done */
  told: z.strictObject({ bulb: z.boolean(), led: z.boolean() }),
});
type Stored = z.infer<typeof Stored>;

/** The question under way. It outlives a reload, and what a stranger wrote in its place is not believed. */
export function useQuestion() {
  const [stored, setStored] = useLocalStorage<Stored | null>({
    key: 'vumble-quick',
    defaultValue: null,
    getInitialValueInEffect: false,
    deserialize: (text) => read(text),
  });
  return {
    asked: stored,
    begin: (lamps: QuickLamps) =>
      setStored({
        question: quickQuestion(lamps),
        at: new Date().toISOString(),
        told: { bulb: false, led: false },
      }),
    change: (change: Partial<QuickQuestion>, told: Partial<Stored['told']> = {}) =>
      setStored(
        (now) => now && { ...now, question: { ...now.question, ...change }, told: { ...now.told, ...told } },
      ),
    forget: () => setStored(null),
  };
}

/** The last text that was read: it is asked for at every render. */
let last: { text: string; stored: Stored | null } | null = null;

function read(text = 'null'): Stored | null {
  if (last?.text !== text) last = { text, stored: checked(text) };
  return last.stored;
}

function checked(text: string): Stored | null {
  try {
    return Stored.nullable().parse(JSON.parse(text));
  } catch {
    return null;
  }
}

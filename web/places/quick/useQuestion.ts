import { z } from 'zod';
import { type QuickLamps, QuickQuestion, quickQuestion } from '../../../core/quick/question.ts';
import { useKept } from '../../store/kept.ts';

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
  const [stored, setStored] = useKept<Stored | null>('quick', null, read);
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

function read(raw: unknown): Stored | null {
  const result = Stored.nullable().safeParse(raw);
  return result.success ? result.data : null;
}

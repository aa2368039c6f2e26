import { Button, NativeSelect, TextInput } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import type { Attempt } from '../../../core/model/job.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft } from '../../store/draft.ts';
import { Card } from '../../ui/Card.tsx';
import { shortDate } from '../../ui/dates.ts';
import classes from './LearnCard.module.css';

const OUTCOMES: Record<Attempt['outcome'], string> = {
  cured: 'it cured it',
  'no-change': 'no change',
  worse: 'it made it worse',
  accepted: 'accepted, unresolved',
};

const FRESH: Pick<Attempt, 'what' | 'outcome'> = { what: '', outcome: 'no-change' };

/** What was tried, and what came of it. To accept a trouble as it is, is an honest end too; the owner's page says so. */
export function AttemptsCard() {
  const { job, edit } = useDesk();
  const [{ what, outcome }, set, forget] = useDraft(`attempt-${job.id}`, FRESH);
  const attempts = job.attempts ?? [];
  const add = () => {
    const text = what.trim();
    if (text === '') return;
    const attempt: Attempt = { id: randomId('attempt-'), at: new Date().toISOString(), what: text, outcome };
    edit(`Tried: ${text}`, (draft) => {
      draft.attempts = [...(draft.attempts ?? []), attempt];
    });
    forget();
  };
  return (
    <Card title="Tried, and what came of it">
      <form
        className={classes.form}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <TextInput
          label="What was tried, or what is left as it is"
          placeholder="a capacitor at the tail lamps; slight flicker seen in a camera"
          maxLength={160}
          value={what}
          onChange={(event) => set({ what: event.currentTarget.value, outcome })}
        />
        <NativeSelect
          label="Outcome"
          value={outcome}
          data={Object.entries(OUTCOMES).map(([value, label]) => ({ value, label }))}
          onChange={(event) => set({ what, outcome: event.currentTarget.value as Attempt['outcome'] })}
        />
        <Button type="submit" variant="default" disabled={what.trim() === ''}>
          Note it
        </Button>
      </form>
      {attempts.length > 0 && (
        <ul className={classes.findings}>
          {attempts.map((attempt) => (
            <li key={attempt.id}>
              <span>
                {attempt.what}{' '}
                <span className="faint">
                  {OUTCOMES[attempt.outcome]}, {shortDate(attempt.at)}
                </span>
              </span>
              <Button
                size="xs"
                variant="subtle"
                onClick={() =>
                  edit('Strike out what was tried', (draft) => {
                    draft.attempts = (draft.attempts ?? []).filter((each) => each.id !== attempt.id);
                  })
                }
              >
                Strike it out
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Card>
  );
}

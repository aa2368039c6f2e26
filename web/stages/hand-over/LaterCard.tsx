import { Button, NativeSelect, TextInput } from '@mantine/core';
import { capital } from '../../../core/formatting/format.ts';
import type { LaterItem } from '../../../core/model/past.ts';
import { LATER_WORDS } from '../../../core/words/past.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft } from '../../store/draft.ts';
import { Card } from '../../ui/Card.tsx';
import { namedOptions } from '../../ui/fields/field.ts';
import classes from '../../ui/Written.module.css';
import { WrittenRow } from '../../ui/WrittenRow.tsx';

const FRESH: Omit<LaterItem, 'id'> = { kind: 'left', text: '' };

/** What was left on purpose and what is wished for: the next job on this vehicle reads it. */
export function LaterCard() {
  const { job, edit } = useDesk();
  const { later = [] } = job;
  const [{ kind, text }, set, forget] = useDraft(`later-${job.id}`, FRESH);
  const add = () => {
    const words = text.trim();
    if (words === '') return;
    edit(`${words}, ${LATER_WORDS[kind]}`, (draft) => {
      draft.later = [...(draft.later ?? []), { id: crypto.randomUUID(), kind, text: words }];
    });
    forget();
  };
  return (
    <Card title="Left, and wished for">
      <ul className={classes.list} aria-label="Left, and wished for">
        {later.map((item) => (
          <WrittenRow
            key={item.id}
            text={`${capital(LATER_WORDS[item.kind])}: ${item.text}`}
            remove={() =>
              edit(`Off the list: ${item.text}`, (draft) => {
                draft.later = (draft.later ?? []).filter(({ id }) => id !== item.id);
              })
            }
          />
        ))}
      </ul>
      <div className={classes.add}>
        <NativeSelect
          label="It was"
          value={kind}
          data={namedOptions(LATER_WORDS)}
          onChange={(event) =>
            set({ kind: event.currentTarget.value === 'wished' ? 'wished' : 'left', text })
          }
        />
        <TextInput
          label="What"
          placeholder="third brake keeps its filament"
          maxLength={160}
          value={text}
          onChange={(event) => set({ kind, text: event.currentTarget.value })}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <Button variant="default" disabled={text.trim() === ''} onClick={add}>
          Write it down
        </Button>
      </div>
    </Card>
  );
}

import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Recheck } from '../../../core/model/recheck.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { partFittedAt, usualRechecks } from '../../../core/work/rechecks.ts';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft, useDraftText } from '../../store/draft.ts';
import { Card } from '../../ui/Card.tsx';
import { today } from '../../ui/dates.ts';
import { saveRechecks } from '../../ui/saveRechecks.ts';
import classes from './HandOver.module.css';

const FRESH = { what: '', due: '' };

/** What is looked at again, and when: brightness by dark, durability after weeks and months, whatever else. */
export function RechecksCard() {
  const { job, edit } = useDesk();
  const { rechecks = [] } = job;
  const [{ what, due }, set, forget] = useDraft(`recheck-${job.id}`, FRESH);
  const usual = usualRechecks(job, today(), () => crypto.randomUUID());
  const sound = what.trim() !== '' && /^\d{4}-\d{2}-\d{2}$/.test(due);
  const book = (label: string, more: readonly Recheck[]) =>
    edit(label, (draft) => {
      draft.rechecks = [...(draft.rechecks ?? []), ...more];
    });
  return (
    <Card title="Look again later">
      {rechecks.length > 0 && (
        <ul className={classes.rechecks} aria-label="Rechecks">
          {rechecks
            .toSorted((a, b) => a.due.localeCompare(b.due))
            .map((each) => (
              <RecheckRow key={each.id} recheck={each} />
            ))}
        </ul>
      )}
      {usual.length > 0 && (
        <Button variant="default" onClick={() => book('Book the usual rechecks', usual)}>
          Book{' '}
          {usual.length === 3 ? 'the usual three: after dark, two weeks, six months' : 'the usual ones left'}
        </Button>
      )}
      <div className={classes.own}>
        <TextInput
          label="Another"
          placeholder="seal of the rear lamp after rain"
          maxLength={160}
          value={what}
          onChange={(event) => set({ what: event.currentTarget.value, due })}
        />
        <TextInput
          label="Due"
          type="date"
          value={due}
          onChange={(event) => set({ what, due: event.currentTarget.value })}
        />
        <Button
          variant="default"
          disabled={!sound}
          onClick={() => {
            book(`Recheck: ${what.trim()}`, [
              { id: crypto.randomUUID(), kind: 'own', what: what.trim(), due },
            ]);
            forget();
          }}
        >
          Book it
        </Button>
      </div>
      {rechecks.some(({ done }) => !done) && (
        <Button
          variant="subtle"
          onClick={() =>
            saveRechecks(
              rechecks.filter(({ done }) => !done).map((recheck) => ({ job, recheck })),
              `${job.id}-rechecks.ics`,
            )
          }
        >
          Save them for a calendar (.ics)
        </Button>
      )}
    </Card>
  );
}

function RecheckRow({ recheck }: { recheck: Recheck }) {
  const { job, shelf, edit } = useDesk();
  const { recordWith } = useEvidence();
  const [lampId, setLampId] = useState(job.vehicle.lamps.find(({ id }) => job.chosen[id])?.id ?? '');
  const [words, setWords, forget] = useDraftText(`came-back-${job.id}-${recheck.id}`);
  const [back, setBack] = useState(words !== '');
  const change = (label: string, act: (mine: Recheck) => void) =>
    edit(label, (draft) => {
      const mine = draft.rechecks?.find(({ id }) => id === recheck.id);
      if (mine) act(mine);
    });
  const finish = (result: 'fine' | 'came-back', note: string) =>
    change(`Rechecked: ${recheck.what}`, (mine) => {
      mine.done = { at: new Date().toISOString(), result, note };
    });
  const cameBack = () => {
    const partId = job.chosen[lampId] ?? null;
    const part = shelf.find(({ id }) => id === partId);
    recordWith(
      `Came back: ${words.trim()}`,
      (draft) => {
        const mine = draft.rechecks?.find(({ id }) => id === recheck.id);
        if (mine) mine.done = { at: new Date().toISOString(), result: 'came-back', note: words.trim() };
      },
      {
        kind: 'came-back',
        lampId: lampId === '' ? null : lampId,
        partId,
        part: (part?.code ?? 'filament bulb').slice(0, 160),
        fittedAt: partFittedAt(job, partId),
        words: words.trim(),
      },
    );
    setBack(false);
    forget();
  };
  const late = !recheck.done && recheck.due < today();
  return (
    <li data-late={late}>
      <p>
        <b>{recheck.due}</b>
        {late && ' overdue'}: {recheck.what}
      </p>
      {recheck.done ? (
        <p className="faint">
          {recheck.done.result === 'fine' ? 'Looked at: fine.' : `Came back: ${recheck.done.note}`}{' '}
          <Button
            size="compact-xs"
            variant="subtle"
            onClick={() => change('Open again', (mine) => delete mine.done)}
          >
            Open again
          </Button>
        </p>
      ) : back ? (
        <div className={classes.own}>
          <NativeSelect
            label="At"
            value={lampId}
            onChange={(event) => setLampId(event.currentTarget.value)}
            data={[
              ...job.vehicle.lamps.map(({ id }) => ({ value: id, label: lampById(job.vehicle, id).name })),
              { value: '', label: 'no one lamp' },
            ]}
          />
          <TextInput
            label="What was wrong"
            maxLength={160}
            value={words}
            onChange={(event) => setWords(event.currentTarget.value)}
          />
          <Button disabled={words.trim() === ''} onClick={cameBack}>
            Write it down
          </Button>
          <Button
            variant="default"
            onClick={() => {
              setBack(false);
              forget();
            }}
          >
            Not so
          </Button>
        </div>
      ) : (
        <div className={classes.answers}>
          <Button size="sm" variant="default" onClick={() => finish('fine', '')}>
            Fine
          </Button>
          <Button size="sm" variant="default" onClick={() => setBack(true)}>
            Something came back
          </Button>
          <Button
            size="sm"
            variant="subtle"
            onClick={() =>
              edit(`Off the list: ${recheck.what}`, (draft) => {
                draft.rechecks = (draft.rechecks ?? []).filter(({ id }) => id !== recheck.id);
              })
            }
          >
            Take off
          </Button>
        </div>
      )}
    </li>
  );
}

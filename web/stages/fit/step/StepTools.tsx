import { Button, Checkbox, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PolarityRecord } from '../../../../core/model/job.ts';
import type { SaidStep } from '../../../../core/words/work/sayStep.ts';
import { useDesk } from '../../../job/workspace.ts';
import { addPhoto, binPhoto, shrinkPhoto } from '../../../store/photos.ts';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { SavedText } from '../../../ui/SavedText.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { useStepActs } from '../hand/useStepActs.ts';
import classes from './Step.module.css';

/** What is seen when something is wrong, as it is said at the vehicle. */
const SEEN = [
  'dark',
  'dim',
  'fast',
  'slow',
  'wrong lamp',
  'message',
  'flickers',
  'does not fit',
  'broken',
] as const;

/** Something is wrong with a step: what, in a tap or in words; it stays with the step for whoever looks for the fault. */
export function TroubleForm({ step }: { step: SaidStep }) {
  const { job } = useDesk();
  const { trouble } = useStepActs();
  const said = job.fit[step.id]?.trouble ?? '';
  return (
    <div className={classes.tool}>
      <div className={classes.chips}>
        {SEEN.map((word) => (
          <Button
            key={word}
            variant={said.split(', ').includes(word) ? 'filled' : 'default'}
            aria-pressed={said.split(', ').includes(word)}
            onClick={() => trouble(step, toggled(said, word))}
          >
            {word}
          </Button>
        ))}
      </div>
      <SavedText
        label="What is wrong, in words"
        value={said}
        maxLength={4000}
        multiline
        onSave={(words) => trouble(step, words)}
      />
      <p className="faint">The step stays open, the rest goes on. What is wrong with it is kept with it.</p>
      {said !== '' && (
        <Button
          component={Link}
          to={`../prove?${oddOf(said, step.lampId)}`}
          relative="path"
          variant="default"
        >
          Find the fault
        </Button>
      )}
    </div>
  );
}

/** The symptom a word of trouble is, for whoever looks for the fault. */
const SYMPTOM_OF: Partial<Record<(typeof SEEN)[number], string>> = {
  dark: 'not-lit',
  fast: 'fast-side',
  slow: 'stays-on',
  'wrong lamp': 'wrong-lamp',
  message: 'message',
  flickers: 'flickers',
};

function oddOf(said: string, lampId: string | null | undefined): string {
  const word = SEEN.find((each) => said.split(', ').includes(each) && SYMPTOM_OF[each] !== undefined);
  return new URLSearchParams({
    odd: (word && SYMPTOM_OF[word]) ?? '',
    ...(lampId ? { at: lampId } : {}),
  }).toString();
}

function toggled(said: string, word: string): string {
  const words = said.split(', ').filter(Boolean);
  return (words.includes(word) ? words.filter((each) => each !== word) : [...words, word]).join(', ');
}

/** A step that waits for a part, or the whole panel it belongs to. */
export function WaitForm({ step, steps }: { step: SaidStep; steps: readonly SaidStep[] }) {
  const { job } = useDesk();
  const { wait } = useStepActs();
  const waiting = job.fit[step.id]?.waitingFor ?? '';
  const [text, setText] = useState(waiting);
  const others = steps.filter(
    (each) => step.openingId !== null && each.openingId === step.openingId && each.id !== step.id,
  );
  const [whole, setWhole] = useState(() => others.some(({ id }) => job.fit[id]?.waitingFor));
  const along = whole ? others : [];
  return (
    <div className={classes.tool}>
      <TextInput
        size="md"
        label="Waits for"
        placeholder="a clip, a new carrier, the other relay"
        value={text}
        maxLength={160}
        onChange={(event) => {
          setText(event.currentTarget.value);
          wait(step, along, event.currentTarget.value.trim());
        }}
      />
      {others.length > 0 && (
        <Checkbox
          size="md"
          label={`Everything of ${step.place.toLowerCase()} that is not done waits`}
          checked={whole}
          onChange={(event) => {
            setWhole(event.currentTarget.checked);
            wait(step, others, event.currentTarget.checked ? text.trim() : '');
            if (!event.currentTarget.checked && text.trim()) wait(step, [], text.trim());
          }}
        />
      )}
      <p className="faint">It is left out until then; the rest goes on.</p>
      {waiting && (
        <Button
          variant="default"
          onClick={() => {
            setText('');
            wait(step, along, '');
          }}
        >
          It has come
        </Button>
      )}
    </div>
  );
}

/** A clip that broke or a screw that is gone: it goes on the pick list. */
export function LostForm({ step }: { step: SaidStep }) {
  const { job } = useDesk();
  const { lose, find } = useStepActs();
  const choices = [...(step.losable ?? []), 'seal', 'something else'];
  const [what, setWhat] = useState(choices[0] ?? '');
  const [own, setOwn] = useState('');
  const [count, setCount] = useState<number | string>(1);
  const named = what === 'something else' ? own.trim() : what;
  const number = Number(count);
  const usable = named !== '' && Number.isInteger(number) && number >= 1 && number <= 60;
  const mine = (job.lost ?? []).filter(({ stepId }) => stepId === step.id);
  return (
    <div className={classes.tool}>
      <div className={classes.pair}>
        <NativeSelect
          size="md"
          label="Broken or lost"
          data={choices}
          value={what}
          onChange={(event) => setWhat(event.currentTarget.value)}
        />
        <NumberInput
          size="md"
          label="How many"
          value={count}
          onChange={setCount}
          min={1}
          max={60}
          error={Number.isInteger(number) && number >= 1 && number <= 60 ? null : '1 to 60'}
        />
      </div>
      {what === 'something else' && (
        <TextInput
          size="md"
          label="What it is"
          value={own}
          maxLength={120}
          onChange={(event) => setOwn(event.currentTarget.value)}
        />
      )}
      <Button disabled={!usable} onClick={() => lose(step, named, number)}>
        Put it on the pick list
      </Button>
      {mine.length > 0 && (
        <ul className={classes.lost}>
          {mine.map(({ id, what: piece, count: pieces }) => (
            <li key={id} className={classes.lostRow}>
              {pieces} × {piece}
              <Button size="xs" variant="subtle" onClick={() => find(id)}>
                Found again
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** A photograph with a step: of its lamp, or of the vehicle. */
export function PhotoForm({ step }: { step: SaidStep }) {
  const { job } = useDesk();
  const [busy, setBusy] = useState(false);
  const add = async (files: FileList | null) => {
    setBusy(true);
    for (const file of files ?? []) {
      try {
        const id = randomId('photo-');
        const image = await shrinkPhoto(file);
        await addPhoto({ id, jobId: job.id, lampId: step.lampId, name: step.title.slice(0, 120), image });
        offerUndo('Photograph kept', () => binPhoto(id));
      } catch (error) {
        tellTrouble(error as Error);
      }
    }
    setBusy(false);
  };
  return (
    <label className={classes.photo} aria-disabled={busy}>
      {busy ? 'Keeping it' : 'Photograph'}
      <input
        type="file"
        accept="image/*"
        capture="environment"
        className="visually-hidden"
        disabled={busy}
        onChange={(event) => {
          void add(event.currentTarget.files);
          event.currentTarget.value = '';
        }}
      />
    </label>
  );
}

const WAYS: readonly { value: PolarityRecord['by']; label: string }[] = [
  { value: 'battery', label: 'a 9 V battery on the bench' },
  { value: 'live', label: 'the live plug: it lit at once' },
  { value: 'probe', label: 'a fused probe' },
];

/** Which way round a one-way LED went in, and how that was proved: its twin goes in the same way. */
export function PolarityForm({ lampId }: { lampId: string }) {
  const { job, edit } = useDesk();
  const record = job.polarity?.[lampId];
  const lamp = job.vehicle.lamps.find(({ id }) => id === lampId);
  const save = (by: PolarityRecord['by'], way: string) =>
    edit(
      `${lamp?.name ?? lampId}: which way round`,
      (draft) => {
        draft.polarity = { ...draft.polarity, [lampId]: { by, way } };
      },
      { mergeKey: `polarity-${lampId}` },
    );
  return (
    <div className={classes.pair}>
      <NativeSelect
        size="md"
        label="Polarity proved by"
        data={[{ value: '', label: 'not proved yet' }, ...WAYS]}
        value={record?.by ?? ''}
        onChange={(event) => {
          const by = WAYS.find(({ value }) => value === event.currentTarget.value)?.value;
          if (by) save(by, record?.way ?? '');
        }}
      />
      <SavedText
        label="Which way round it went in"
        placeholder="mark up, plus at the tab"
        value={record?.way ?? ''}
        maxLength={160}
        onSave={(way) => save(record?.by ?? 'live', way)}
      />
    </div>
  );
}

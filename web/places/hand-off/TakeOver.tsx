import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { type DragEvent, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import type { ParcelCode } from '../../../core/handoff/parcel.ts';
import { changeInWords } from '../../../core/handoff/questionWords.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { db } from '../../store/db.ts';
import type { JobPreview, PackPreview } from '../../store/handOff/preview.ts';
import type { AllAnswers } from '../../store/handOff/together.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { FileButton } from '../../ui/FileButton.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { handOff, stopHandOff } from '../../workers/handOff.ts';
import { ByCode } from './ByCode.tsx';
import classes from './HandOff.module.css';
import { confirm, fetchParcel, mailboxHere, type NoMailbox } from './mailbox.ts';
import { type Asked, askedOf, Questions } from './Questions.tsx';

type State =
  | { at: 'file' }
  | { at: 'reading' | 'taking' }
  | { at: 'refused'; problems: readonly string[] }
  | { at: 'preview'; preview: PackPreview; asked: readonly Asked[] }
  | { at: 'taken'; jobIds: readonly string[] };

/** A file from another device: what it would change, what it asks, and then, if that is wanted, the change. */
export function TakeOver({ shelf }: { shelf: Shelf }) {
  const [state, setState] = useState<State>({ at: 'file' });
  const [answers, setAnswers] = useState<AllAnswers>({});
  const failed = (error: unknown) => setState({ at: 'refused', problems: [(error as Error).message] });
  const read = async (file: File | Uint8Array, taken?: () => Promise<void>) => {
    setAnswers({});
    setState({ at: 'reading' });
    try {
      const result = await (await handOff()).read(file);
      // It could be read: it need not lie in the mailbox any longer.
      if (result.ok) await taken?.();
      setState(
        result.ok
          ? { at: 'preview', preview: result.preview, asked: askedOf(result.preview, shelf) }
          : { at: 'refused', problems: result.problems },
      );
    } catch (error) {
      failed(error);
    }
  };
  const byCode = (code: ParcelCode) => {
    setState({ at: 'reading' });
    fetchParcel(code)
      .then((bytes) => read(bytes, () => confirm(code)))
      .catch(failed);
  };
  // What was answered may open what hangs on it: the questions are worked out anew.
  const answer = async (next: AllAnswers) => {
    setAnswers(next);
    try {
      const preview = await (await handOff()).again(next);
      // What was answered stays on the screen, and can be answered otherwise.
      const before = state.at === 'preview' ? state.asked : [];
      const fresh = askedOf(preview, shelf).filter((each) => !before.some((old) => isSame(old, each)));
      setState({ at: 'preview', preview, asked: [...before, ...fresh] });
    } catch (error) {
      failed(error);
    }
  };
  const take = async () => {
    setState({ at: 'taking' });
    try {
      const taken = await (await handOff()).take(answers);
      const jobIds = await taken.jobIds;
      setState({ at: 'taken', jobIds });
      offerUndo('Taken over', () => taken.undo(), 60_000);
    } catch (error) {
      tellTrouble(error as Error);
      await answer(answers);
    }
  };
  switch (state.at) {
    case 'file':
      return <Choose read={read} byCode={byCode} />;
    case 'reading':
    case 'taking':
      return (
        <div className={classes.actions}>
          <span role="status">{state.at === 'reading' ? 'Reading the file' : 'Taking it over'}</span>
          {state.at === 'reading' && (
            <Button
              variant="subtle"
              onClick={() => {
                stopHandOff();
                setState({ at: 'file' });
              }}
            >
              Stop
            </Button>
          )}
        </div>
      );
    case 'refused':
      return (
        <div className={classes.cards}>
          <Card title="This file was not taken" heading="h2">
            <p>Nothing was changed.</p>
            <ul className={classes.list}>
              {state.problems.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          </Card>
          <Choose read={read} byCode={byCode} />
        </div>
      );
    case 'taken':
      return (
        <div className={classes.cards}>
          <Card title="Taken over" heading="h2">
            <p>
              {state.jobIds.length === 0
                ? 'What is here was as new as the file, or newer.'
                : `${state.jobIds.length === 1 ? 'One job' : `${state.jobIds.length} jobs`} came or changed.`}
            </p>
            <Taken jobIds={state.jobIds} />
          </Card>
          <Choose read={read} byCode={byCode} />
        </div>
      );
    case 'preview':
      return (
        <Preview
          shelf={shelf}
          preview={state.preview}
          asked={state.asked}
          answers={answers}
          answer={answer}
          take={take}
          leave={() => setState({ at: 'file' })}
        />
      );
  }
}

/** Links named so many. */
const OPENED = 20;

function Taken({ jobIds }: { jobIds: readonly string[] }) {
  const rows = useLiveQuery(() => db.jobs.bulkGet(jobIds.slice(0, OPENED)), [jobIds]);
  return (
    <ul className={classes.list}>
      {(rows ?? []).map(
        (row) =>
          row && (
            <li key={row.id}>
              <Link to={`/jobs/${row.id}`}>Open {nameOfJob(row.job.title, row.job.vehicle)}</Link>
            </li>
          ),
      )}
    </ul>
  );
}

function isSame(a: Asked, b: Asked): boolean {
  return a.document === b.document && a.path === b.path;
}

function Choose({ read, byCode }: { read(file: File): Promise<void>; byCode(code: ParcelCode): void }) {
  const [none, setNone] = useState<NoMailbox | undefined>();
  useEffect(() => {
    mailboxHere().then(setNone);
  }, []);
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const [file] = event.dataTransfer.files;
    if (file) read(file);
  };
  return (
    <div className={classes.cards}>
      <div
        className={classes.drop}
        data-over={over}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
        role="group"
        aria-label="File to take over"
      >
        <p>A .vumble.zip that Vumble wrote: one job, several, a shelf or a backup. It is looked at first.</p>
        <FileButton
          label="Choose a file"
          field="File to take over"
          accept=".zip,application/zip"
          open={read}
        />
      </div>
      {none === null && <ByCode take={byCode} />}
    </div>
  );
}

const WHAT = {
  added: 'is new here',
  same: 'is here as it is',
  'mine-newer': 'is here already, as new or newer',
  together: 'is laid together with the one here',
} as const;

/** Longer lists of names are counted. */
const NAMED = 8;

function named(codes: readonly string[], words: string): string[] {
  if (codes.length === 0) return [];
  return [codes.length > NAMED ? `${codes.length} parts ${words}` : `${codes.join(', ')}: ${words}`];
}

/** What of a job here would be another, without a question. */
function Changed({ job, shelf }: { job: JobPreview; shelf: Shelf }) {
  if (job.changed.length === 0) return null;
  const more = job.changed.length - NAMED;
  return (
    <ul className={classes.list}>
      {job.changed.slice(0, NAMED).map((each) => (
        <li key={each.path}>{changeInWords(each, job.theirs, shelf)}</li>
      ))}
      {more > 0 && <li>{more === 1 ? 'one change more' : `${more} changes more`}</li>}
    </ul>
  );
}

function Preview({
  shelf,
  preview,
  asked,
  answers,
  answer,
  take,
  leave,
}: {
  shelf: Shelf;
  preview: PackPreview;
  asked: readonly Asked[];
  answers: AllAnswers;
  answer(next: AllAnswers): void;
  take(): void;
  leave(): void;
}) {
  const { jobs, parts, photos, movements, whole } = preview;
  const open = asked.filter(({ document, path }) => answers[document]?.[path] === undefined).length;
  return (
    <div className={classes.cards}>
      <Card title="What it would change" heading="h2">
        <p>Packed {shortMoment(preview.exportedAt)}.</p>
        {whole && (
          <p>
            Nobody has worked in this browser yet: the backup takes the place of the demo that is here. Taking
            it back brings the demo again.
          </p>
        )}
        <ul className={classes.list}>
          {jobs.slice(0, 60).map((job) => (
            <li key={job.id}>
              <b>{job.title || job.vehicle}</b>, {job.vehicle}, {WHAT[job.what]}
              {job.arrived > 0 ? `; ${job.arrived} records on its log come with it` : ''}
              <Changed job={job} shelf={shelf} />
            </li>
          ))}
          {jobs.length > 60 && <li>{jobs.length - 60} jobs more</li>}
          {[
            ...named(parts.added, 'added to the shelf'),
            ...named(parts.merged, 'changed on the shelf as they were changed there'),
            ...named(parts.beside, 'here with other figures; yours stay, the file’s come in beside them'),
            ...(photos > 0 ? [`${photos} photographs`] : []),
            ...(movements > 0 ? [`${movements} movements of stock`] : []),
          ].map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      </Card>
      {asked.length > 0 && <Questions asked={asked} answers={answers} answer={answer} preview={preview} />}
      <div className={classes.actions}>
        <Button onClick={take} disabled={open > 0}>
          {open === 0 ? 'Take it over' : `${open} to choose first`}
        </Button>
        <Button variant="default" onClick={leave}>
          Leave it
        </Button>
      </div>
    </div>
  );
}

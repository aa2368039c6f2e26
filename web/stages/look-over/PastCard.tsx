import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from 'react-router';
import { capital } from '../../../core/formatting/format.ts';
import type { Job } from '../../../core/model/job.ts';
import { PastKind, RepairKind } from '../../../core/model/past.ts';
import { jobLamps } from '../../../core/model/scope.ts';
import { LATER_WORDS, PAST_WORDS, REPAIR_WORDS } from '../../../core/words/past.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft } from '../../store/draft.ts';
import { earlierJobs } from '../../store/earlierJobs.ts';
import { Card } from '../../ui/Card.tsx';
import { shortDate } from '../../ui/dates.ts';
import { namedOptions } from '../../ui/fields/field.ts';
import classes from '../../ui/Written.module.css';
import { WrittenRow } from '../../ui/WrittenRow.tsx';

const LONGEST = 160;
/** The lamps of the job, and those it may disturb: of the others it says nothing. */
const lampOptions = (job: Job) => jobLamps(job).map(({ id, name }) => ({ value: id, label: name }));

interface WasHere {
  kind: PastKind;
  lampId: string;
  text: string;
}
const WAS_HERE: WasHere = { kind: 'harness', lampId: '', text: '' };

/** What was done to the vehicle before, and what its other jobs left or were asked for. */
export function PastCard() {
  const { job, edit } = useDesk();
  const { vehicle } = job;
  const others = useLiveQuery(() => earlierJobs(vehicle.id, job.id).catch(() => []), [vehicle.id, job.id]);
  const [typed, set, forget] = useDraft(`past-${job.id}`, WAS_HERE);
  const { kind, lampId, text } = typed;
  const past = vehicle.past ?? [];
  const add = () => {
    const words = text.trim();
    if (words === '') return;
    edit(`Was here before: ${words}`, (draft) => {
      draft.vehicle.past = [
        ...(draft.vehicle.past ?? []),
        { id: crypto.randomUUID(), kind, lampId: lampId || null, text: words },
      ];
    });
    forget();
  };
  return (
    <Card title="What was here before">
      <ul className={classes.list} aria-label="Added, repaired or left hanging">
        {past.map((item) => (
          <WrittenRow
            key={item.id}
            text={`${capital(PAST_WORDS[item.kind])}: ${item.text}`}
            at={vehicle.lamps.find(({ id }) => id === item.lampId)?.name}
            remove={() =>
              edit(`No longer here: ${item.text}`, (draft) => {
                draft.vehicle.past = (draft.vehicle.past ?? []).filter(({ id }) => id !== item.id);
              })
            }
          />
        ))}
        {past.length === 0 && <li className="faint">Nothing written down.</li>}
      </ul>
      <div className={classes.add}>
        <NativeSelect
          label="What it is"
          value={kind}
          data={namedOptions(PAST_WORDS)}
          onChange={(event) =>
            set({ ...typed, kind: PastKind.safeParse(event.currentTarget.value).data ?? 'other' })
          }
        />
        <NativeSelect
          label="Near"
          value={lampId}
          data={[{ value: '', label: 'elsewhere' }, ...lampOptions(job)]}
          onChange={(event) => set({ ...typed, lampId: event.currentTarget.value })}
        />
        <TextInput
          label="In a few words"
          placeholder="trailer harness tapped into the left feed"
          maxLength={LONGEST}
          value={text}
          onChange={(event) => set({ ...typed, text: event.currentTarget.value })}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <Button variant="default" disabled={text.trim() === ''} onClick={add}>
          Write it down
        </Button>
      </div>
      {others && others.length > 0 && (
        <>
          <h4 className={classes.head}>Other jobs on this vehicle</h4>
          <ul className={classes.list}>
            {others.map(({ id, title, createdAt, later }) => (
              <li key={id} className={classes.row}>
                <span>
                  <Link to={`/jobs/${id}/hand-over`}>{title}</Link>, {shortDate(createdAt)}
                  {later.map((each) => (
                    <small key={each.id}>
                      {capital(LATER_WORDS[each.kind])}: {each.text}
                    </small>
                  ))}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Card>
  );
}

interface Found {
  kind: RepairKind;
  lampId: string;
  note: string;
  part: string;
}
const FOUND: Found = { kind: 'descale-carrier', lampId: '', note: '', part: '' };

/** Repairs that are done with the conversion: each becomes a step behind its lamp's panel. */
export function RepairsCard() {
  const { job, edit } = useDesk();
  const { vehicle, repairs = [] } = job;
  const [typed, set, forget] = useDraft(`repair-${job.id}`, FOUND);
  const { kind, lampId, note, part } = typed;
  const lamps = lampOptions(job);
  const at = lampId || (lamps[0]?.value ?? '');
  const lacks = kind === 'other' && note.trim() === '';
  const add = () => {
    if (lacks) return;
    edit(`Repair: ${REPAIR_WORDS[kind].toLowerCase()}`, (draft) => {
      draft.repairs = [
        ...(draft.repairs ?? []),
        {
          id: crypto.randomUUID(),
          kind,
          lampId: at,
          note: note.trim(),
          ...(part.trim() ? { part: part.trim() } : {}),
        },
      ];
    });
    forget();
  };
  return (
    <Card title="Repairs that go with it">
      <ul className={classes.list} aria-label="Repairs">
        {repairs.map((repair) => (
          <WrittenRow
            key={repair.id}
            text={[REPAIR_WORDS[repair.kind], repair.note].filter(Boolean).join(': ')}
            at={vehicle.lamps.find(({ id }) => id === repair.lampId)?.name}
            remove={() =>
              edit(`No repair: ${REPAIR_WORDS[repair.kind].toLowerCase()}`, (draft) => {
                draft.repairs = (draft.repairs ?? []).filter(({ id }) => id !== repair.id);
              })
            }
          />
        ))}
        {repairs.length === 0 && <li className="faint">None found to need one.</li>}
      </ul>
      <div className={classes.add}>
        <NativeSelect
          label="Repair"
          value={kind}
          data={namedOptions(REPAIR_WORDS)}
          onChange={(event) =>
            set({ ...typed, kind: RepairKind.safeParse(event.currentTarget.value).data ?? 'other' })
          }
        />
        <NativeSelect
          label="At"
          value={at}
          data={lamps}
          onChange={(event) => set({ ...typed, lampId: event.currentTarget.value })}
        />
        <TextInput
          label={kind === 'other' ? 'What is done' : 'What was found'}
          maxLength={LONGEST}
          value={note}
          onChange={(event) => set({ ...typed, note: event.currentTarget.value })}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <TextInput
          label="Part it needs"
          description="It goes on the pick list."
          maxLength={LONGEST}
          value={part}
          onChange={(event) => set({ ...typed, part: event.currentTarget.value })}
          onKeyDown={(event) => event.key === 'Enter' && add()}
        />
        <Button variant="default" disabled={lacks} onClick={add}>
          Add the repair
        </Button>
      </div>
    </Card>
  );
}

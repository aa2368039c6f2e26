import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { ownersPage } from '../../../core/pages/ownersPage.ts';
import { workshopPage } from '../../../core/pages/workshopPage.ts';
import { handOverPage } from '../../../core/record/handOver.ts';
import { useDesk } from '../../job/workspace.ts';
import { exportJob } from '../../store/jobs.ts';
import { Card } from '../../ui/Card.tsx';
import { shortDate, shortMoment } from '../../ui/dates.ts';
import { SavedText } from '../../ui/SavedText.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './HandOver.module.css';
import { LabelCard } from './LabelCard.tsx';
import { LaterCard } from './LaterCard.tsx';
import { type PageKind, PagesCard } from './PagesCard.tsx';
import { PrintedPage } from './PrintedPage.tsx';
import { RechecksCard } from './RechecksCard.tsx';

/** A day at noon: no time zone makes it another. */
const day = (date: string) => shortDate(`${date.slice(0, 10)}T12:00`);

/** The record: what was fitted, before and after, where the old bulbs are, when the warranty ends. */
export default function HandOver() {
  const { job, shelf, edit, board } = useDesk();
  const [kind, setKind] = useState<PageKind>('owner');
  const { missing } = useMemo(() => handOverPage(job, shelf), [job, shelf]);
  const page = useMemo(() => {
    const context = { board, day, moment: shortMoment };
    return kind === 'owner' ? ownersPage(job, shelf, context) : workshopPage(job, shelf, context);
  }, [job, shelf, board, kind]);
  const { handOver } = job;
  const filed = handOver.filedAt !== null;
  const save = () =>
    exportJob(job.id)
      .then((text) => saveTextFile(`${job.id}.vumble.json`, text, 'application/json'))
      .catch((error: Error) => tellTrouble(error));
  return (
    <div className={classes.grid}>
      <div className={classes.form}>
        <Card title="For the record">
          <div className={classes.fields}>
            <SavedText
              label="Title of the job"
              value={job.title}
              maxLength={160}
              onSave={(title) => edit('Title', (draft) => void (draft.title = title), { mergeKey: 'title' })}
            />
            <SavedText
              label="Where the stock bulbs are kept"
              value={handOver.stockBulbsKeptAt}
              maxLength={160}
              onSave={(text) =>
                edit('Where the stock bulbs are', (draft) => void (draft.handOver.stockBulbsKeptAt = text), {
                  mergeKey: 'kept',
                })
              }
            />
            <SavedText
              label="Warranty until"
              type="date"
              value={handOver.warrantyUntil}
              maxLength={10}
              onSave={(date) =>
                edit('Warranty', (draft) => void (draft.handOver.warrantyUntil = date), {
                  mergeKey: 'warranty',
                })
              }
            />
            <SavedText
              label="Note for the owner"
              value={handOver.note}
              maxLength={4000}
              multiline
              onSave={(note) =>
                edit('Note for the owner', (draft) => void (draft.handOver.note = note), {
                  mergeKey: 'owner',
                })
              }
            />
          </div>
        </Card>
        <PagesCard kind={kind} choose={setKind} page={page} name={job.id} />
        <LabelCard />
        <LaterCard />
        <RechecksCard />
        <Card title="Still missing">
          {missing.length === 0 ? (
            <p>Nothing: the file is complete.</p>
          ) : (
            <ul className={classes.missing}>
              {missing.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          )}
          <div className={classes.actions}>
            <Button
              onClick={() =>
                edit(filed ? 'Take out of the file' : 'File the job', (draft) => {
                  draft.handOver.filedAt = filed ? null : new Date().toISOString();
                })
              }
              variant={filed ? 'default' : 'filled'}
            >
              {filed ? 'Take out of the file' : 'File the job'}
            </Button>
            <Button variant="default" component={Link} to={`/hand-off?job=${job.id}`}>
              Hand the job on
            </Button>
            <Button variant="default" onClick={save}>
              Export the job
            </Button>
          </div>
          {filed && handOver.filedAt && <p className="faint">Filed {shortMoment(handOver.filedAt)}</p>}
        </Card>
      </div>
      <PrintedPage page={page} label={kind === 'owner' ? 'Page for the owner' : 'Page for the file'} />
    </div>
  );
}

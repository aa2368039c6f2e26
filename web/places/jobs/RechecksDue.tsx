import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import { openRechecks } from '../../../core/work/rechecks.ts';
import type { JobSummary } from '../../store/jobSummaries.ts';
import { Card } from '../../ui/Card.tsx';
import { today } from '../../ui/dates.ts';
import { saveRechecks } from '../../ui/saveRechecks.ts';
import classes from './JobsPlace.module.css';

/** Those due within so many days are listed; the others are counted. */
const SOON = 7;

/** Judgements that wait for dark, for weeks, for months: due now, overdue, or soon. */
export function RechecksDue({ jobs }: { jobs: readonly JobSummary[] }) {
  const open = openRechecks(jobs, today());
  const soon = open.filter(({ inDays }) => inDays <= SOON);
  if (soon.length === 0) return null;
  const later = open.length - soon.length;
  return (
    <div className={classes.lookAgain}>
      <Card
        title="Look again"
        heading="h2"
        aside={<span className="faint">{later > 0 ? `${later} more later` : ''}</span>}
      >
        <ul className={classes.due} aria-label="Rechecks due">
          {soon.map(({ job, recheck, inDays }) => (
            <li key={recheck.id} data-late={inDays < 0}>
              <b>{dueWords(inDays)}</b>{' '}
              <Link to={`/jobs/${job.id}/hand-over`}>
                {nameOfJob(job.title, job.vehicle)}: {recheck.what}
              </Link>
            </li>
          ))}
        </ul>
        <Button variant="subtle" size="xs" onClick={() => saveRechecks(open, 'vumble-rechecks.ics')}>
          Save all for a calendar (.ics)
        </Button>
      </Card>
    </div>
  );
}

function dueWords(inDays: number): string {
  if (inDays === 0) return 'Today:';
  if (inDays === 1) return 'Tomorrow:';
  return inDays < 0 ? `Overdue by ${-inDays} ${inDays === -1 ? 'day' : 'days'}:` : `In ${inDays} days:`;
}

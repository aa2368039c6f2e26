import { Button, NativeSelect, NumberInput, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import type { Job } from '../../../core/model/job.ts';
import { DRILL_KINDS } from '../../../core/practice/drill.ts';
import { DRILL_ABOUT, DRILL_NAMES } from '../../../core/practice/drillWords.ts';
import type { Level } from '../../../core/practice/hidden.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { offerUndo } from '../../ui/offerUndo.tsx';
import classes from './Practice.module.css';
import { useResults } from './results.ts';

const LEVEL_WORDS: Record<Level, string> = {
  easy: 'One that shows',
  any: 'Any one',
  two: 'Two at once',
};
/** Numbers of rounds: anybody who types the same gets the same. */
const MOST_SEED = 9999;

/** What to practise, and how it went so far. */
export function PracticeHome({ jobs }: { jobs: readonly Job[] }) {
  const navigate = useNavigate();
  const [jobId, setJobId] = useState(jobs[0]?.id ?? '');
  const [level, setLevel] = useState<Level>('easy');
  const [seed, setSeed] = useState<string | number>(() => 1 + Math.floor(Math.random() * MOST_SEED));
  const number = Number(seed);
  const sound = Number.isInteger(number) && number >= 1 && number <= MOST_SEED;
  return (
    <div className={classes.place}>
      <h1>Practice</h1>
      <Card title="Find the hidden fault" heading="h2">
        {jobs.length === 0 ? (
          <p>No vehicle here to practise on. Enter one, or import a job.</p>
        ) : (
          <>
            <p>
              A vehicle with something wrong that nobody tells. The driver’s panel, a meter and the toolbox
              are all there is; every check costs minutes. Afterwards: how the chooser would have gone about
              it.
            </p>
            <div className={classes.fields}>
              <NativeSelect
                label="Vehicle"
                value={jobId}
                onChange={(event) => setJobId(event.currentTarget.value)}
                data={jobs.map((job) => ({
                  value: job.id,
                  label: `${job.vehicle.name}: ${nameOfJob(job.title, job.vehicle)}`,
                }))}
              />
              <div>
                <span className={classes.label} id="practice-level">
                  Hidden
                </span>
                <SegmentedControl
                  fullWidth
                  aria-labelledby="practice-level"
                  value={level}
                  onChange={(next) => setLevel(next as Level)}
                  data={Object.entries(LEVEL_WORDS).map(([value, label]) => ({ value, label }))}
                />
              </div>
              <NumberInput
                label="Round number"
                description="the same number is the same round"
                value={seed}
                onChange={setSeed}
                min={1}
                max={MOST_SEED}
                clampBehavior="none"
                allowDecimal={false}
                error={sound ? undefined : `Type a whole number from 1 to ${MOST_SEED}`}
              />
            </div>
            <Button
              size="lg"
              disabled={!sound || jobId === ''}
              onClick={() =>
                navigate(`/practice/round?${new URLSearchParams({ job: jobId, level, seed: String(seed) })}`)
              }
            >
              Begin the round
            </Button>
          </>
        )}
      </Card>
      <Card title="Drills" heading="h2">
        <ul className={classes.drills}>
          {DRILL_KINDS.map((kind) => (
            <li key={kind}>
              <Link to={`/practice/${kind}`} className={classes.drill}>
                <b>{DRILL_NAMES[kind]}</b>
                <span>{DRILL_ABOUT[kind]}</span>
              </Link>
            </li>
          ))}
        </ul>
      </Card>
      <Results />
    </div>
  );
}

/** How it went over time: rounds against the chooser, drills by how many were right. */
function Results() {
  const { results, clear, restore } = useResults();
  if (results.length === 0) return null;
  const rounds = results.filter((each) => each.kind === 'round');
  const scored = rounds.flatMap(({ minutes, chooser, gaveUp }) =>
    gaveUp || chooser === null || chooser === 0 ? [] : [minutes / chooser],
  );
  const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
  return (
    <Card title="So far" heading="h2">
      {scored.length > 0 && (
        <p>
          {scored.length === 1 ? 'One round' : `${scored.length} rounds`} found to the end, in the mean{' '}
          <b>{mean(scored).toFixed(1)} times</b> the minutes of the chooser
          {scored.length >= 6 &&
            `; the last five ${mean(scored.slice(-5)).toFixed(1)} times, the first five ${mean(scored.slice(0, 5)).toFixed(1)}`}
          .
        </p>
      )}
      <ol className={classes.results} aria-label="Results">
        {results
          .toReversed()
          .slice(0, 20)
          .map((each) => (
            <li key={each.at}>
              <span className="faint">{shortMoment(each.at)}</span>{' '}
              {each.kind === 'round'
                ? `${each.vehicle}, ${LEVEL_WORDS[each.level].toLowerCase()}, round ${each.seed}: ${
                    each.gaveUp ? 'given up' : `found in ${Math.round(each.minutes)} min`
                  }${each.chooser === null ? '' : `, the chooser ${Math.round(each.chooser)} min`}`
                : `${DRILL_NAMES[each.drill]}: ${each.right} of ${each.asked} right`}
            </li>
          ))}
      </ol>
      <Button
        variant="subtle"
        size="xs"
        onClick={() => {
          const before = results;
          clear();
          offerUndo('Results cleared', async () => restore(before));
        }}
      >
        Clear the results
      </Button>
    </Card>
  );
}

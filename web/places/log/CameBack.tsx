import { SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { cameBackBy } from '../../../core/log/answers.ts';
import type { LogData } from '../../job/useLog.ts';
import { Card } from '../../ui/Card.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { LinesTable } from './LinesTable.tsx';
import classes from './Log.module.css';

const BY = { code: 'By part', model: 'By model', place: 'By place' } as const;

/** What came back, of how many, and how old it was. */
export default function CameBack({ lines }: LogData) {
  const [by, setBy] = useState<keyof typeof BY>('code');
  const groups = cameBackBy(lines, by);
  const back = lines.filter(({ state }) => state === 'came-back');
  if (back.length === 0)
    return (
      <p>
        Nothing came back. What did is told at a recheck in Hand over, or on Jobs where it is due, with what
        it did.
      </p>
    );
  return (
    <div className={classes.stack}>
      <Card title="How much of it" heading="h2">
        <SegmentedControl
          aria-label="Counted together"
          value={by}
          onChange={(next) => setBy(next as keyof typeof BY)}
          data={Object.entries(BY).map(([value, label]) => ({ value, label }))}
        />
        <Scrolls label="What came back">
          <table className={classes.table}>
            <thead>
              <tr>
                <th>{BY[by].slice(3)}</th>
                <th>Came back</th>
                <th>Of all fitted</th>
                <th>Age then, days</th>
              </tr>
            </thead>
            <tbody>
              {groups.map(({ name, cameBack, fitted, ages }) => (
                <tr key={name}>
                  <td>{name}</td>
                  <td>{cameBack}</td>
                  <td>{fitted}</td>
                  <td>{ages.length > 0 ? ages.map((age) => Math.round(age)).join(', ') : 'not known'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      </Card>
      <LinesTable id="log-back" label="What came back" lines={back} file="vumble-came-back" empty="" />
    </div>
  );
}

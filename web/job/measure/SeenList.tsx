import { Button } from '@mantine/core';
import { type ReactNode, useMemo } from 'react';
import type { Observation } from '../../../core/model/evidence.ts';
import { standing } from '../../../core/model/seen.ts';
import { whenSeen } from '../../../core/model/whenSeen.ts';
import { shortMoment } from '../../ui/dates.ts';
import { useDesk } from '../workspace.ts';
import classes from './SeenList.module.css';
import { useEvidence } from './useEvidence.ts';

/** What is on record, a row each, with who saw it and when; every one can be taken back. */
export function SeenList<E extends Observation>({
  seen,
  what,
  isSuspect = () => false,
  children,
}: {
  seen: readonly E[];
  /** what taking one back is called: `a reading of left turn` */
  what: string;
  isSuspect?(evidence: E): boolean;
  children(evidence: E): ReactNode;
}) {
  const { takeBack } = useEvidence();
  const all = standing(useDesk().job);
  const when = useMemo(() => whenSeen(all, Date.now()), [all]);
  const clockWrong = (each: Observation) => when[all.indexOf(each)]?.possible === false;
  return (
    <ul className={classes.list}>
      {seen.map((each) => (
        <li key={each.id} data-suspect={isSuspect(each)}>
          <span>
            {children(each)}
            <span className="faint">
              {' '}
              {shortMoment(each.at)}
              {clockWrong(each) && ' (the clock was wrong then: it counts in the order it was told)'}
              {each.by ? `, ${each.by}` : ''}
              {'towedBy' in each && each.towedBy ? `, behind ${each.towedBy}` : ''}
              {'from' in each && each.from ? `, from ${each.from.job}` : ''}
            </span>
          </span>
          <Button size="xs" variant="subtle" onClick={() => takeBack(`Take back ${what}`, each.id)}>
            Take back
          </Button>
        </li>
      ))}
    </ul>
  );
}

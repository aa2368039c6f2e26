import { Button } from '@mantine/core';
import { type ReactNode, useEffect, useRef } from 'react';
import { jobLamps } from '../../../core/model/scope.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { Card } from '../../ui/Card.tsx';
import { useDesk } from '../workspace.ts';
import classes from './LampList.module.css';

interface LampListProps {
  title: string;
  /** the lamp whose details stand beside the list */
  current: Lamp | undefined;
  /** one act for every lamp still open, when there is one */
  fill?: { label: string; act(): void } | undefined;
  /** a second such act */
  keep?: { label: string; act(): void } | undefined;
  /** what stands at the right end of a lamp's row */
  value(lamp: Lamp): ReactNode;
  /** a second, quieter line */
  note?(lamp: Lamp): string;
  /** what else happens when a lamp of the list is chosen */
  onChoose?(): void;
  /** every lamp of the vehicle alike, and not those of the job first */
  whole?: boolean;
}

/** The lamps of the job as a list to choose from, the vehicle's others folded away; choosing one selects it on the plan too. */
export function LampList({
  title,
  current,
  fill,
  keep,
  value,
  note,
  onChoose,
  whole = false,
}: LampListProps) {
  const { job, selectLamp } = useDesk();
  const { lamps } = job.vehicle;
  const ids = new Set(whole ? [] : jobLamps(job).map((lamp) => lamp.id));
  const mine = whole ? lamps : lamps.filter((lamp) => ids.has(lamp.id));
  const others = lamps.filter((lamp) => !mine.includes(lamp));
  const chosen = useRef<HTMLLIElement>(null);
  const before = useRef(current?.id);
  useEffect(() => {
    // One that was chosen on the plan may stand far down the list.
    if (before.current !== current?.id) chosen.current?.scrollIntoView({ block: 'nearest' });
    before.current = current?.id;
  }, [current?.id]);
  const row = (lamp: Lamp) => (
    <li key={lamp.id} ref={lamp.id === current?.id ? chosen : null}>
      <button
        type="button"
        className={classes.lamp}
        aria-current={lamp.id === current?.id}
        onClick={() => {
          selectLamp(lamp.id);
          onChoose?.();
        }}
      >
        <span className={classes.name}>{lamp.name}</span>
        <span>{value(lamp)}</span>
        {note && <span className={classes.note}>{note(lamp)}</span>}
      </button>
    </li>
  );
  return (
    <Card
      title={title}
      aside={
        (fill || keep) && (
          <span className={classes.acts}>
            {[fill, keep].map(
              (each) =>
                each && (
                  <Button key={each.label} size="xs" variant="default" onClick={each.act}>
                    {each.label}
                  </Button>
                ),
            )}
          </span>
        )
      }
    >
      <ul className={classes.lamps}>{mine.map(row)}</ul>
      {others.length > 0 && (
        <details
          className={classes.others}
          open={others.some((lamp) => lamp.id === current?.id) || undefined}
        >
          <summary>{others.length} outside this job</summary>
          <ul className={classes.lamps}>{others.map(row)}</ul>
        </details>
      )}
    </Card>
  );
}

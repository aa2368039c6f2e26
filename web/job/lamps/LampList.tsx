import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
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
}

/** The vehicle's lamps as a list to choose from; choosing one selects it on the plan too. */
export function LampList({ title, current, fill, keep, value, note }: LampListProps) {
  const { job, selectLamp } = useDesk();
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
      <ul className={classes.lamps}>
        {job.vehicle.lamps.map((lamp) => (
          <li key={lamp.id}>
            <button
              type="button"
              className={classes.lamp}
              aria-current={lamp.id === current?.id}
              onClick={() => selectLamp(lamp.id)}
            >
              <span className={classes.name}>{lamp.name}</span>
              <span>{value(lamp)}</span>
              {note && <span className={classes.note}>{note(lamp)}</span>}
            </button>
          </li>
        ))}
      </ul>
    </Card>
  );
}

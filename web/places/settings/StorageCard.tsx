import { Button, Progress } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { NEARLY_FULL, type Room, room } from '../../store/room.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Settings.module.css';

const MEGABYTE = 1e6;
const GIGABYTE = 1e9;

function size(bytes: number): string {
  return bytes < GIGABYTE ? `${(bytes / MEGABYTE).toFixed(1)} MB` : `${(bytes / GIGABYTE).toFixed(1)} GB`;
}

/** How full this browser's store is, and whether it may be cleared. */
export function StorageCard() {
  const [now, setRoom] = useState<Room | null>(null);
  const refresh = useCallback(() => {
    room()
      .then(setRoom)
      .catch(() => setRoom(null));
  }, []);
  useEffect(refresh, [refresh]);
  const share = now && now.most > 0 ? now.used / now.most : 0;
  return (
    <Card title="What is kept here" heading="h2">
      {now ? (
        <>
          <Progress
            value={100 * share}
            aria-label="Share of the room that is used"
            color="var(--petrol)"
            mb={8}
          />
          <p>
            {size(now.used)} of about {size(now.most)} this browser gives.
            {share > NEARLY_FULL && ' Nearly full: empty the bin at the foot of Jobs, or delete photographs.'}
          </p>
          <p>
            {now.persisted
              ? 'The browser does not clear it when it wants room.'
              : 'The browser may clear it when the disk is full.'}
          </p>
          <div className={classes.row}>
            {!now.persisted && (
              <Button variant="default" onClick={() => navigator.storage.persist().then(refresh)}>
                Ask it not to
              </Button>
            )}
            <Button variant="default" component={Link} to="/hand-off?view=backup">
              Backup
            </Button>
          </div>
        </>
      ) : (
        <p>This browser does not say how full it is.</p>
      )}
    </Card>
  );
}

import { Button, Progress } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { Card } from '../../ui/Card.tsx';
import classes from './Settings.module.css';

/** Fuller than this it is said, share. */
const NEARLY_FULL = 0.8;
const MEGABYTE = 1e6;
const GIGABYTE = 1e9;

function size(bytes: number): string {
  return bytes < GIGABYTE ? `${(bytes / MEGABYTE).toFixed(1)} MB` : `${(bytes / GIGABYTE).toFixed(1)} GB`;
}

interface Room {
  used: number;
  most: number;
  persisted: boolean;
}

async function look(): Promise<Room | null> {
  const { storage } = navigator;
  if (!storage?.estimate) return null;
  const [{ usage = 0, quota = 0 }, persisted] = await Promise.all([
    storage.estimate(),
    storage.persisted?.() ?? Promise.resolve(false),
  ]);
  return { used: usage, most: quota, persisted };
}

/** How full this browser's store is, and whether it may be cleared. */
export function StorageCard() {
  const [room, setRoom] = useState<Room | null>(null);
  const refresh = useCallback(() => {
    look()
      .then(setRoom)
      .catch(() => setRoom(null));
  }, []);
  useEffect(refresh, [refresh]);
  const share = room && room.most > 0 ? room.used / room.most : 0;
  return (
    <Card title="What is kept here" heading="h2">
      {room ? (
        <>
          <Progress
            value={100 * share}
            aria-label="Share of the room that is used"
            color="var(--petrol)"
            mb={8}
          />
          <p>
            {size(room.used)} of about {size(room.most)} this browser gives.
            {share > NEARLY_FULL && ' Nearly full: empty the bin at the foot of Jobs, or delete photographs.'}
          </p>
          <p>
            {room.persisted
              ? 'The browser does not clear it when it wants room.'
              : 'The browser may clear it when the disk is full.'}
          </p>
          <div className={classes.row}>
            {!room.persisted && (
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

import { ActionIcon } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { IconArrowBackUp, IconArrowForwardUp } from '@tabler/icons-react';
import { useLiveQuery } from 'dexie-react-hooks';
import { type ReactNode, useSyncExternalStore } from 'react';
import { historyOf } from '../store/edits.ts';
import { writer } from '../store/writer.ts';
import { tellTrouble } from '../ui/tellTrouble.ts';
import { useKeys } from '../ui/useKeys.ts';
import classes from './HistoryButtons.module.css';

/** Undo and redo of any edit of the job on screen. */
export function HistoryButtons({ jobId }: { jobId: string }) {
  const history = useLiveQuery(() => historyOf(jobId), [jobId]);
  // What there is no room for is taken back first, and nothing is done again meanwhile.
  const held = useSyncExternalStore(writer.subscribe, () => writer.held(jobId));
  const go = (step: (id: string) => Promise<string | null>, word: string) => () =>
    step(jobId)
      .then((label) => {
        if (label) notifications.show({ message: `${word}: ${label}`, autoClose: 2500, withBorder: true });
      })
      .catch((error: Error) => tellTrouble(error));
  const undo = go((id) => writer.undo(id), 'Undone');
  const redo = go((id) => writer.redo(id), 'Done again');
  useKeys([
    ['mod+Z', undo],
    ['mod+shift+Z', redo],
  ]);
  return (
    <>
      <HistoryButton word="Undo" label={held?.label ?? history?.undo ?? null} onClick={undo}>
        <IconArrowBackUp size={20} stroke={1.7} />
      </HistoryButton>
      <HistoryButton word="Redo" label={held ? null : (history?.redo ?? null)} onClick={redo}>
        <IconArrowForwardUp size={20} stroke={1.7} />
      </HistoryButton>
    </>
  );
}

interface HistoryButtonProps {
  word: string;
  /** what it would take back or do again; null when there is nothing */
  label: string | null;
  onClick(): void;
  children: ReactNode;
}

function HistoryButton({ word, label, onClick, children }: HistoryButtonProps) {
  const says = label ? `${word}: ${label}` : `Nothing to ${word.toLowerCase()}`;
  return (
    <ActionIcon
      variant="subtle"
      size={44}
      className={classes.button}
      aria-label={label ? says : word}
      title={says}
      disabled={label === null}
      onClick={onClick}
    >
      {children}
    </ActionIcon>
  );
}

import { TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { findEntries, referenceEntries } from '../../core/reference/entries.ts';
import { STAGE_NAMES, STAGES } from '../../core/work/stages.ts';
import { db } from '../store/db.ts';
import { Dialog } from '../ui/Dialog.tsx';
import classes from './FindAnything.module.css';

interface Found {
  title: string;
  detail: string;
  words: string;
  /** where choosing it leads */
  to: string;
  group: string;
}

const SECTION_WORDS = {
  bulbs: 'Bulb',
  bases: 'Base',
  terminals: 'Terminal',
  wire: 'Wire',
  regions: 'Rule',
} as const;
const MOST = 12;

/** Anything by a few letters, from anywhere: jobs, stages, lamps, parts, bulbs, bases, terminals, wires, rules. */
export default function FindAnything({ jobId, onClose }: { jobId: string | undefined; onClose(): void }) {
  const navigate = useNavigate();
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const stored = useLiveQuery(async () => {
    const [jobs, parts] = await Promise.all([db.jobs.toArray(), db.parts.toArray()]);
    return { jobs: jobs.filter((row) => row.deleted === 0), parts };
  });
  const entries = useMemo<Found[]>(
    () => [
      ...(jobId
        ? STAGES.map((stage) => ({
            title: STAGE_NAMES[stage],
            detail: 'stage of this job',
            words: 'stage',
            to: `/jobs/${jobId}/${stage}`,
            group: 'Stage',
          }))
        : []),
      { title: 'Jobs', detail: 'every job', words: 'board', to: '/jobs', group: 'Place' },
      { title: 'Shelf', detail: 'parts in stock', words: 'parts stock', to: '/shelf', group: 'Place' },
      { title: 'New vehicle', detail: 'enter one', words: 'add', to: '/vehicles/new', group: 'Place' },
      ...(stored?.jobs ?? []).map(({ id, job }) => ({
        title: job.title,
        detail: `${job.vehicle.name}, ${job.vehicle.year}`,
        words: `${job.vehicle.name} ${job.vehicle.model} job`,
        to: `/jobs/${id}`,
        group: 'Job',
      })),
      ...(stored?.parts ?? []).map((part) => ({
        title: part.code,
        detail: part.name,
        words: `${part.name} ${part.kind}`,
        to: `/shelf?q=${encodeURIComponent(part.code)}`,
        group: 'Part',
      })),
      ...referenceEntries().map(({ section, title, detail, words }) => ({
        title,
        detail,
        words,
        to: `/reference/${section}?q=${encodeURIComponent(title.split(', ')[0] ?? title)}`,
        group: SECTION_WORDS[section],
      })),
    ],
    [stored, jobId],
  );
  const found = findEntries(entries, query, MOST);
  const go = (to: string) => {
    onClose();
    navigate(to);
  };
  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      setAt((now) => (now + step + found.length) % Math.max(1, found.length));
    }
    const chosen = found[at];
    if (event.key === 'Enter' && chosen) {
      event.preventDefault();
      go(chosen.to);
    }
  };
  return (
    <Dialog title="Find anything" onClose={onClose}>
      <TextInput
        aria-label="Find anything"
        placeholder="A bulb, a base, a terminal, a part, a job"
        data-autofocus
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="found"
        aria-activedescendant={found[at] ? `found-${at}` : undefined}
        value={query}
        onChange={(event) => {
          setQuery(event.currentTarget.value);
          setAt(0);
        }}
        onKeyDown={onKeyDown}
      />
      {query.trim() !== '' && found.length === 0 && (
        <p className={classes.none}>Nothing is called that. Try a number off a bulb, or part of a name.</p>
      )}
      <div id="found" role="listbox" aria-label="Found" className={classes.found} ref={list}>
        {found.map((each, index) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the field above takes the keys of the whole list
          <div
            key={`${each.group} ${each.to} ${each.title}`}
            id={`found-${index}`}
            role="option"
            aria-selected={index === at}
            tabIndex={-1}
            onClick={() => go(each.to)}
            onMouseEnter={() => setAt(index)}
          >
            <span>
              <b>{each.title}</b> <span className="faint">{each.detail}</span>
            </span>
            <span className="faint">{each.group}</span>
          </div>
        ))}
      </div>
    </Dialog>
  );
}

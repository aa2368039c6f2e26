import { Combobox, TextInput, useCombobox } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { nameOfJob } from '../../core/formatting/nameOfJob.ts';
import { findEntries, referenceEntries } from '../../core/reference/entries.ts';
import { STAGE_NAMES, STAGES } from '../../core/work/stages.ts';
import { jobSummaries } from '../store/jobSummaries.ts';
import { readShelf } from '../store/stock.ts';
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
  words: 'Word',
} as const;
const MOST = 12;
/** The list the field controls. */
const FOUND = 'found-anything';

/** Anything by a few letters, from anywhere: jobs, stages, lamps, parts, bulbs, bases, terminals, wires, rules. */
export default function FindAnything({ jobId, onClose }: { jobId: string | undefined; onClose(): void }) {
  const navigate = useNavigate();
  const [query, setQuery] = useState('');
  // Its list stands in the dialog and is always there.
  const combobox = useCombobox({ opened: true, onOpenedChange: (opened) => !opened && onClose() });
  const stored = useLiveQuery(async () => {
    const [{ jobs }, parts] = await Promise.all([jobSummaries(Date.now()), readShelf()]);
    return {
      jobs: jobs.filter(({ binned }) => !binned),
      // One that cannot be read is set aside by whoever looks at the rows.
      parts: parts.filter(({ code, name }) => typeof code === 'string' && typeof name === 'string'),
    };
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
      {
        title: 'Quick check',
        detail: 'an LED in the hand',
        words: 'will it flash fast hyperflash led',
        to: '/quick',
        group: 'Place',
      },
      { title: 'Jobs', detail: 'every job', words: 'board', to: '/jobs', group: 'Place' },
      { title: 'Shelf', detail: 'parts in stock', words: 'parts stock', to: '/shelf', group: 'Place' },
      {
        title: 'Bench',
        detail: 'instruments',
        words: 'meter lux thermometer adapter measure',
        to: '/bench',
        group: 'Place',
      },
      {
        title: 'Practice',
        detail: 'find hidden faults',
        words: 'train drill learn fault',
        to: '/practice',
        group: 'Place',
      },
      { title: 'New vehicle', detail: 'enter one', words: 'add', to: '/vehicles/new', group: 'Place' },
      ...(stored?.jobs ?? []).map(({ id, title, vehicle }) => ({
        title: nameOfJob(title, vehicle),
        detail: `${vehicle.name}, ${vehicle.year}`,
        words: `${vehicle.name} ${vehicle.model} job`,
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
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was found first is what Enter takes
  useEffect(() => {
    combobox.selectFirstOption();
  }, [query, stored]);
  return (
    <Dialog title="Find anything" onClose={onClose}>
      <Combobox store={combobox} onOptionSubmit={(place) => go(found[Number(place)]?.to ?? '/jobs')}>
        <Combobox.EventsTarget>
          <TextInput
            aria-label="Find anything"
            placeholder="A bulb, a base, a terminal, a part, a job"
            data-autofocus
            role="combobox"
            aria-expanded={found.length > 0}
            aria-controls={FOUND}
            value={query}
            onChange={(event) => setQuery(event.currentTarget.value)}
          />
        </Combobox.EventsTarget>
        {query.trim() !== '' && found.length === 0 && (
          <p className={classes.none}>Nothing is called that. Try a number off a bulb, or part of a name.</p>
        )}
        <Combobox.Options id={FOUND} aria-label="Found" className={classes.found}>
          {found.map((each, index) => (
            <Combobox.Option
              key={`${each.group} ${each.to} ${each.title}`}
              value={String(index)}
              className={classes.option}
            >
              <span>
                <b>{each.title}</b> <span className="faint">{each.detail}</span>
              </span>
              <span className="faint">{each.group}</span>
            </Combobox.Option>
          ))}
        </Combobox.Options>
      </Combobox>
    </Dialog>
  );
}

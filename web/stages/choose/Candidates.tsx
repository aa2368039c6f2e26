import { Button, SegmentedControl, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { candidatesFor } from '../../../core/choose/candidates.ts';
import { LED_CRITERIA, LED_CRITERION_WORDS, ranked } from '../../../core/choose/rank.ts';
import { zoneSource } from '../../../core/light/zones.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { partTrials } from '../../../core/record/partTrials.ts';
import { bulbOf, stockName } from '../../../core/simulation/fitment.ts';
import { lampsFilledBy } from '../../../core/simulation/wholeLamp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { functionsOf } from '../../../core/vehicle/lampWork.ts';
import { usePartRecords } from '../../job/useLog.ts';
import { useDesk } from '../../job/workspace.ts';
import { db } from '../../store/db.ts';
import { Card } from '../../ui/Card.tsx';
import { Weighing } from '../../ui/Weighing.tsx';
import { useBehaviours } from '../../workers/useBehaviours.ts';
import { CandidateRow } from './CandidateRow.tsx';
import classes from './Choose.module.css';
import { LeadTime } from './LeadTime.tsx';
import { useLedWeights } from './useLedWeights.ts';

/** So many rows are drawn before more are asked for: a shelf may hold hundreds. */
const AT_FIRST = 8;

const SCOPES = { one: 'only this', pair: 'the pair', kind: 'all alike' } as const;
type Scope = keyof typeof SCOPES;

/** The shelf against one lamp, sorted by how each part behaves in its circuit. */
export function Candidates({ lamp }: { lamp: Lamp }) {
  const { job, shelf, edit, setConfiguration } = useDesk();
  const [scope, setScope] = useState<Scope>('pair');
  const [query, setQuery] = useState('');
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const [shown, setShown] = useState(AT_FIRST);
  const [othersShown, setOthersShown] = useState(AT_FIRST);
  const candidates = useMemo(() => candidatesFor(job, shelf, lamp), [job, shelf, lamp]);
  // What nobody has looked at whether it fits is run too, and listed apart.
  const fitting = useMemo(() => candidates.filter(({ fit }) => fit.obstacles.length === 0), [candidates]);
  // Drawn in slices as they come in: the list is long.
  const behaviours = useDeferredValue(useBehaviours(job, shelf, lamp, fitting));
  const { weights, weigh, reset } = useLedWeights(job.scope?.aim);
  const order = useMemo(
    () => ranked(job, lamp, candidates, behaviours.data ?? new Map(), weights),
    [job, lamp, candidates, behaviours.data, weights],
  );
  const matches = order.filter(
    ({ part }) => wanted === '' || `${part.code} ${part.name}`.toLowerCase().includes(wanted),
  );
  const good = matches.filter(({ fit }) => fit.fits);
  const unmatched = matches.filter(({ fit }) => !fit.fits && fit.obstacles.length === 0);
  const others = matches.filter(({ fit }) => fit.obstacles.length > 0);
  const partner = lampAcross(job.vehicle, lamp);
  const work = functionsOf(job.vehicle, lamp.id);
  const alike = job.vehicle.lamps.filter(
    (each) =>
      each.base === lamp.base && each.lens === lamp.lens && functionsOf(job.vehicle, each.id) === work,
  );
  const scopes: Scope[] = [
    'one',
    ...(partner ? (['pair'] as const) : []),
    ...(alike.length > 2 ? (['kind'] as const) : []),
  ];
  const inForce: Scope = scopes.includes(scope) ? scope : 'one';
  const lamps = inForce === 'kind' ? alike : inForce === 'pair' && partner ? [lamp, partner] : [lamp];
  const choose = (partId: string | null, name: string) => {
    edit(`${name} for ${lamps.map((each) => each.name.toLowerCase()).join(' and ')}`, (draft) => {
      for (const each of lamps) {
        const part = candidates.find((candidate) => candidate.part.id === partId)?.part;
        const filled =
          part?.kind === 'whole-lamp'
            ? lampsFilledBy(job.vehicle, each, part).map((filledLamp) => filledLamp.id)
            : [each.id];
        for (const id of filled) draft.chosen[id] = partId;
      }
    });
    setConfiguration('leds');
  };
  const jobs = useLiveQuery(async () => {
    const rows = await db.jobs.where({ deleted: 0 }).toArray();
    return rows.map((row) => row.job);
  }, []);
  const seenOf = (partId: string) => (jobs ? partTrials(jobs, partId, Date.now()) : []);
  const records = usePartRecords();
  const now = job.chosen[lamp.id];
  const stock = lamp.works ? null : bulbOf(job, lamp);
  return (
    <Card
      title={lamps.map((each, index) => (index === 0 ? each.name : each.name.toLowerCase())).join(' and ')}
      aside={
        scopes.length > 1 && (
          <SegmentedControl
            size="xs"
            aria-label="Choose for"
            value={inForce}
            onChange={(value) => setScope(value as Scope)}
            data={scopes.map((each) => ({ value: each, label: SCOPES[each] }))}
          />
        )
      }
    >
      <p className={classes.takes}>
        Works as {work || 'turn pilot'}. {stock ? `Takes ${lamp.base}` : 'An LED from the works'} behind{' '}
        {lamp.lens.replace('-', ' ')} glass{stock ? `; ${stock.names[0]} now` : ''}.
      </p>
      <div className={classes.search}>
        <TextInput
          aria-label="Search the shelf"
          placeholder="Search the shelf by code or name"
          value={query}
          onChange={(event) => setQuery(event.currentTarget.value)}
        />
        <Button component={Link} to="/shelf" variant="default">
          The shelf
        </Button>
      </div>
      <p className="faint" role="status">
        {behaviours.isFetching && fitting.length > 0
          ? `Running this circuit with each of ${fitting.length} that fit.`
          : `${good.length} fit, best by what matters to you first; ${unmatched.length > 0 ? `${unmatched.length} may, to be looked at first; ` : ''}${others.length} do not.`}
      </p>
      <Weighing
        criteria={LED_CRITERIA}
        words={LED_CRITERION_WORDS}
        weights={weights}
        weigh={weigh}
        reset={reset}
        resetWords="As this job’s aim asks"
      />
      <ul className={classes.parts}>
        {good.slice(0, shown).map((candidate) => (
          <CandidateRow
            key={candidate.part.id}
            candidate={candidate}
            behaviour={behaviours.data?.get(candidate.part.id)}
            lamp={lamp}
            stock={stock}
            seen={seenOf(candidate.part.id)}
            record={records.get(candidate.part.id)}
            chosen={now === candidate.part.id}
            choose={choose}
          />
        ))}
        {good.length > shown && (
          <li>
            <Button variant="default" onClick={() => setShown(good.length)}>
              {good.length - shown} more that fit
            </Button>
          </li>
        )}
        <li className={classes.part}>
          <div>
            <b>Keep the filament bulb</b>
            <div className="faint">{stockName(job, lamp)} stays, and draws what it always drew.</div>
          </div>
          <Button
            variant={now === null ? 'filled' : 'default'}
            onClick={() => choose(null, 'Keep the filament')}
            aria-label="Keep the filament bulb"
          >
            {now === null ? 'Kept' : 'Keep'}
          </Button>
        </li>
      </ul>
      {fitting.length > 0 && stock && <LeadTime bulb={stock} />}
      {fitting.length > 0 && (
        <p className="faint">
          Left swatch the filament, right the LED, both behind this lens: computed from printed lumens,
          typical spectra and a typical lens. Colours by {zoneSource(job.vehicle.region)}.
        </p>
      )}
      {unmatched.length > 0 && (
        <section className={classes.others} aria-label="May fit, to be looked at first">
          <h4>May fit: look first</h4>
          <ul className={classes.parts}>
            {unmatched.map((candidate) => (
              <CandidateRow
                key={candidate.part.id}
                candidate={candidate}
                behaviour={behaviours.data?.get(candidate.part.id)}
                lamp={lamp}
                stock={stock}
                seen={seenOf(candidate.part.id)}
                record={records.get(candidate.part.id)}
                chosen={now === candidate.part.id}
                choose={choose}
              />
            ))}
          </ul>
        </section>
      )}
      {fitting.length === 0 && <p>Nothing on the shelf goes into this lamp; the reasons are below.</p>}
      {others.length > 0 && (
        <details className={classes.others} open={fitting.length === 0}>
          <summary>{others.length} on the shelf do not go in, and why</summary>
          <ul className={classes.parts}>
            {others.slice(0, othersShown).map((candidate) => (
              <CandidateRow
                key={candidate.part.id}
                candidate={candidate}
                behaviour={undefined}
                lamp={lamp}
                stock={stock}
                seen={[]}
                record={undefined}
                chosen={false}
                choose={choose}
              />
            ))}
          </ul>
          {others.length > othersShown && (
            <Button variant="default" onClick={() => setOthersShown(others.length)}>
              {others.length - othersShown} more that do not
            </Button>
          )}
        </details>
      )}
    </Card>
  );
}

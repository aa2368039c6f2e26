import { amps, watts } from '../../../core/formatting/format.ts';
import type { LimitCheck } from '../../../core/judge/requirements/limit.ts';
import { limitsOf, type TurnVerdict } from '../../../core/judge/verdict.ts';
import { limitName } from '../../../core/words/findings.ts';
import { reasonOf } from '../../../core/words/verdicts.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import classes from './HazardCard.module.css';

/** Hazard is the sum of both sides: against the band, the fuse and the relay, and each resistor's watts. */
export function HazardCard({ verdict }: { verdict: TurnVerdict }) {
  const { vehicle } = useDesk().job;
  const { hazard } = verdict;
  const limits = limitsOf(verdict);
  if (!hazard) {
    return (
      <Card title="The limits, one side at a time: this vehicle has no hazard switch">
        <Limits limits={limits} />
      </Card>
    );
  }
  return (
    <Card title="Hazard, both sides together, and the limits" aside={<VerdictBadge state={hazard.state} />}>
      <p className={classes.reason}>{reasonOf(vehicle, hazard)}</p>
      <Limits limits={limits} />
    </Card>
  );
}

/** Each limit once: both sides of a vehicle usually share theirs. */
function Limits({ limits }: { limits: readonly LimitCheck[] }) {
  const byKey = new Map<string, LimitCheck>();
  for (const limit of limits) {
    const key = `${limit.kind}-${limitName(limit)}`;
    const known = byKey.get(key);
    if (!known || limit.value / limit.limit > known.value / known.limit) byKey.set(key, limit);
  }
  return (
    <ul className={classes.limits}>
      {[...byKey].map(([key, limit]) => (
        <Limit key={key} limit={limit} />
      ))}
    </ul>
  );
}

function Limit({ limit }: { limit: LimitCheck }) {
  const write = limit.unit === 'A' ? amps : watts;
  const share = Math.min(1, limit.value / Math.max(limit.limit, 1e-9));
  return (
    <li className={classes.limit} data-ok={limit.ok}>
      <span className={classes.name}>
        <Mark state={limit.ok ? 'holds' : 'too-much'} label /> {NAMES[limit.kind]} {limitName(limit)}
      </span>
      {limit.kind === 'mount' ? (
        <span>no metal there</span>
      ) : (
        <>
          <span className={classes.bar} aria-hidden="true">
            <svg width="100%" height="8" preserveAspectRatio="none" viewBox="0 0 100 8" aria-hidden="true">
              <rect width="100" height="8" rx="3" fill="var(--deck2)" />
              <rect width={share * 100} height="8" rx="3" fill={limit.ok ? 'var(--petrol)' : 'var(--plum)'} />
            </svg>
          </span>
          <span className={classes.figures}>
            {write(limit.value)} of {write(limit.limit)}
          </span>
        </>
      )}
    </li>
  );
}

const NAMES: Record<LimitCheck['kind'], string> = {
  'fuse-heating': 'Heating of the',
  'fuse-lit': 'Lit current,',
  relay: 'Rating of the',
  output: 'Output of the',
  switch: 'Contacts of the',
  resistor: '',
  mount: '',
};

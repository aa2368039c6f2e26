import { NativeSelect } from '@mantine/core';
import { Aim } from '../../../core/model/job.ts';
import { AIM_WORDS } from '../../../core/record/handOver.ts';
import { type ScopeGroup, scopeGroups, setInScope } from '../../../core/work/scopeGroups.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './ScopeCard.module.css';

/** Which lamps the job converts, and what for: everything after this speaks of them and of what they can disturb. */
export function ScopeCard() {
  const { job, edit } = useDesk();
  const aim = job.scope?.aim ?? null;
  const press = ({ name, lampIds, within }: ScopeGroup) =>
    edit(within === 'all' ? `Leave ${name} alone` : `Convert ${name}`, (draft) =>
      setInScope(draft, lampIds, within !== 'all'),
    );
  return (
    <Card title="What this job converts">
      <div className={classes.groups} role="group" aria-label="Lamps this job converts">
        {scopeGroups(job).map((group) => (
          <button
            key={group.name}
            type="button"
            aria-pressed={group.within === 'all'}
            data-within={group.within}
            onClick={() => press(group)}
          >
            {group.name}
            <span>
              {group.lampIds.length} {group.lampIds.length === 1 ? 'lamp' : 'lamps'}
              {group.within === 'some' ? ', some' : ''}
            </span>
          </button>
        ))}
      </div>
      <NativeSelect
        label="What for"
        value={aim ?? ''}
        data={[
          { value: '', label: 'not said' },
          ...Aim.options.map((each) => ({ value: each, label: AIM_WORDS[each] })),
        ]}
        onChange={(event) => {
          const next = Aim.options.find((each) => each === event.currentTarget.value) ?? null;
          edit(next ? `Done for ${AIM_WORDS[next]}` : 'What for is not said', (draft) => {
            const lampIds = draft.scope?.lampIds ?? draft.vehicle.lamps.map((lamp) => lamp.id);
            draft.scope = { lampIds, aim: next };
          });
        }}
      />
    </Card>
  );
}

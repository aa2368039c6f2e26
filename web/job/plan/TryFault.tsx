import { NativeSelect } from '@mantine/core';
import { useMemo } from 'react';
import { type Fault, isFelt, kindOf } from '../../../core/faults/kinds.ts';
import { faultsInScope, type PossibleFault } from '../../../core/faults/library.ts';
import { faultName } from '../../../core/words/faults.ts';
import { useWorkspace } from '../workspace.ts';
import classes from './TryFault.module.css';

/** What the vehicle would do with something wrong: tried on the plan, never written into the job. */
export function TryFault() {
  const { job, fitments, configuration, fault, setFault } = useWorkspace();
  const fitment = fitments[configuration];
  const faults = useMemo(
    () => faultsInScope(job, fitment).filter(({ fault }) => isFelt(fault)),
    [job, fitment],
  );
  const keyOf = (each: Fault) => JSON.stringify(each);
  // A fault of a state that is no longer shown is not in the list, and so nothing is tried.
  const chosen = fault && faults.some((each) => keyOf(each.fault) === keyOf(fault)) ? keyOf(fault) : '';
  return (
    <NativeSelect
      className={classes.what}
      data-on={chosen !== ''}
      label="What if"
      value={chosen}
      data={[
        { value: '', label: 'all is sound' },
        ...grouped(faults).map(([group, those]) => ({
          group,
          items: those.map((each) => ({
            value: keyOf(each.fault),
            label: faultName(each.fault, job.vehicle),
          })),
        })),
      ]}
      onChange={(event) => {
        const picked = faults.find((each) => keyOf(each.fault) === event.currentTarget.value);
        setFault(picked?.fault ?? null);
      }}
    />
  );
}

/** Under headings, since a vehicle may have a hundred: lamp by lamp of what sits at one, the wires and the relay apart. */
function grouped(faults: readonly PossibleFault[]): [group: string, faults: PossibleFault[]][] {
  const groups = new Map<string, PossibleFault[]>();
  for (const each of faults) {
    const { fault } = each;
    const group =
      'index' in fault ? 'Resistors' : kindOf(fault).atLamp ? 'Lamps and sockets' : 'Wires, fuses, relay';
    groups.set(group, [...(groups.get(group) ?? []), each]);
  }
  return [...groups];
}

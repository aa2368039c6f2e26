import { NativeSelect } from '@mantine/core';
import { useMemo } from 'react';
import { faultsInScope, type SimulatedFault } from '../../../core/faults/library.ts';
import type { Fault } from '../../../core/simulation/fault.ts';
import { useWorkspace } from '../workspace.ts';
import classes from './TryFault.module.css';

/** What the vehicle would do with something wrong: tried on the plan, never written into the job. */
export function TryFault() {
  const { job, fitments, configuration, fault, setFault } = useWorkspace();
  const fitment = fitments[configuration];
  const faults = useMemo(() => faultsInScope(job, fitment), [job, fitment]);
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
          items: those.map((each) => ({ value: keyOf(each.fault), label: each.name })),
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
function grouped(faults: readonly SimulatedFault[]): [group: string, faults: SimulatedFault[]][] {
  const groups = new Map<string, SimulatedFault[]>();
  for (const each of faults) {
    const { fault } = each;
    const resistor = 'index' in fault;
    const group = resistor
      ? 'Resistors'
      : 'lampId' in fault || 'lampIds' in fault
        ? 'Lamps and sockets'
        : 'Wires, fuses, relay';
    groups.set(group, [...(groups.get(group) ?? []), each]);
  }
  return [...groups];
}

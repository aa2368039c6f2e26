import { NativeSelect } from '@mantine/core';
import type { Fault } from '../../../core/simulation/fault.ts';
import { useWorkspace } from '../workspace.ts';
import { faultsFor } from './faultsFor.ts';
import classes from './TryFault.module.css';

/** What the vehicle would do with something wrong: tried on the plan, never written into the job. */
export function TryFault() {
  const { job, fitments, configuration, fault, setFault } = useWorkspace();
  const faults = faultsFor(job, fitments[configuration]);
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
        ...faults.map((each) => ({ value: keyOf(each.fault), label: each.label })),
      ]}
      onChange={(event) => {
        const picked = faults.find((each) => keyOf(each.fault) === event.currentTarget.value);
        setFault(picked?.fault ?? null);
      }}
    />
  );
}

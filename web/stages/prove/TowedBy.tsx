import { TextInput } from '@mantine/core';
import { towingVehicles } from '../../../core/record/observations.ts';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';

/** What the trailer hangs on while it is proved, and what it was proved behind already. */
export function TowedBy() {
  const { job } = useDesk();
  const { towedBy, setTowedBy } = useEvidence();
  const before = towingVehicles(job);
  return (
    <Card title="Towed by">
      <TextInput
        aria-label="Towed by"
        placeholder="the vehicle it hangs on"
        maxLength={80}
        list="towed-before"
        value={towedBy}
        onChange={(event) => setTowedBy(event.currentTarget.value)}
      />
      <datalist id="towed-before">
        {before.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <p className="faint">
        A socket with a module of its own may not detect LEDs, or tests them by pulses: what holds behind one
        vehicle says nothing of the next. Every test is proved behind each.
      </p>
    </Card>
  );
}

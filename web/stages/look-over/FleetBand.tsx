import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { amps, volts } from '../../../core/formatting/format.ts';
import { priorsFor } from '../../../core/judge/priors.ts';
import { testVolts } from '../../../core/judge/workingPoints.ts';
import { turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { takePriors } from '../../../core/record/takePriors.ts';
import { useAlike } from '../../job/useAlike.ts';
import { useDesk } from '../../job/workspace.ts';
import { teller } from '../../store/device.ts';
import classes from './LookOver.module.css';

const findings = (count: number) => (count === 1 ? '1 finding' : `${count} findings`);

/**
 * Where the threshold of this fleet's flasher lies by what was seen on the vehicles before: offered once somebody has looked
 * and found the flasher the same, with where each finding is from. Taken over it narrows this vehicle's band, and is taken
 * back in Cure, under what the watcher did.
 */
export function FleetBand({ likeId }: { likeId: string }) {
  const { job, shelf, edit } = useDesk();
  const alike = useAlike(job);
  const fleet = useMemo(
    () => alike?.filter((other) => other.id === likeId || other.like?.jobId === likeId) ?? [],
    [alike, likeId],
  );
  const at = testVolts(job.vehicle.systemVolts);
  const offers = useMemo(
    () =>
      turnCircuits(job.vehicle).flatMap((circuit) => {
        const { rows, conflict, together } = priorsFor(job, shelf, circuit, fleet);
        const usable = rows.filter((row) => row.usable);
        return usable.length > 0 ? [{ circuit, usable, conflict, band: together(circuit, at) }] : [];
      }),
    [job, shelf, fleet, at],
  );
  if (offers.length === 0) return null;
  const rows = offers.flatMap(({ usable }) => usable);
  const sound = offers.filter(({ conflict }) => conflict === null);
  const taken = sound.flatMap(({ usable }) => usable);
  const take = () => {
    const by = taken.map(teller);
    edit('Take over findings of the fleet', (draft) => takePriors(draft, taken, by));
  };
  return (
    <div role="group" aria-label="Found on the fleet" className={classes.like}>
      <p>
        <b>Its threshold on the vehicles before it</b>
      </p>
      <ul>
        {offers.map(({ circuit, band, conflict, usable }) => (
          <li key={circuit.id}>
            {circuit.name}:{' '}
            {conflict ??
              (band
                ? `${amps(band.lowAmps)} to ${amps(band.highAmps)} at ${volts(at)}, computed from ${findings(usable.length)}`
                : `${findings(usable.length)} that bound nothing`)}
          </li>
        ))}
      </ul>
      <p className="faint">Found on {[...new Set(rows.map(({ foundIn }) => foundIn))].join('; ')}.</p>
      {taken.length > 0 && (
        <Button size="xs" variant="default" onClick={take}>
          {taken.length === 1 ? 'Suppose it of this one' : `Suppose all ${taken.length} of this one`}
        </Button>
      )}
    </div>
  );
}

import { Button } from '@mantine/core';
import type { Fuse } from '../../../core/model/vehicle/vehicle.ts';
import { setFuseRead } from '../../../core/vehicle/edit/circuits.ts';
import { SavedNumber } from '../../ui/SavedNumber.tsx';
import { useDesk } from '../workspace.ts';

/** What is printed on a fuse: typed, or said to be what is usual once somebody has read it. */
export function FuseField({ fuse, label = fuse.name }: { fuse: Fuse; label?: string }) {
  const { edit } = useDesk();
  const read = (amps: number) =>
    edit(`${fuse.name}: ${amps} A`, (draft) => setFuseRead(draft.vehicle, fuse.id, amps), {
      mergeKey: `fuse-${fuse.id}`,
    });
  return (
    <div>
      <SavedNumber
        label={label}
        description={fuse.assumed ? 'nobody has read it' : 'printed on it'}
        unit="A"
        value={fuse.ratedAmps}
        min={1}
        max={60}
        onSave={read}
      />
      {fuse.assumed && (
        <Button
          mt={6}
          size="xs"
          variant="default"
          aria-label={`${fuse.name}: it says so`}
          onClick={() => read(fuse.ratedAmps)}
        >
          It says {fuse.ratedAmps} A
        </Button>
      )}
    </div>
  );
}

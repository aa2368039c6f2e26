import { Checkbox } from '@mantine/core';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { SavedNumber } from '../../ui/SavedNumber.tsx';
import classes from './LookOver.module.css';

/** The facts of this vehicle that decide the verdict: what is printed on the fuse and on the relay. */
export function FlasherFacts() {
  const { job, edit } = useWorkspace();
  const { supply, flasher } = job.vehicle;
  return (
    <Card title="Fuse and flasher">
      <div className={classes.facts}>
        <SavedNumber
          label="Turn fuse"
          description="printed on it"
          unit="A"
          value={supply.fuse.ratedAmps}
          min={1}
          max={60}
          onSave={(amps) =>
            edit(
              `Fuse ${amps} A`,
              (draft) => {
                draft.vehicle.supply.fuse.ratedAmps = amps;
                draft.vehicle.supply.fuse.name = `${amps} A fuse`;
              },
              { mergeKey: 'fuse' },
            )
          }
        />
        <SavedNumber
          label="Relay rating"
          description="printed on it"
          unit="A"
          value={flasher.ratedAmps}
          min={1}
          max={60}
          onSave={(amps) =>
            edit(`Relay ${amps} A`, (draft) => void (draft.vehicle.flasher.ratedAmps = amps), {
              mergeKey: 'relay',
            })
          }
        />
      </div>
      <Checkbox
        mt="sm"
        label="The relay watches the side repeaters too"
        description="Don’t know? Leave it on: it asks for the most."
        checked={flasher.watchesRepeaters}
        onChange={(event) => {
          const watches = event.currentTarget.checked;
          edit(watches ? 'Repeaters are watched' : 'Repeaters are not watched', (draft) => {
            draft.vehicle.flasher.watchesRepeaters = watches;
          });
        }}
      />
    </Card>
  );
}

import { Checkbox } from '@mantine/core';
import { Link } from 'react-router';
import { codeInWords } from '../../../core/formats/dtc.ts';
import type { VehicleCure } from '../../../core/model/cures.ts';
import { BENCH_SCREEN, useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import classes from './SettingCard.module.css';

type Setting = Extract<VehicleCure, { kind: 'controller-setting' }>;

/** The controller told that LEDs are fitted: what was set, from what, with which tool, and how to go back. */
export function SettingCard() {
  const { job, edit } = useDesk();
  const { flasher } = job.vehicle;
  const settings = job.vehicleCures.filter((cure): cure is Setting => cure.kind === 'controller-setting');
  if (settings.length === 0 || flasher.kind !== 'controller') return null;
  const change = (circuitId: string, label: string, act: (mine: Setting) => void) =>
    edit(
      `Setting: ${label}`,
      (draft) => {
        const mine = draft.vehicleCures.find(
          (cure): cure is Setting => cure.kind === 'controller-setting' && cure.circuitId === circuitId,
        );
        if (mine) act(mine);
      },
      { mergeKey: `setting-${circuitId}-${label}` },
    );
  return (
    <Card
      title={`Settings of the ${flasher.name}`}
      aside={
        <Link className="faint" to={`/jobs/${job.id}/${BENCH_SCREEN}?view=setting`}>
          Step by step, on the bench
        </Link>
      }
    >
      {settings.map((setting) => {
        const circuit = job.vehicle.circuits.find((each) => each.id === setting.circuitId);
        const code = flasher.outputs.find((output) => output.circuitId === setting.circuitId)?.watch?.code;
        return (
          <div role="group" key={setting.circuitId} className={classes.setting} aria-label={circuit?.name}>
            <p>
              <b>{circuit?.name}</b>: lamp type from <b>{setting.before}</b> to{' '}
              <b>{setting.setting.toUpperCase()}</b>. To go back, set it to {setting.before} again and put the
              filament in.
            </p>
            <div className={classes.fields}>
              <SavedText
                label="Name in the tool, old value as read"
                placeholder="as the tool writes it"
                value={setting.name ?? ''}
                maxLength={160}
                onSave={(text) => change(setting.circuitId, 'name', (mine) => void (mine.name = text))}
              />
              <SavedText
                label="Tool"
                placeholder="diagnostic adapter and program"
                value={setting.tool ?? ''}
                maxLength={160}
                onSave={(text) => change(setting.circuitId, 'tool', (mine) => void (mine.tool = text))}
              />
            </div>
            <div className={classes.checks}>
              <Checkbox
                label="Key cycled since"
                checked={setting.keyCycled ?? false}
                onChange={(event) => {
                  const done = event.currentTarget.checked;
                  change(setting.circuitId, 'key', (mine) => void (mine.keyCycled = done));
                }}
              />
              <Checkbox
                label="Read back as LED"
                checked={setting.readBack ?? false}
                onChange={(event) => {
                  const done = event.currentTarget.checked;
                  change(setting.circuitId, 'read back', (mine) => void (mine.readBack = done));
                }}
              />
              <Checkbox
                label={`Stored codes cleared${code ? ` (${codeInWords(code)})` : ''}`}
                checked={setting.codesCleared ?? false}
                onChange={(event) => {
                  const done = event.currentTarget.checked;
                  change(setting.circuitId, 'codes', (mine) => void (mine.codesCleared = done));
                }}
              />
            </div>
          </div>
        );
      })}
      <Caution>
        Vumble records what was set; it never writes to a vehicle. Write the old value down before anything is
        changed. A message stays until its stored code is cleared and the key has been cycled.
      </Caution>
    </Card>
  );
}

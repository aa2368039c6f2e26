import { flashes } from '../../../core/model/scope.ts';
import { useWorkspace } from '../workspace.ts';
import classes from './DriverPanel.module.css';
import { moveStalk, turnKey } from './driverControls.ts';
import { switchesOf } from './switches.ts';

const KEY_WORDS = { off: 'Key off', on: 'Key on', running: 'Running' } as const;

/** The driver's panel: anyone can press Left at any moment and see what the vehicle would do. */
export function DriverPanel() {
  const workspace = useWorkspace();
  const { job, controls, setControls } = workspace;
  const flashing = flashes(job);
  const switches = switchesOf(job.vehicle).filter(({ control }) => flashing || control !== 'hazard');
  return (
    <div className={classes.panel} role="group" aria-label="Driver’s panel">
      <button type="button" data-on={controls.key !== 'off'} onClick={() => turnKey(workspace)}>
        {KEY_WORDS[controls.key]}
        <kbd aria-hidden="true">K</kbd>
      </button>
      {flashing && (
        <>
          <Switch
            label="Left"
            letter="L"
            on={controls.turn === 'left'}
            press={() => moveStalk(workspace, 'left')}
          />
          <Switch
            label="Right"
            letter="R"
            on={controls.turn === 'right'}
            press={() => moveStalk(workspace, 'right')}
          />
        </>
      )}
      {switches.map(({ control, label, letter }) => (
        <Switch
          key={control}
          label={label}
          letter={letter}
          on={controls[control]}
          press={() => setControls({ [control]: !controls[control] })}
        />
      ))}
    </div>
  );
}

function Switch({ label, letter, on, press }: { label: string; letter: string; on: boolean; press(): void }) {
  return (
    <button type="button" aria-pressed={on} data-on={on} onClick={press}>
      {label}
      <kbd aria-hidden="true">{letter}</kbd>
    </button>
  );
}

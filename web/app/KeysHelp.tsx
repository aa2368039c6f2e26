import { Dialog } from '../ui/Dialog.tsx';
import classes from './KeysHelp.module.css';

const KEYS: readonly [keys: readonly string[], does: string][] = [
  [['K'], 'Key: off, on, running'],
  [['L'], 'Left turn'],
  [['R'], 'Right turn'],
  [['H'], 'Hazard'],
  [['T'], 'Lights'],
  [['B'], 'Brake'],
  [['V'], 'Reverse'],
  [['F'], 'Fog lamps'],
  [['J'], 'Main beam'],
  [['D'], 'Door open'],
  [['N'], 'Dim the dash'],
  [['1', '8'], 'The eight stages'],
  [['[', ']'], 'Lamp before, lamp after'],
  [['/'], 'Find anything'],
  [['Space'], 'Done, in Fit'],
  [['M'], 'Tap, in the flash meter'],
  [['Ctrl', 'Z'], 'Undo'],
  [['Ctrl', 'Shift', 'Z'], 'Redo'],
  [['?'], 'This list'],
];

export default function KeysHelp({ onClose }: { onClose(): void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <dl className={classes.list}>
        {KEYS.map(([keys, does]) => (
          <div key={does} className={classes.row}>
            <dt>
              {keys.map((key) => (
                <kbd key={key}>{key}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}

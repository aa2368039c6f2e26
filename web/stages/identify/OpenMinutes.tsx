import { SavedNumber } from '../../ui/SavedNumber.tsx';
import classes from './Identify.module.css';

/** Shortest and longest time to open and close something. */
export function OpenMinutes({
  minutes: [shortest, longest],
  save,
}: {
  minutes: readonly [number, number];
  save(which: 0 | 1, minutes: number): void;
}) {
  return (
    <div className={classes.measures}>
      <SavedNumber
        label="Open and close, at least"
        unit="min"
        value={shortest}
        min={0}
        max={longest}
        onSave={(minutes) => save(0, minutes)}
      />
      <SavedNumber
        label="at most"
        unit="min"
        value={longest}
        min={shortest}
        max={600}
        onSave={(minutes) => save(1, minutes)}
      />
    </div>
  );
}

import { QuickLamps, quickLampName } from '../../../core/quick/question.ts';
import classes from './Quick.module.css';

/** The first tap: which lamps. */
export function LampTiles({ onTake }: { onTake(lamps: QuickLamps): void }) {
  return (
    <div className={classes.tiles} role="group" aria-label="Which lamps">
      {QuickLamps.options.map((lamps) => (
        <button key={lamps} type="button" className={classes.tile} onClick={() => onTake(lamps)}>
          {quickLampName(lamps)}
        </button>
      ))}
    </div>
  );
}

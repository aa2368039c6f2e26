import { useRef } from 'react';
import { amps, volts } from '../../../core/quantities/format.ts';
import { flashRule } from '../../../core/verdict/flashRule.ts';
import { useWorkspace } from '../workspace.ts';
import classes from './DashStrip.module.css';
import { useFlash } from './useFlash.ts';

/** Telltales and the flash rate, with what it rests on. */
export function DashStrip() {
  const { job, rehearsal, supplyVolts } = useWorkspace();
  const left = useRef<SVGPathElement>(null);
  const right = useRef<SVGPathElement>(null);
  useFlash(rehearsal, (_, lit) => {
    for (const [arrow, side] of [
      [left.current, 'left'],
      [right.current, 'right'],
    ] as const) {
      if (arrow) arrow.style.opacity = lit && rehearsal.sides.includes(side) ? '1' : '0';
    }
  });
  const rule = flashRule(job.vehicle.region);
  const rate = rehearsal.ratePerMinute;
  return (
    <div className={classes.dash}>
      <div>
        {/* A live region: switching the stalk says the new rate once, not at every flash. */}
        <p className={classes.rate} role="status">
          {rate === null ? (
            <span className={classes.none}>Nothing flashing</span>
          ) : (
            <>
              <b>{Math.round(rate)}</b> flashes a minute, simulated at {volts(supplyVolts)}
            </>
          )}
        </p>
        <p className={classes.why}>
          {rate === null
            ? 'Press Left, Right or Hazard to see what the vehicle would do.'
            : rehearsal.missesLamp
              ? `The relay sees ${amps(rehearsal.watchedAmps)}, trips at ${amps(rehearsal.thresholdAmps)}${rehearsal.thresholdAssumed ? ' (assumed)' : ''} and flashes fast. Allowed: ${rule.lowest} to ${rule.highest}.`
              : `The relay sees ${amps(rehearsal.watchedAmps)} and is content. Allowed: ${rule.lowest} to ${rule.highest}.`}
        </p>
      </div>
      <svg width="66" height="28" viewBox="0 0 62 26" role="img" aria-label="Turn telltales">
        <path d="M26 3v6h-10v8h10v6L4 13z" className={classes.dark} />
        <path d="M36 3v6h10v8H36v6l22-10z" className={classes.dark} />
        <path ref={left} d="M26 3v6h-10v8h10v6L4 13z" className={classes.lit} />
        <path ref={right} d="M36 3v6h10v8H36v6l22-10z" className={classes.lit} />
      </svg>
    </div>
  );
}

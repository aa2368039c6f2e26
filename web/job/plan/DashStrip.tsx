import { IconVolume, IconVolumeOff } from '@tabler/icons-react';
import { lazy, Suspense, useRef, useState } from 'react';
import { flasherWords } from '../../../core/devices/flasher.ts';
import { amps, capital, volts } from '../../../core/formatting/format.ts';
import { flashRule } from '../../../core/judge/flashRule.ts';
import { flashes } from '../../../core/model/scope.ts';
import type { Traces } from '../../../core/traces/traceLamps.ts';
import { settingsNow } from '../../ui/settings.ts';
import { useWorkspace, type Workspace } from '../workspace.ts';
import classes from './DashStrip.module.css';
import { Telltales, TurnArrows } from './Telltales.tsx';
import { useFlash } from './useFlash.ts';
import { useRelayClick } from './useRelayClick.ts';

/** The sentences of what happened are fetched when something has. */
const Told = lazy(() => import('./Told.tsx'));

/** Below this share of its rated light a lamp does not count as lit. */
const LIT = 0.05;

/** Telltales, the flash rate with what it rests on, messages and codes, and what the circuit did in words. */
export function DashStrip() {
  const workspace = useWorkspace();
  const { job, traces, tracing, tracesTrouble, supplyVolts } = workspace;
  const [sound, setSound] = useState(() => settingsNow().sound);
  useRelayClick(traces, sound);
  const arrows = { left: useRef<SVGPathElement>(null), right: useRef<SVGPathElement>(null) };
  useFlash(traces, (_, lit) => {
    for (const side of ['left', 'right'] as const) {
      const arrow = arrows[side].current;
      if (arrow) arrow.style.opacity = lit && traces.sides.includes(side) ? '1' : '0';
    }
  });
  const rate = traces.ratePerMinute;
  return (
    <div className={classes.dash} aria-busy={tracing}>
      <div className={classes.row}>
        <div>
          {/* A live region: switching the stalk says the new rate once, not at every flash. */}
          <p className={classes.rate} role="status">
            {rate === null ? (
              <>
                <span className={classes.none}>{restWords(traces, flashes(job))}</span> at{' '}
                {volts(supplyVolts)}
              </>
            ) : (
              <>
                <b>{Math.round(rate)}</b> flashes a minute, simulated at {volts(supplyVolts)}
              </>
            )}
          </p>
        </div>
        <div className={classes.right}>
          {flashes(job) && (
            <>
              <TurnArrows arrows={arrows} />
              <button
                type="button"
                className={classes.sound}
                aria-pressed={sound}
                aria-label="Relay click"
                title="Relay click"
                onClick={() => setSound(!sound)}
              >
                {sound ? <IconVolume size={18} /> : <IconVolumeOff size={18} />}
              </button>
            </>
          )}
        </div>
      </div>
      <div className={classes.row}>
        <p className={classes.why}>
          {tracesTrouble ? `The simulation stopped: ${tracesTrouble.message}` : why(workspace)}
        </p>
        <Telltales controls={workspace.controls} events={traces.events} vehicle={job.vehicle} />
      </div>
      {(traces.events.length > 0 || traces.effects.length > 0) && (
        <Suspense>
          <Told traces={traces} vehicle={job.vehicle} />
        </Suspense>
      )}
    </div>
  );
}

function restWords(traces: Traces, flashing: boolean): string {
  if (traces.sides.length > 0) return 'On without flashing';
  const lit = new Set(traces.lamps.filter((lamp) => lamp.steady > LIT).map((lamp) => lamp.lampId)).size;
  if (lit === 0) return 'Nothing lit';
  return `${lit} ${lit === 1 ? 'lamp' : 'lamps'} lit${flashing ? ', none flashing' : ''}`;
}

function why({ job, fitments, configuration, traces }: Workspace): string {
  const { flasher } = fitments[configuration];
  const rule = flashRule(job.vehicle.region);
  const { short } = flasherWords(flasher);
  const name = capital(short);
  if (traces.ratePerMinute === null)
    return traces.sides.length > 0
      ? `${name} gets too little current.`
      : traces.lamps.some((lamp) => lamp.steady > LIT)
        ? 'Held on, as the circuit settles.'
        : 'Press a switch to see what the vehicle would do.';
  const allowed = `Allowed: ${rule.lowest} to ${rule.highest}.`;
  const seen = amps(traces.watchedAmps);
  if (flasher.kind === 'thermal') return `${seen} warm the thermal flasher. ${allowed}`;
  if (flasher.kind === 'non-watching-relay')
    return `${name} passes ${seen} and does not watch it. ${allowed}`;
  if (!traces.missesLamp) return `${name} sees ${seen} and is content. ${allowed}`;
  const assumed = traces.thresholdAssumed ? ' (assumed)' : '';
  return `${name} sees ${seen}, trips at ${amps(traces.thresholdAmps)}${assumed}: a bulb seems missing. ${allowed}`;
}

import { useQuery } from '@tanstack/react-query';
import type { CapacitorTrial, CapacitorWindow } from '../../../core/cures/decoder/capacitorWindow.ts';
import type { WhileOff } from '../../../core/cures/decoder/whileOff.ts';
import type { FlickerRisk } from '../../../core/flicker/ieee1789.ts';
import { capital, farads, inARow, percent } from '../../../core/formatting/format.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { SEEN_GLOW } from '../../../core/simulation/lampLight.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { electrics } from '../../workers/electrics.ts';
import { engine } from '../../workers/engine.ts';
import classes from './DecoderCard.module.css';

const RISKS: Record<FlickerRisk, string> = {
  'no-observable-effect': 'no effect',
  'low-risk': 'low risk',
  'above-low-risk': 'above low risk',
};
const VERDICTS: Record<CapacitorWindow['verdict'], string> = {
  works: 'A capacitor works here',
  'none-works': 'No capacitor works here',
  refused: 'No capacitor here',
};

/** What a controller's pulses, tests and leakage do to LEDs, and what a decoder's capacitor can do about it. */
export function DecoderCard() {
  const { job, shelf } = useDesk();
  const controlled = job.vehicle.flasher.kind === 'controller';
  const windows = useQuery<CapacitorWindow[]>({
    queryKey: ['capacitors', ...electrics(job, shelf)],
    queryFn: () => engine().capacitorWindows(job, shelf),
    placeholderData: (before) => before,
    enabled: controlled,
  });
  const off = useQuery<WhileOff[]>({
    queryKey: ['while-off', ...electrics(job, shelf)],
    queryFn: () => engine().whileOff(job, shelf, 'cured'),
    placeholderData: (before) => before,
    enabled: controlled,
  });
  if (!controlled) return null;
  const error = windows.error ?? off.error;
  if (error) return <p role="alert">The pulses could not be played: {error.message}</p>;
  if (!windows.data) return <p className="faint">Playing the controller’s pulses.</p>;
  const told = off.data ? offWords(off.data, (id) => lampById(job.vehicle, id).name.toLowerCase()) : [];
  if (windows.data.length === 0 && told.length === 0) return null;
  return (
    <Card title="Pulses, tests and leakage of the controller">
      {windows.data.map((window) => (
        <div
          key={window.circuitId}
          role="group"
          aria-label={nameOf(window.circuitId)}
          className={classes.feed}
        >
          <h4>
            {nameOf(window.circuitId)}: {VERDICTS[window.verdict].toLowerCase()}
          </h4>
          <p>{window.text}</p>
          <Trials window={window} />
        </div>
      ))}
      {told.length > 0 && (
        <ul className={classes.off}>
          {told.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <p className="faint">
        Played pulse by pulse on this vehicle’s wiring, engine charging. Flicker by IEEE 1789-2015, from
        memory; the diode’s own drop is counted.
      </p>
    </Card>
  );

  function nameOf(circuitId: string): string {
    return job.vehicle.circuits.find((circuit) => circuit.id === circuitId)?.name ?? circuitId;
  }
}

function Trials({ window }: { window: CapacitorWindow }) {
  return (
    <Scrolls label="Capacitors tried" className={classes.scroll}>
      <table className={classes.trials}>
        <thead>
          <tr>
            <th>Capacitor</th>
            <th className="figure">Modulation</th>
            <th>Flicker</th>
            <th className="figure">Light</th>
            <th className="figure">Glows on</th>
            <th className="figure">From cold</th>
          </tr>
        </thead>
        <tbody>
          <tr data-state="out">
            <th scope="row">none</th>
            <td className="figure">100 %</td>
            <td>{RISKS['above-low-risk']}</td>
            <td className="figure">{percent(window.duty)} of the pulses</td>
            <td className="figure">not at all</td>
            <td />
          </tr>
          {worthARow(window).map((trial) => (
            <tr key={trial.farads} data-state={within(window, trial) ? 'in' : 'out'}>
              <th scope="row">
                {farads(trial.farads)}
                {trial.codes.length > 0 && <span className="faint"> {inARow(trial.codes)}</span>}
              </th>
              <td className="figure">{percent(trial.modulation)}</td>
              <td>{RISKS[trial.risk]}</td>
              <td className="figure">{percent(trial.light)}</td>
              <td className="figure">
                {trial.afterglowSeconds >= 3 ? 'over 3 s' : `${trial.afterglowSeconds.toFixed(2)} s`}
              </td>
              <td className="figure">
                {Math.round(trial.peakAmps)} A{trial.trips && ', output off'}
                {trial.blurs && ', flash blurred'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}

/**
 * Where none can work, the smallest that would smooth it and what the shelf has show why; where some do, those, the
 * next on either side, and what the shelf has.
 */
function worthARow(window: CapacitorWindow): readonly CapacitorTrial[] {
  const { verdict, trials, leastFarads } = window;
  if (verdict === 'refused')
    return trials.filter((trial) => trial.farads === leastFarads || trial.codes.length > 0);
  const works = (at: number) => {
    const trial = trials[at];
    return trial !== undefined && within(window, trial);
  };
  if (!trials.some((_, at) => works(at))) return trials;
  return trials.filter((trial, at) => works(at) || works(at - 1) || works(at + 1) || trial.codes.length > 0);
}

function within({ verdict }: CapacitorWindow, { risk, trips, blurs }: CapacitorTrial): boolean {
  return verdict === 'works' && risk !== 'above-low-risk' && !trips && !blurs;
}

/** A line for each thing that a controller does to LEDs that are off, its lamps gathered. */
function offWords(found: readonly WhileOff[], name: (lampId: string) => string): string[] {
  const lines = new Map<string, { words(many: boolean): string; lamps: string[] }>();
  const add = (lampId: string, words: (many: boolean) => string) => {
    const line = lines.get(words(false)) ?? { words, lamps: [] };
    lines.set(words(false), { ...line, lamps: [...line.lamps, name(lampId)] });
  };
  for (const { lampId, leakShare, coldCheck } of found) {
    const glows = leakShare !== null && leakShare > SEEN_GLOW;
    if (glows)
      add(
        lampId,
        (many) =>
          `${many ? 'glow' : 'glows'} at ${(100 * leakShare).toFixed(1)} % of the rated light while off, from what the output lets through: a load across ${many ? 'them' : 'it'} drains that.`,
      );
    else if (leakShare !== null)
      add(
        lampId,
        (many) => `${many ? 'stay' : 'stays'} dark while off: what the output lets through is drained.`,
      );
    if (coldCheck && !glows)
      add(
        lampId,
        (many) =>
          `${many ? 'are' : 'is'} tested every ${coldCheck.everySeconds} s by ${Math.round(coldCheck.pulseSeconds * 1000)} ms, and ${many ? 'show' : 'shows'} it for ${Math.round(coldCheck.shownSeconds * 1000)} ms: a twitch to be seen in the dark.`,
      );
  }
  return [...lines.values()].map(({ words, lamps }) =>
    capital(`${inARow(lamps)} ${words(lamps.length > 1)}`),
  );
}

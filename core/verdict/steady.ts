import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { fuseById, lampById, lampIdsOf, type Vehicle } from '../model/vehicle/vehicle.ts';
import { amps, percent, volts } from '../quantities/format.ts';
import { outputOf } from '../vehicle/controls.ts';
import { type Fitment, fitmentOf, healthyStock } from '../vehicle/fitment.ts';
import { controlsFor, SteadyNetwork } from '../vehicle/steadyNetwork.ts';
import { pointState } from './judge.ts';
import { FUSE_CONTINUOUS_SHARE } from './limits.ts';
import { LED_SETTING_AMPS } from './outageBand.ts';
import { type VerdictState, worstState } from './states.ts';
import { chargingVolts, testVolts, workingPoints } from './workingPoints.ts';

/** How a circuit that is on steadily takes what is fitted. */
export interface SteadyVerdict {
  circuitId: string;
  state: VerdictState;
  /** what the watcher of its current alone says; holds where nobody watches */
  watched: VerdictState;
  /** at the bulb standard's volts, healthy stock and as fitted, A */
  stockAmps: number;
  amps: number;
  /** what decides, with its figures; the worst first */
  reasons: readonly string[];
}

interface Finding {
  state: VerdictState;
  text: string;
}

/**
 * Judges one steady circuit in one of a job's states: whoever watches its current, whoever reads its wire with the
 * pedal up, the alternator that starts through it, and its fuse.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when the circuit has no steady state
 */
export function steadyVerdict(job: Job, shelf: Shelf, stage: Stage, circuit: Circuit): SteadyVerdict {
  const { vehicle } = job;
  const stock = healthyStock(job);
  const fitment = fitmentOf(job, shelf, stage);
  const healthy = new SteadyNetwork(vehicle, stock, circuit);
  const fitted = new SteadyNetwork(vehicle, fitment, circuit);
  const atTest = testVolts(vehicle.systemVolts);
  const stockAmps = healthy.amps(atTest);
  const now = fitted.amps(atTest);
  const watcher = watcherFinding({ ...vehicle, flasher: fitment.flasher }, circuit, healthy, fitted);
  const findings = [
    watcher,
    ...senseFindings(vehicle, fitment, circuit),
    ...chargeFindings(vehicle, circuit, fitted),
    ...fuseFindings(vehicle, stock, fitment, circuit),
    ...dimmerFindings(vehicle, fitment, circuit, now),
  ];
  if (now > stockAmps * 1.02)
    findings.push({
      state: 'holds',
      text: `It draws more than stock: ${amps(now)} where the bulbs drew ${amps(stockAmps)} at ${volts(atTest)}.`,
    });
  const rank = ['too-much', 'falls-short', 'either-way', 'holds'];
  findings.sort((a, b) => rank.indexOf(a.state) - rank.indexOf(b.state));
  return {
    circuitId: circuit.id,
    state: worstState(findings.map((finding) => finding.state)),
    watched: watcher.state,
    stockAmps,
    amps: now,
    reasons: findings.map((finding) => finding.text),
  };
}

function watcherFinding(
  vehicle: Vehicle,
  circuit: Circuit,
  healthy: SteadyNetwork,
  fitted: SteadyNetwork,
): Finding {
  const watch = outputOf(vehicle, circuit)?.watch;
  const module = vehicle.bulbCheck?.watches.some((each) => each.circuitId === circuit.id);
  if (!watch && !module) return { state: 'holds', text: 'Nothing watches this circuit.' };
  const who = watch ? 'the controller' : (vehicle.bulbCheck?.name ?? 'the module');
  const ids = lampIdsOf(circuit);
  const mains = ids.filter((id) => lampById(vehicle, id).role === 'main');
  const judged = workingPoints(vehicle.systemVolts).map((point) => {
    const highAmps = watch?.setting === 'led' ? LED_SETTING_AMPS * ids.length : healthy.amps(point.volts);
    const lowAmps =
      watch?.setting === 'led' ? 0 : Math.max(0, ...mains.map((id) => healthy.amps(point.volts, id)));
    const seen = fitted.amps(point.volts);
    const range = { low: seen, nominal: seen, high: seen };
    return {
      point,
      lowAmps,
      highAmps,
      seen,
      state: pointState(range, { lowAmps, highAmps, missingLampId: '' }),
    };
  });
  const worst = judged.reduce((least, each) =>
    each.seen / each.highAmps < least.seen / least.highAmps ? each : least,
  );
  const state = worstState(judged.map((each) => each.state));
  const band =
    watch?.setting === 'led'
      ? `set to LED, ${who} wants about ${amps(worst.highAmps)}`
      : `${who} calls a bulb out somewhere from ${amps(worst.lowAmps)} to ${amps(worst.highAmps)}`;
  const at = `${amps(worst.seen)} at ${volts(worst.point.volts)}; ${band}`;
  return {
    state,
    text:
      state === 'holds'
        ? `${at}, so it stays quiet.`
        : state === 'falls-short'
          ? `${at}, so it reports a bulb out.`
          : `${at}, so it may report a bulb out.`,
  };
}

/** With the pedal up the unit's pull-up must find the wire tied to earth. */
function senseFindings(vehicle: Vehicle, fitment: Fitment, circuit: Circuit): Finding[] {
  const { sense } = circuit;
  if (!sense) return [];
  const resting = new SteadyNetwork(vehicle, fitment, circuit, {
    ...controlsFor(circuit),
    brake: false,
    lights: false,
  });
  const held = resting.busVolts(chargingVolts(vehicle.systemVolts));
  return held > sense.heldUnderVolts
    ? [
        {
          state: 'falls-short',
          text: `${sense.what}: ${volts(held)} on the wire with the pedal up, where it must be under ${volts(sense.heldUnderVolts)}. A bleed resistor, or one filament left in, cures it.`,
        },
      ]
    : [];
}

function chargeFindings(vehicle: Vehicle, circuit: Circuit, fitted: SteadyNetwork): Finding[] {
  const { excite } = circuit;
  if (!excite) return [];
  const [tired] = workingPoints(vehicle.systemVolts);
  const atVolts = tired?.volts ?? vehicle.systemVolts;
  const flows = fitted.amps(atVolts);
  return flows < excite.amps
    ? [
        {
          state: 'falls-short',
          text: `${amps(flows)} at ${volts(atVolts)} does not start the alternator, which wants ${amps(excite.amps)}.`,
        },
      ]
    : [];
}

/** Everything on the fuse lit together, against what it may carry for hours. */
function fuseFindings(vehicle: Vehicle, stock: Fitment, fitment: Fitment, circuit: Circuit): Finding[] {
  if (circuit.from.by !== 'switch') return [];
  const { fuseId } = circuit.from;
  const fuse = fuseById(vehicle, fuseId);
  const emfVolts = chargingVolts(vehicle.systemVolts);
  const together = (of: Fitment) =>
    vehicle.circuits
      .filter((each) => each.from.by === 'switch' && each.from.fuseId === fuseId)
      .reduce((sum, each) => sum + new SteadyNetwork(vehicle, of, each).amps(emfVolts), 0);
  const total = together(fitment);
  const allowed = fuse.ratedAmps * FUSE_CONTINUOUS_SHARE;
  if (total <= allowed) return [];
  const before = together(stock);
  const text = `With everything on it lit, the ${fuse.name} carries ${amps(total)}; for hours it may carry ${amps(allowed)}.`;
  // What the vehicle left the works with is its maker's affair; but no maker goes past the rating itself.
  return total > before * 1.001 || total > fuse.ratedAmps ? [{ state: 'too-much', text }] : [];
}

function dimmerFindings(vehicle: Vehicle, fitment: Fitment, circuit: Circuit, bright: number): Finding[] {
  if (circuit.dimmerOhms === undefined) return [];
  if (!lampIdsOf(circuit).some((id) => fitment.contents.get(id)?.kind === 'led')) return [];
  const dimmed = new SteadyNetwork(vehicle, fitment, circuit, { ...controlsFor(circuit), dimmed: true });
  const share = dimmed.amps(testVolts(vehicle.systemVolts)) / bright;
  return [
    {
      state: 'holds',
      text: `At the dimmer’s darkest ${percent(share)} of the current still flows, so LEDs there keep about as much of their light.`,
    },
  ];
}

import { ohms } from '../formatting/format.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Circuit, TurnCircuit } from '../model/vehicle/circuit.ts';
import { circuitById, lampIdsOf } from '../model/vehicle/lookUp.ts';
import { ALONE } from '../simulation/litState.ts';
import { controlsFor } from '../simulation/moment.ts';
import { type TurnCircuits, watchesRepeaters } from '../simulation/turnCircuits.ts';
import type { LampCurrents } from '../simulation/turnCurrents.ts';
import { JobAnalysis } from './analysis.ts';
import { Judge } from './judge.ts';
import { watcherOf } from './requirements/watch.ts';
import { ampsSeen, isTurn } from './scenario.ts';
import type { PointVerdict } from './verdict.ts';

/** One load on the line: a bulb, an LED, a resistor or the pilot, as long as the amps it draws. */
export interface Block {
  key: string;
  label: string;
  amps: number;
  kind: 'bulb' | 'led' | 'resistor' | 'pilot';
}

/** What one configuration puts on the line: every load the watcher counts, against the band that applies to it. */
export interface GaugeRow {
  configuration: Configuration;
  blocks: readonly Block[];
  verdict: PointVerdict;
}

/** Less than this is nothing to draw, A. */
const LEAST_AMPS = 1e-3;

/**
 * What one circuit draws at one supply as it is, with its LEDs, and with its cure where it has one.
 *
 * @param supplyVolts EMF of the supply, V
 * @returns the rows in that order, amps in A
 * @throws UnknownReferenceError when the job names a bulb or part that is not known
 * @throws RangeError when the vehicle has no such circuit
 */
export function loadGauge(job: Job, shelf: Shelf, circuitId: string, supplyVolts: number): GaugeRow[] {
  const analysis = JobAnalysis.of(job, shelf);
  const circuit = circuitById(job.vehicle, circuitId);
  const cured = (job.cures[circuitId] ?? null) !== null || job.vehicleCures.length > 0;
  const configurations: Configuration[] = cured ? ['stock', 'leds', 'cured'] : ['stock', 'leds'];
  return configurations.map((each) => gaugeRow(new Judge(analysis, each), circuit, supplyVolts));
}

/**
 * The loads of one circuit in one configuration, together what its watcher sees.
 *
 * @param supplyVolts EMF of the supply, V
 */
export function gaugeRow(judge: Judge, circuit: Circuit, supplyVolts: number): GaugeRow {
  const row = isTurn(circuit) ? turnRow(judge, circuit, supplyVolts) : steadyRow(judge, circuit, supplyVolts);
  return { configuration: judge.configuration, ...row };
}

function turnRow(judge: Judge, circuit: TurnCircuit, supplyVolts: number): Omit<GaugeRow, 'configuration'> {
  const verdict = judge.circuitAt(circuit, supplyVolts);
  const { turns } = judge;
  const currents = turns.solve({
    emfVolts: supplyVolts,
    sides: [circuit.side],
    lookSeconds: verdict.lookSeconds,
  });
  const watched = watchesRepeaters(turns.fitment);
  const own = lampIdsOf(circuit);
  const lamps = currents.lamps.filter(
    ({ lampId }) => own.includes(lampId) && (watched || turns.lamp(lampId).role === 'main'),
  );
  const drawn = blocksOf(turns, lamps);
  // What goes on through the pilot between the sides passes the watcher too.
  const rest = ampsSeen(turns, circuit, currents) - drawn.reduce((sum, each) => sum + each.amps, 0);
  const pilot: Block[] =
    rest > LEAST_AMPS ? [{ key: 'pilot', label: 'pilot', amps: rest, kind: 'pilot' }] : [];
  return { blocks: [...drawn, ...pilot], verdict };
}

/** A circuit that is on steadily, as it is in the pulses where it is pulsed; without a band where nothing watches it. */
function steadyRow(judge: Judge, circuit: Circuit, supplyVolts: number): Omit<GaugeRow, 'configuration'> {
  const { turns } = judge;
  const { simulation } = turns;
  const probes = simulation.at({ controls: controlsFor(circuit), emfVolts: supplyVolts }, [circuit.id]);
  const lamps = circuit.feeds.map(
    ({ lampId, input }): LampCurrents => ({
      lampId,
      volts: probes.lampVolts(lampId, input),
      bulbAmps: probes.bulbAmps(lampId, input),
      resistorAmps: probes.resistorAmps(lampId, input),
    }),
  );
  const drawn = probes.wireAmps(circuit.id);
  const nobody =
    watcherOf(turns.vehicle, turns.fitment.flasher, circuit) === null && circuit.watched !== null;
  const unwatched: PointVerdict = {
    volts: supplyVolts,
    company: ALONE,
    band: { lowAmps: 0, highAmps: 0, missingLampId: '' },
    amps: { low: drawn, nominal: drawn, high: drawn },
    state: 'holds',
  };
  return {
    blocks: blocksOf(turns, lamps),
    verdict: nobody ? unwatched : judge.circuitAt(circuit, supplyVolts),
  };
}

/** What draws in some lamps, the bulbs first, then the resistors. */
function blocksOf(turns: TurnCircuits, lamps: readonly LampCurrents[]): Block[] {
  const bulbs = lamps.map((each): Block => {
    const content = turns.fitment.contents.get(each.lampId);
    const what =
      content?.kind === 'led'
        ? content.part.code
        : content?.kind === 'filament'
          ? content.bulb.names[0]
          : 'dead';
    return {
      key: each.lampId,
      label: `${what} ${turns.lamp(each.lampId).end}`,
      amps: each.bulbAmps,
      kind: content?.kind === 'led' ? 'led' : 'bulb',
    };
  });
  const resistors = lamps.map(
    (each): Block => ({
      key: `${each.lampId}-resistor`,
      label: `${ohms(each.volts / Math.max(each.resistorAmps, LEAST_AMPS))} ${turns.lamp(each.lampId).end}`,
      amps: each.resistorAmps,
      kind: 'resistor',
    }),
  );
  return [...bulbs, ...resistors].filter((each) => each.amps > LEAST_AMPS);
}

import { ohms } from '../../../core/formatting/format.ts';
import type { Judge } from '../../../core/judge/judge.ts';
import { watcherOf } from '../../../core/judge/requirements/watch.ts';
import { isTurn } from '../../../core/judge/scenario.ts';
import type { PointVerdict } from '../../../core/judge/verdict.ts';
import type { Circuit, TurnCircuit } from '../../../core/model/vehicle/circuit.ts';
import { ALONE } from '../../../core/simulation/litState.ts';
import { controlsFor } from '../../../core/simulation/moment.ts';
import { type TurnCircuits, watchesRepeaters } from '../../../core/simulation/turnCircuits.ts';
import type { LampCurrents } from '../../../core/simulation/turnCurrents.ts';

/** One load on the line: a bulb, an LED, a resistor or the pilot, as long as the amps it draws. */
export interface Block {
  key: string;
  label: string;
  amps: number;
  kind: 'bulb' | 'led' | 'resistor' | 'pilot';
}

/** What one configuration puts on the line: every load the watcher counts, against the band that applies to it. */
export interface GaugeRow {
  blocks: readonly Block[];
  verdict: PointVerdict;
}

/** Less than this is nothing to draw, A. */
const LEAST_AMPS = 1e-3;

/** The loads of one circuit at one supply and moment of looking, together what its watcher sees. */
export function gaugeRow(judge: Judge, circuit: Circuit, supplyVolts: number): GaugeRow {
  return isTurn(circuit) ? turnRow(judge, circuit, supplyVolts) : steadyRow(judge, circuit, supplyVolts);
}

function turnRow(judge: Judge, circuit: TurnCircuit, supplyVolts: number): GaugeRow {
  const verdict = judge.circuitAt(circuit, supplyVolts);
  const { turns } = judge;
  const currents = turns.solve({
    emfVolts: supplyVolts,
    sides: [circuit.side],
    lookSeconds: verdict.lookSeconds,
  });
  const watched = watchesRepeaters(turns.fitment);
  const lamps = currents.lamps.filter((each) => watched || turns.lamp(each.lampId).role === 'main');
  const drawn = blocksOf(turns, lamps);
  // What goes on through the pilot between the sides passes the watcher too.
  const rest = currents.watchedAmps - drawn.reduce((sum, each) => sum + each.amps, 0);
  const pilot: Block[] =
    rest > LEAST_AMPS ? [{ key: 'pilot', label: 'pilot', amps: rest, kind: 'pilot' }] : [];
  return { blocks: [...drawn, ...pilot], verdict };
}

/** A circuit that is on steadily, as it is in the pulses where it is pulsed; without a band where nothing watches it. */
function steadyRow(judge: Judge, circuit: Circuit, supplyVolts: number): GaugeRow {
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

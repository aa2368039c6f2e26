import { ohms } from '../../../core/formatting/format.ts';
import type { Judge } from '../../../core/judge/judge.ts';
import type { PointVerdict } from '../../../core/judge/verdict.ts';
import type { TurnCircuit } from '../../../core/model/vehicle/circuit.ts';
import { watchesRepeaters } from '../../../core/simulation/turnCircuits.ts';

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

/** The loads of one side at one supply and moment of looking, together what the watcher sees. */
export function gaugeRow(judge: Judge, circuit: TurnCircuit, supplyVolts: number): GaugeRow {
  const verdict = judge.circuitAt(circuit, supplyVolts);
  const { turns } = judge;
  const currents = turns.solve({
    emfVolts: supplyVolts,
    sides: [circuit.side],
    lookSeconds: verdict.lookSeconds,
  });
  const watched = watchesRepeaters(turns.fitment);
  const lamps = currents.lamps.filter((each) => watched || turns.lamp(each.lampId).role === 'main');
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
  const drawn = [...bulbs, ...resistors].filter((each) => each.amps > LEAST_AMPS);
  // What goes on through the pilot between the sides passes the watcher too.
  const rest = currents.watchedAmps - drawn.reduce((sum, each) => sum + each.amps, 0);
  const pilot: Block[] =
    rest > LEAST_AMPS ? [{ key: 'pilot', label: 'pilot', amps: rest, kind: 'pilot' }] : [];
  return { blocks: [...drawn, ...pilot], verdict };
}

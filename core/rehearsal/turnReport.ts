import { Circuit } from '../circuit/engine/circuit.ts';
import { heldDrives, spiceName, spiceText, spiceVector } from '../circuit/engine/spice.ts';
import { Transient } from '../circuit/engine/transient.ts';
import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { fitmentOf } from '../vehicle/fitment.ts';
import {
  RELAY_CONTACT,
  TURN_ELEMENTS,
  TURN_NODES,
  turnControls,
  turnNetlist,
} from '../vehicle/turnNetlist.ts';
import { WATCHER_SAMPLE_SECONDS } from './playTurn.ts';
import { type Controls, litSides, rehearse } from './rehearse.ts';

/** A quantity under the name that the SPICE text prints it by. */
export interface NamedQuantity {
  name: string;
  unit: 'V' | 'A';
  value: number;
  /** what it is, for a reader */
  what: string;
}

export interface TurnReport {
  stage: Stage;
  controls: Controls;
  emfVolts: number;
  /** how it flashes once settled; null in a steady state */
  flashing: {
    ratePerMinute: number;
    periodSeconds: number;
    onSeconds: number;
    sampleAtSeconds: number;
  } | null;
  quantities: readonly NamedQuantity[];
  /** the same circuit and quantities as a self-contained netlist for ngspice */
  spice: string;
}

/** The flash whose quantities are reported: by then the filaments have forgotten their cold start. */
const REPORTED_FLASH = 3;
const SPICE_STEP = 1e-3;

interface Probe {
  name: string;
  what: string;
  at: { node: string } | { meter: string; elementId: string };
}

/**
 * What one state of the turn circuits comes to, node by node and lamp by lamp, and the text that lets
 * ngspice work out the same. A flashing state is reported at the moment the watcher looks, in a flash
 * that has settled; its relay is written as the waveform it settles to.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function turnReport(
  job: Job,
  shelf: Shelf,
  stage: Stage,
  controls: Controls,
  emfVolts: number,
): TurnReport {
  const { vehicle } = job;
  const sides = litSides(controls);
  const netlist = turnNetlist(vehicle, fitmentOf(job, shelf, stage), emfVolts);
  const probes = probesOf(job);
  const volts = probes.flatMap(({ name, at }) => ('node' in at ? [{ name, node: at.node }] : []));
  const amps = probes.flatMap(({ at }) =>
    'meter' in at ? [{ name: at.meter, elementId: at.elementId }] : [],
  );
  const rate = rehearse(job, shelf, stage, controls, emfVolts);
  const read = (circuit: Circuit): NamedQuantity[] =>
    probes.map(({ name, what, at }) => ({
      name,
      what,
      ...('node' in at
        ? { unit: 'V' as const, value: circuit.nodeVolts(at.node) }
        : { unit: 'A' as const, value: circuit.amps(at.elementId) }),
    }));
  if (rate.ratePerMinute === null) {
    const circuit = new Circuit(netlist);
    const held = turnControls(vehicle, sides, false);
    circuit.setControls(held);
    circuit.solveSteady();
    const spice = spiceText({ netlist, drives: heldDrives(held), analysis: { kind: 'op' }, volts, amps });
    return {
      stage,
      controls,
      emfVolts,
      flashing: null,
      // In a steady state ngspice prints its vectors by their own names.
      quantities: read(circuit).map((each, index) => ({
        ...each,
        name: spiceVector(netlist, probes[index]?.at ?? never()),
      })),
      spice,
    };
  }
  const { periodSeconds } = rate;
  const onSeconds = periodSeconds * rate.onFraction;
  const sampleAtSeconds = (REPORTED_FLASH - 1) * periodSeconds + WATCHER_SAMPLE_SECONDS;
  const run = new Transient(netlist, turnControls(vehicle, sides, true));
  for (let flash = 0; flash < REPORTED_FLASH - 1; flash += 1) {
    run.advanceTo(flash * periodSeconds + onSeconds);
    run.setControls(turnControls(vehicle, sides, false));
    run.advanceTo((flash + 1) * periodSeconds);
    run.setControls(turnControls(vehicle, sides, true));
  }
  run.advanceTo(sampleAtSeconds);
  const spice = spiceText({
    netlist,
    drives: {
      ...heldDrives(turnControls(vehicle, sides, true)),
      [RELAY_CONTACT]: { kind: 'pulse', periodSeconds, onSeconds },
    },
    analysis: { kind: 'tran', seconds: REPORTED_FLASH * periodSeconds, stepSeconds: SPICE_STEP },
    volts,
    amps,
    measures: probes.map(({ name, at }) => ({ name, of: at, atSeconds: sampleAtSeconds })),
  });
  return {
    stage,
    controls,
    emfVolts,
    flashing: { ratePerMinute: rate.ratePerMinute, periodSeconds, onSeconds, sampleAtSeconds },
    quantities: read(run.circuit),
    spice,
  };
}

function probesOf({ vehicle }: Job): Probe[] {
  return [
    { name: 'v_lamp_terminal', what: 'relay lamp terminal', at: { node: TURN_NODES.lampTerminal } },
    {
      name: 'i_relay',
      what: 'current through the relay',
      at: { meter: 'relay', elementId: TURN_ELEMENTS.relay },
    },
    ...vehicle.lamps.flatMap((lamp): Probe[] => [
      {
        name: `v_${spiceName(lamp.id)}`,
        what: `${lamp.name}, feed contact`,
        at: { node: TURN_NODES.feedOf(lamp.id) },
      },
      {
        name: `i_${spiceName(lamp.id)}`,
        what: `${lamp.name}, current in its lead`,
        at: { meter: spiceName(lamp.id), elementId: TURN_ELEMENTS.leadOf(lamp.id) },
      },
    ]),
  ];
}

function never(): never {
  throw new RangeError('every quantity has a probe');
}

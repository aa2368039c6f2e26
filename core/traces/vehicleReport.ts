import type { Circuit } from '../circuit/engine/circuit.ts';
import type { ControlState, Netlist } from '../circuit/engine/netlist.ts';
import { heldDrives, type SpiceDrive, spiceName, spiceText, spiceVector } from '../circuit/engine/spice.ts';
import type { DashEvent } from '../devices/device.ts';
import { WATCHER_SAMPLE_SECONDS } from '../devices/device.ts';
import { type Fault, strikesOf } from '../faults/kinds.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import { type Fitment, fitmentOf } from '../simulation/fitment.ts';
import { playVehicle } from '../simulation/vehicleRun.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { thresholdFor } from './traceLamps.ts';

/** A quantity under the name that the SPICE text prints it by. */
export interface NamedQuantity {
  name: string;
  unit: 'V' | 'A';
  value: number;
  /** what it is, for a reader */
  what: string;
}

export interface VehicleReport {
  configuration: Configuration;
  controls: Controls;
  emfVolts: number;
  /** how it flashes once settled; null in a steady state */
  flashing: {
    ratePerMinute: number;
    periodSeconds: number;
    onSeconds: number;
    sampleAtSeconds: number;
    /** what the flasher decides by, A */
    watchedAmps: number;
    thresholdAmps: number;
    missesLamp: boolean;
  } | null;
  blownFuses: readonly string[];
  events: readonly DashEvent[];
  quantities: readonly NamedQuantity[];
  /** the same circuit and quantities as a self-contained netlist for ngspice */
  spice: string;
}

/** The flash whose quantities are reported: by then the filaments have forgotten their cold start. */
const REPORTED_FLASH = 3;
const SPICE_STEP = 1e-3;
/** A bimetal is left to find its rhythm so long, s. */
const THERMAL_SECONDS = 6;

interface Probe {
  name: string;
  what: string;
  at: { node: string } | { meter: string; elementId: string };
}

/**
 * What one state of a vehicle comes to, feed by feed and lamp by lamp, and the text that lets ngspice work out the
 * same. A flashing state is reported at the moment the watcher looks, in a flash that has settled; its relay or
 * controller is written as the waveform it settles to, a thermal flasher as what it is. Pulsed outputs are written
 * as they are in the pulses, their filaments heated by the share of time they are on.
 *
 * @param faults what is wrong with it
 * @throws UnknownReferenceError when the job names a part that is not known
 */
export function vehicleReport(
  job: Job,
  shelf: Shelf,
  configuration: Configuration,
  controls: Controls,
  emfVolts: number,
  faults: readonly Fault[] = [],
): VehicleReport {
  const { vehicle } = job;
  const sides = flashingSides(vehicle, controls);
  const fitment = fitmentOf(job, shelf, configuration);
  const strikes = strikesOf(vehicle, faults);
  const simulation = new VehicleSimulation(vehicle, fitment, strikes);
  const netlist = simulation.netlist(controls, emfVolts);
  const { thresholdAmps } = thresholdFor(job, fitment, sides, emfVolts);
  const flashes = REPORTED_FLASH;
  const play = playVehicle({ vehicle, fitment, controls, emfVolts, thresholdAmps, flashes, strikes });
  const probes = probesOf(job, fitment, netlist);
  const asked: Asked = { job, simulation, controls, emfVolts, netlist, probes };
  const common = { configuration, controls, emfVolts, events: play.events };
  const flash = play.flashes.at(-1);
  if (!flash || play.flashes.length < REPORTED_FLASH) return { ...common, ...steadyReport(asked) };
  const { periodSeconds, onSeconds } = flash;
  const thermal = netlist.elements.some((element) => element.kind === 'thermal-flasher');
  // A bimetal finds its own rhythm in both engines: it is looked at in its first flash, before they can drift apart.
  const sampleAtSeconds = (thermal ? 0 : (REPORTED_FLASH - 1) * periodSeconds) + WATCHER_SAMPLE_SECONDS;
  return {
    ...common,
    flashing: {
      ratePerMinute: 60 / periodSeconds,
      periodSeconds,
      onSeconds,
      sampleAtSeconds,
      watchedAmps: flash.sampledAmps,
      thresholdAmps: flash.thresholdAmps,
      missesLamp: flash.missesLamp,
    },
    ...(thermal
      ? flashingReport(asked, null, { at: sampleAtSeconds, seconds: THERMAL_SECONDS })
      : flashingReport(
          asked,
          { periodSeconds, onSeconds },
          { at: sampleAtSeconds, seconds: REPORTED_FLASH * periodSeconds },
        )),
  };
}

interface Asked {
  job: Job;
  simulation: VehicleSimulation;
  controls: Controls;
  emfVolts: number;
  netlist: Netlist;
  probes: readonly Probe[];
}

type Worked = Pick<VehicleReport, 'quantities' | 'spice' | 'blownFuses'> & { flashing?: null };

function steadyReport({
  simulation,
  controls,
  emfVolts,
  netlist,
  probes,
}: Asked): Worked & { flashing: null } {
  const held = simulation.contacts(controls, false);
  const circuit = simulation.resting(controls, emfVolts);
  const { blown } = circuit;
  const spice = spiceText({
    netlist,
    drives: heldDrives(held),
    analysis: { kind: 'op' },
    blown,
    near: new Map(circuit.nodes.map((node) => [node, circuit.nodeVolts(node)])),
    ...vectors(probes),
  });
  return {
    flashing: null,
    blownFuses: blown.map((id) => id.replace(/\.fuse$/, '')),
    // In a steady state ngspice prints its vectors by their own names.
    quantities: read(circuit, probes).map((each, index) => ({
      ...each,
      name: spiceVector(netlist, (probes[index] as Probe).at),
    })),
    spice,
  };
}

function flashingReport(
  { job, simulation, controls, emfVolts, netlist, probes }: Asked,
  pulse: { periodSeconds: number; onSeconds: number } | null,
  { at, seconds }: { at: number; seconds: number },
): Worked {
  const { run, contacts } = simulation.inTime(controls, emfVolts);
  const lit = contacts(true);
  const dark = pulse ? contacts(false) : lit;
  for (let flash = 0; pulse && flash < REPORTED_FLASH - 1; flash += 1) {
    run.advanceTo(flash * pulse.periodSeconds + pulse.onSeconds);
    run.setControls(dark);
    run.advanceTo((flash + 1) * pulse.periodSeconds);
    run.setControls(lit);
  }
  run.advanceTo(at);
  const spice = spiceText({
    netlist,
    drives: { ...heldDrives(lit), ...(pulse ? pulsing(simulation, asTurns(job, controls), lit, pulse) : {}) },
    analysis: { kind: 'tran', seconds, stepSeconds: SPICE_STEP },
    blown: run.circuit.blown,
    ...vectors(probes),
    measures: probes.map(({ name, at: of }) => ({ name, of, atSeconds: at })),
  });
  return {
    blownFuses: run.circuit.blown.map((id) => id.replace(/\.fuse$/, '')),
    quantities: read(run.circuit, probes),
    spice,
  };
}

function asTurns({ vehicle }: Job, controls: Controls) {
  const sides = flashingSides(vehicle, controls);
  return turnCircuits(vehicle).filter((circuit) => sides.includes(circuit.side));
}

/** The contacts that flash, each as the pulse it settles to. */
function pulsing(
  simulation: VehicleSimulation,
  turns: ReturnType<typeof asTurns>,
  lit: ControlState,
  pulse: { periodSeconds: number; onSeconds: number },
): Record<string, SpiceDrive> {
  const names = new Set(turns.flatMap((circuit) => simulation.flashing(circuit)));
  return Object.fromEntries(
    [...names].filter((name) => lit[name]).map((name) => [name, { kind: 'pulse', ...pulse }]),
  );
}

function vectors(probes: readonly Probe[]) {
  return {
    volts: probes.flatMap(({ name, at }) => ('node' in at ? [{ name, node: at.node }] : [])),
    amps: probes.flatMap(({ at }) => ('meter' in at ? [{ name: at.meter, elementId: at.elementId }] : [])),
  };
}

function read(circuit: Circuit, probes: readonly Probe[]): NamedQuantity[] {
  return probes.map(({ name, what, at }) => ({
    name,
    what,
    ...('node' in at
      ? { unit: 'V' as const, value: circuit.nodeVolts(at.node) }
      : { unit: 'A' as const, value: circuit.amps(at.elementId) }),
  }));
}

function probesOf({ vehicle }: Job, { flasher }: Fitment, netlist: Netlist): Probe[] {
  const ids = new Set(netlist.elements.map((element) => element.id));
  const current = (label: string, elementId: string, what: string): Probe[] =>
    ids.has(elementId) ? [{ name: `i_${label}`, what, at: { meter: label, elementId } }] : [];
  const voltage = (label: string, node: string, elementId: string, what: string): Probe[] =>
    ids.has(elementId) ? [{ name: `v_${label}`, what, at: { node } }] : [];
  return [
    ...(flasher.kind === 'controller'
      ? []
      : voltage('lamp_terminal', NODES.flasherOut, ELEMENTS.flasher, 'flasher’s lamp terminal')),
    ...vehicle.circuits.flatMap((circuit) =>
      current(`c_${spiceName(circuit.id)}`, ELEMENTS.wire(circuit.id), `${circuit.name}, whole circuit`),
    ),
    ...vehicle.lamps.flatMap((lamp) => {
      const name = spiceName(lamp.id);
      return (['main', 'dim'] as const).flatMap((input) => {
        const suffix = input === 'main' ? '' : '_dim';
        const which = input === 'main' ? 'feed' : 'dim feed';
        const lead = ELEMENTS.lead(lamp.id, input);
        return [
          ...voltage(`${name}${suffix}`, NODES.feed(lamp.id, input), lead, `${lamp.name}, ${which} contact`),
          ...current(
            `${name}${suffix}`,
            lead,
            `${lamp.name}, current in its ${which === 'feed' ? 'lead' : 'dim lead'}`,
          ),
        ];
      });
    }),
  ];
}

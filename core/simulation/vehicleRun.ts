// Longer than 300 lines: the loop of time and every device it asks on its way.
import type { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import type { Element, Netlist } from '../circuit/engine/netlist.ts';
import { FUSE_SECONDS } from '../circuit/engine/netlist.ts';
import type { Transient } from '../circuit/engine/transient.ts';
import { BulbCheckDevice } from '../devices/bulbCheck.ts';
import {
  ColdCheckDevice,
  ControllerTurnDevice,
  FadeDevice,
  SteadyOutputDevice,
} from '../devices/controller.ts';
import {
  type Bench,
  type DashEvent,
  type Device,
  eventKey,
  type Flash,
  type Happening,
} from '../devices/device.ts';
import { normalRate, THERMAL_FAST } from '../devices/flasher.ts';
import { NonWatchingRelayDevice, type RelayLoad, WatchingRelayDevice } from '../devices/relay.ts';
import { SweepDevice } from '../devices/sweep.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { circuitsOf, lampById, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { flashingContacts } from './contacts.ts';
import { type Controls, dutyOf, flashingSides, outputOf, wanted } from './controls.ts';
import { coupledCircuits } from './coupled.ts';
import { type Fitment, hasCapacitor } from './fitment.ts';
import { type Emitter, emittersOf } from './lampLight.ts';
import { LightCurve } from './lightCurve.ts';
import { type PulsedLight, playPulses } from './pulsedFeed.ts';
import { joinedTo, type Strike } from './strike.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

export interface PlayRequest {
  vehicle: Vehicle;
  fitment: Fitment;
  controls: Controls;
  emfVolts: number;
  /** what a watching relay compares with at this supply, A */
  thresholdAmps: number;
  strikes?: readonly Strike[];
  /** play so many flashes, or so long, whichever is asked for */
  flashes?: number;
  seconds?: number;
}

/** An emitter as it is played, and its light as a share of what it gives while its feed is on. */
interface Played extends PlayedEmitter, Emitter {
  /** the share of time its feed is on, as it is now; null where a capacitor carries it over the pauses */
  dutyShare: number | null;
}

export interface PlayedEmitter extends Omit<Emitter, 'read'> {
  curve: LightCurve;
  /** an LED on a pulsed feed */
  pulsed: PulsedLight | null;
}

export interface VehiclePlay {
  seconds: number;
  flashes: readonly Flash[];
  emitters: readonly PlayedEmitter[];
  events: readonly DashEvent[];
  blownFuses: readonly string[];
  /** sequential lamps whose sweep was cut short */
  unfinishedSweeps: readonly string[];
  /** the circuit at its last moment */
  circuit: SolvedCircuit;
  netlist: Netlist;
}

/** A thermal flasher that has not opened by then stays on, s. */
const THERMAL_PATIENCE = 6;
/** What does not flash is played so long: outputs look, retry and cut off within it. */
const STEADY_SECONDS = 1.6;

/**
 * Plays a vehicle from cold with the driver's panel as it is: every flasher, output and clock acts at its own
 * moments on the simulated circuit, and what the lamps do in between is what the circuit does.
 *
 * @throws NoSolutionError when the circuit cannot be solved
 */
export function playVehicle(request: PlayRequest): VehiclePlay {
  return new VehicleRun(request).play();
}

class VehicleRun implements Bench {
  private readonly devices: Device[] = [];
  private readonly sweeps: SweepDevice[] = [];
  private readonly flashes: Flash[] = [];
  private readonly events = new Map<string, DashEvent>();
  private readonly emitters: Played[];
  private readonly fuses: readonly Extract<Element, { kind: 'fuse' }>[];
  /** heating of each fuse since this flash began, over what it holds for ever, s; and its mean over the flash before */
  private readonly heat = new Map<string, number>();
  private heatSince = 0;
  private heatOver = new Map<string, number>();
  private readonly duties = new Map<string, number>();
  private contacts: Record<string, boolean>;
  private readonly simulation: VehicleSimulation;
  private readonly run: Transient;
  private readonly netlist: Netlist;
  private readonly turns: readonly TurnCircuit[];
  private lastRecord = 0;
  private thermal: { closedAt: number; openedAt: number | null; amps: number } | null = null;

  private readonly request: PlayRequest;

  constructor(asked: PlayRequest) {
    this.simulation = new VehicleSimulation(asked.vehicle, asked.fitment, asked.strikes ?? []);
    // From here on the vehicle is as it is wired and fitted, right or wrong.
    this.request = { ...asked, vehicle: this.simulation.vehicle, fitment: this.simulation.fitment };
    const { vehicle, fitment, controls, emfVolts } = this.request;
    const sides = flashingSides(vehicle, controls);
    this.turns = turnCircuits(vehicle).filter((circuit) => sides.includes(circuit.side));
    const circuits = this.activeCircuits();
    // Turn outputs begin dark: their device lights them.
    this.contacts = this.simulation.contacts(controls, fitment.flasher.kind === 'thermal');
    const { run, netlist } = this.simulation.inTime(controls, emfVolts, {
      circuits,
      start: this.contacts,
      record: (seconds, circuit) => this.record(seconds, circuit),
    });
    this.run = run;
    this.netlist = netlist;
    const ids = new Set(this.netlist.elements.map((element) => element.id));
    for (const circuit of vehicle.circuits)
      this.duties.set(circuit.id, dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts));
    if (this.flashing && this.netlist.elements.some((element) => element.kind === 'thermal-flasher'))
      this.thermal = { closedAt: 0, openedAt: null, amps: 0 };
    this.fuses = this.netlist.elements.filter((element) => element.kind === 'fuse');
    this.emitters = vehicle.lamps
      .flatMap((lamp) => {
        const content = fitment.contents.get(lamp.id) ?? { kind: 'empty' };
        const hasDim = ids.has(ELEMENTS.lead(lamp.id, 'dim'));
        return ids.has(ELEMENTS.lead(lamp.id)) || hasDim ? emittersOf(lamp, content, hasDim) : [];
      })
      .map((emitter) => this.played(emitter));
    this.wireDevices();
    this.hearFaultWires();
  }

  play(): VehiclePlay {
    for (;;) {
      const end = this.end();
      this.run.advanceTo(Math.min(...this.devices.map((device) => device.dueAt), end));
      if (this.run.seconds >= end) break;
      for (const device of this.devices) if (device.dueAt <= this.run.seconds) device.act(this);
    }
    this.foresee();
    return {
      seconds: this.run.seconds,
      flashes: this.flashes,
      emitters: this.emitters,
      events: [...this.events.values()],
      blownFuses: this.run.circuit.blown.map((id) => id.replace(/\.fuse$/, '')),
      unfinishedSweeps: this.sweeps.filter((sweep) => sweep.finished === false).map((sweep) => sweep.lampId),
      circuit: this.run.circuit,
      netlist: this.netlist,
    };
  }

  /** The flash asked for last is played to its end, which is where the next would begin. */
  private end(): number {
    const { flashes, seconds } = this.request;
    const last = this.flashes.at(-1);
    const settled = this.devices.every((device) => device.settled ?? true);
    if (flashes !== undefined && last && this.flashes.length >= flashes && settled)
      return last.startSeconds + last.periodSeconds;
    return seconds ?? (this.flashing ? THERMAL_PATIENCE : STEADY_SECONDS);
  }

  private get flashing(): boolean {
    return this.turns.length > 0;
  }

  /** Only what is on, what is tested or leaks, and what hangs together with that: the rest stays dark. */
  private activeCircuits(): Set<string> {
    const { vehicle, controls, strikes = [] } = this.request;
    const active = vehicle.circuits.filter((circuit) => {
      const output = outputOf(vehicle, circuit);
      const leaks =
        output?.leakOhms !== undefined || strikes.some(({ alive }) => alive?.includes(circuit.id));
      const tested = output?.coldCheck !== undefined && controls.key !== 'off';
      const stop = circuit.stopFuseId !== undefined && controls.brake;
      return (
        wanted(circuit, controls) || stop || leaks || tested || (circuit.sense && controls.key !== 'off')
      );
    });
    const ids = active.map((circuit) => circuit.id);
    return coupledCircuits(vehicle, joinedTo(ids, vehicle, strikes), {
      earths: strikes.some(({ throughEarths }) => throughEarths),
    });
  }

  /** An LED from the works that is dead or gone says so, or says nothing, over a wire of its own: either is a message. */
  private hearFaultWires(): void {
    const { vehicle, controls } = this.request;
    const lit = vehicle.circuits.filter((circuit) => wanted(circuit, controls));
    for (const { circuitId, lampId, sure } of this.simulation.unanswered(controls, lit))
      if (sure)
        this.tell({
          kind: 'message',
          by: 'fault-wire',
          circuitId,
          message: `${lampById(vehicle, lampId).name} failed`,
        });
  }

  private wireDevices(): void {
    const { vehicle, fitment, controls, emfVolts } = this.request;
    for (const lamp of vehicle.lamps) {
      const content = fitment.contents.get(lamp.id);
      if (content?.kind !== 'led' || !content.part.sweep) continue;
      const circuits = circuitsOf(vehicle, lamp.id).map((circuit) => circuit.id);
      this.sweeps.push(new SweepDevice(lamp.id, circuits, content.part.sweep));
    }
    this.devices.push(...this.sweeps, ...this.turnDevices());
    if (vehicle.bulbCheck) {
      const { blankingSeconds, watches } = vehicle.bulbCheck;
      for (const watch of watches) {
        const circuit = vehicle.circuits.find((each) => each.id === watch.circuitId);
        if (circuit && wanted(circuit, controls))
          this.devices.push(new BulbCheckDevice(watch, blankingSeconds, emfVolts));
      }
    }
    if (fitment.flasher.kind !== 'controller') return;
    for (const known of fitment.flasher.outputs) {
      const circuit = vehicle.circuits.find((each) => each.id === known.circuitId);
      if (!circuit) continue;
      // Of what nobody knows to be watched nothing is said.
      const { watch: _, ...unwatched } = known;
      const output = circuit.watched === null ? unwatched : known;
      const { coldCheck } = output;
      if (wanted(circuit, controls)) {
        if (circuit.kind !== 'turn') this.devices.push(new SteadyOutputDevice(output, emfVolts));
        if (output.fadeSeconds) this.devices.push(new FadeDevice(circuit.id, output.fadeSeconds));
      } else if (coldCheck && controls.key !== 'off') {
        this.devices.push(new ColdCheckDevice({ ...output, coldCheck }, emfVolts));
      }
    }
  }

  private turnDevices(): Device[] {
    const { fitment, emfVolts, thresholdAmps } = this.request;
    const { flasher } = fitment;
    // A relay without earth or with its terminals crossed decides nothing.
    if (!this.flashing || this.request.strikes?.some(({ flasherHeld }) => flasherHeld)) return [];
    const load: RelayLoad = {
      circuitIds: this.turns.map((circuit) => circuit.id),
      amps: (bench) => this.watchedAmps(bench),
    };
    const ratePerMinute = normalRate(flasher);
    const { onFraction } = flasher;
    switch (flasher.kind) {
      case 'watching-relay':
        return [
          new WatchingRelayDevice(load, {
            ratePerMinute,
            onFraction,
            fastMultiplier: flasher.fastMultiplier,
            thresholdAmps,
          }),
        ];
      case 'non-watching-relay':
        return [
          new NonWatchingRelayDevice(load, {
            ratePerMinute,
            onFraction,
            minAmps: flasher.minAmps,
            ratedAmps: flasher.ratedAmps,
            name: flasher.name,
          }),
        ];
      case 'thermal':
        // The bimetal is in the circuit itself, unless its make runs fast with too little load.
        return flasher.underloaded === 'slow-or-on'
          ? []
          : [
              new WatchingRelayDevice(load, {
                ratePerMinute,
                onFraction,
                fastMultiplier: THERMAL_FAST,
                thresholdAmps,
              }),
            ];
      case 'controller': {
        const ids = new Set(load.circuitIds);
        const outputs = flasher.outputs.filter((output) => ids.has(output.circuitId));
        return outputs.length === 0 ? [] : [new ControllerTurnDevice(flasher, outputs, emfVolts)];
      }
    }
  }

  private watchedAmps(bench: Bench): number {
    const { vehicle, fitment } = this.request;
    const total = this.turns.reduce((sum, circuit) => sum + bench.amps(ELEMENTS.wire(circuit.id)), 0);
    if (fitment.flasher.kind !== 'watching-relay' || fitment.flasher.watchesRepeaters !== false) return total;
    return this.turns
      .flatMap(lampIdsOf)
      .filter((id) => lampById(vehicle, id).role === 'repeater')
      .reduce((left, id) => left - bench.amps(ELEMENTS.lead(id)), total);
  }

  /** An LED on a pulsed feed goes dark in its pauses, unless a capacitor carries it over them. */
  private pulsedLight(emitter: Emitter): PulsedLight | null {
    const { vehicle, fitment, controls, emfVolts } = this.request;
    if (!emitter.followsPulses) return null;
    for (const circuit of circuitsOf(vehicle, emitter.lampId)) {
      const output = outputOf(vehicle, circuit);
      const duty = this.duties.get(circuit.id) ?? 1;
      if (!output?.pwm || duty >= 1 || !wanted(circuit, controls)) continue;
      const { hertz } = output.pwm;
      if (!hasCapacitor(fitment, emitter.lampId))
        return { hertz, low: 0, high: 1, mean: duty, modulation: 1 };
      return playPulses(this.simulation, controls, emfVolts, circuit.id, { hertz, duty }, emitter);
    }
    return null;
  }

  private record(seconds: number, circuit: SolvedCircuit): void {
    const step = seconds - this.lastRecord;
    this.lastRecord = seconds;
    for (const { curve, read, pulsed, dutyShare } of this.emitters) {
      const lit = read(circuit);
      curve.add(seconds, dutyShare === null ? (lit > 1e-6 ? (pulsed?.mean ?? 0) : 0) : lit * dutyShare);
    }
    for (const { id } of this.fuses)
      this.heat.set(id, (this.heat.get(id) ?? 0) + circuit.overload(id) * step);
    this.watchThermal(seconds, circuit);
    for (const id of circuit.blown) {
      this.tell({ kind: 'fuse', ...this.fuseNamed(id), afterSeconds: null });
    }
  }

  private played(emitter: Emitter): Played {
    const pulsed = this.pulsedLight(emitter);
    const carried = pulsed !== null && pulsed.modulation < 1;
    const dutyShare = carried ? null : emitter.followsPulses ? this.dutyShare(emitter.lampId) : 1;
    return { ...emitter, curve: new LightCurve(), pulsed, dutyShare };
  }

  /** How much of its light in the pulses an LED gives on the whole: its feed's share of time. */
  private dutyShare(lampId: string): number {
    const { vehicle, controls } = this.request;
    const feeding = circuitsOf(vehicle, lampId).filter((each) => wanted(each, controls));
    return feeding.length === 0 ? 1 : Math.max(...feeding.map((each) => this.duties.get(each.id) ?? 1));
  }

  /** A bimetal decides nothing: its flashes are read off its contact. */
  private watchThermal(seconds: number, circuit: SolvedCircuit): void {
    if (!this.thermal) return;
    const closed = circuit.branch(ELEMENTS.flasher).closed === true;
    if (closed && this.thermal.openedAt !== null) {
      const { closedAt, openedAt, amps } = this.thermal;
      this.flashed({
        startSeconds: closedAt,
        onSeconds: openedAt - closedAt,
        periodSeconds: seconds - closedAt,
        sampledAmps: amps,
        thresholdAmps: 0,
        missesLamp: false,
      });
      this.beginPeriod(seconds);
      this.thermal = { closedAt: seconds, openedAt: null, amps };
    } else if (!closed) this.thermal.openedAt ??= seconds;
    else this.thermal.amps = circuit.amps(ELEMENTS.flasher);
  }

  private beginPeriod(seconds: number): void {
    const span = seconds - this.heatSince;
    if (span > 0) this.heatOver = new Map([...this.heat].map(([id, heat]) => [id, heat / span]));
    this.heat.clear();
    this.heatSince = seconds;
  }

  /** A fuse that is loaded past what it holds goes in time, even where the play was too short to show it. */
  private foresee(): void {
    this.beginPeriod(this.run.seconds);
    for (const { id } of this.fuses) {
      // What does not flash goes on as it is at the end, its inrush past; a flash begins with one each time.
      const aim = this.flashing ? (this.heatOver.get(id) ?? 0) : this.run.circuit.overload(id);
      if (aim <= 1 || this.run.circuit.blown.includes(id)) continue;
      const after = FUSE_SECONDS * Math.log(aim / (aim - 1));
      this.tell({ kind: 'fuse', ...this.fuseNamed(id), afterSeconds: after });
    }
  }

  private fuseNamed(elementId: string): { fuseId: string; name: string } {
    const fuse = this.request.vehicle.fuses.find((each) => ELEMENTS.fuse(each.id) === elementId);
    return { fuseId: fuse?.id ?? elementId, name: fuse?.name ?? elementId };
  }

  get seconds(): number {
    return this.run.seconds;
  }

  amps(elementId: string): number {
    return this.run.circuit.amps(elementId);
  }

  set(contacts: Readonly<Record<string, boolean>>): void {
    this.contacts = { ...this.contacts, ...contacts };
    this.run.setControls(this.contacts);
  }

  light(circuitIds: readonly string[], lit: boolean): void {
    if (lit) this.beginPeriod(this.run.seconds);
    const turns = turnCircuits(this.request.vehicle).filter((circuit) => circuitIds.includes(circuit.id));
    this.set(Object.assign({}, ...turns.map((circuit) => flashingContacts(circuit, lit))));
    for (const sweep of this.sweeps)
      if (sweep.circuitIds.some((id) => circuitIds.includes(id))) sweep.fed(lit, this);
  }

  setDuty(circuitId: string, duty: number): void {
    this.duties.set(circuitId, duty);
    this.run.circuit.setPulse(ELEMENTS.wire(circuitId), duty);
    const circuit = this.request.vehicle.circuits.find((each) => each.id === circuitId);
    for (const emitter of this.emitters)
      if (emitter.followsPulses && emitter.dutyShare !== null)
        emitter.dutyShare = this.dutyShare(emitter.lampId);
    for (const { lampId, input } of circuit?.feeds ?? []) {
      const id = input === 'main' ? ELEMENTS.bulb(lampId) : ELEMENTS.dimFilament(lampId);
      const filament = this.netlist.elements.find(
        (element) => element.id === id && element.kind === 'filament',
      );
      if (filament) this.run.circuit.branch(id).setDuty(duty);
    }
  }

  tell(happening: Happening): void {
    const key = eventKey(happening);
    if (!this.events.has(key)) this.events.set(key, { ...happening, seconds: this.lastRecord });
  }

  flashed(flash: Flash): void {
    this.flashes.push(flash);
  }
}

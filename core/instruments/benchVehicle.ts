import { WATCHER_SAMPLE_SECONDS } from '../devices/device.ts';
import { type Fault, strikesOf } from '../faults/kinds.ts';
import { hotterAt } from '../heat/measured.ts';
import { bodyOf, mountedPieces } from '../heat/mounts.ts';
import { heatCurve } from '../heat/resistorHeat.ts';
import { USE_CASES } from '../heat/useCases.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { circuitById, circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls, flashingSides, wanted } from '../simulation/controls.ts';
import { feedDuty } from '../simulation/duty.ts';
import { fitmentOf, networksOf } from '../simulation/fitment.ts';
import { asContact, ohmsAt, voltsAt } from '../simulation/meterAt.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { type Traces, traceLamps, WAVEFORM_SAMPLES } from '../traces/traceLamps.ts';
import { ControllerSettings } from './controllerSettings.ts';
import { type Spot, spotsOf } from './spots.ts';

/** How the vehicle stands before the instruments. */
export interface BenchPanel {
  configuration: Configuration;
  controls: Controls;
  emfVolts: number;
}

/** What a thing reads now, and between what it goes to and fro while the vehicle flashes. */
export interface BenchReading {
  now: number;
  most: number;
  least: number;
}

/** A housing nobody measures is as warm as the air, °C. */
const AIR_CELSIUS = 20;

/**
 * The simulated vehicle the stand-in instruments are held to: the same simulation as the plan and the dash, with a clock of
 * its own, what its controller is told, and the codes it has stored.
 */
export class BenchVehicle {
  readonly settings: ControllerSettings;
  /** the job as its controller takes it now: what is written counts from a key turned off */
  private job: Job;
  private panelNow: BenchPanel;
  private simulated: VehicleSimulation | null = null;
  private played: Traces | null = null;
  private readonly codes = new Set<string>();
  private since: number;
  private ahead = 0;

  /**
   * @param clock s, of any beginning; it runs on by itself
   * @throws UnknownReferenceError when the job names a part that is not known
   */
  constructor(
    private readonly original: Job,
    private readonly shelf: Shelf,
    panel: BenchPanel,
    private readonly faults: readonly Fault[] = [],
    private readonly clock: () => number = () => performance.now() / 1000,
  ) {
    this.settings = new ControllerSettings(original, panel.configuration);
    this.job = this.settings.applied(original);
    this.panelNow = panel;
    this.since = this.clock();
    this.storeCodes();
  }

  get panel(): BenchPanel {
    return this.panelNow;
  }

  get spots(): Spot[] {
    return spotsOf(this.original.vehicle);
  }

  /** s since the panel was last touched. */
  get seconds(): number {
    return this.clock() - this.since + this.ahead;
  }

  /** Sets the clock ahead, so that nobody waits ten minutes for a resistor to warm. */
  advance(seconds: number): void {
    this.ahead += seconds;
  }

  setPanel(panel: BenchPanel): void {
    const keyCycled = this.panelNow.controls.key !== 'off' && panel.controls.key === 'off';
    if (keyCycled) {
      this.settings.keyOff();
      this.job = this.settings.applied(this.original);
    }
    this.panelNow = panel;
    this.since = this.clock();
    this.ahead = 0;
    this.simulated = null;
    this.played = null;
    this.storeCodes();
  }

  /** What the dash shows, and the lamps. */
  get traces(): Traces {
    const { configuration, controls, emfVolts } = this.panelNow;
    this.played ??= traceLamps(this.job, this.shelf, configuration, controls, emfVolts, this.faults);
    return this.played;
  }

  /** Volts to earth at a place, the meter in circuit. @throws RangeError for a place that is none of its */
  volts(spot: Spot): BenchReading {
    if (spot.node === null) return { now: 0, most: 0, least: 0 };
    const { controls, emfVolts } = this.panelNow;
    // Whatever is on takes from the battery: the whole vehicle is solved.
    const about = this.job.vehicle.circuits.map(({ id }) => id);
    const read = voltsAt(
      this.simulation,
      { node: spot.node, about, own: spot.about },
      { controls, emfVolts },
    );
    return this.toAndFro(read.meanLit, read.meanDark);
  }

  /** Current through the wire or contact a clamp goes round, A; the mean of a pulsed feed. */
  amps(spot: Spot): BenchReading {
    const { controls, emfVolts } = this.panelNow;
    if (spot.node === null || spot.about.length === 0) return { now: 0, most: 0, least: 0 };
    const circuits = spot.about.map((id) => circuitById(this.simulation.vehicle, id));
    const duty = feedDuty(this.simulation.vehicle, circuits, controls, emfVolts);
    const moment = { controls, emfVolts, lit: true };
    const flashes = this.flashing && circuits.some((each) => each.kind === 'turn' && wanted(each, controls));
    const { periodSeconds, onFraction } = this.traces;
    // While it flashes the filaments have not settled when the flasher looks: neither have they for the clamp.
    const lit = flashes
      ? this.simulation.lookAfter(
          WATCHER_SAMPLE_SECONDS,
          moment,
          spot.about,
          periodSeconds * (1 - onFraction),
        )
      : this.simulation.at(moment);
    const most = duty * ampsOf(spot, lit);
    if (!flashes) return { now: most, most, least: most };
    const dark = this.simulation.at({ controls, emfVolts, lit: false });
    return this.toAndFro(most, duty * ampsOf(spot, dark));
  }

  /** Ohms to earth at a place; null where the vehicle feeds it, which no meter can measure against. */
  ohms(spot: Spot): number | null {
    if (spot.node === null) return Number.POSITIVE_INFINITY;
    const volts = this.volts(spot);
    if (Math.max(Math.abs(volts.most), Math.abs(volts.least)) > 0.05) return null;
    return ohmsAt(
      this.simulation,
      { node: spot.node, about: spot.about },
      { ...CONTROLS_OFF, ...this.panelNow.controls },
    );
  }

  /** Flashes a second at a place; null where nothing flashes there. */
  hertz(spot: Spot): number | null {
    const { most, least } = this.volts(spot);
    const { ratePerMinute } = this.traces;
    return ratePerMinute === null || Math.abs(most - least) < 0.5 ? null : ratePerMinute / 60;
  }

  /** Light of a lamp as it is now and while it flashes, lm. @throws RangeError for a lamp it has not */
  lumens(lampId: string): BenchReading {
    if (!this.original.vehicle.lamps.some(({ id }) => id === lampId))
      throw new RangeError(`no lamp ${lampId}`);
    const all = Array.from({ length: WAVEFORM_SAMPLES }, (_, index) =>
      this.lumensAt(lampId, (index + 0.5) / WAVEFORM_SAMPLES),
    );
    return { now: this.lumensAt(lampId, this.phase), most: Math.max(...all), least: Math.min(...all) };
  }

  /** Light of a lamp so far into its flash, 0 to 1, lm. */
  lumensAt(lampId: string, share: number): number {
    return this.traces.lamps.reduce((sum, { lampId: id, lumens, waveform }) => {
      if (id !== lampId) return sum;
      const index = Math.min(waveform.length - 1, Math.floor(share * waveform.length));
      return sum + lumens * (waveform[index] ?? 0);
    }, 0);
  }

  /**
   * Lux of a lamp at a distance, the lamp taken for a source that shines alike all round: an invention that keeps to the
   * inverse square.
   *
   * @param metres from its lens
   */
  lux(lampId: string, metres: number): BenchReading {
    const { now, most, least } = this.lumens(lampId);
    const share = 1 / (4 * Math.PI * metres ** 2);
    return { now: now * share, most: most * share, least: least * share };
  }

  /** The case of the hottest resistor at a lamp since the panel was touched, estimated, °C; null where there is none. */
  celsius(lampId: string): number | null {
    const { configuration, controls, emfVolts } = this.panelNow;
    const networks = configuration === 'cured' ? networksOf(this.job) : [];
    const all = mountedPieces(this.job.vehicle, networks, emfVolts, hotterAt(this.job));
    const mine = all.filter((piece) => piece.lamp.id === lampId);
    if (mine.length === 0) return null;
    const lit = (input: 'main' | 'dim') =>
      circuitsFeeding(this.job.vehicle, lampId, input).some((circuit) => wanted(circuit, controls));
    const duty = this.flashing ? this.traces.onFraction : 1;
    const celsius = mine.map((piece) => {
      const watts = lit(piece.network.input ?? 'main') ? piece.litWatts * duty : 0;
      const body = bodyOf(piece, lit(piece.network.input ?? 'main') ? all : [piece], {
        ...USE_CASES.turn,
        duty,
      });
      const seconds = Math.min(7200, this.seconds);
      return heatCurve(body, watts, AIR_CELSIUS, seconds, seconds, Math.max(1, seconds / 100)).at(-1)
        ?.caseCelsius;
    });
    return Math.max(...celsius.map((each) => each ?? AIR_CELSIUS));
  }

  /** Codes its controllers have stored. */
  get storedCodes(): string[] {
    return [...this.codes];
  }

  /** Clears what is stored; what is still wrong is stored again at the next look. */
  clearCodes(): void {
    this.codes.clear();
  }

  /** Moments at which the flasher's contact moves, s from now on. */
  clicks(seconds: number): { at: number; closes: boolean }[] {
    const { periodSeconds, onFraction, ratePerMinute } = this.traces;
    if (ratePerMinute === null) return [];
    const clicks: { at: number; closes: boolean }[] = [];
    for (let at = 0.3; at < seconds; at += periodSeconds) {
      clicks.push({ at, closes: true });
      if (at + onFraction * periodSeconds < seconds)
        clicks.push({ at: at + onFraction * periodSeconds, closes: false });
    }
    return clicks;
  }

  private storeCodes(): void {
    if (this.panelNow.controls.key === 'off' && !this.panelNow.controls.hazard) return;
    for (const event of this.traces.events) if (event.kind === 'code') this.codes.add(event.code);
  }

  private get simulation(): VehicleSimulation {
    if (!this.simulated) {
      const { job } = this;
      const fitment = asContact(fitmentOf(job, this.shelf, this.panelNow.configuration));
      this.simulated = new VehicleSimulation(job.vehicle, fitment, strikesOf(job.vehicle, this.faults));
    }
    return this.simulated;
  }

  private get flashing(): boolean {
    return (
      flashingSides(this.job.vehicle, this.panelNow.controls).length > 0 && this.traces.ratePerMinute !== null
    );
  }

  /** Where in its flash it is now, 0 to 1. */
  private get phase(): number {
    return this.flashing ? (this.seconds / this.traces.periodSeconds) % 1 : 0;
  }

  private toAndFro(lit: number, dark: number): BenchReading {
    const isLit = !this.flashing || this.phase < this.traces.onFraction;
    return { now: isLit ? lit : dark, most: Math.max(lit, dark), least: Math.min(lit, dark) };
  }
}

type Solved = ReturnType<VehicleSimulation['at']>;

function ampsOf({ wire, lamp, about }: Spot, solved: Solved): number {
  if (wire) return solved.wireAmps(wire.circuitId);
  if (lamp && lamp.input !== 'earth')
    return solved.bulbAmps(lamp.lampId, lamp.input) + solved.resistorAmps(lamp.lampId, lamp.input);
  return about.reduce((sum, id) => sum + solved.wireAmps(id), 0);
}

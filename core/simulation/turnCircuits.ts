import { wireOhms } from '../circuit/wire.ts';
import { normalRate } from '../devices/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { lampById, lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fitment } from './fitment.ts';
import { type Company, companiesOf, type LitState, momentOf } from './litState.ts';
import type { Probes } from './probes.ts';
import type { LampCurrents, SolvedCurrents, TurnCurrents } from './turnCurrents.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

/** A slider asks for many supplies; past so many states none is kept. */
const MOST_REMEMBERED = 600;

/** What verdicts ask of the turn circuits of a simulated vehicle. What was asked once is remembered. */
export class TurnCircuits {
  private readonly ids: readonly string[];
  private readonly known = new WeakMap<SolvedCurrents, TurnCurrents>();
  /** what may be on beside the turn lamps and bears on them: nothing first, all of it last */
  readonly companies: readonly Company[];
  /** whether anything in a turn lamp draws more at first than later */
  private readonly warms: boolean;

  constructor(readonly simulation: VehicleSimulation) {
    const { vehicle, bearing } = simulation;
    this.ids = turnCircuits(vehicle).map((circuit) => circuit.id);
    this.companies = companiesOf(vehicle, bearing);
    const { contents } = simulation.fitment;
    this.warms = turnCircuits(vehicle)
      .flatMap(lampIdsOf)
      .some((id) => contents.get(id)?.kind === 'filament');
  }

  static of(vehicle: Vehicle, fitment: Fitment): TurnCircuits {
    return new TurnCircuits(new VehicleSimulation(vehicle, fitment));
  }

  get vehicle(): Vehicle {
    return this.simulation.vehicle;
  }

  get fitment(): Fitment {
    return this.simulation.fitment;
  }

  /** @throws RangeError when the vehicle has no such lamp */
  lamp(id: string): Lamp {
    return lampById(this.vehicle, id);
  }

  /**
   * Solves one lit moment.
   *
   * @throws NoSolutionError when no steady state exists
   * @throws RangeError when an LED's printed figures contradict each other
   */
  solve(state: LitState): TurnCurrents {
    if (state.trial) return this.counted(this.work(state));
    const { emfVolts, sides, lights, brake, resistorFactor = 1, without = '', lookSeconds = '' } = state;
    // Only filaments tell one moment of a look from another.
    const moment = this.warms ? lookSeconds : '';
    const key = `${emfVolts} ${sides.join()} ${lights === true} ${brake === true} ${resistorFactor} ${without} ${moment}`;
    const worked = this.simulation.moments.turns;
    let currents = worked.get(key);
    if (!currents) {
      currents = this.work(state);
      if (worked.size < MOST_REMEMBERED) worked.set(key, currents);
    }
    return this.counted(currents);
  }

  private counted(solved: SolvedCurrents): TurnCurrents {
    let currents = this.known.get(solved);
    if (!currents) {
      currents = { ...solved, watchedAmps: solved.totalAmps - this.unwatchedAmps(solved.lamps) };
      this.known.set(solved, currents);
    }
    return currents;
  }

  /**
   * Current through the bulb of a lamp that is not on a lit side, A: what a pilot between the sides feeds back.
   *
   * @throws NoSolutionError when no steady state exists
   */
  darkAmps(state: LitState, lampId: string): number {
    return this.simulation.at(momentOf(state), this.ids).bulbAmps(lampId);
  }

  private work(state: LitState): SolvedCurrents {
    const { lookSeconds } = state;
    const moment = momentOf(state);
    const probes =
      lookSeconds === undefined
        ? this.simulation.at(moment, this.ids)
        : this.simulation.lookAfter(lookSeconds, moment, this.ids, darkSeconds(this.vehicle));
    return this.read(probes, state);
  }

  private read(probes: Probes, { sides, without }: LitState): SolvedCurrents {
    const lit = turnCircuits(this.vehicle).filter((circuit) => sides.includes(circuit.side));
    const lamps = lit.flatMap(lampIdsOf).map(
      (lampId): LampCurrents => ({
        lampId,
        volts: probes.lampVolts(lampId),
        bulbAmps: without === lampId ? 0 : probes.bulbAmps(lampId),
        resistorAmps: probes.resistorAmps(lampId),
      }),
    );
    const wireAmps = Object.fromEntries(lit.map(({ id }) => [id, probes.wireAmps(id)]));
    const [first] = lit;
    return {
      totalAmps: Object.values(wireAmps).reduce((sum, amps) => sum + amps, 0),
      wireAmps,
      lampTerminalVolts: first ? probes.lampTerminalVolts(first.id) : 0,
      lamps,
    };
  }

  /** Whether the parking lights bear on the turn lamps. */
  get lightsMatter(): boolean {
    return this.companies.some((company) => company.lights);
  }

  private unwatchedAmps(lamps: readonly LampCurrents[]): number {
    if (watchesRepeaters(this.fitment)) return 0;
    return lamps
      .filter((each) => this.lamp(each.lampId).role === 'repeater')
      .reduce((sum, each) => sum + each.bulbAmps + each.resistorAmps, 0);
  }
}

/** Whether what the repeaters draw passes the watcher: of a relay that nobody has looked at it may. */
export function watchesRepeaters({ flasher }: Pick<Fitment, 'flasher'>): boolean {
  return flasher.kind !== 'watching-relay' || flasher.watchesRepeaters !== false;
}

/** How long turn lamps are dark between two flashes of the stock flasher, s. */
function darkSeconds({ flasher }: Vehicle): number {
  return ((1 - flasher.onFraction) * 60) / normalRate(flasher);
}

/** Lead and earth return of a lamp, ohms. */
export function leadOhms(lamp: Lamp): number {
  return wireOhms(lamp.lead) + wireOhms(lamp.earth);
}

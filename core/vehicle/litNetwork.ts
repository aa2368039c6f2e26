import { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import { OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import type { Circuit, TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuits, type Vehicle } from '../model/vehicle/vehicle.ts';
import { contactsOf } from './contacts.ts';
import { CONTROLS_OFF, type Controls, stopsThroughTurn, wanted } from './controls.ts';
import { coupledCircuits } from './coupled.ts';
import type { Fault } from './fault.ts';
import type { Fitment } from './fitment.ts';
import { ALONE, type Company, type LitState } from './litState.ts';
import { ELEMENTS } from './places.ts';
import { vehicleNetlist } from './vehicleNetlist.ts';

/**
 * The turn circuits of some sides while they are lit, with whatever else is on, and whatever shares a bulb, the
 * pilot or (of what else is on) an earth with them. Supply, resistors and bulbs in their sockets are values changed in one
 * circuit, so that each solution is where the next begins.
 */
export class LitNetwork {
  readonly circuit: SolvedCircuit;
  readonly lit: readonly TurnCircuit[];
  /** the other turn circuits that had to be brought in */
  private readonly turns: readonly TurnCircuit[];
  private readonly lampIds: ReadonlySet<string>;
  private readonly contacts = new Map<string, Record<string, boolean>>();
  private readonly controls: Controls;
  /** what the resistors and trial places were last given, so that they are touched only when it changes */
  private given = '';
  private out: string | undefined = '';

  /** @throws RangeError when an LED's printed figures contradict each other */
  constructor(
    private readonly vehicle: Vehicle,
    private readonly fitment: Fitment,
    { sides, lights = false, brake = false }: Pick<LitState, 'sides' | keyof Company>,
  ) {
    const all = turnCircuits(vehicle);
    this.lit = all.filter((circuit) => sides.includes(circuit.side));
    this.controls = {
      ...CONTROLS_OFF,
      key: 'on',
      lights,
      brake,
      hazard: sides.length > 1,
      turn: sides[0] ?? null,
    };
    const circuits = litCircuits(
      vehicle,
      this.lit.map((circuit) => circuit.id),
      { lights, brake },
    );
    this.turns = all.filter((circuit) => circuits.has(circuit.id));
    this.lampIds = new Set(this.turns.flatMap(lampIdsOf));
    this.circuit = new SolvedCircuit(
      vehicleNetlist(vehicle, fitment, {
        emfVolts: 12,
        controls: this.controls,
        circuits,
        trials: true,
        fusesHold: true,
      }),
    );
  }

  /** @throws NoSolutionError when no steady state exists */
  solve({ emfVolts, resistorFactor = 1, without, trial }: LitState): void {
    const { circuit } = this;
    if (without !== this.out) {
      this.out = without;
      circuit.setControls(this.contactsWithout(without));
    }
    circuit.setValue(ELEMENTS.battery, emfVolts);
    const given = `${resistorFactor} ${trial ? JSON.stringify(trial) : ''}`;
    if (given !== this.given) {
      this.given = given;
      this.setResistors(resistorFactor, trial);
    }
    circuit.solveSteady();
  }

  private contactsWithout(without: string | undefined): Record<string, boolean> {
    const key = without ?? '';
    let contacts = this.contacts.get(key);
    if (!contacts) {
      const out: Fault[] = without === undefined ? [] : [{ kind: 'bulb-out', lampId: without }];
      contacts = contactsOf(this.vehicle, this.fitment, this.controls, true, out);
      this.contacts.set(key, contacts);
    }
    return contacts;
  }

  private setResistors(factor: number, trial: LitState['trial']): void {
    const trialAt = trial && (trial.at === 'side-feed' ? 'side' : trial.at.lampId);
    for (const lampId of this.lampIds) {
      this.fitment.resistors
        .filter((network) => network.lampId === lampId)
        .forEach((network, index) => {
          this.circuit.setValue(ELEMENTS.resistor(lampId, index), networkOhms(network, factor));
        });
      const ohms = trial && trialAt === lampId ? trial.ohms : OPEN_OHMS;
      this.circuit.setValue(ELEMENTS.trialAtLamp(lampId), ohms);
    }
    for (const { id } of this.turns) {
      const ohms = trial && trialAt === 'side' ? trial.ohms : OPEN_OHMS;
      this.circuit.setValue(ELEMENTS.trialAtSide(id), ohms);
    }
  }
}

/** Circuits that bear on some lit turn circuits: what shares a bulb, and of what else is on what shares an earth. */
export function litCircuits(
  vehicle: Vehicle,
  turnIds: readonly string[],
  company: Company,
): ReadonlySet<string> {
  const known = bearing.get(vehicle) ?? new Map<string, ReadonlySet<string>>();
  bearing.set(vehicle, known);
  const key = `${turnIds.join()} ${company.lights} ${company.brake}`;
  const found = known.get(key) ?? findLit(vehicle, turnIds, company);
  known.set(key, found);
  return found;
}

/** Every cure of a job asks for the same circuits of the same vehicle. */
const bearing = new WeakMap<Vehicle, Map<string, ReadonlySet<string>>>();

function findLit(vehicle: Vehicle, turnIds: readonly string[], company: Company): Set<string> {
  const near = coupledCircuits(vehicle, turnIds, { earths: false });
  if (!company.lights && !company.brake) return near;
  const byEarth = coupledCircuits(vehicle, turnIds, { earths: true });
  const lit = vehicle.circuits.filter((circuit) => byEarth.has(circuit.id) && isOn(circuit, company));
  return new Set([...near, ...lit.map((circuit) => circuit.id)]);
}

/**
 * Everything that may be on beside the turn circuits and bears on them, nothing first and all of it last: what
 * shares neither bulb nor earth with them makes no difference.
 */
export function companiesOf(vehicle: Vehicle): readonly Company[] {
  let companies = remembered.get(vehicle);
  if (!companies) {
    companies = findCompanies(vehicle);
    remembered.set(vehicle, companies);
  }
  return companies;
}

const remembered = new WeakMap<Vehicle, readonly Company[]>();

function findCompanies(vehicle: Vehicle): readonly Company[] {
  const turnIds = turnCircuits(vehicle).map((circuit) => circuit.id);
  const near = coupledCircuits(vehicle, turnIds, { earths: true });
  const others = vehicle.circuits.filter((circuit) => near.has(circuit.id));
  const bears = (company: Company) => others.some((circuit) => isOn(circuit, company));
  const lights = bears({ lights: true, brake: false });
  const brake = bears({ lights: false, brake: true });
  return [
    ALONE,
    ...(lights ? [{ lights: true, brake: false }] : []),
    ...(brake ? [{ lights: false, brake: true }] : []),
    ...(lights && brake ? [{ lights: true, brake: true }] : []),
  ];
}

function isOn(circuit: Circuit, company: Company): boolean {
  const on = { ...CONTROLS_OFF, ...company };
  return wanted(circuit, on) || stopsThroughTurn(circuit, on);
}

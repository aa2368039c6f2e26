import type { PinTest } from '../../model/evidence.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Connector } from '../../model/vehicle/connector.ts';
import { circuitById } from '../../model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls, outputOf } from '../../simulation/controls.ts';
import { type Fitment, fitmentOf } from '../../simulation/fitment.ts';
import { asContact, ohmsAt, voltsAt } from '../../simulation/meterAt.ts';
import { controlsFor } from '../../simulation/moment.ts';
import { lampOut, type Strike } from '../../simulation/strike.ts';
import { VehicleSimulation } from '../../simulation/vehicleSimulation.ts';
import { circuitsToSwitch, functionsAt, type PlugFunction } from '../connectors.ts';

/** A reading that can be taken at any cavity of a plug. */
export interface PinTestAt {
  /** the circuit that is switched on; null with everything off */
  circuitId: string | null;
  how: PinTest;
}

/** What a meter or probe would show at a cavity if it were for one function; null where nobody can say. */
export type Expected =
  /** volts to earth while lit and while dark of a flash, and what the meter shows of them */
  | { kind: 'volts'; volts: number; flashes: boolean }
  /** infinite where it is open */
  | { kind: 'ohms'; ohms: number }
  /** lamps that light, and whether by their bright filament */
  | { kind: 'light'; bright: readonly string[]; dim: readonly string[] }
  | null;

/** Everything a plug may show on one vehicle: for each test what each function would give. */
export interface ExpectedReadings {
  functions: readonly PlugFunction[];
  tests: readonly PinTestAt[];
  /** by test, then by function */
  table: readonly (readonly Expected[])[];
}

/** A battery at rest, per volt of the system. */
const RESTED = 12.6 / 12;
/** A flash whose two halves differ by less is not seen to bounce, V. */
const BOUNCE_VOLTS = 1;
/** A pilot lamp of 2 W to earth, cold, ohms per square volt of the system (typical; a thirteenth of its hot ohms). */
const PILOT_COLD = 1 / 2 / 13;

/**
 * What a meter shows at a plug for each function its cavities may have, simulated on the vehicle as it stands, the
 * meter's own resistance and its mean of a pulsed feed included.
 *
 * @throws UnknownReferenceError when the job names a bulb that is not known
 * @throws NoSolutionError when no steady state exists
 */
export function expectedReadings(job: Job, shelf: Shelf, connector: Connector): ExpectedReadings {
  const functions = functionsAt(job.vehicle, connector);
  const tests = testsOf(job, connector, functions);
  const pins = new SimulatedPins(job, fitmentOf(job, shelf, 'stock'), connector);
  return {
    functions,
    tests,
    table: tests.map((test) => functions.map((each) => pins.expected(each, test))),
  };
}

function testsOf({ vehicle }: Job, connector: Connector, functions: readonly PlugFunction[]): PinTestAt[] {
  const own = circuitsToSwitch(functions);
  const volts = own.flatMap((circuitId): PinTestAt[] => {
    const circuit = circuitById(vehicle, circuitId);
    const moves = circuit.kind === 'turn' || outputOf(vehicle, circuit)?.pwm !== undefined;
    return [{ circuitId, how: 'volts' }, ...(moves ? [{ circuitId, how: 'peak' as const }] : [])];
  });
  if (connector.at.kind === 'relay')
    return [
      { circuitId: null, how: 'volts' },
      ...volts.filter(({ how }) => how === 'volts'),
      ...own.map((circuitId) => ({ circuitId, how: 'ohms-in' as const })),
      { circuitId: null, how: 'ohms-in' },
    ];
  return [
    ...volts,
    { circuitId: null, how: 'ohms-in' },
    { circuitId: null, how: 'ohms-out' },
    { circuitId: null, how: 'probe' },
  ];
}

/** A vehicle whose plugs are measured at, as it is fitted, with whatever is wrong. */
export class SimulatedPins {
  private readonly whole: VehicleSimulation;
  private readonly emptied: VehicleSimulation;
  private readonly relay: boolean;

  constructor(
    private readonly job: Job,
    fitted: Fitment,
    { at }: Connector,
    strikes: readonly Strike[] = [],
  ) {
    const fitment = asContact(fitted);
    const out = at.kind === 'lamps' ? at.lampIds.map(lampOut) : [];
    this.whole = new VehicleSimulation(job.vehicle, fitment, strikes);
    this.emptied = new VehicleSimulation(job.vehicle, fitment, [...strikes, ...out]);
    this.relay = at.kind === 'relay';
  }

  /** @throws NoSolutionError when no steady state exists */
  expected(pin: PlugFunction, test: PinTestAt): Expected {
    if (test.how === 'probe') return lightOf(pin);
    const ohms = test.how === 'ohms-in' || test.how === 'ohms-out';
    if (pin.use.does === 'nothing')
      return ohms ? { kind: 'ohms', ohms: Number.POSITIVE_INFINITY } : voltsOf(0, 0);
    if (pin.use.does === 'relay' && pin.use.terminal === 'earth')
      return ohms ? { kind: 'ohms', ohms: 0.02 } : voltsOf(0, 0);
    if (pin.use.does === 'relay' && pin.use.terminal === 'pilot')
      return ohms ? { kind: 'ohms', ohms: PILOT_COLD * this.job.vehicle.systemVolts ** 2 } : voltsOf(0, 0);
    // What a live wire reads on ohms nobody can say.
    if (pin.node === null || (ohms && pin.use.does === 'relay' && pin.use.terminal === 'supply')) return null;
    const controls = this.controlsOf(test.circuitId);
    return ohms ? this.ohms(pin, pin.node, test, controls) : this.volts(pin, pin.node, test, controls);
  }

  private controlsOf(circuitId: string | null): Controls {
    return circuitId === null ? CONTROLS_OFF : controlsFor(circuitById(this.job.vehicle, circuitId));
  }

  private ohms(pin: PlugFunction, node: string, { how, circuitId }: PinTestAt, controls: Controls): Expected {
    const simulation = how === 'ohms-out' ? this.emptied : this.whole;
    return { kind: 'ohms', ohms: ohmsAt(simulation, { node, about: this.about(pin, circuitId) }, controls) };
  }

  private volts(
    pin: PlugFunction,
    node: string,
    { how, circuitId }: PinTestAt,
    controls: Controls,
  ): Expected {
    const read = voltsAt(
      this.whole,
      { node, about: this.about(pin, circuitId), own: pin.about },
      { controls, emfVolts: this.job.vehicle.systemVolts * RESTED, relay: this.relay },
    );
    const most = Math.max(read.lit, read.dark);
    return how === 'peak' ? voltsOf(most, most) : voltsOf(read.meanLit, read.meanDark);
  }

  private about(pin: PlugFunction, circuitId: string | null): string[] {
    return [...new Set([...pin.about, ...(circuitId === null ? [] : [circuitId])])];
  }
}

function voltsOf(lit: number, dark: number): Expected {
  const flashes = Math.abs(lit - dark) > BOUNCE_VOLTS;
  return { kind: 'volts', volts: flashes ? (lit + dark) / 2 : lit, flashes };
}

/** What lights when a fused probe feeds a cavity of the loose lamp, its earth on the earth cavity. */
function lightOf({ feeds }: PlugFunction): Expected {
  const of = (input: 'main' | 'dim') =>
    feeds.filter((feed) => feed.input === input).map(({ lampId }) => lampId);
  return { kind: 'light', bright: of('main'), dim: of('dim') };
}

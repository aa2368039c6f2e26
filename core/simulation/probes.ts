import type { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding, lampById } from '../model/vehicle/lookUp.ts';
import { ELEMENTS, NODES } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Controls } from './controls.ts';
import { feedDuty } from './duty.ts';
import type { Fitment } from './fitment.ts';
import { type Emitter, emittersOf } from './lampLight.ts';

interface Light {
  emitter: Emitter;
  feeders: readonly Circuit[];
}

/**
 * What can be read off a simulated vehicle, by the names of the vehicle. A reading is of the moment that was solved
 * last: take what is wanted before asking for the next.
 */
export class Probes {
  /** what gives light in a lamp that was asked about, with the circuits that feed it */
  private readonly lights = new Map<string, readonly Light[]>();

  constructor(
    private readonly vehicle: Vehicle,
    private readonly fitment: Fitment,
    private readonly solved: SolvedCircuit,
  ) {}

  /** Current into a circuit, A; in the pulses where it is pulsed. */
  wireAmps(circuitId: string): number {
    return this.solved.amps(ELEMENTS.wire(circuitId));
  }

  /** Current through a fuse, A; 0 where none of what was solved hangs on it. */
  fuseAmps(fuseId: string): number {
    const id = ELEMENTS.fuse(fuseId);
    return this.solved.has(id) ? this.solved.amps(id) : 0;
  }

  /** Volts on the wire of a circuit, V. */
  busVolts(circuitId: string): number {
    return this.solved.nodeVolts(NODES.bus(circuitId));
  }

  /** Volts between a lamp's feed and earth contacts. */
  lampVolts(lampId: string, input: LampInput = 'main'): number {
    return this.solved.nodeVolts(NODES.feed(lampId, input)) - this.solved.nodeVolts(NODES.earth(lampId));
  }

  /** Current through the contact of a bulb, A; 0 where the socket is empty. */
  bulbAmps(lampId: string, input: LampInput = 'main'): number {
    const empty = (this.fitment.contents.get(lampId)?.kind ?? 'empty') === 'empty';
    return empty ? 0 : this.solved.amps(ELEMENTS.contact(lampId, input));
  }

  /** Current through each resistor across a lamp's feed, A, in the order of the fitment. */
  resistorAmpsEach(lampId: string, input: LampInput = 'main'): number[] {
    return this.fitment.resistors
      .filter((network) => network.lampId === lampId)
      .flatMap((network, index) =>
        (network.input ?? 'main') === input ? [this.solved.amps(ELEMENTS.resistor(lampId, index))] : [],
      );
  }

  /** All of them together, and one that is only being thought about, A. */
  resistorAmps(lampId: string, input: LampInput = 'main'): number {
    const trial = ELEMENTS.trialAtLamp(lampId);
    const begin = input === 'main' && this.solved.has(trial) ? this.solved.amps(trial) : 0;
    return this.resistorAmpsEach(lampId, input).reduce((sum, amps) => sum + amps, begin);
  }

  /** Volts at the flasher's lamp terminal, or behind the output of a circuit. */
  lampTerminalVolts(circuitId: string): number {
    return this.solved.nodeVolts(
      this.fitment.flasher.kind === 'controller' ? NODES.switched(circuitId) : NODES.flasherOut,
    );
  }

  /**
   * Light of a whole lamp as an eye sees it, lm: an LED on a pulsed feed by its share of the time.
   *
   * @param controls as they were in the moment that was solved, at which supply
   */
  lumens(lampId: string, controls: Controls, emfVolts: number): number {
    return this.lightsOf(lampId).reduce((sum, { emitter, feeders }) => {
      const share = emitter.followsPulses ? feedDuty(this.vehicle, feeders, controls, emfVolts) : 1;
      return sum + share * emitter.lumens * emitter.read(this.solved);
    }, 0);
  }

  /** Light a lamp gives by one of its feeds, 1 when rated, before the share of time of a pulsed feed. */
  light(lampId: string, input: LampInput = 'main'): number {
    return this.lightsOf(lampId)
      .filter(({ emitter }) => emitter.input === input)
      .reduce((sum, { emitter }) => sum + emitter.read(this.solved), 0);
  }

  private lightsOf(lampId: string): readonly Light[] {
    let lights = this.lights.get(lampId);
    if (!lights) {
      const content = this.fitment.contents.get(lampId) ?? { kind: 'empty' as const };
      const hasDim = circuitsFeeding(this.vehicle, lampId, 'dim').length > 0;
      lights = emittersOf(lampById(this.vehicle, lampId), content, hasDim).map((emitter) => ({
        emitter,
        feeders: circuitsFeeding(this.vehicle, lampId, emitter.input),
      }));
      this.lights.set(lampId, lights);
    }
    return lights;
  }
}

import { z } from 'zod';
import { Amps, Id, Line, Ohms, Volts, WireRun } from '../fields.ts';
import { LampInput, Side } from './lamp.ts';
import { MOST_FEEDS } from './mostFeeds.ts';

export const CircuitKind = z.enum([
  'turn',
  'stop',
  'third-brake',
  'tail',
  'marker',
  'plate',
  'reverse',
  'front-fog',
  'rear-fog',
  'dipped-beam',
  'main-beam',
  'daytime-running',
  'cornering',
  'work',
  'beacon',
  'interior',
  'dash',
  'charge',
]);
export type CircuitKind = z.infer<typeof CircuitKind>;

/** What lights an inside lamp: any door, the lid or flap it is behind, or its own switch. */
export const WorkedBy = z.enum(['door', 'lid', 'lamp-switch']);
export type WorkedBy = z.infer<typeof WorkedBy>;

/** What becomes of a daytime running lamp beside something else: it goes off, is pulsed to a part of its light, or stays as it is. */
export const DaytimeBeside = z.enum(['off', 'dimmed', 'same']);
export type DaytimeBeside = z.infer<typeof DaytimeBeside>;

/** A wire on which a control unit reads whether a stop lamp's cold filament still ties it to earth. */
export const SenseInput = z.strictObject({
  what: Line,
  pullUpOhms: Ohms,
  /** with the pedal up the unit must find the wire under this, V */
  heldUnderVolts: Volts,
});
export type SenseInput = z.infer<typeof SenseInput>;

/** One feed wire with the lamps on it. */
export const Circuit = z.strictObject({
  id: Id,
  kind: CircuitKind,
  name: Line,
  side: Side.nullable(),
  feeds: z
    .array(
      z.strictObject({
        lampId: Id,
        input: LampInput,
        /** of a circuit whose filaments stop too: this one does not, it is on the turn wire alone */
        turnOnly: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(MOST_FEEDS),
  /** what feeds it: the flasher's lamp terminal, a fuse by way of a switch, or a controller's output */
  from: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('flasher') }),
    z.strictObject({ by: z.literal('switch'), fuseId: Id }),
    z.strictObject({ by: z.literal('output') }),
  ]),
  /** from the switch or output to the first branch, plugs counted */
  wire: WireRun,
  /** the switch contacts of this circuit, a trailer's plug contact included */
  switchOhms: Ohms,
  /** a turn circuit whose filament is the stop lamp too: its stop feed, which the turn switch takes over from */
  stopFuseId: Id.optional(),
  /** whether something watches its current, where neither controller nor module is known to: null where nobody knows yet */
  watched: z.boolean().nullable().optional(),
  /** a tail circuit on an output that goes to full with the brake: one filament for both */
  fullWithBrake: z.boolean().optional(),
  /** of an inside circuit: what lights it; any door where left out */
  workedBy: WorkedBy.optional(),
  /** of daytime running lamps: what they do with the lights on, and while their own side turns; null where nobody has looked */
  daytime: z.strictObject({ lights: DaytimeBeside.nullable(), turning: DaytimeBeside.nullable() }).optional(),
  sense: SenseInput.optional(),
  /** switched by a relay that was put in with this job: the circuit its coil hangs on, and the coil's ohms */
  relay: z.strictObject({ by: Id, coilOhms: Ohms }).optional(),
  /** a dash circuit's dimmer at its darkest, ohms in series */
  dimmerOhms: Ohms.optional(),
  /** a charge lamp: the current the alternator needs to start, and the ohms of its cold rotor */
  excite: z.strictObject({ amps: Amps, rotorOhms: Ohms }).optional(),
});
export type Circuit = z.infer<typeof Circuit>;
export type TurnCircuit = Circuit & { kind: 'turn'; side: Side };

import type { Cavity, Connector, ProofMethod, WireColours } from '../model/vehicle/connector.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { connectorOfLamp, type KnownConnector } from './connectors.ts';

/** How sure it is which wire feeds a lamp, and which one is its earth. */
export interface FeedProof {
  connectorId: string | null;
  feed: KnownWire | null;
  earth: KnownWire | null;
}

/** A wire of a plug: which, how it looks, and how it was proved; colour alone proves nothing. */
export interface KnownWire {
  cavity: string;
  colour: WireColours | null;
  provedBy: ProofMethod | null;
}

/** Whether something other than its colour has shown what a cavity is for. */
export function isProved({ provedBy }: Pick<Cavity, 'provedBy'> | { provedBy: ProofMethod | null }): boolean {
  return provedBy !== undefined && provedBy !== null && provedBy !== 'colour';
}

/**
 * What is known of the wires of one input of a lamp: of a plug nobody has looked at nothing.
 *
 * @param plugs the vehicle's plugs, where somebody has listed them already
 */
export function feedProof(
  vehicle: Vehicle,
  lampId: string,
  input: LampInput = 'main',
  plugs?: readonly KnownConnector[],
): FeedProof {
  const known = connectorOfLamp(vehicle, lampId, plugs);
  if (!known) return { connectorId: null, feed: null, earth: null };
  const { connector, recorded } = known;
  if (!recorded) return { connectorId: connector.id, feed: null, earth: null };
  const circuits = circuitsFeeding(vehicle, lampId, input).map(({ id }) => id);
  const isFeed = ({ use }: Cavity) =>
    use?.does === 'feed' && use.circuitIds.some((id) => circuits.includes(id));
  return {
    connectorId: connector.id,
    feed: wireOf(connector, isFeed),
    earth: wireOf(connector, ({ use }) => use?.does === 'earth'),
  };
}

/** Of several cavities for the same, the one that is proved. */
function wireOf({ cavities }: Connector, is: (cavity: Cavity) => boolean): KnownWire | null {
  const mine = cavities.filter(is);
  const cavity = mine.find(isProved) ?? mine[0];
  return cavity
    ? { cavity: cavity.id, colour: cavity.colour ?? null, provedBy: cavity.provedBy ?? null }
    : null;
}

/** `GN/YE`: a wire's colour and its tracer in letters (IEC 60757). */
export function colourLetters(colour: WireColours | null | undefined): string {
  if (!colour) return '';
  return colour.tracer ? `${colour.base}/${colour.tracer}` : colour.base;
}

/** `GN/YE in cavity 3, proved by meter`: what is known of a wire, in words. */
export function wireWords(wire: KnownWire | null): string {
  if (!wire) return 'nobody has looked which wire: prove it by meter';
  const colour = colourLetters(wire.colour);
  const where = `${colour ? `${colour} in ` : ''}cavity ${wire.cavity}`;
  const proof: Record<ProofMethod, string> = {
    meter: 'proved by meter',
    probe: 'proved by probe',
    'lead-out': 'proved by the filament’s lead-out',
    colour: 'by colour only, unproved: measure',
  };
  return `${where}, ${wire.provedBy ? proof[wire.provedBy] : 'unproved: measure'}`;
}

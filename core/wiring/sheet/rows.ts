import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Cavity, Connector, ProofMethod, WireColours } from '../../model/vehicle/connector.ts';
import { circuitById, fuseById } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { colourHint } from '../colourHints.ts';
import { connectorsOf, type KnownConnector, nameOf } from '../connectors.ts';
import { colourLetters, isProved } from '../feedProof.ts';

/** One cavity as a row of the sheet's table. */
export interface SheetRow {
  cavity: string;
  colour: WireColours | null;
  letters: string;
  areaMm2: number | null;
  does: string;
  /** `proved by meter`, `colour only: unproved, measure` */
  proof: string;
  proved: boolean;
  joint: string;
  fuse: string;
  hint: string;
}

const PROOF_WORDS: Record<ProofMethod, string> = {
  meter: 'proved by meter',
  probe: 'proved by probe',
  'lead-out': 'proved by the filament’s lead-out',
  colour: 'colour only: unproved, measure',
};
export const JOINT_WORDS: Record<NonNullable<Cavity['joint']>, string> = {
  'crimp-shrink': 'crimp, glue-lined shrink',
  'solder-shrink': 'solder, shrink',
  'plug-in': 'plug-in',
  tap: 'insulation-displacement tap',
};

/** How a cavity's use was found, in words. */
export function proofWords({ use, provedBy }: Pick<Cavity, 'use' | 'provedBy'>): string {
  if (!use) return 'nobody knows: measure';
  return provedBy ? PROOF_WORDS[provedBy] : 'supposed: unproved, measure';
}

/** What feeds a circuit, in words: its fuse, and what switches it. */
export function fedBy(vehicle: Vehicle, { from }: Circuit): string {
  if (from.by === 'switch') return `${fuseById(vehicle, from.fuseId).name}, switch`;
  const fuse = fuseById(vehicle, vehicle.flasher.fuseId).name;
  return `${fuse}, ${from.by === 'output' ? 'controller output' : 'flasher, turn switch'}`;
}

/** Every cavity of a plug as a row. */
export function sheetRows(vehicle: Vehicle, { connector, recorded }: KnownConnector): SheetRow[] {
  return connector.cavities.map((cavity) => {
    const { id, use, colour, areaMm2, joint } = cavity;
    const circuits = use?.does === 'feed' ? use.circuitIds.map((each) => circuitById(vehicle, each)) : [];
    return {
      cavity: recorded ? id : '?',
      colour: colour ?? null,
      letters: colourLetters(colour),
      areaMm2: areaMm2 ?? null,
      does: use ? nameOf(vehicle, use) : 'nobody knows',
      proof: recorded ? proofWords(cavity) : 'nobody has looked at this plug',
      proved: recorded && use !== undefined && isProved(cavity),
      joint: joint ? JOINT_WORDS[joint] : '',
      fuse: circuits.map((circuit) => fedBy(vehicle, circuit)).join('; '),
      hint: colourHint(vehicle.region, colour)?.words ?? '',
    };
  });
}

/** What has to be said beside a sheet: that nobody has looked, and which plug looks like this one. */
export function sheetNotes(vehicle: Vehicle, { connector, recorded }: KnownConnector): string[] {
  if (!recorded)
    return [
      'Nobody has looked at this plug: which cavity is for what is not known, only which wires it must have.',
    ];
  const signature = (each: Connector) => `${each.housing.toLowerCase()} ${each.cavities.length}`;
  const letters = (each: Connector) =>
    each.cavities.map(({ colour }) => colourLetters(colour)).filter(Boolean);
  return connectorsOf(vehicle)
    .filter((each) => each.recorded && each.connector.id !== connector.id)
    .filter((each) => signature(each.connector) === signature(connector))
    .map(({ connector: twin }) => {
      const [own, other] = [letters(connector), letters(twin)];
      const mine = own.filter((each) => !other.includes(each));
      const theirs = other.filter((each) => !own.includes(each));
      return mine.length + theirs.length > 0
        ? `${twin.name} looks alike, ${twin.cavities.length} cavities too: this one has ${mine.join(', ') || 'none of its own'}, that one ${theirs.join(', ') || 'none of its own'}.`
        : `${twin.name} looks alike, in its colours too: tag both before either is pulled.`;
    });
}

import { ohms, watts } from '../../formatting/format.ts';
import { wire } from '../../formatting/units.ts';
import { takenKits } from '../../kits/jobKits.ts';
import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Cavity, Connector, WireColours } from '../../model/vehicle/connector.ts';
import { circuitById, circuitsFeeding, fuseById, lampById } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { ledOf, networksOf, stockName } from '../../simulation/fitment.ts';
import { connectorsOf, type KnownConnector, nameOf } from '../connectors.ts';
import { colourLetters } from '../feedProof.ts';
import { fedBy, JOINT_WORDS, proofWords, type SheetRow, sheetNotes, sheetRows } from './rows.ts';

/** Something a sheet draws: what wires begin and end at. */
export interface SheetNode {
  id: string;
  kind: 'source' | 'earth' | 'plug' | 'lamp' | 'resistor' | 'cap' | 'nothing';
  title: string;
  lines: readonly string[];
  /** where wires are joined to it, from above */
  ports: readonly { id: string; side: 'west' | 'east'; label: string; filament?: 'bulb' | 'led' }[];
}

export interface SheetWire {
  id: string;
  from: { node: string; port: string };
  to: { node: string; port: string };
  colour: WireColours | null;
  /** `GN/YE 1 mm²`: letters on every wire, so that colour is never the only sign */
  label: string;
  /** a wire of the vehicle, one inside the lamp, or one that is added */
  kind: 'loom' | 'lamp' | 'added';
}

export interface WiringSheet {
  connectorId: string;
  title: string;
  nodes: readonly SheetNode[];
  wires: readonly SheetWire[];
  rows: readonly SheetRow[];
  notes: readonly string[];
}

/**
 * The wiring sheet of one plug: every cavity with its wire, what feeds it, how that is known, the lamps behind it and the
 * resistors joined there.
 *
 * @throws RangeError when the vehicle has no such plug
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function wiringSheet(job: Job, shelf: Shelf, connectorId: string): WiringSheet {
  const known = connectorsOf(job.vehicle).find(({ connector }) => connector.id === connectorId);
  if (!known) throw new RangeError(`${job.vehicle.name} has no plug "${connectorId}"`);
  return new SheetOf(job, shelf, known).sheet();
}

class SheetOf {
  private readonly nodes: SheetNode[] = [];
  private readonly wires: SheetWire[] = [];
  private readonly vehicle: Vehicle;
  private readonly connector: Connector;

  constructor(
    private readonly job: Job,
    private readonly shelf: Shelf,
    private readonly known: KnownConnector,
  ) {
    this.vehicle = job.vehicle;
    this.connector = known.connector;
  }

  sheet(): WiringSheet {
    const { connector } = this;
    for (const cavity of connector.cavities) this.loom(cavity);
    this.nodes.push({
      id: 'plug',
      kind: 'plug',
      title: connector.name,
      lines: [connector.housing],
      ports: connector.cavities.flatMap(({ id }) => [
        { id: `w${id}`, side: 'west' as const, label: this.known.recorded ? id : '?' },
        { id: `e${id}`, side: 'east' as const, label: '' },
      ]),
    });
    if (connector.at.kind === 'lamps') for (const lampId of connector.at.lampIds) this.lamp(lampId);
    return {
      connectorId: connector.id,
      title: connector.name,
      nodes: this.nodes,
      wires: this.wires,
      rows: sheetRows(this.vehicle, this.known),
      notes: [...sheetNotes(this.vehicle, this.known), ...this.kitNotes()],
    };
  }

  /** What the sheet of a kit asks for at this plug: its links, and which of its plugs stay capped. */
  private kitNotes(): string[] {
    const { at } = this.connector;
    if (at.kind !== 'lamps') return [];
    return takenKits(this.job, this.shelf).flatMap(({ part, variant }) => {
      const inBox = new Set([part.id, ...part.sheet.items.flatMap(({ partId }) => partId ?? [])]);
      const here =
        at.lampIds.some((id) => inBox.has(this.job.chosen[id] ?? '')) ||
        networksOf(this.job).some(
          ({ lampId, pieces }) =>
            at.lampIds.includes(lampId) && pieces.some(({ partId }) => partId !== null && inBox.has(partId)),
        );
      if (!here) return [];
      const capped = variant.capped.map((id) => part.sheet.plugs.find((plug) => plug.id === id)?.what ?? id);
      return [
        ...variant.links.map(({ from, to }) => `${part.code}: link ${from} to ${to}, proved by meter first.`),
        ...(capped.length > 0 ? [`${part.code}: capped stay ${capped.join('; ')}.`] : []),
      ];
    });
  }

  /** What feeds a cavity, and the wire to it. */
  private loom(cavity: Cavity): void {
    const { use } = cavity;
    if (use?.does === 'nothing') return;
    const id = `source-${cavity.id}`;
    const earth = use?.does === 'earth' || (use?.does === 'relay' && use.terminal === 'earth');
    this.nodes.push({
      id,
      kind: earth ? 'earth' : use ? 'source' : 'nothing',
      title: use ? nameOf(this.vehicle, use) : 'nobody knows',
      lines: [
        ...this.sourceLines(cavity),
        ...(use && this.known.recorded ? [proofWords(cavity).replace(', measure', '')] : []),
      ],
      ports: [{ id: 'out', side: 'east', label: '' }],
    });
    this.wires.push({
      id: `loom-${cavity.id}`,
      from: { node: id, port: 'out' },
      to: { node: 'plug', port: `w${cavity.id}` },
      colour: cavity.colour ?? null,
      label: wireLabel(cavity),
      kind: 'loom',
    });
  }

  private sourceLines({ use }: Cavity): string[] {
    if (!use) return ['measure it'];
    if (use.does === 'earth') return [this.earthName()];
    if (use.does === 'feed')
      return [...new Set(use.circuitIds.map((id) => fedBy(this.vehicle, circuitById(this.vehicle, id))))];
    if (use.does !== 'relay') return [];
    if (use.terminal === 'supply') return [fuseById(this.vehicle, this.vehicle.flasher.fuseId).name];
    return [{ lamps: 'to the turn switch', earth: 'body', pilot: 'to the dash' }[use.terminal]];
  }

  private earthName(): string {
    const ids = this.connector.at.kind === 'lamps' ? this.connector.at.lampIds : [];
    const points = new Set(ids.flatMap((id) => lampById(this.vehicle, id).earthPoint ?? []));
    const named = this.vehicle.earthPoints.filter(({ id }) => points.has(id)).map(({ name }) => name);
    return named.join(', ') || 'body metal';
  }

  private lamp(lampId: string): void {
    const lamp = lampById(this.vehicle, lampId);
    const led = ledOf(this.job, this.shelf, lampId);
    const inputs = (['main', 'dim'] as const).filter(
      (input) => circuitsFeeding(this.vehicle, lampId, input).length > 0,
    );
    const filament = led || lamp.works ? ('led' as const) : ('bulb' as const);
    this.nodes.push({
      id: `lamp-${lampId}`,
      kind: 'lamp',
      title: lamp.name,
      lines: [led ? led.code : stockName(this.job, lamp)],
      ports: [
        ...inputs.map((input) => ({
          id: input as string,
          side: 'west' as const,
          label: input === 'dim' ? 'dim' : inputs.length > 1 ? 'bright' : '',
          filament,
        })),
        { id: 'earth', side: 'west', label: '' },
      ],
    });
    for (const input of inputs) {
      const circuits = circuitsFeeding(this.vehicle, lampId, input).map(({ id }) => id);
      this.join(`lamp-${lampId}`, input, this.cavityFor(circuits), 'lamp', '');
    }
    this.join(`lamp-${lampId}`, 'earth', this.earthCavity(), 'lamp', '');
    networksOf(this.job)
      .filter((network) => network.lampId === lampId)
      .forEach((network, index) => {
        const id = `resistor-${lampId}-${index}`;
        const parts = network.pieces.map((piece) => `${ohms(piece.ohms)} ${watts(piece.watts)}`);
        const row = network.connection === 'series' ? ' in a row' : ' side by side';
        const circuits = circuitsFeeding(this.vehicle, lampId, network.input ?? 'main').map(
          (each) => each.id,
        );
        const cavity = this.cavityFor(circuits);
        this.nodes.push({
          id,
          kind: 'resistor',
          title: parts.join(' + ') + (parts.length > 1 ? row : ''),
          lines: [network.plugged ? 'on a plug' : 'on bare metal'],
          ports: [
            { id: 'feed', side: 'west', label: '' },
            { id: 'earth', side: 'west', label: '' },
          ],
        });
        const joint = network.plugged ? 'plug-in' : this.jointOf(cavity);
        this.join(id, 'feed', cavity, 'added', joint);
        this.join(id, 'earth', this.earthCavity(), 'added', '');
      });
  }

  private jointOf(cavityId: string | undefined): string {
    const cavity = this.connector.cavities.find(({ id }) => id === cavityId);
    return cavity?.joint ? JOINT_WORDS[cavity.joint] : 'crimp, shrink';
  }

  private cavityFor(circuitIds: readonly string[]): string | undefined {
    return this.connector.cavities.find(
      ({ use }) => use?.does === 'feed' && use.circuitIds.some((id) => circuitIds.includes(id)),
    )?.id;
  }

  private earthCavity(): string | undefined {
    return this.connector.cavities.find(({ use }) => use?.does === 'earth')?.id;
  }

  /** A wire behind the plug; where nobody knows its cavity it is not drawn. */
  private join(
    node: string,
    port: string,
    cavity: string | undefined,
    kind: SheetWire['kind'],
    label: string,
  ): void {
    if (cavity === undefined) return;
    this.wires.push({
      id: `${node}-${port}`,
      from: { node: 'plug', port: `e${cavity}` },
      to: { node, port },
      colour: null,
      label,
      kind,
    });
  }
}

/** `GN/YE 1 mm²`; a wire nobody has looked at has a question mark. */
function wireLabel({ colour, areaMm2 }: Cavity): string {
  return [colourLetters(colour) || '?', areaMm2 === undefined ? '' : wire(areaMm2)].filter(Boolean).join(' ');
}

import { Filament } from '../filament.ts';
import { CONVERTER_EDGE_VOLTS } from './branches.ts';
import { type ControlState, EARTH, type Element, type Netlist, nodesOf, OPEN_OHMS } from './netlist.ts';

/**
 * Behind a regulator at its limit a node may jump by volts when a contact opens, which stops ngspice's clock. A
 * nanofarad at every node, as a board and its wires have, lets it pass; at lamp currents it is gone in microseconds.
 */
function needsShunts(netlist: Netlist): boolean {
  return netlist.elements.some((element) => element.kind === 'regulator');
}

/** How long a contact takes to open or close in the text, s. */
const EDGE = 1e-5;

/** A control as SPICE drives it: held, or pulsing as a flasher settles to. */
export type SpiceDrive =
  | { kind: 'held'; on: boolean }
  | { kind: 'pulse'; periodSeconds: number; onSeconds: number };

export interface SpiceRequest {
  netlist: Netlist;
  drives: Readonly<Record<string, SpiceDrive>>;
  analysis: { kind: 'op' } | { kind: 'tran'; seconds: number; stepSeconds: number };
  /** quantities to print, by the name they get in the text */
  volts: readonly { name: string; node: string }[];
  /** currents through resistors and contacts, by name */
  amps: readonly { name: string; elementId: string }[];
  /** fuses that have melted; SPICE is told, since it has no fuse */
  blown?: readonly string[];
  /** moments at which a flashing circuit's quantities are measured by name */
  measures?: readonly { name: string; of: { node: string } | { meter: string }; atSeconds: number }[];
}

/** Held drives of a control state, for a steady export. */
export function heldDrives(controls: ControlState): Record<string, SpiceDrive> {
  return Object.fromEntries(Object.entries(controls).map(([name, on]) => [name, { kind: 'held', on }]));
}

/**
 * The circuit as a self-contained netlist that ngspice runs unchanged. Filaments are behavioural sources
 * with a thermal node each; contacts are voltage-controlled switches; every current asked for passes a
 * zero-volt source of its name.
 */
export function spiceText(request: SpiceRequest): string {
  const { netlist, drives, analysis } = request;
  const names = new SpiceNames(netlist);
  const metered = new Map(request.amps.map(({ name, elementId }) => [elementId, name]));
  const transient = analysis.kind === 'tran';
  const blown = new Set(request.blown);
  const lines = [
    // The first line of a SPICE file is always its title.
    `* ${netlist.title.replaceAll(/[^\x20-\x7e]/g, ' ')}`,
    ...request.volts.map(({ name, node }) => `* v(${names.node(node)}) is ${name}`),
    `.options temp=27 tnom=27 reltol=1e-5 abstol=1e-10 vntol=1e-7${transient && needsShunts(netlist) ? ' cshunt=1e-9' : ''}`,
  ];
  netlist.elements.forEach((element, index) => {
    lines.push(...elementLines(element, index, names, metered.get(element.id), transient, blown));
  });
  lines.push(...controlLines(netlist, drives));
  const printed = [
    ...request.volts.map(({ node }) => `v(${names.node(node)})`),
    ...request.amps.map(({ name }) => `i(vm_${spiceName(name)})`),
  ];
  if (analysis.kind === 'op') lines.push('.op', `.save ${printed.join(' ')}`);
  else {
    lines.push(
      `.tran ${number(analysis.stepSeconds)} ${number(analysis.seconds)} 0 ${number(analysis.stepSeconds)} uic`,
      `.print tran ${printed.join(' ')}`,
      ...(request.measures ?? []).map(
        ({ name, of, atSeconds }) =>
          `.meas tran ${spiceName(name)} FIND ${spiceVector(netlist, of)} AT=${number(atSeconds)}`,
      ),
    );
  }
  lines.push('.end');
  return `${lines.join('\n')}\n`;
}

/** The vector a quantity has in the output of the text above. */
export function spiceVector(netlist: Netlist, quantity: { node: string } | { meter: string }): string {
  return 'node' in quantity
    ? `v(${new SpiceNames(netlist).node(quantity.node)})`
    : `i(vm_${spiceName(quantity.meter)})`;
}

/** SPICE ignores case and dislikes dots and dashes; two nodes that would then be one get a number. */
class SpiceNames {
  private readonly byNode = new Map<string, string>();

  constructor(netlist: Netlist) {
    const taken = new Set<string>(['0']);
    for (const node of nodesOf(netlist)) {
      const plain = /^[a-z]/.test(spiceName(node)) ? spiceName(node) : `n${spiceName(node)}`;
      let name = plain;
      for (let again = 2; taken.has(name); again += 1) name = `${plain}_${again}`;
      taken.add(name);
      this.byNode.set(node, name);
    }
  }

  node(node: string): string {
    return node === EARTH ? '0' : (this.byNode.get(node) ?? node);
  }
}

function elementLines(
  element: Element,
  index: number,
  names: SpiceNames,
  meter: string | undefined,
  transient: boolean,
  blown: ReadonlySet<string>,
): string[] {
  const tag = `${index + 1}_${spiceName(element.id)}`;
  const a = names.node(element.a);
  let b = names.node(element.b);
  const lines: string[] = [];
  if (meter !== undefined) {
    const behind = `meter${tag}`;
    lines.push(`Vm_${spiceName(meter)} ${behind} ${b} DC 0`);
    b = behind;
  }
  switch (element.kind) {
    case 'resistor':
      return [...lines, `R${tag} ${a} ${b} ${number(element.ohms)}`];
    case 'capacitor':
      return [...lines, `C${tag} ${a} ${b} ${number(element.farads)}${transient ? ' ic=0' : ''}`];
    case 'battery':
      return [
        ...lines,
        `V${tag} emf${tag} ${b} DC ${number(element.volts)}`,
        `R${tag} emf${tag} ${a} ${number(element.ohms)}`,
      ];
    case 'diode':
      return [
        ...lines,
        `D${tag} ${a} ${b} dm${tag}`,
        `.model dm${tag} D(IS=${number(element.saturationAmps)} N=${number(element.emission)})`,
      ];
    case 'regulator':
      return [
        ...lines,
        `B${tag} ${a} ${b} I=${number(element.amps)}*tanh(V(${a},${b})/${number(element.kneeVolts)})`,
      ];
    case 'fuse':
      return [...lines, `R${tag} ${a} ${b} ${number(blown.has(element.id) ? OPEN_OHMS : element.ohms)}`];
    case 'converter': {
      const v = `V(${a},${b})`;
      const fade = `(1+tanh((${v}-${number(element.startVolts)})/${number(CONVERTER_EDGE_VOLTS)}))/2`;
      return [
        ...lines,
        `B${tag} ${a} ${b} I=${converterWatts(element)}/max(${v},${number(element.startVolts / 2)})*${fade}`,
      ];
    }
    case 'filament':
      return [...lines, ...filamentLines(element, tag, a, b)];
    case 'thermal-flasher':
      return [...lines, ...thermalLines(element, tag, a, b)];
    case 'switch': {
      // From open to closed the conductance runs along an exponential: a contact that leaps stops ngspice's clock.
      const open = Math.log(1 / OPEN_OHMS);
      const span = number(Math.log(1 / element.closedOhms) - open);
      return [
        ...lines,
        `B${tag} ${a} ${b} I=V(${a},${b})*exp(${number(open)}+${span}*V(ctl_${spiceName(element.control)}))`,
      ];
    }
  }
}

/** Full watts, or the dim ones by the control that switches them. */
function converterWatts({ watts, dim }: Extract<Element, { kind: 'converter' }>): string {
  if (!dim) return number(watts);
  return `(${number(dim.watts)}+${number(watts - dim.watts)}*V(ctl_${spiceName(dim.control)}))`;
}

/** T is a node whose volts are kelvin; T·|T|³ keeps the fourth power odd, or a false cold root lies below nought. */
function filamentLines(
  element: Extract<Element, { kind: 'filament' }>,
  tag: string,
  a: string,
  b: string,
): string[] {
  const filament = new Filament(element.rating);
  const kelvin = `kelvin${tag}`;
  const ohms = `(${number(filament.ratedOhms)}*(max(V(${kelvin}),200)/${Filament.ratedKelvin})^${Filament.resistancePower})`;
  const span = Filament.ratedKelvin ** 4 - Filament.ambientKelvin ** 4;
  const k = filament.radiatedWatts(Filament.ratedKelvin) / span;
  return [
    `B${tag} ${a} ${b} I=V(${a},${b})/${ohms}`,
    `Bt${tag} 0 ${kelvin} I=${element.duty === undefined ? '' : `${number(element.duty)}*`}V(${a},${b})*V(${a},${b})/${ohms}-${number(k)}*(V(${kelvin})*abs(V(${kelvin}))^3-${Filament.ambientKelvin}^4)`,
    `Ct${tag} ${kelvin} 0 ${number(filament.heatCapacity)} ic=${Filament.ambientKelvin}`,
  ];
}

/** The bimetal's warmth is a node; its negative drives a switch with hysteresis, which closes when it is high. */
function thermalLines(
  element: Extract<Element, { kind: 'thermal-flasher' }>,
  tag: string,
  a: string,
  b: string,
): string[] {
  const { closesAt, closedOhms, holdAmps, timeConstant } = element;
  return [
    `Vi${tag} ${a} in${tag} DC 0`,
    `S${tag} in${tag} ${b} cool${tag} 0 sm${tag}`,
    `.model sm${tag} SW(VT=${number(-(1 + closesAt) / 2)} VH=${number((1 - closesAt) / 2)} RON=${number(closedOhms)} ROFF=${number(OPEN_OHMS)})`,
    `Bh${tag} 0 warm${tag} I=(i(Vi${tag})/${number(holdAmps)})^2`,
    `Rh${tag} warm${tag} 0 1`,
    `Ch${tag} warm${tag} 0 ${number(timeConstant)} ic=0`,
    `Bc${tag} cool${tag} 0 V=-V(warm${tag})`,
  ];
}

function controlLines(netlist: Netlist, drives: SpiceRequest['drives']): string[] {
  const controls = new Set(
    netlist.elements.flatMap((element) => {
      if (element.kind === 'switch') return [element.control];
      return element.kind === 'converter' && element.dim ? [element.dim.control] : [];
    }),
  );
  return [...controls].map((control) => {
    const drive = drives[control] ?? { kind: 'held', on: false };
    const name = spiceName(control);
    return drive.kind === 'held'
      ? `Vc_${name} ctl_${name} 0 DC ${drive.on ? 1 : 0}`
      : `Vc_${name} ctl_${name} 0 PULSE(0 1 0 ${EDGE} ${EDGE} ${number(drive.onSeconds)} ${number(drive.periodSeconds)})`;
  });
}

/** A name of letters, digits and underscores, as SPICE takes it. */
export function spiceName(text: string): string {
  return text.toLowerCase().replaceAll(/[^a-z0-9]+/g, '_');
}

function number(value: number): string {
  return Number(value.toPrecision(12)).toString();
}

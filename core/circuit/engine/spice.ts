// Longer than 300 lines: a line of text for every kind of element, and the options they stand under.
import { Filament } from '../filament.ts';
import { CONVERTER_EDGE_VOLTS } from './curveBranches.ts';
import {
  type ControlState,
  EARTH,
  type Element,
  FUSE_HOLD,
  FUSE_SECONDS,
  type Netlist,
  nodesOf,
  OPEN_OHMS,
} from './netlist.ts';

/**
 * Gear's method damps what a contact's jump leaves ringing behind a regulator at its limit, where trapezoids go on
 * swinging by microamperes; at this tolerance ngspice's clock passes contacts of 10 µs; and a tenth of a nanofarad at
 * every node, as a board and its wires have, lets a node that hangs in the air jump by volts.
 */
const TRANSIENT_OPTIONS = 'method=gear reltol=1e-4 abstol=1e-10 vntol=1e-6 cshunt=1e-10';
const STEADY_OPTIONS = 'reltol=1e-5 abstol=1e-10 vntol=1e-7 itl1=500';

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
  /** fuses that have melted: open from the start in a steady state, melting by their heat in time */
  blown?: readonly string[];
  /** volts of a steady state by node, from which ngspice begins to look for its own */
  near?: ReadonlyMap<string, number>;
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
    `.options temp=27 tnom=27 ${transient ? TRANSIENT_OPTIONS : STEADY_OPTIONS}`,
    ...nodesetLines(request, names),
  ];
  netlist.elements.forEach((element, index) => {
    lines.push(...elementLines(element, index, netlist, names, metered.get(element.id), transient, blown));
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
  netlist: Netlist,
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
      return [
        ...lines,
        `C${tag} ${a} plates${tag} ${number(element.farads)}${transient ? ' ic=0' : ''}`,
        `R${tag} plates${tag} ${b} ${number(element.seriesOhms)}`,
      ];
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
      return [
        ...lines,
        ...(transient && blown.has(element.id)
          ? fuseLines(element, tag, a, b, netlist, names)
          : [`R${tag} ${a} ${b} ${number(blown.has(element.id) ? OPEN_OHMS : element.ohms)}`]),
      ];
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

/**
 * A fuse that melts in the run: its warmth is a node, and when it reaches 1 a latch of ten microseconds runs its
 * conductance from closed to open along an exponential, and holds it there.
 */
function fuseLines(
  element: Extract<Element, { kind: 'fuse' }>,
  tag: string,
  a: string,
  b: string,
  netlist: Netlist,
  names: SpiceNames,
): string[] {
  const closed = number(Math.log(1 / element.ohms));
  const span = number(Math.log(1 / OPEN_OHMS) - Math.log(1 / element.ohms));
  const melt = `melt${tag}`;
  const squares = pulsedSquares(element, `i(Vi${tag})`, netlist, names);
  return [
    `Vi${tag} ${a} in${tag} DC 0`,
    `B${tag} in${tag} ${b} I=V(in${tag},${b})*exp(${closed}+${span}*(1+tanh((V(${melt})-0.5)*20))/2)`,
    `Bh${tag} 0 warm${tag} I=(${squares})/${number((element.ratedAmps * FUSE_HOLD) ** 2)}`,
    `Rh${tag} warm${tag} 0 1`,
    `Ch${tag} warm${tag} 0 ${number(FUSE_SECONDS)} ic=0`,
    `Bm${tag} 0 ${melt} I=min(1,(1+tanh((V(warm${tag})-1)*2000))/2+(1+tanh((V(${melt})-0.5)*20))/2)`,
    `Rm${tag} ${melt} 0 1`,
    `Cm${tag} ${melt} 0 ${number(EDGE)} ic=0`,
  ];
}

/** Mean square of a fuse's current where some of it comes in pulses: the same sum as `meanSquare`. */
function pulsedSquares(
  { pulsed = [] }: Extract<Element, { kind: 'fuse' }>,
  whole: string,
  netlist: Netlist,
  names: SpiceNames,
): string {
  const feeds = pulsed
    .toSorted((x, y) => y.duty - x.duty)
    .flatMap(({ elementId, duty }) => {
      const wire = netlist.elements.find((each) => each.id === elementId);
      if (wire?.kind !== 'resistor') return [];
      return [{ amps: `V(${names.node(wire.a)},${names.node(wire.b)})/${number(wire.ohms)}`, duty }];
    });
  let flowing = [whole, ...feeds.map(({ amps }) => `-${amps}`)].join('');
  const terms: string[] = [];
  for (const [index, each] of [{ amps: '', duty: 1 }, ...feeds].entries()) {
    if (each.amps) flowing = `${flowing}+${each.amps}`;
    const share = each.duty - (feeds[index]?.duty ?? 0);
    if (share > 0) terms.push(`${number(share)}*(${flowing})^2`);
  }
  return terms.join('+');
}

/** Where several steady states are near each other, as at a converter's start, ngspice is shown where to look. */
function nodesetLines({ netlist, near }: SpiceRequest, names: SpiceNames): string[] {
  if (!near) return [];
  return nodesOf(netlist).flatMap((node) => {
    const volts = near.get(node);
    return volts === undefined ? [] : [`.nodeset v(${names.node(node)})=${number(volts)}`];
  });
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

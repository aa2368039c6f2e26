import { networkOhms, parallelOhms } from '../../circuit/resistorNetwork.ts';
import { amps, ohms, volts, watts } from '../../formatting/format.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { LoadResistorCure, ResistorNetwork } from '../../model/cures.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { OhmsInterval } from './interval.ts';

/** One line of worked arithmetic: what, how, and what comes out. */
export interface ArithmeticLine {
  label: string;
  working: string;
  result: string;
}

const LIMIT_WORDS: Record<OhmsInterval['minSetBy'], string> = {
  'fuse-heating': 'fuse heating (70 % of its rating, hazard flashing for hours)',
  'fuse-lit': 'fuse rating',
  relay: 'relay rating',
  output: 'what a controller output lets through',
  switch: 'what the turn switch is trusted with',
};

/**
 * The sum an installer could do on paper, with this vehicle's numbers in it: what is owed, the ohms that
 * allows, and what the chosen resistors make of it.
 *
 * @param cure the resistors chosen for this side; null shows the limits alone
 */
export function resistorArithmetic(
  vehicle: Vehicle,
  interval: OhmsInterval,
  cure: LoadResistorCure | null,
): ArithmeticLine[] {
  const { deciding: at } = interval;
  const point = `at ${volts(at.point.volts)}`;
  // The difference of the figures as written, so that the reader's own subtraction agrees.
  const owed = Math.max(0, Number(at.needAmps.toFixed(3)) - Number(at.bulbAmps.toFixed(3)));
  const lines: ArithmeticLine[] = [
    {
      label: `${vehicle.flasher.kind === 'controller' ? 'The output' : 'The flasher'} must see, ${point}`,
      working: `all stock bulbs lit, wiring counted${at.lookSeconds === undefined ? '' : `, ${at.lookSeconds.toFixed(2)} s into the flash`}`,
      result: fine(at.needAmps),
    },
    { label: 'The bulbs now fitted give', working: 'with the resistors in place', result: fine(at.bulbAmps) },
    {
      label: 'The resistors owe',
      working: `${fine(at.needAmps)} − ${fine(at.bulbAmps)}`,
      result: fine(owed),
    },
  ];
  if (Number.isFinite(at.maxOhms)) {
    lines.push(
      {
        label: 'Volts left at the lamp',
        working: `${volts(at.point.volts)} less battery, fuse and wires`,
        result: `${at.lampVolts.toFixed(2)} V`,
      },
      {
        label: 'At most, together',
        working: `${at.lampVolts.toFixed(2)} V ÷ ${fine(owed)}`,
        result: ohms(at.maxOhms),
      },
    );
  }
  lines.push({
    label: 'At least, a side',
    working: `${LIMIT_WORDS[interval.minSetBy]}: ${amps(interval.allowedAmps)} lit${interval.minSetBy === 'switch' ? ', one side' : ' in hazard'}`,
    result: Number.isFinite(interval.minOhms) ? ohms(interval.minOhms) : 'none: already over',
  });
  // A harness may load the dim feed too; the flasher sees nothing of that.
  const networks = cure?.networks.filter(({ input = 'main' }) => input === 'main') ?? [];
  if (networks.length > 0) lines.push(...chosenLines(vehicle, networks));
  return lines;
}

/** Milliamps of a sum somebody may check by hand. */
function fine(value: number): string {
  return `${value.toFixed(3)} A`;
}

function chosenLines(vehicle: Vehicle, networks: readonly ResistorNetwork[]): ArithmeticLine[] {
  const pieces = networks.flatMap((network) => network.pieces);
  const together = parallelOhms(networks.map((network) => networkOhms(network)));
  const tolerance = Math.max(...pieces.map((piece) => piece.tolerance));
  const high = chargingVolts(vehicle.systemVolts);
  const percent = Math.round(tolerance * 100);
  const lines: ArithmeticLine[] = [];
  if (pieces.length > 1)
    lines.push({ label: 'Chosen, together', working: joined(networks), result: ohms(together) });
  lines.push({
    label: `If ${percent} % high`,
    working: `${ohms(together)} × ${(1 + tolerance).toFixed(2)}`,
    result: ohms(together * (1 + tolerance)),
  });
  for (const network of networks) {
    const value = networkOhms(network);
    lines.push({
      label: `Heat while lit at ${volts(high)}, ${lampName(vehicle, network.lampId)}`,
      working: `${high.toFixed(1)}² ÷ ${ohms(value)}`,
      result: watts(high ** 2 / value),
    });
  }
  const lit = high ** 2 / together;
  lines.push({
    label: 'Heat on average while flashing, a side',
    working: `${watts(lit)} × ${vehicle.flasher.onFraction} of the time lit`,
    result: watts(lit * vehicle.flasher.onFraction),
  });
  return lines;
}

/** `6 Ω and 6 Ω side by side`, `1.5 Ω and 1.5 Ω in a row`. */
function joined(networks: readonly ResistorNetwork[]): string {
  const values = networks.flatMap((network) => network.pieces.map((piece) => ohms(piece.ohms)));
  const inRow = networks.every((network) => network.connection === 'series');
  return `${values.join(' and ')} ${inRow ? 'in a row' : 'side by side'}`;
}

function lampName(vehicle: Vehicle, lampId: string): string {
  return vehicle.lamps.find((lamp) => lamp.id === lampId)?.name.toLowerCase() ?? lampId;
}

import { inARow } from '../formatting/format.ts';
import { illuminance, temperature } from '../formatting/units.ts';
import { STAND_IN_NOTE } from '../instruments/standInNote.ts';
import type { Observation } from '../model/evidence.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { FUNCTION_WORDS } from '../record/observations.ts';
import { SETTING_STEPS, SETTING_VALUES } from '../record/settingWords.ts';
import { LAMP_DEVIATIONS } from '../words/deviations.ts';
import { CLUE_WORDS } from '../words/faults.ts';
import { METHOD_WORDS, recordedRateWords } from '../words/recorded.ts';

const PROOF_WORDS = {
  works: 'lights, is dark when off, no message',
  'not-all': 'not every lamp lights',
  glows: 'glows while off',
  flickers: 'flickers',
  message: 'a message came',
} as const;

const FITTED_WORDS = { stock: 'as it was', leds: 'LEDs alone', cured: 'with the cure' } as const;

/** What one record says, in a line; who and when stand beside it. */
export function observedWords(each: Observation, vehicle: Vehicle): string {
  const note = each.note ? ` (${each.note})` : '';
  return `${said(each, vehicle)}${note}`;
}

function said(each: Observation, vehicle: Vehicle): string {
  const lamp = (id: string | null) =>
    id === null ? 'the vehicle' : (vehicle.lamps.find((one) => one.id === id)?.name ?? id).toLowerCase();
  const circuit = (id: string | null) =>
    id === null ? 'everything off' : (vehicle.circuits.find((one) => one.id === id)?.name ?? id);
  switch (each.kind) {
    case 'trial':
      return `${circuit(each.circuitId)}, tried: ${each.result}${fitted(each.fitted.configuration)}`;
    case 'rate':
      return `${FUNCTION_WORDS[each.function]}: ${recordedRateWords(each, each.note === STAND_IN_NOTE)}, lamps lit: ${each.lampsLit.replace('-', ' ')}${fitted(each.fitted.configuration)}`;
    case 'proof':
      return `${circuit(each.circuitId)}: ${PROOF_WORDS[each.result]}${fitted(each.fitted.configuration)}`;
    case 'cell': {
      const found = each.found.map((one) => {
        if ('lampId' in one) return `${lamp(one.lampId)} ${LAMP_DEVIATIONS[one.what]}`;
        if ('circuitId' in one) return `${circuit(one.circuitId)}: ${one.what}`;
        return 'fuseId' in one ? `fuse ${one.fuseId} blown` : one.what;
      });
      const on = each.circuits.map(circuit);
      return `${on.length > 0 ? inARow(on) : 'Everything off'}: ${found.length > 0 ? inARow(found) : 'as it should be'}${each.words ? `, “${each.words}”` : ''}${fitted(each.fitted.configuration)}`;
    }
    case 'pin': {
      const figure = each.quantity
        ? `${each.quantity.value} ${each.quantity.unit}`
        : each.seen.replace('-', ' ');
      return `Plug ${each.connectorId}, cavity ${each.cavity}, ${circuit(each.circuitId)}: ${figure}`;
    }
    case 'place':
      return `Looked at ${each.place}: ${each.found ?? 'nothing wrong there'}`;
    case 'clue':
      return `${CLUE_WORDS[each.clue]}${each.lampId ? `, ${lamp(each.lampId)}` : ''}`;
    case 'cause':
      return `${each.words}: ${each.outcome}`;
    case 'light':
      return `Light of ${lamp(each.lampId)}, ${each.spot}, ${each.when}: ${illuminance(each.quantity.value)}`;
    case 'light-ratio':
      return `Light of ${lamp(each.lampId)}, ${each.spot}: ${each.quantity.value.toFixed(1)} times, ${METHOD_WORDS.photographed}`;
    case 'heat':
      return `${each.what} at ${lamp(each.lampId)} after ${Math.round(each.seconds / 60)} min: ${temperature(each.quantity.value)} in air of ${temperature(each.airCelsius)}`;
    case 'setting':
      return `${circuit(each.circuitId)}, ${SETTING_STEPS[each.step].toLowerCase()}${each.value ? `: ${SETTING_VALUES[each.value]}` : ''}${each.words ? ` “${each.words}”` : ''}`;
    case 'came-back':
      return `Came back: ${each.part}, ${lamp(each.lampId)}: ${each.words}`;
  }
}

function fitted(configuration: keyof typeof FITTED_WORDS | null): string {
  return configuration ? `, ${FITTED_WORDS[configuration]}` : '';
}

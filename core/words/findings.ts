import { amps, capital, inARow, ohms, percent, perMinute, volts, watts } from '../formatting/format.ts';
import { sourceWords } from '../formatting/source.ts';
import type { LimitCheck, OnFuse } from '../judge/requirements/limit.ts';
import type { Finding, Requirement } from '../judge/requirements/requirements.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { builtInHeatWords, heatWords } from './heat.ts';

/** What is wrong by a requirement, in two or three words. */
export const REQUIREMENT_SHORT: Record<Requirement, string> = {
  watch: 'bulb message',
  sense: 'brake wire held up',
  excitation: 'the alternator needs it',
  fuse: 'fuse overloaded',
  relay: 'relay overloaded',
  output: 'output overloaded',
  switch: 'switch overloaded',
  resistor: 'resistor too small',
  mount: 'no metal to mount on',
  'built-in-heat': 'the LED cooks',
  'cold-start': 'trips from cold',
  sweep: 'sweep cut short',
  rate: 'rate not allowed',
  'back-feed': 'the other side glows',
  dimmer: 'the dimmer cannot dim it',
  unlooked: 'nobody has looked',
  'fault-wire': 'fault wire unanswered',
  'more-than-stock': 'draws more than stock',
};

/** What a requirement found of a circuit, in a sentence or two with its figures. */
export function findingWords(vehicle: Vehicle, finding: Finding): string {
  const said = words(vehicle, finding);
  return finding.onSome ? `It may be so, or not: ${said}` : said;
}

function words(vehicle: Vehicle, finding: Finding): string {
  const lamp = (id: string) => lampById(vehicle, id).name.toLowerCase();
  switch (finding.requirement) {
    case 'sense': {
      const { unit, isRead, heldVolts, underVolts } = finding;
      const figures = `${volts(heldVolts)} on the wire with the pedal up, where it must be under ${volts(underVolts)}`;
      const cure = 'A bleed resistor, or one filament left in, cures it.';
      return isRead
        ? `${unit}: ${figures}. ${cure}`
        : `Nobody has looked whether a control unit reads this wire (cruise control, shift lock). If one does: ${figures}. ${cure} Measure the wire with its lamps out, key on, pedal up: over 2 V says one does.`;
    }
    case 'excitation':
      return `${amps(finding.amps)} at ${volts(finding.atVolts)} does not start the alternator, which wants ${amps(finding.neededAmps)}.`;
    case 'mount':
      return heatWords(finding.heat);
    case 'built-in-heat':
      return builtInHeatWords(finding.heat);
    case 'cold-start':
      return `From cold the capacitors still take ${amps(finding.amps)} when the output looks, over its ${amps(finding.limitAmps)}.`;
    case 'sweep': {
      const ms = (seconds: number) => `${Math.round(seconds * 1000)} ms`;
      const others = finding.others > 0 ? ` and ${finding.others} more` : '';
      return `At ${Math.round(finding.ratePerMinute)} a minute ${lamp(finding.lampId)}${others} is lit for ${ms(finding.onSeconds)}, and its sweep needs ${ms(finding.sweepSeconds)}: it never finishes.`;
    }
    case 'rate': {
      const { flasherName, ratePerMinute, lowest, highest, source, screw } = finding;
      const turned = screw
        ? ` Turn its screw ${screw.turn} and wait ${screw.settleSeconds} s before another relay is tried.`
        : '';
      return `As it is set ${flasherName} flashes ${perMinute(ratePerMinute)}, where ${lowest} to ${highest} are allowed (${sourceWords(source)}).${turned}`;
    }
    case 'back-feed':
      return `Through the pilot ${amps(finding.amps)} lights ${lamp(finding.lampId)}, ${percent(finding.ratedShare)} of its own: all four flash.`;
    case 'dimmer':
      return `At the dimmer’s darkest ${percent(finding.leftShare)} of the current still flows, so LEDs there keep about as much of their light.`;
    case 'more-than-stock':
      return `It draws more than stock: ${amps(finding.amps)} where the bulbs drew ${amps(finding.stockAmps)} at ${volts(finding.atVolts)}.`;
    case 'fault-wire':
      return `${capital(inARow(finding.lampIds.map(lamp)))} told of a failure over a wire of its own, and nothing answers on it now: expect a message. A whole lamp made for this vehicle may answer.`;
    case 'unlooked':
      return finding.look === 'setting'
        ? `Nobody has looked up whether the ${finding.flasherName} can be told of LEDs here. Ask it with the diagnostic tool, and read the setting back after the key was cycled.`
        : `Nobody has looked whether there is metal to screw a resistor to at ${inARow(finding.lampIds.map(lamp))}: look behind the lamp, and say it in Identify.`;
  }
}

/** A value against its limit, in a sentence with both. */
export function limitWords(limit: LimitCheck): string {
  const { open } = limit;
  const said = limitSaid(limit);
  return open
    ? `${said} Nobody has read that fuse, and between ${amps(open.least)} and ${amps(open.most)} it decides: read it.`
    : said;
}

function limitSaid(limit: LimitCheck): string {
  const { name, value, ok } = limit;
  const most = limit.limit;
  switch (limit.kind) {
    case 'fuse-heating': {
      const heats = `${onFuse(limit.on)} heats the ${name} like a steady ${amps(value)}`;
      if (!ok) return `${heats}; for hours it may carry ${amps(most)}, which is 70 % of its rating.`;
      return value <= most
        ? `${heats}, within the ${amps(most)} it may carry for hours.`
        : `${heats}, no more than its stock bulbs did.`;
    }
    case 'fuse-lit': {
      const subject = onFuse(limit.on);
      const draws =
        limit.on.flashing === null
          ? `${subject} draws ${amps(value)}`
          : `Lit, ${subject.charAt(0).toLowerCase()}${subject.slice(1)} draws ${amps(value)}`;
      const blows = limit.on.flashing === null ? 'it blows.' : 'a relay stuck on would blow it.';
      if (!ok) return `${draws}, more than the ${name} itself: ${blows}`;
      return `${draws}, ${value <= most ? `under the ${name}` : 'no more than its stock bulbs did'}.`;
    }
    case 'relay': {
      const towed = limit.trailerAmps > 0 ? `, ${amps(limit.trailerAmps)} of it a trailer on the socket` : '';
      const who = limit.draws === 'hazard' ? 'hazard' : 'a side';
      return `The relay is rated ${amps(most)}; ${who} ${ok ? 'draws' : 'would draw'} ${amps(value)}${towed}.`;
    }
    case 'output':
      return `An output switches off above ${amps(most)}; it ${ok ? 'carries' : 'would carry'} ${amps(value)}.`;
    case 'switch':
      return ok
        ? `The turn switch carries ${amps(value)}; with its stock bulbs it carried ${amps(limit.stockAmps)}, and half as much again is trusted to it.`
        : `The turn switch would carry ${amps(value)}, more than half again what its stock bulbs drew, ${amps(limit.stockAmps)}: its contacts were made for those.`;
    case 'resistor': {
      const lit = `${resistorName(limit)}: ${watts(value)} lit at ${volts(limit.atVolts)}`;
      return ok
        ? `${lit}, printed for ${watts(most)} on metal.`
        : `${lit} is more than the ${watts(most)} printed on it.`;
    }
    case 'mount':
      return `There is no metal to mount a resistor on at ${name}.`;
  }
}

/** What a limit is called in a list: `15 A fuse`, `8 Ω at Rear left`. */
export function limitName(limit: LimitCheck): string {
  return limit.kind === 'resistor' ? resistorName(limit) : limit.name;
}

function resistorName({ name, ohms: value }: LimitCheck & { kind: 'resistor' }): string {
  return `${ohms(value)} at ${name}`;
}

function onFuse({ flashing, beside }: OnFuse): string {
  if (flashing === null) return 'Everything on it lit';
  const what = flashing === 'hazard' ? 'Hazard' : 'A side';
  return beside ? `${what} with everything else on it lit` : what;
}

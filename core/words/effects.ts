import { STOP_TO_TAIL } from '../catalogue/stopToTail.ts';
import { flickerWords } from '../flicker/ieee1789.ts';
import { amps, ohms, volts } from '../formatting/format.ts';
import { regionWords } from '../formatting/regionWords.ts';
import { sourceWords } from '../formatting/source.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Effect } from '../traces/explain.ts';
import { eventWords } from './events.ts';

/** An effect by its name, and what happens, why, and what to do. */
export interface EffectWords {
  title: string;
  text: string;
}

/** What a play showed, in the words of the vehicle's region. */
export function effectWords(vehicle: Vehicle, effect: Effect): EffectWords {
  const [title, text] = words(vehicle, effect);
  return { title: regionWords(vehicle.region, title), text: regionWords(vehicle.region, text) };
}

function words(vehicle: Vehicle, effect: Effect): readonly [title: string, text: string] {
  const name = (id: string) => lampById(vehicle, id).name;
  const list = (ids: readonly string[]) => ids.map((id) => name(id).toLowerCase()).join(', ');
  const [first = ''] = effect.lampIds;
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const ms = (seconds: number) => `${Math.round(seconds * 1000)} ms`;
  switch (effect.id) {
    case 'fast-with-lights':
      return [
        'Fast only with the lights on',
        `With lights off the turn feed draws ${amps(effect.offAmps)}, with lights on ${amps(effect.onAmps)}: the tail feed already lights the LED’s string, so the turn feed gives less. The flasher trips at ${amps(effect.thresholdAmps)}. More load, or an LED with separate strings.`,
      ];
    case 'load-alone-holds':
      return [
        'The load holds the flash with the LED out',
        `${name(first)} is out of its socket, and the flash stays normal: the flasher sees ${amps(effect.amps)} through the resistors. They hide a dead LED, so the lamps must be looked at.`,
      ];
    case 'dead-unnoticed': {
      const how =
        effect.by === 'another-relay'
          ? 'the relay fitted now watches nothing'
          : `${amps(effect.amps)} is enough for what watches`;
      return [
        'A dead lamp goes unnoticed',
        `${name(first)} is out of its socket, and the flash stays normal: ${how}, so the lamps must be looked at.`,
      ];
    }
    case 'all-four-flash': {
      const why = effect.converted
        ? 'The far side’s LEDs do not tie its other end to earth as cold filaments did, so the current through it lights them'
        : 'The far side is lit through it';
      return [
        'All four flash through the pilot lamp',
        `The one pilot lamp is wired between left and right. ${why}, at up to ${percent(effect.share)} of their rated light. Cure: a diode from each side to the pilot and its other end to earth, or a load on each side. Diodes with the pilot left between the sides change nothing.`,
      ];
    }
    case 'ghost-glow':
      return [
        'Glows while off',
        `A trickle leaks through the switched-off feed. It would not warm a filament, but an LED turns it into light: ${(100 * effect.share).toFixed(1)} % of its rated light. Nothing is broken; a resistor across the lamp drains it.`,
      ];
    case 'shared-earth': {
      const fed =
        effect.backwards.length > 0
          ? `, and ${list(effect.backwards)}, which should be dark, is fed backwards through it`
          : '';
      return [
        'A bad earth, shared',
        `The earth point of ${list(effect.lampIds)} has ${ohms(effect.ohms)} too many, so it stands at ${volts(effect.volts)} instead of nought. Lamps on it are dim${fed}. Clean and tighten the point before anything else.`,
      ];
    }
    case 'flicker-hold':
    case 'flicker-dim': {
      const advice =
        effect.id === 'flicker-hold'
          ? 'A decoder with a large enough capacitor smooths it, since this output pulses only to hold the lamp’s volts.'
          : 'No capacitor cures it: it would carry the light over the pauses and make the tail nearly as bright as the stop lamp. A controller setting that gives a steady feed does.';
      return [
        'Flickers at the speed of the pulses',
        `The output pulses ${Math.round(effect.hertz)} times a second. A filament is too slow to follow; the LED of ${list(effect.lampIds)} goes dark in every pause (modulation ${percent(effect.modulation)}), which shows as a string of dots when the eye moves. ${flickerWords(effect.hertz, 100 * effect.modulation)} ${advice}`,
      ];
    }
    case 'smoothed-dim': {
      const stop = effect.stops ? ', against 100 % as a stop lamp' : '';
      return [
        'The capacitor spoils the tail level',
        `The capacitor fills to the pulses’ full volts, so ${list(effect.lampIds)} gives ${percent(effect.tailShare)} of its rated light as a tail lamp${stop}. Stop must be at least ${STOP_TO_TAIL.ratio} times as bright as tail (${sourceWords(STOP_TO_TAIL.source)}). Take the capacitor out again.`,
      ];
    }
    case 'smoothed-hold':
      return [
        Math.round(100 * effect.modulation) <= 20 ? 'The capacitor smooths it' : 'The capacitor is too small',
        `Behind its diode the capacitor carries ${list(effect.lampIds)} over the pauses: modulation ${percent(effect.modulation)} at ${Math.round(effect.hertz)} a second, where it was 100 %. ${flickerWords(effect.hertz, 100 * effect.modulation)}`,
      ];
    case 'socket-clash': {
      const follows = effect.blown ? ' and its fuse has blown' : ' as soon as the lights come on';
      return [
        'Wrong socket wiring: CK against standard',
        `${name(first)}: the socket is wired ${wiring(effect.socket)}, the LED is made for ${wiring(effect.made)}. Where the socket brings the parking feed the LED has an earth, so the feed is shorted${follows}. Both look alike: look at the earth contacts, on one side for CK, on opposite corners for standard.`,
      ];
    }
    case 'reversed':
      return [
        'In the wrong way round',
        `${name(first)} stays dark: ${effect.code} lights one way round only, and its input diode blocks. Turn it half round before looking for anything else.`,
      ];
    case 'thermal-stuck':
      return [
        'Stays on without flashing',
        `The flasher’s bimetal is warmed by the lamps’ own current. ${amps(effect.amps)} is too little of the ${amps(effect.ratedAmps)} it is made for, so it never opens: the lamps stay on. An LED flasher relay in its place, or loads that bring the current back.`,
      ];
    case 'brake-sense': {
      const { converted, dead } = effect;
      const why = [
        ...(converted.length > 0 ? ['An LED does not'] : []),
        ...(dead.length > 0
          ? [
              `${converted.length > 0 ? 'nor does' : 'No current flows through'} the dead bulb of ${list(dead)}`,
            ]
          : []),
      ].join(', ');
      const cure =
        dead.length > 0
          ? 'Put a good bulb in there first'
          : `Cure: a bleed resistor of at most ${effect.mostOhms} Ω to earth, or one filament left in`;
      return [
        'The brake wire is held up',
        `With the pedal up, ${effect.unit.toLowerCase()} looks for the cold filament of ${list(effect.lampIds)} that ties the wire to earth. ${why}: gearshift lock or cruise may misbehave. ${cure}.`,
      ];
    }
    case 'unfinished-sweep':
      return [
        'The sweep never finishes',
        `${name(first)} needs ${ms(effect.sweepSeconds)} to run through its segments, and is lit for ${ms(effect.onSeconds)}. Slow the flasher down, or choose a lamp with a quicker sweep.`,
      ];
    case 'relay-starves':
      return ['The relay does not start', `${eventWords(effect.event)}.`];
    case 'output-off':
      return [
        'Output cut off',
        `${eventWords(effect.event)}. Too much load is a fault too: choose resistors of more ohms.`,
      ];
    case 'cold-check': {
      const off = vehicle.circuits.filter(({ id }) => effect.circuitIds.includes(id));
      return [
        'A warning for lamps that are off',
        `With the key on the controller tests ${off.map((circuit) => circuit.name.toLowerCase()).join(', ')} by short pulses while they are off. A cold filament takes many times its current; the LED takes next to none, so a missing bulb is reported, and the LED may twitch. The controller’s LED setting cures it; a load would have to look like a cold filament.`,
      ];
    }
    case 'charge-lamp':
      return [
        'The charge lamp starts the alternator',
        `${eventWords(effect.event)}. The lamp’s current excites the rotor until it turns fast enough. Leave the filament in, or put a resistor beside the LED that keeps the current.`,
      ];
  }
}

function wiring(of: 'standard' | 'ck' | undefined): string {
  return of === 'ck' ? 'CK' : 'standard';
}

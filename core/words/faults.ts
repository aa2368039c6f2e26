import type { Fault, FaultKind } from '../faults/kinds.ts';
import { capital, inARow } from '../formatting/format.ts';
import type { Clue } from '../model/clues.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { circuitById, circuitsFeeding, fuseById, lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { outputOf } from '../simulation/controls.ts';

interface FaultWords<F> {
  /** the kind in a word or two, whatever it sits at */
  kind: string;
  /** how it is looked for */
  look: string;
  cure: string;
  /** one of them: what it sits at, and what is wrong there */
  at(fault: F, vehicle: Vehicle): readonly [where: string, what: string];
}

const lampName = (vehicle: Vehicle, { lampId }: { lampId: string }) => lampById(vehicle, lampId).name;
const circuitName = (vehicle: Vehicle, { circuitId }: { circuitId: string }) =>
  circuitById(vehicle, circuitId).name;
/** `Left turn and right turn`. */
const circuitNames = (vehicle: Vehicle, ids: readonly string[]) =>
  capital(inARow(ids.map((id) => circuitById(vehicle, id).name.toLowerCase())));
/** Who watches a circuit, and what else would still it. */
function watcherWords({ flasher, bulbCheck }: Vehicle, circuitId: string): string {
  if (bulbCheck?.watches.some((each) => each.circuitId === circuitId)) return 'the bulb check';
  if (flasher.kind === 'controller') return 'the controller (or its LED setting)';
  if (flasher.kind === 'non-watching-relay')
    return flasher.adjuster ? 'the relay (or its screw)' : 'the relay, by its least load,';
  return flasher.kind === 'thermal' ? 'the thermal flasher' : 'the relay';
}

/** `bright ` or `dim ` of a lamp that has both. */
const which = (vehicle: Vehicle, { lampId, input }: { lampId: string; input: LampInput }) =>
  circuitsFeeding(vehicle, lampId, 'dim').length > 0 && circuitsFeeding(vehicle, lampId, 'main').length > 0
    ? `${input === 'main' ? 'bright' : 'dim'} `
    : '';

/** Words of every kind of fault. */
const FAULT_WORDS: { [K in FaultKind]: FaultWords<Extract<Fault, { kind: K }>> } = {
  reversed: {
    kind: 'an LED the wrong way round',
    look: 'Turn the LED half round: does it light?',
    cure: 'Turn it round; mark the plus with a pen.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'LED the wrong way round'],
  },
  'half-turned': {
    kind: 'a twin bulb half a turn out',
    look: 'Lights on, then brake: is it brighter with the lights alone?',
    cure: 'Take the bulb out and put it in half a turn on.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'half a turn out, bright and dim exchanged'],
  },
  exchanged: {
    kind: 'holders exchanged',
    look: 'Work each function alone: does the neighbour light?',
    cure: 'Put each holder into its own place; tag both.',
    at: ({ lampId, otherId }, vehicle) => [
      `${lampById(vehicle, lampId).name} and ${lampById(vehicle, otherId).name.toLowerCase()}`,
      'holders exchanged',
    ],
  },
  'wrong-wedge': {
    kind: 'an LED of the other socket wiring',
    look: 'Look where the two earth contacts of the socket are: one side is CK.',
    cure: 'Fit the LED of this socket’s wiring; look at the fuse.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'LED of the other socket wiring'],
  },
  'bulb-out': {
    kind: 'a dead bulb or LED, or no contact',
    look: 'Wiggle it; try it in another socket.',
    cure: 'Bend the contacts in, seat it, or renew it.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'dead, or no contact'],
  },
  'filament-open': {
    kind: 'one dead filament',
    look: 'Look at the filament; ohms across it.',
    cure: 'Renew the bulb.',
    at: (fault, vehicle) => [lampName(vehicle, fault), `${which(vehicle, fault)}filament dead`],
  },
  'led-shorted': {
    kind: 'an LED shorted inside',
    look: 'Ohms across the LED, out of its socket.',
    cure: 'Renew the LED and the fuse.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'LED shorted inside'],
  },
  'poor-contact': {
    kind: 'a poor contact',
    look: 'Wiggle plug and bulb while it is lit; volts across the contact.',
    cure: 'Clean and bend the contact, or renew the socket with a sealed one.',
    at: (fault, vehicle) => [lampName(vehicle, fault), `${which(vehicle, fault)}contact resists`],
  },
  'poor-earth': {
    kind: 'a poor earth of the lamp',
    look: 'Volts from the lamp’s earth contact to the battery’s minus, lit.',
    cure: 'Clean the earth, tighten its ring without turning it.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'its earth resists'],
  },
  'corroded-carrier': {
    kind: 'a corroded carrier',
    look: 'Several functions on at once: do others of the housing glow?',
    cure: 'Clean the carrier’s track, or renew it.',
    at: ({ lampIds: [first = ''] }, vehicle) => [
      `Housing of ${lampById(vehicle, first).name.toLowerCase()}`,
      'its carrier or earth is corroded',
    ],
  },
  'bad-earth': {
    kind: 'a bad earth point',
    look: 'Volts from the earth point to the battery’s minus with all on.',
    cure: 'Clean the earth point to bare metal.',
    at: ({ earthPointId }, { earthPoints }) => [
      earthPoints.find(({ id }) => id === earthPointId)?.name ?? earthPointId,
      'rusted or loose',
    ],
  },
  'tap-open': {
    kind: 'a resistor tap left open',
    look: 'Ohms across the plug, LED out: the resistor must show.',
    cure: 'Make the joint again, crimped and shrunk.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'resistor makes no contact, or lies on earth'],
  },
  'tap-on-other-feed': {
    kind: 'a resistor on the wrong wire',
    look: 'Is the resistor warm with the lights alone on?',
    cure: 'Move its lead to the bright feed, proved by meter.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'resistor on the other feed'],
  },
  'resistor-value': {
    kind: 'a resistor of another value',
    look: 'Ohms of the resistor, one lead off.',
    cure: 'Fit the value that was sized.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'resistor of another value'],
  },
  'sides-bridged': {
    kind: 'left and right bridged',
    look: 'Left turn: does the right side flash as well?',
    cure: 'Part the two turn wires; look at the last joint made.',
    at: () => ['', 'Left and right turn wires joined'],
  },
  leakage: {
    kind: 'a feed that leaks',
    look: 'Everything off, dark: does an LED glow? Volts on its feed.',
    cure: 'A resistor across the lamp drains it.',
    at: (fault, vehicle) => [circuitName(vehicle, fault), 'its feed leaks while off'],
  },
  'short-to-earth': {
    kind: 'a wire chafed to earth',
    look: 'Ohms from the feed to earth with the bulbs out.',
    cure: 'Find the chafed place, insulate it, route the wire clear.',
    at: (fault, vehicle) => [circuitName(vehicle, fault), 'feed chafed through to earth'],
  },
  'fuse-out': {
    kind: 'a blown fuse',
    look: 'Look at the fuse.',
    cure: 'Renew it with its own rating, once the cause is found.',
    at: ({ fuseId }, vehicle) => [fuseById(vehicle, fuseId).name, 'blown or out'],
  },
  'fuse-wrong': {
    kind: 'a fuse of another rating',
    look: 'Read the rating printed on the fuse against the lid.',
    cure: 'Put in the rating the vehicle asks for; never more on existing wire.',
    at: ({ fuseId }, vehicle) => [fuseById(vehicle, fuseId).name, 'one of a third in its place'],
  },
  'relay-stuck': {
    kind: 'a relay without earth, or supply and lamps crossed',
    look: 'Terminals by their letters against the socket; is its earth there?',
    cure: 'Supply to supply, lamps to lamps, and its earth joined.',
    at: ({ closed }) => ['Relay', closed ? 'supply and lamps crossed' : 'its earth is missing, or reversed'],
  },
  'screw-off': {
    kind: 'a relay screw turned right off',
    look: 'Turn the relay’s screw a little and wait.',
    cure: 'Set the screw until it flashes 85 to 90 a minute.',
    at: () => ['Relay', 'its screw is turned right off'],
  },
  'setting-lost': {
    kind: 'a setting that was not taken',
    look: 'Read the setting back after a key cycle.',
    cure: 'Set it again, key off and on, clear the codes.',
    at: ({ circuitIds }, vehicle) => [circuitNames(vehicle, circuitIds), 'the LED setting was not taken'],
  },
  'no-decoder': {
    kind: 'a decoder left out',
    look: 'Is the decoder plugged in, plus to plus?',
    cure: 'Plug it in before the LED.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'its decoder is not in'],
  },
  pulsed: {
    kind: 'a pulsed feed the LED follows',
    look: 'Look through a camera while it is on, or measure its feed: pulses, or plain volts? Does the flicker stay with another LED?',
    cure: 'A decoder with its capacitor where Cure says one works; else an LED that smooths itself, or the flicker is accepted.',
    at: ({ circuitIds }, vehicle) => {
      const known = circuitIds.every((id) => outputOf(vehicle, circuitById(vehicle, id))?.pwm);
      return [
        circuitNames(vehicle, circuitIds),
        `feed ${known ? 'pulsed' : 'may be pulsed'}, and the LED follows`,
      ];
    },
  },
  tested: {
    kind: 'test pulses in the dark',
    look: 'Key on, lamps off, dark: does it twitch every second or so?',
    cure: 'A load across the lamp swallows the test pulses; or the outputs are set to LED.',
    at: ({ circuitIds }, vehicle) => [
      circuitNames(vehicle, circuitIds),
      'tested in the dark, and the LED shows it',
    ],
  },
  sensed: {
    kind: 'a stop wire that is read',
    look: 'Volts on the stop wire, lamps out, key on, pedal up: over 2 V says a unit reads it.',
    cure: 'One filament left in, or a bleed resistor from the stop wire to earth. A dead filament in the third brake lamp does the same.',
    at: (fault, vehicle) => [circuitName(vehicle, fault), 'a unit reads this wire and misses its filament'],
  },
  excite: {
    kind: 'a charge lamp converted',
    look: 'Engine on, a little above idle: does it charge (over 13 V at the battery)?',
    cure: 'Put the filament bulb back, or a resistor across the LED that carries the current the alternator needs.',
    at: (fault, vehicle) => [circuitName(vehicle, fault), 'too little current to start the alternator'],
  },
  sweep: {
    kind: 'a flash too fast for the sweep',
    look: 'Count the flashes: does it go dark before its last segment is lit?',
    cure: 'Slow the flasher down to 60 to 90 a minute, or fit an LED that lights at once.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'its sweep is cut short'],
  },
  'wants-load': {
    kind: 'nothing broken, too little load as it is fitted',
    look: 'Hold a filament bulb of 21 W across one of its lamps, or put one back: is all as it should be then?',
    cure: 'Cure says what it wants: a load, another relay, or a setting.',
    at: ({ circuitIds: [id = '', ...others] }, vehicle) => [
      'Nothing is broken',
      `as fitted, ${watcherWords(vehicle, id)} wants more load${
        others.length > 0 || circuitById(vehicle, id).kind === 'turn'
          ? ''
          : ` on ${circuitById(vehicle, id).name.toLowerCase()}`
      }`,
    ],
  },
  wet: {
    kind: 'a broken seal',
    look: 'Water or mist inside the lens, white or green on the contacts.',
    cure: 'Dry it, renew seal, grommet or dust cover, grease the contacts.',
    at: (fault, vehicle) => [lampName(vehicle, fault), 'water gets in'],
  },
};

const wordsOf = <F extends Fault>({ kind }: F) => FAULT_WORDS[kind] as unknown as FaultWords<F>;

/** `Rear left: LED the wrong way round`. */
export function faultName(fault: Fault, vehicle: Vehicle): string {
  return wordsOf(fault).at(fault, vehicle).filter(Boolean).join(': ');
}

/** What a fault sits at, and what is wrong there, apart. */
export function faultPlaceAndName(fault: Fault, vehicle: Vehicle): readonly [where: string, what: string] {
  return wordsOf(fault).at(fault, vehicle);
}

/** A kind of fault in a word or two, whatever it sits at. */
export function faultKindWords(kind: FaultKind): string {
  return FAULT_WORDS[kind].kind;
}

/** A place by what may be wrong there: `Rear left: a dead bulb, the wrong way round`. It tells nothing of what is. */
export function placeWords(faults: readonly Fault[], vehicle: Vehicle): string {
  const [first] = faults;
  const where = first ? faultPlaceAndName(first, vehicle)[0] : '';
  const kinds = [...new Set(faults.map(({ kind }) => faultKindWords(kind)))].join(', ');
  return where === '' ? capital(kinds) : `${where}: ${kinds}`;
}

/** How any of some faults is looked for, each once. */
export function lookWords(faults: readonly Fault[]): string {
  return [...new Set(faults.map(({ kind }) => FAULT_WORDS[kind].look))].join(' ');
}

/** What is done about a fault of its kind. */
export function cureWords({ kind }: Fault): string {
  return FAULT_WORDS[kind].cure;
}

export const CLUE_WORDS: Record<Clue, string> = {
  wiggle: 'Wiggle it and it lights',
  'since-relay': 'Since the relay was changed',
  'since-leds': 'Since the LEDs went in',
  'came-later': 'It was fine at first, and came later',
  'when-wet': 'Only when it is wet',
};

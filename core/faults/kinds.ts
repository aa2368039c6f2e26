import type { FaultKind } from '../simulation/fault.ts';

/** What is known of one kind of fault, wherever it sits. */
export interface FaultFacts {
  /** how often it is met for every hundred faults of freshly converted vehicles, one place with another */
  prior: number;
  /** shortest and longest time to look for it once its place is open, minutes (typical) */
  minutes: readonly [number, number];
  /** how it is looked for */
  look: string;
  cure: string;
}

/**
 * Priors are common practice: how often installers meet each kind, with polarity, contact and load first. They are relative
 * and shared by all places a kind may be at: the order matters, not the last digit.
 */
export const FAULT_FACTS: Record<FaultKind, FaultFacts> = {
  reversed: {
    prior: 14,
    minutes: [1, 3],
    look: 'Turn the LED half round: does it light?',
    cure: 'Turn it round; mark the plus with a pen.',
  },
  'half-turned': {
    prior: 6,
    minutes: [1, 3],
    look: 'Lights on, then brake: is it brighter with the lights alone?',
    cure: 'Take the bulb out and put it in half a turn on.',
  },
  exchanged: {
    prior: 3,
    minutes: [2, 5],
    look: 'Work each function alone: does the neighbour light?',
    cure: 'Put each holder into its own place; tag both.',
  },
  'wrong-wedge': {
    prior: 3,
    minutes: [2, 5],
    look: 'Look where the two earth contacts of the socket are: one side is CK.',
    cure: 'Fit the LED of this socket’s wiring; look at the fuse.',
  },
  'bulb-out': {
    prior: 12,
    minutes: [1, 4],
    look: 'Wiggle it; try it in another socket.',
    cure: 'Bend the contacts in, seat it, or renew it.',
  },
  'filament-open': {
    prior: 6,
    minutes: [1, 3],
    look: 'Look at the filament; ohms across it.',
    cure: 'Renew the bulb.',
  },
  'led-shorted': {
    prior: 1,
    minutes: [2, 5],
    look: 'Ohms across the LED, out of its socket.',
    cure: 'Renew the LED and the fuse.',
  },
  'poor-contact': {
    prior: 8,
    minutes: [2, 6],
    look: 'Wiggle plug and bulb while it is lit; volts across the contact.',
    cure: 'Clean and bend the contact, or renew the socket with a sealed one.',
  },
  'poor-earth': {
    prior: 7,
    minutes: [2, 8],
    look: 'Volts from the lamp’s earth contact to the battery’s minus, lit.',
    cure: 'Clean the earth, tighten its ring without turning it.',
  },
  'corroded-carrier': {
    prior: 3,
    minutes: [3, 10],
    look: 'Several functions on at once: do others of the housing glow?',
    cure: 'Clean the carrier’s track, or renew it.',
  },
  'bad-earth': {
    prior: 6,
    minutes: [3, 10],
    look: 'Volts from the earth point to the battery’s minus with all on.',
    cure: 'Clean the earth point to bare metal.',
  },
  'tap-open': {
    prior: 9,
    minutes: [2, 6],
    look: 'Ohms across the plug, LED out: the resistor must show.',
    cure: 'Make the joint again, crimped and shrunk.',
  },
  'tap-on-other-feed': {
    prior: 5,
    minutes: [3, 8],
    look: 'Is the resistor warm with the lights alone on?',
    cure: 'Move its lead to the bright feed, proved by meter.',
  },
  'resistor-value': {
    prior: 3,
    minutes: [2, 5],
    look: 'Ohms of the resistor, one lead off.',
    cure: 'Fit the value that was sized.',
  },
  'sides-bridged': {
    prior: 2,
    minutes: [3, 15],
    look: 'Left turn: does the right side flash as well?',
    cure: 'Part the two turn wires; look at the last joint made.',
  },
  leakage: {
    prior: 3,
    minutes: [2, 6],
    look: 'Everything off, dark: does an LED glow? Volts on its feed.',
    cure: 'A resistor across the lamp drains it.',
  },
  'short-to-earth': {
    prior: 2,
    minutes: [5, 30],
    look: 'Ohms from the feed to earth with the bulbs out.',
    cure: 'Find the chafed place, insulate it, route the wire clear.',
  },
  'fuse-out': {
    prior: 6,
    minutes: [1, 3],
    look: 'Look at the fuse.',
    cure: 'Renew it with its own rating, once the cause is found.',
  },
  'fuse-wrong': {
    prior: 1,
    minutes: [1, 3],
    look: 'Read the rating printed on the fuse against the lid.',
    cure: 'Put in the rating the vehicle asks for; never more on existing wire.',
  },
  'relay-stuck': {
    prior: 4,
    minutes: [3, 10],
    look: 'Terminals by their letters against the socket; is its earth there?',
    cure: 'Supply to supply, lamps to lamps, and its earth joined.',
  },
  'screw-off': {
    prior: 2,
    minutes: [2, 6],
    look: 'Turn the relay’s screw a little and wait.',
    cure: 'Set the screw until it flashes 85 to 90 a minute.',
  },
  'setting-lost': {
    prior: 4,
    minutes: [3, 10],
    look: 'Read the setting back after a key cycle.',
    cure: 'Set it again, key off and on, clear the codes.',
  },
  'no-decoder': {
    prior: 2,
    minutes: [2, 6],
    look: 'Is the decoder plugged in, plus to plus?',
    cure: 'Plug it in before the LED.',
  },
};

/** A kind of fault in a word or two, whatever it sits at. */
export const KIND_WORDS: Record<FaultKind, string> = {
  reversed: 'an LED the wrong way round',
  'half-turned': 'a twin bulb half a turn out',
  exchanged: 'holders exchanged',
  'wrong-wedge': 'an LED of the other socket wiring',
  'bulb-out': 'a dead bulb or LED, or no contact',
  'filament-open': 'one dead filament',
  'led-shorted': 'an LED shorted inside',
  'poor-contact': 'a poor contact',
  'poor-earth': 'a poor earth of the lamp',
  'corroded-carrier': 'a corroded carrier',
  'bad-earth': 'a bad earth point',
  'tap-open': 'a resistor tap left open',
  'tap-on-other-feed': 'a resistor on the wrong wire',
  'resistor-value': 'a resistor of another value',
  'sides-bridged': 'left and right bridged',
  leakage: 'a feed that leaks',
  'short-to-earth': 'a wire chafed to earth',
  'fuse-out': 'a blown fuse',
  'fuse-wrong': 'a fuse of another rating',
  'relay-stuck': 'a relay without earth, or supply and lamps crossed',
  'screw-off': 'a relay screw turned right off',
  'setting-lost': 'a setting that was not taken',
  'no-decoder': 'a decoder left out',
};

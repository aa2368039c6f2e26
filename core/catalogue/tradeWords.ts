import { commonPractice } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';

/** A term of the trade, what it means here, and what people call it instead. */
export interface TradeWord {
  term: string;
  means: string;
  /** what it is asked for by */
  alsoCalled: readonly string[];
  source: Source;
}

const word = (term: string, means: string, ...alsoCalled: string[]): TradeWord => ({
  term,
  means,
  alsoCalled,
  source: commonPractice('common practice'),
});

/** Words people bring with them, each with what this trade and this app mean by it (common practice). */
export const TRADE_WORDS: readonly TradeWord[] = [
  word(
    'Turn lamp',
    'The amber (in North America at the rear also red) lamp that flashes on one side. Left is left from the driver’s seat, always.',
    'blinker',
    'indicator',
    'turn signal',
    'winker',
    'flasher lamp',
  ),
  word(
    'Fast flash',
    'About twice the normal rate: whoever watches the lamps takes the small current of an LED for a dead bulb.',
    'hyperflash',
    'hyper flash',
    'rapid flash',
    'quick blink',
  ),
  word(
    'Flasher',
    'What makes turn lamps flash: a thermal flasher, a relay that watches current or does not, or a body controller.',
    'blinker relay',
    'flasher relay',
    'indicator unit',
    'flasher can',
  ),
  word(
    'Load resistor',
    'A resistor across a lamp’s feed and earth that draws what the watcher misses. Estimated to get hotter than boiling water: on bare metal only, measured before it is touched.',
    'resistor',
    'ballast resistor',
    'load equalizer',
    'hyperflash resistor',
  ),
  word(
    'Decoder',
    'A box before the LED with a capacitor, and mostly a load: it carries the LED over a controller’s pulses.',
    'canbus',
    'can bus adapter',
    'error canceller',
    'anti flicker module',
  ),
  word(
    'LED with a load built in',
    'Draws more than its light needs, so that a watcher is content. Whether it draws enough, its printed watts tell; “no error” alone promises nothing.',
    'canbus bulb',
    'error free',
    'no error',
  ),
  word(
    'Bulb message',
    'A warning on the dash that a lamp is dead; a controller or a lamp-outage module compares its current.',
    'bulb out',
    'lamp out',
    'error code',
    'dash warning',
  ),
  word(
    'Earth',
    'The way back from a lamp to the battery: body metal, or a wire to a bolt on it. In North America it is called ground.',
    'ground',
    'chassis',
    'mass',
    'negative',
  ),
  word(
    'Position lamp',
    'The small white lamp in front that is on with the lights; at the rear it is the tail lamp.',
    'parking light',
    'side light',
    'sidelight',
    'city light',
    'park',
  ),
  word('Tail lamp', 'The red lamp at the rear that is on with the lights.', 'rear light', 'running light'),
  word('Stop lamp', 'The red lamp the brake pedal switches on.', 'brake light', 'stop light', 'stoplamp'),
  word(
    'Third brake lamp',
    'The stop lamp in the middle, high up.',
    'CHMSL',
    'high level brake light',
    'centre brake light',
    'center',
  ),
  word('Reverse lamp', 'White, on in reverse gear.', 'backup light', 'reversing light', 'back-up'),
  word(
    'Plate lamp',
    'Lights the number plate; it must be white.',
    'number plate',
    'licence plate',
    'license plate',
    'tag light',
  ),
  word(
    'Interior lamp',
    'Any lamp inside: the roof, the doors, the boot.',
    'dome',
    'courtesy light',
    'map light',
    'trunk',
  ),
  word(
    'Repeater',
    'The small turn lamp on the wing or the mirror.',
    'side indicator',
    'side marker',
    'fender',
  ),
  word(
    'Festoon',
    'A bulb with a cap at each end, held between two springs; told by its length.',
    'soffitte',
    'C5W',
    'de3175',
    'tube bulb',
  ),
  word(
    'Wedge',
    'A bulb without a metal cap, its wires bent up against the glass or plastic.',
    'capless',
    'T10',
    'T15',
    'T20',
    '501',
  ),
  word(
    'Switchback',
    'A turn LED that is white while parked and amber while it flashes.',
    'dual color',
    'two colour',
    'drl turn',
  ),
  word(
    'CK wiring',
    'A twin wedge socket whose two earth contacts are on one side. A standard LED in it can blow the parking fuse.',
    '3157ck',
    '4157',
    '3057ck',
  ),
];

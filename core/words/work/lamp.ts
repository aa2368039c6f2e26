import { baseRecord } from '../../catalogue/bases.ts';
import { inARow } from '../../formatting/format.ts';
import { distance, wire } from '../../formatting/units.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { MovedBulb } from '../../simulation/bulbsMoved.ts';
import { plugsOf } from '../../wiring/wholeLampPins.ts';
import type { About, WayRound } from '../../work/steps/stepAbout.ts';
import { pinChangeWords } from '../pinMap.ts';
import type { StepWords } from './stepWords.ts';

/** A bulb out, an LED in. */
export function swapWords({ lamp, stock, wayRound, alike }: About<'swap'>): StepWords {
  const { led } = wayRound;
  return {
    place: lamp.name,
    title: `Swap ${stock} for ${led.code}`,
    text: `${baseRecord(lamp.base).release} Label the old bulb and keep it. Fit ${led.name} with clean gloves; see that it sits tight in its contacts (bend them in a little where it wiggles)${oneSided(lamp) ? ', its chips to the lens' : ''}. ${wayRoundWords(lamp, wayRound)}`,
    cautions:
      alike.length > 0
        ? [
            `The holder of ${alike.map(({ name }) => name.toLowerCase()).join(' and ')} takes the same base: tag both before either is out.`,
          ]
        : [],
  };
}

/** A stock bulb out, one like it in. */
export function renewWords({ lamp, stock }: About<'renew'>): StepWords {
  if (lamp.works)
    return {
      place: lamp.name,
      title: `Renew the ${stock}`,
      text: 'One for this very vehicle, or its whole lamp: what is sealed in does not come out. Compare plug and pins before anything is opened.',
      cautions: [],
    };
  return {
    place: lamp.name,
    title: `Renew the ${stock}`,
    text: `${baseRecord(lamp.base).release} Fit a new ${stock}.`,
    cautions: [],
  };
}

/** A lamp the vehicle did not have. */
export function addWords({ lamp, feed, fuseAmps, drilled }: About<'add'>): StepWords {
  const { lead } = lamp;
  return {
    place: lamp.name,
    title: `Add the ${lamp.name.toLowerCase()}`,
    text: `${drilled ? 'Drill its hole, file it smooth, prime the edge, put the grommet in. ' : ''}${
      fuseAmps === null
        ? `Join its feed to ${feed.toLowerCase()}; the fuse there stays as it is.`
        : `A relay worked by ${feed.toLowerCase()}, its supply from the battery side over a ${fuseAmps} A fuse of its own, close to where it is taken.`
    } Wire ${wire(lead.areaMm2)}, ${distance(lead.lengthM)}, earth to bare body metal. Tie it where nothing moves and nothing is estimated to get hot.`,
    cautions: [
      ...(drilled ? ['Look what lies behind before the drill: tank, looms, airbags, high voltage.'] : []),
      'Never a larger fuse on a wire that is there.',
      'An added road lamp may need approval in number, place and colour: local rules decide.',
    ],
    ticks: [
      ...(drilled ? [{ id: 'primed', label: 'hole primed, grommet in' }] : []),
      ...(fuseAmps === null ? [] : [{ id: 'fuse', label: `fuse ${fuseAmps} A in its own holder` }]),
      { id: 'earth', label: 'earth on bare metal, ring cannot turn' },
    ],
  };
}

/** Festoon and panel LEDs shine one way. */
const oneSided = ({ base }: Lamp) => base.startsWith('SV');

function wayRoundWords(lamp: Lamp, { led, across }: WayRound): string {
  if (led.polarity !== 'one-way') return 'It lights either way round.';
  const same = across ? ` ${across.lamp.name} went in so: ${across.way}.` : '';
  return baseRecord(lamp.base).reversible
    ? `If it stays dark, turn it half round.${same}`
    : `It lights one way round only and this base cannot be turned: check the contact’s polarity first, with a 9 V battery, a probe or the live plug.${same}`;
}

/** A bulb that the new lamp has no socket for. */
export function misfitWords({ lamp, bulb, base, socket }: MovedBulb): string {
  return `The ${bulb} of the ${lamp.name.toLowerCase()} has base ${base}, the new lamp’s socket is ${socket}: it does not move over. Get one for ${socket}.`;
}

/** A whole lamp in the place of one with bulbs. */
export function wholeWords({ lamp, part, pins, bulbs }: About<'whole'>, vehicle: Vehicle): StepWords {
  const plug = part.pinMap
    .map(({ cavity, does, colour }) => `${cavity} ${does}${colour ? ` (${colour})` : ''}`)
    .join(', ');
  const plugs = plugsOf(part);
  const changes = pinChangeWords(vehicle, pins)
    .map((change) => ` ${change}`)
    .join('');
  return {
    place: lamp.name,
    title: `Fit ${part.code} whole`,
    text: `Plug of ${part.connector}: ${plug}. Compare with the old plug by meter, pin by pin.${changes} Clean both sealing faces, seat without wrinkles, hold the lamp in line while tightening; start every screw by hand.`,
    cautions: [
      ...(plugs.length > 1
        ? [`It has plugs ${inARow(plugs)}, which may look alike: tag both ends before either goes in.`]
        : []),
      'Test all its functions before the screws are tight.',
      ...bulbs.filter(({ fits }) => !fits).map(misfitWords),
    ],
    ticks: [
      ...bulbs.map(({ lamp: { id, name }, bulb, socket }) => ({
        id: `bulb ${id}`,
        label: `cleaned and moved over: ${bulb} of the ${name.toLowerCase()}, into ${socket}`,
      })),
      ...[...part.movesOver, ...(lamp.module ? [lamp.module] : [])].map((what) => ({
        id: `moves ${what}`.slice(0, 120),
        label: `moved over: ${what}`,
      })),
      { id: 'seal', label: 'seal clean and without wrinkles' },
      { id: 'grommet', label: 'grommet as deep as the old one sat' },
      { id: 'plugs', label: 'unused plugs capped' },
    ],
  };
}

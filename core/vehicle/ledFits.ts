import { baseRecord, mayBeCk } from '../catalogue/bases.ts';
import { bulbById } from '../catalogue/bulbs.ts';
import { colourRule } from '../catalogue/regions.ts';
import { regionWords } from '../formatting/regionWords.ts';
import { length } from '../formatting/units.ts';
import { workingPoints } from '../judge/workingPoints.ts';
import type { LedPart } from '../model/part.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { wiringClashes } from '../simulation/sockets.ts';
import { coloursFor, functionsOf } from './lampWork.ts';

export interface LedFit {
  fits: boolean;
  /** what keeps it out, each with the figure that decides */
  obstacles: readonly string[];
  /** it goes in, but mind this */
  cautions: readonly string[];
  /** what has to be looked at before anybody can say that it goes in */
  checks: readonly string[];
}

/** Where the supply of a vehicle leaves what a part is made for. */
export function rangeObstacles(vehicle: Vehicle, [low, high]: readonly [number, number]): string[] {
  const points = workingPoints(vehicle.systemVolts).map((point) => point.volts);
  const lowest = Math.min(...points);
  const highest = Math.max(...points);
  return low > lowest || high < highest
    ? [`It is made for ${low} to ${high} V; this vehicle runs from ${lowest} to ${highest} V.`]
    : [];
}

/** Whether an LED can go into a lamp, and why not. */
export function ledFit(vehicle: Vehicle, lamp: Lamp, part: LedPart): LedFit {
  const obstacles: string[] = [];
  const cautions: string[] = [];
  if (!part.bases.includes(lamp.base)) {
    obstacles.push(`Its base is ${part.bases.join(' or ')}; this lamp takes ${lamp.base}.`);
  }
  const checks: string[] = [];
  if (lamp.works?.sealed === true)
    obstacles.push('Its LED is sealed in: no bulb comes out. Only a whole lamp takes its place.');
  if (lamp.works?.sealed === null)
    checks.push('Nobody has looked whether its LED comes out or is sealed in: look behind the lamp.');
  obstacles.push(...rangeObstacles(vehicle, part.supplyRange));
  roomProblems(lamp, part, obstacles, cautions);
  const colours = coloursFor(vehicle, lamp);
  if (!colours.includes(part.colour)) {
    const what = functionsOf(vehicle, lamp.id) || 'dash';
    if ((lamp.lens === 'amber' || lamp.lens === 'red') && part.colour === 'white') {
      cautions.push(
        `White behind ${lamp.lens === 'amber' ? 'an amber' : 'a red'} lens comes out pale. ${lamp.lens === 'amber' ? 'Amber behind amber' : 'Red behind red'} is the safe match.`,
      );
    } else {
      obstacles.push(
        `A ${what} lamp must show ${colours[0] === 'warm' ? 'white' : colours[0]}; this LED is ${part.colour} behind a ${lamp.lens} lens.`,
      );
    }
  }
  // Which of the two it is no look at the bulb tells: nothing is said of it until somebody has looked.
  const open = mayBeCk(vehicle.region, lamp.base) && lamp.socketWiring === undefined;
  if (!open && wiringClashes(lamp, part)) {
    cautions.push(
      `Made for ${part.socketWiring === 'ck' ? 'CK' : 'standard'} wiring; this socket is wired ${lamp.socketWiring === 'ck' ? 'CK' : 'standard'}. It would short the parking feed to earth: look at the earth contacts before anything is bought.`,
    );
  }
  if (open && part.twin)
    cautions.push(
      `Made for ${part.socketWiring === 'ck' ? 'CK' : 'standard'} wiring. Whether this socket is wired standard or CK is not known yet; the wrong LED shorts the parking feed. Identify shows how to tell.`,
    );
  const twin = circuitsOf(vehicle, lamp.id).length > 1 && baseRecord(lamp.base).twin;
  if (twin && !part.twin && !part.switchback) {
    cautions.push(
      'One level only: in this twin socket its dim contact does nothing, so the tail stays dark.',
    );
  }
  if (part.polarity === 'one-way') {
    cautions.push(
      baseRecord(lamp.base).reversible
        ? 'Lights one way round only: if it stays dark, turn it half round.'
        : 'Lights one way round only, and this base cannot be turned: check the polarity of the contact first.',
    );
  }
  parkColour(vehicle, lamp, part, obstacles);
  mindInUse(vehicle, lamp, part, cautions);
  const said = (text: string) => regionWords(vehicle.region, text);
  return {
    fits: obstacles.length + checks.length === 0,
    obstacles: obstacles.map(said),
    cautions: cautions.map(said),
    checks: checks.map(said),
  };
}

/** What a switchback shows with the lights on is a position lamp: its colour is ruled as one. */
function parkColour(vehicle: Vehicle, lamp: Lamp, { switchback }: LedPart, obstacles: string[]): void {
  if (!switchback) return;
  const parks = circuitsOf(vehicle, lamp.id).some(({ kind }) => kind === 'tail' || kind === 'marker');
  if (!parks) return;
  const { colours } = colourRule(vehicle.region, 'tail', lamp.end);
  const plain = (colour: string) => (colour === 'warm' ? 'white' : colour);
  const asked = colours.map(plain);
  if (asked.includes(plain(switchback.parkColour))) return;
  obstacles.push(
    `With the lights on it shows ${switchback.parkColour}; a position lamp at the ${lamp.end} must show ${asked[0]}.`,
  );
}

/** Longer or fatter than the bulb it replaces, or than the room that was measured. */
function roomProblems(lamp: Lamp, part: LedPart, obstacles: string[], cautions: string[]): void {
  const { lengthMm, diameterMm } = part;
  const room = lamp.room ?? {};
  if (room.lengthMm !== undefined && lengthMm > room.lengthMm)
    obstacles.push(`It is ${length(lengthMm)} long; the room behind is ${length(room.lengthMm)}.`);
  if (room.diameterMm !== undefined && diameterMm > room.diameterMm)
    obstacles.push(`It is ${length(diameterMm)} wide; the room is ${length(room.diameterMm)}.`);
  const stock = lamp.works ? undefined : bulbById(lamp.stockBulb);
  if (!stock) return;
  if (lamp.base === 'SV8.5') {
    const apart = Math.abs(lengthMm - stock.lengthMm);
    if (apart > FESTOON_CLIPS_GIVE_MM)
      obstacles.push(
        `It is ${length(lengthMm)} from tip to tip; the clips hold ${length(stock.lengthMm)} and give about ${length(FESTOON_CLIPS_GIVE_MM)}.`,
      );
    else if (apart > 1)
      cautions.push(
        `${length(lengthMm)} between clips for ${length(stock.lengthMm)}: bend them a little until it sits firmly.`,
      );
    return;
  }
  if (room.lengthMm === undefined && lengthMm > stock.lengthMm + 0.5)
    cautions.push(
      `${length(Math.round(lengthMm - stock.lengthMm))} longer than the ${stock.names[0]}: measure the room behind first.`,
    );
  if (room.diameterMm === undefined && diameterMm > stock.glassMm + 0.5)
    cautions.push(
      `${length(Math.round(diameterMm - stock.glassMm))} wider than the ${stock.names[0]}: see that it goes through the opening.`,
    );
}

/** How far the spring clips of a festoon can be bent in or out, mm (common practice). */
const FESTOON_CLIPS_GIVE_MM = 3;

/** What to mind of beam, dimmer, heat and pulses. */
function mindInUse(vehicle: Vehicle, lamp: Lamp, part: LedPart, cautions: string[]): void {
  const circuits = circuitsOf(vehicle, lamp.id);
  const kinds = circuits.map((circuit) => circuit.kind);
  if (lamp.base === 'SV8.5' || part.beam === 'one-side')
    cautions.push('Lights to one side only: the chips must face the lens.');
  if (part.beam === 'forward' && lamp.optics === 'reflector')
    cautions.push(
      'It shines forward only, and this lamp’s beam comes from a mirror behind the bulb: the mirror stays dark.',
    );
  if (part.beam === 'all-round' && lamp.optics === 'lens')
    cautions.push('It shines all round, and this lamp has no mirror: the light to the sides is lost.');
  if (part.cooling === 'fan') cautions.push('Its fan must turn freely; where it seizes the bulb cooks.');
  if (part.sealed === false && lamp.end !== 'inside' && lamp.end !== 'dash')
    cautions.push('It is not sealed: only where the lamp’s own seal is sound.');
  if (part.strobes !== undefined)
    cautions.push(
      `It flashes ${part.strobes} extra times before it stays on. Not allowed on the road in many places${kinds.includes('turn') ? ', and it upsets the turn signal’s rate to the eye' : ''}.`,
    );
  if (circuits.some((circuit) => circuit.dimmerOhms !== undefined))
    cautions.push('This lamp hangs on a dimmer; LEDs often hardly dim on it.');
  if (baseRecord(lamp.base).capsule)
    cautions.push(
      'A capsule shapes the beam: see the fit, the clocking and the aim below. In most places such a retrofit is not road-legal.',
    );
}

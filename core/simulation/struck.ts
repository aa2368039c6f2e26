import type { ResistorNetwork } from '../model/cures.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fault } from './fault.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** A vehicle and what is fitted to it with what is wrong put in. */
export interface Struck {
  vehicle: Vehicle;
  fitment: Fitment;
}

/**
 * Puts into a vehicle what is wrong with its wiring and what is fitted wrongly, before any netlist is built: sockets
 * exchanged, a twin bulb half a turn out, a resistor on the wrong feed. What only adds ohms, opens or joins two wires is
 * left to the netlist.
 */
export function struck(vehicle: Vehicle, fitment: Fitment, faults: readonly Fault[]): Struck {
  return faults.reduce<Struck>(strike, { vehicle, fitment });
}

function strike({ vehicle, fitment }: Struck, fault: Fault): Struck {
  switch (fault.kind) {
    case 'half-turned':
      return {
        vehicle: withFeeds(vehicle, (feed) =>
          feed.lampId === fault.lampId ? { ...feed, input: other(feed.input) } : feed,
        ),
        fitment,
      };
    case 'exchanged':
      return {
        vehicle: withFeeds(vehicle, (feed) => {
          if (feed.lampId === fault.lampId) return { ...feed, lampId: fault.otherId };
          return feed.lampId === fault.otherId ? { ...feed, lampId: fault.lampId } : feed;
        }),
        fitment,
      };
    case 'corroded-carrier':
      return { vehicle: withCarrier(vehicle, fault.lampIds, fault.ohms), fitment };
    case 'fuse-wrong':
      return {
        vehicle: {
          ...vehicle,
          fuses: vehicle.fuses.map((fuse) =>
            fuse.id === fault.fuseId ? { ...fuse, ratedAmps: fault.ratedAmps } : fuse,
          ),
        },
        fitment,
      };
    case 'wrong-wedge':
      return { vehicle, fitment: withContent(fitment, fault.lampId, otherWedge) };
    case 'tap-open':
      return { vehicle, fitment: withNetwork(fitment, fault, () => null) };
    case 'tap-on-other-feed':
      return {
        vehicle,
        fitment: withNetwork(fitment, fault, (network) => ({
          ...network,
          input: other(network.input ?? 'main'),
        })),
      };
    case 'resistor-value':
      return {
        vehicle,
        fitment: withNetwork(fitment, fault, (network) => ({
          ...network,
          pieces: network.pieces.map((piece) => ({ ...piece, ohms: piece.ohms * fault.factor })),
        })),
      };
    case 'screw-off':
      return {
        vehicle,
        fitment:
          fitment.flasher.kind === 'non-watching-relay'
            ? { ...fitment, flasher: { ...fitment.flasher, position: 0 } }
            : fitment,
      };
    case 'setting-lost':
      return { vehicle, fitment: withFilamentSetting(fitment, fault.circuitId) };
    case 'no-decoder':
      return {
        vehicle,
        fitment: {
          ...fitment,
          cures: fitment.cures.filter((cure) => cure.kind !== 'decoder' || cure.lampId !== fault.lampId),
        },
      };
    default:
      return { vehicle, fitment };
  }
}

const other = (input: LampInput): LampInput => (input === 'main' ? 'dim' : 'main');

function withFeeds(
  vehicle: Vehicle,
  change: (feed: Circuit['feeds'][number]) => Circuit['feeds'][number],
): Vehicle {
  return {
    ...vehicle,
    circuits: vehicle.circuits.map((circuit) => ({ ...circuit, feeds: circuit.feeds.map(change) })),
  };
}

/** A carrier of its own between some lamps and the earth they had. */
function withCarrier(vehicle: Vehicle, lampIds: readonly string[], ohms: number): Vehicle {
  const id = `carrier-${lampIds[0] ?? ''}`;
  return {
    ...vehicle,
    earthPoints: [...vehicle.earthPoints, { id, name: 'Corroded carrier', ohms }],
    lamps: vehicle.lamps.map((lamp) => (lampIds.includes(lamp.id) ? { ...lamp, earthPoint: id } : lamp)),
  };
}

function withContent(
  fitment: Fitment,
  lampId: string,
  change: (content: SocketContent) => SocketContent,
): Fitment {
  const contents = new Map(fitment.contents);
  const content = contents.get(lampId);
  if (content) contents.set(lampId, change(content));
  return { ...fitment, contents };
}

function otherWedge(content: SocketContent): SocketContent {
  if (content.kind !== 'led') return content;
  const socketWiring = content.part.socketWiring === 'ck' ? 'standard' : 'ck';
  return { kind: 'led', part: { ...content.part, socketWiring } };
}

/** The network that is the so-manieth at its lamp, changed or left out. */
function withNetwork(
  fitment: Fitment,
  { lampId, index }: { lampId: string; index: number },
  change: (network: ResistorNetwork) => ResistorNetwork | null,
): Fitment {
  let at = -1;
  const resistors = fitment.resistors.flatMap((network): ResistorNetwork[] => {
    if (network.lampId !== lampId) return [network];
    at += 1;
    const next = at === index ? change(network) : network;
    return next ? [next] : [];
  });
  return { ...fitment, resistors };
}

function withFilamentSetting(fitment: Fitment, circuitId: string): Fitment {
  const { flasher } = fitment;
  if (flasher.kind !== 'controller') return fitment;
  return {
    ...fitment,
    flasher: {
      ...flasher,
      outputs: flasher.outputs.map((output) =>
        output.circuitId === circuitId && output.watch
          ? { ...output, watch: { ...output.watch, setting: 'filament' } }
          : output,
      ),
    },
  };
}

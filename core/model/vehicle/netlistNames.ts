/** Names of the places, parts and contacts of a vehicle's netlist: results are asked for by them. */
export const NODES = {
  batteryPlus: '30',
  fused: (fuseId: string) => `${fuseId}.fused`,
  flasherOut: '49a',
  switched: (circuitId: string) => `${circuitId}.switched`,
  bus: (circuitId: string) => `${circuitId}.bus`,
  /** the branch of what turns and does not stop, where others of the circuit do */
  turnOnly: (circuitId: string) => `${circuitId}.turn-only`,
  feed: (lampId: string, input: 'main' | 'dim' = 'main') =>
    input === 'main' ? `${lampId}.feed` : `${lampId}.dim-feed`,
  earth: (lampId: string) => `${lampId}.earth`,
  earthPoint: (id: string) => `earth-point.${id}`,
};

export const ELEMENTS = {
  battery: 'battery',
  /** the meter or ohmmeter somebody holds to a pin */
  meter: 'meter',
  fuse: (fuseId: string) => `${fuseId}.fuse`,
  flasher: 'flasher',
  /** what passes from its switch or output into a circuit */
  wire: (circuitId: string) => `${circuitId}.wire`,
  /** the lead of the first of those that feed it, and of the others by their number */
  lead: (lampId: string, input: 'main' | 'dim' = 'main', feeder = 0) =>
    `${lampId}.${input === 'main' ? 'lead' : 'dim-lead'}${feeder || ''}`,
  earthReturn: (lampId: string) => `${lampId}.return`,
  earthPoint: (id: string) => `${id}.earth-point`,
  bulb: (lampId: string) => `${lampId}.bulb`,
  /** the dim filament of a twin bulb */
  dimFilament: (lampId: string) => `${lampId}.bulb-dim`,
  contact: (lampId: string, input: 'main' | 'dim' = 'main') =>
    input === 'main' ? `${lampId}.contact` : `${lampId}.dim-contact`,
  resistor: (lampId: string, index: number) => `${lampId}.resistor${index}`,
  /** a resistor that is only being thought about: open until it is given ohms */
  trialAtLamp: (lampId: string) => `${lampId}.trial`,
  trialAtSide: (circuitId: string) => `${circuitId}.side-trial`,
  segment: (lampId: string, index: number) => `${lampId}.segment${index}`,
};

/** Names of the contacts that whoever runs a netlist opens and closes. */
export const CONTACTS = {
  flasher: 'flasher',
  /** the turn switch of a side, the switch of a steady circuit, or the output of a controller */
  circuit: (circuitId: string) => `${circuitId}.on`,
  /** whether the bright feed of a turn circuit is on: its switch closed and its flasher too */
  bright: (circuitId: string) => `${circuitId}.bright`,
  /** the stop feed of a combined stop-and-turn filament */
  stop: (circuitId: string) => `${circuitId}.stop`,
  /** what turns and does not stop, joined to the rest while the brake does not feed it */
  turnOnly: (circuitId: string) => `${circuitId}.turn-only`,
  /** whether a bulb is in its socket */
  seated: (lampId: string) => `${lampId}.seated`,
  segment: (lampId: string, index: number) => `${lampId}.segment${index}-on`,
  /** the white string of a switchback bulb */
  park: (lampId: string) => `${lampId}.park-on`,
  alternator: 'alternator',
  key: 'key',
};

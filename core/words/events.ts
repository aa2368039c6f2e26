import type { Happening } from '../devices/device.ts';
import { amps, volts } from '../formatting/format.ts';

/** What happened on the dash, in the fault memory or to a fuse, in a line without its full stop. */
export function eventWords(event: Happening): string {
  switch (event.kind) {
    case 'message':
      return event.message;
    case 'code':
      return `${event.code} stored, ${event.amps.toFixed(2)} A ${FOUND[event.found]}`;
    case 'output-off':
      return `Output ${event.circuitId} switched off: ${event.amps.toFixed(1)} A is over its ${event.limitAmps} A`;
    case 'fuse':
      return event.afterSeconds === null
        ? `${event.name} blown`
        : `${event.name} blows after about ${event.afterSeconds < 10 ? event.afterSeconds.toFixed(1) : Math.round(event.afterSeconds)} s`;
    case 'flasher':
      return event.is === 'starved'
        ? `${event.name}: ${event.amps.toFixed(2)} A is under the ${event.limitAmps} A it needs to start`
        : `${event.name}: ${event.amps.toFixed(2)} A is over the ${event.limitAmps} A it is rated for`;
    case 'sense':
      return `${event.unit}: ${volts(event.heldVolts)} on the wire with the pedal up, must be under ${volts(event.underVolts)}`;
    case 'charge':
      return `Charge lamp passes ${amps(event.amps)}; the alternator wants ${amps(event.neededAmps)} to start`;
  }
}

const FOUND = { lit: 'while lit', 'cold-check': 'in a cold check, the lamp being off' } as const;

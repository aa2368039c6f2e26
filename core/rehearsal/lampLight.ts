import { signalFilament } from '../catalogue/bulbs.ts';
import type { Circuit } from '../circuit/engine/circuit.ts';
import { ledRatedAmps } from '../circuit/engine/ledElements.ts';
import { Filament } from '../circuit/filament.ts';
import type { SocketContent } from '../vehicle/fitment.ts';
import { TURN_ELEMENTS } from '../vehicle/turnNetlist.ts';

/** Reads a lamp's light from a solved circuit, as a share of its light when rated. */
export type LightMeter = (circuit: Circuit) => number;

/** Light follows a filament's temperature, and an LED's string current (or what its converter takes). */
export function lightMeter(lampId: string, content: SocketContent): LightMeter {
  const bulb = TURN_ELEMENTS.bulbOf(lampId);
  switch (content.kind) {
    case 'empty':
      return () => 0;
    case 'filament': {
      const filament = new Filament(signalFilament(content.bulb));
      return (circuit) => filament.lightAt(circuit.branch(bulb).filamentKelvin ?? Filament.ambientKelvin);
    }
    case 'led': {
      const rated = ledRatedAmps(content.part);
      const element = content.part.ballast.kind === 'converter' ? `${bulb}.converter` : `${bulb}.led`;
      // A reversed string passes picoamps the other way; that is dark, not less than dark.
      return (circuit) => Math.max(0, circuit.amps(element)) / rated;
    }
  }
}

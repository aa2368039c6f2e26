import { setEarthWord } from '../../core/formatting/regionWords.ts';
import { readUnits, setUnits } from '../../core/formatting/units.ts';

// A worker has its settings behind its name: it writes as whoever started it does.
try {
  const { name } = globalThis as unknown as { name: string };
  const { units, earth } = JSON.parse(name.slice(name.indexOf(' ') + 1)) as {
    units?: unknown;
    earth?: unknown;
  };
  setUnits(readUnits(units));
  if (earth === 'earth' || earth === 'ground') setEarthWord(earth);
} catch {
  // Nothing was ever set: as usual.
}

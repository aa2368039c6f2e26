import type { ELK } from 'elkjs/lib/elk-api.js';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import { supplyVoltsFor } from '../traces/supply.ts';
import { vehicleReport } from '../traces/vehicleReport.ts';
import { connectorsOf } from '../wiring/connectors.ts';
import { layoutSheet } from '../wiring/sheet/layout.ts';
import { wiringSheet } from '../wiring/sheet/sheet.ts';
import { sheetSvg } from '../wiring/sheet/svg.ts';

const CONFIGURATIONS = ['stock', 'leds', 'cured'] as const;
/** A coach has more plugs than anybody looks at in a pack. */
const MOST_SHEETS = 60;

/**
 * What of a job another program or a sheet of paper can show, to go along with it: its circuit in each configuration as a
 * netlist for ngspice (left turn and lights on, engine running), and the wiring sheet of each plug as SVG.
 *
 * @param elk lays the sheets out
 * @returns files by name; what cannot be drawn, of a job that names a part nobody has, is left out
 */
export async function jobDrawings(
  job: Job,
  shelf: Shelf,
  elk: Pick<ELK, 'layout'>,
): Promise<{ name: string; text: string }[]> {
  const drawings: { name: string; text: string }[] = [];
  const controls = { ...CONTROLS_OFF, key: 'running' as const, lights: true, turn: 'left' as const };
  for (const configuration of CONFIGURATIONS) {
    const { spice } = vehicleReport(
      job,
      shelf,
      configuration,
      controls,
      supplyVoltsFor(job.vehicle, 'running'),
    );
    drawings.push({ name: `netlists/${job.id}-${configuration}.cir`, text: spice });
  }
  for (const { connector } of connectorsOf(job.vehicle).slice(0, MOST_SHEETS)) {
    const sheet = wiringSheet(job, shelf, connector.id);
    const svg = sheetSvg(await layoutSheet(sheet, elk), sheet.title);
    drawings.push({ name: `wiring/${job.id}-${connector.id}.svg`, text: svg });
  }
  return drawings;
}

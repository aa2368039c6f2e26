import { colourRule, regionName, regionRule } from '../../../core/catalogue/regions.ts';
import { sourceWords } from '../../../core/formatting/source.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { circuitsOf } from '../../../core/model/vehicle/lookUp.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';

/** What the rules of the region say of this lamp: a caution with its source, never advice. */
export function RegionCautions({ lamp }: { lamp: Lamp }) {
  const { vehicle } = useDesk().job;
  const circuit = circuitsOf(vehicle, lamp.id)[0];
  const retrofit = regionRule(vehicle.region, 'retrofit bulbs');
  const road = lamp.end !== 'inside' && lamp.end !== 'dash';
  if (!circuit || !road) return null;
  const rule = colourRule(vehicle.region, circuit.kind, lamp.end);
  return (
    <Caution>
      {regionName(vehicle.region)}: {workName(circuit.kind)} may show{' '}
      {rule.colours.map((colour) => (colour === 'warm' ? 'warm white' : colour)).join(' or ')} (
      {sourceWords(rule.source)}
      ). {retrofit && `${retrofit.text} (${sourceWords(retrofit.source)}).`} Local code and licensed practice
      decide.
    </Caution>
  );
}

import { NativeSelect, SegmentedControl } from '@mantine/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { leadReach } from '../../../core/cures/loadResistor/mounting.ts';
import { ohms, watts } from '../../../core/formatting/format.ts';
import { sourceWords } from '../../../core/formatting/source.ts';
import { temperature } from '../../../core/formatting/units.ts';
import { hotterAt } from '../../../core/heat/measured.ts';
import { bodyOf, mountedPieces, usesOfPiece } from '../../../core/heat/mounts.ts';
import { type RefusedPlace, whyRefused } from '../../../core/heat/refused.ts';
import { type HeatMount, heatMount } from '../../../core/heat/resistorHeat.ts';
import { AMBIENTS, HEAT_LINES, judgeHeat, SKIN_TEN_SECONDS } from '../../../core/heat/useCases.ts';
import { chargingVolts } from '../../../core/judge/workingPoints.ts';
import type { ResistorNetwork } from '../../../core/model/cures.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { heatWords } from '../../../core/words/heat.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import classes from './HeatCard.module.css';

const HeatChart = lazy(() => import('./HeatChart.tsx'));

const REFUSED: Record<RefusedPlace, string> = {
  plastic: 'plastic or rubber',
  carpet: 'carpet or trim',
  loom: 'against the loom',
};

const MOUNTS: Record<HeatMount, string> = {
  'free-air': 'free air, not screwed to anything',
  panel: 'thin body panel, as large as a spread hand',
  bracket: 'a lamp’s bracket on standoffs',
  recess: 'tucked into a lamp’s recess',
  chassis: 'chassis or thick bracket',
};

function isRefused(place: HeatMount | RefusedPlace): place is RefusedPlace {
  return place in REFUSED;
}

/** How hot a resistor gets on its mount in the uses it sees, against what burns, softens and melts. */
export function HeatCard({ networks }: { networks: readonly ResistorNetwork[] }) {
  const { job, shelf } = useDesk();
  const { vehicle } = job;
  const [lampId, setLampId] = useState<string | null>(null);
  const [trial, setTrial] = useState<HeatMount | RefusedPlace | null>(null);
  const [useId, setUseId] = useState<string | null>(null);
  const network = networks.find((each) => each.lampId === lampId) ?? networks[0];
  const lamp = vehicle.lamps.find((each) => each.id === network?.lampId);
  const place = trial ?? heatMount(lamp?.resistorMount ?? 'none');
  const refused = isRefused(place) ? place : null;
  const mount: HeatMount = isRefused(place) ? 'free-air' : place;
  const at = chargingVolts(vehicle.systemVolts);
  const all = useMemo(
    () => mountedPieces(vehicle, networks, at, hotterAt(job)),
    [job, vehicle, networks, at],
  );
  const hottest = all
    .filter((each) => each.network === network)
    .toSorted((a, b) => b.litWatts - a.litWatts)[0];
  const uses = useMemo(() => (hottest ? usesOfPiece(vehicle, hottest) : []), [vehicle, hottest]);
  const use = uses.find((each) => each.id === useId) ?? uses.filter((each) => !each.fault).at(-1);
  const piece = hottest && network?.pieces[hottest.index];
  const lit = hottest?.litWatts ?? 0;
  const ratedWatts = piece?.watts ?? 0;
  const verdicts = useMemo(() => {
    if (!use || !hottest) return [];
    // Tried elsewhere, it is alone there.
    const body = trial === null ? bodyOf(hottest, all, use) : { ratedWatts, mount };
    return AMBIENTS.map((ambient) => judgeHeat(body, lit, use, ambient));
  }, [hottest, all, trial, ratedWatts, mount, lit, use]);
  const sharing = hottest ? all.filter((each) => each !== hottest && each.mount === hottest.mount).length : 0;
  if (!use || !piece || !lamp) return null;
  const worst = verdicts.at(-1);
  const [reach] = leadReach(vehicle, shelf, network ? [network] : []);
  return (
    <Card title={`Heat of ${ohms(piece.ohms)} ${watts(piece.watts)} at ${lamp.name.toLowerCase()}`}>
      <div className={classes.fields}>
        {networks.length > 1 && (
          <NativeSelect
            label="Resistor at"
            value={lamp.id}
            data={networks.map((each) => ({
              value: each.lampId,
              label: lampById(vehicle, each.lampId).name,
            }))}
            onChange={(event) => setLampId(event.currentTarget.value)}
          />
        )}
        <NativeSelect
          label="Mounted on"
          description={
            lamp.resistorMount === 'none'
              ? 'Identify says there is no metal here.'
              : 'As Identify has it; try others.'
          }
          value={place}
          data={Object.entries({ ...MOUNTS, ...REFUSED }).map(([value, label]) => ({ value, label }))}
          onChange={(event) => setTrial(event.currentTarget.value as HeatMount | RefusedPlace)}
        />
      </div>
      {reach && <p data-reaches={reach.reaches}>{reach.text}</p>}
      {uses.length > 1 && (
        <SegmentedControl
          className={classes.uses}
          size="xs"
          aria-label="Use"
          value={use.id}
          onChange={setUseId}
          data={uses.map((each) => ({ value: each.id, label: each.name }))}
        />
      )}
      {refused && (
        <Caution>{whyRefused(refused, ratedWatts, lit, use, AMBIENTS.at(-1) ?? AMBIENTS[0])}</Caution>
      )}
      <Suspense fallback={<p className="faint">Drawing the curve.</p>}>
        <HeatChart verdicts={verdicts} lines={HEAT_LINES} />
      </Suspense>
      <ul className={classes.verdicts}>
        {verdicts.map((verdict) => (
          <li key={verdict.ambientCelsius} data-state={verdict.state}>
            {heatWords(verdict)}{' '}
            {verdict.coolerAfterSeconds > 0 &&
              `Estimated to be under ${temperature(SKIN_TEN_SECONDS)} ${Math.ceil(verdict.coolerAfterSeconds / 60)} min after switching off: measure before a hand goes there.`}
          </li>
        ))}
      </ul>
      <p className="faint">
        {watts(lit)} while lit at {at.toFixed(1)} V, lower end of its tolerance, its share of that while
        flashing
        {sharing > 0 && trial === null ? `; ${sharing} more on the same metal warm it too` : ''}. Two-node
        estimate, typical housings and mounts; lines by{' '}
        {HEAT_LINES.map((line) => sourceWords(line.source))
          .filter((each, index, all) => all.indexOf(each) === index)
          .join('; ')}
        .
      </p>
      {!refused && worst && worst.state !== 'cool' && (
        <Caution>
          Never on plastic, rubber or carpet, nor against wiring, whatever the curve says: screwed to bare
          metal, in air, with its leads led away.
        </Caution>
      )}
    </Card>
  );
}

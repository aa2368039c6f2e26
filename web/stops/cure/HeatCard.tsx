import { NativeSelect, SegmentedControl } from '@mantine/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { pieceWatts } from '../../../core/circuit/resistorNetwork.ts';
import { leadReach } from '../../../core/cures/loadResistor/mounting.ts';
import { type RefusedPlace, whyRefused } from '../../../core/heat/refused.ts';
import { type HeatMount, heatMount } from '../../../core/heat/resistorHeat.ts';
import { AMBIENTS, HEAT_LINES, judgeHeat, usesOn } from '../../../core/heat/useCases.ts';
import { chargingVolts } from '../../../core/judge/workingPoints.ts';
import type { ResistorNetwork } from '../../../core/model/job.ts';
import { circuitsFeeding, lampById } from '../../../core/model/vehicle/vehicle.ts';
import { ohms, watts } from '../../../core/quantities/format.ts';
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
  panel: '200 cm² of thin body panel',
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
  const feeding = lamp && network && circuitsFeeding(vehicle, lamp.id, network.input ?? 'main');
  const uses = usesOn(vehicle, feeding?.[0]?.kind ?? 'turn');
  const use = uses.find((each) => each.id === useId) ?? uses.at(-1);
  const piece = network?.pieces[0];
  const at = chargingVolts(vehicle.systemVolts);
  const lit = network && piece ? Math.max(...pieceWatts(network, at, 1 - piece.tolerance)) : 0;
  const ratedWatts = piece?.watts ?? 0;
  const verdicts = useMemo(
    () => (use ? AMBIENTS.map((ambient) => judgeHeat({ ratedWatts, mount }, lit, use, ambient)) : []),
    [ratedWatts, mount, lit, use],
  );
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
            {verdict.reason}{' '}
            {verdict.safeAfterSeconds > 0 &&
              `A hand may rest on it ${Math.ceil(verdict.safeAfterSeconds / 60)} min after switching off.`}
          </li>
        ))}
      </ul>
      <p className="faint">
        {watts(lit)} while lit at {at.toFixed(1)} V, lower end of its tolerance, half of that while flashing.
        Two-node estimate, typical housings and mounts; lines by{' '}
        {HEAT_LINES.map((line) => line.source)
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

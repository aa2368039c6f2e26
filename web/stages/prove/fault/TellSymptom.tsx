import { Button, NativeSelect } from '@mantine/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { circuitsOf } from '../../../../core/model/vehicle/lookUp.ts';
import type { ProvingGrid } from '../../../../core/proving/grid.ts';
import { SYMPTOMS, type Symptom } from '../../../../core/proving/symptomList.ts';
import { placesOfSymptoms, symptomTold } from '../../../../core/proving/symptoms.ts';
import { cellLook } from '../../../../core/proving/toldOf.ts';
import { useEvidence } from '../../../job/measure/useEvidence.ts';
import { useDesk } from '../../../job/workspace.ts';
import classes from './Fault.module.css';

/** It said in words: what it does, and where; written down as the cells it speaks of. */
export function TellSymptom({ grid }: { grid: ProvingGrid }) {
  const { job } = useDesk();
  const { record } = useEvidence();
  const [asked] = useSearchParams();
  const placesById = useMemo(() => placesOfSymptoms(job.vehicle, grid), [job.vehicle, grid]);
  const placesOf = (each: Symptom) => placesById.get(each.id) ?? [];
  const offered = SYMPTOMS.filter((each) => placesOf(each).length > 0);
  const [id, setId] = useState(asked.get('odd') ?? '');
  const [at, setAt] = useState(asked.get('at') ?? '');
  const symptom = offered.find((each) => each.id === id);
  const places = symptom ? placesOf(symptom) : [];
  // A lamp that was named says its side and its circuits too.
  const fed = circuitsOf(job.vehicle, at).map((circuit) => circuit.id);
  const place =
    places.find((each) => each.id === at) ?? places.find((each) => fed.includes(each.id)) ?? places[0];
  const tell = () => {
    if (!symptom || !place) return;
    const looks = symptomTold(symptom, place.id, job.vehicle, grid).flatMap(({ cellId, seen }) => {
      const cell = grid.cells.find((each) => each.id === cellId);
      if (!cell) return [];
      const told = { method: 'told' as const, symptom: symptom.id, words: symptom.words };
      return [{ ...cellLook(job, cell, seen, 'cured'), ...told }];
    });
    record(`Told: ${symptom.words}${place.name ? `, ${place.name.toLowerCase()}` : ''}`, ...looks);
    setId('');
  };
  return (
    <div className={classes.tell}>
      <NativeSelect
        label="What does it do?"
        value={symptom ? id : ''}
        onChange={(event) => setId(event.currentTarget.value)}
        data={[
          { value: '', label: 'say it in words' },
          ...offered.map((each) => ({ value: each.id, label: each.words })),
        ]}
      />
      {symptom && symptom.of !== 'vehicle' && (
        <NativeSelect
          label="Where?"
          value={place?.id ?? ''}
          onChange={(event) => setAt(event.currentTarget.value)}
          data={places.map((each) => ({ value: each.id, label: each.name }))}
        />
      )}
      <Button disabled={!symptom || !place} onClick={(event) => event.detail < 2 && tell()}>
        Tell it
      </Button>
    </div>
  );
}

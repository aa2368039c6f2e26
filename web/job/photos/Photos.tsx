import { Button, NativeSelect } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { jobLamps } from '../../../core/model/scope.ts';
import type { PhotoRow } from '../../store/db.ts';
import { addPhoto, binPhoto, photosOf, restorePhoto, shrinkPhoto } from '../../store/photos.ts';
import { Card } from '../../ui/Card.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { useDesk } from '../workspace.ts';
import classes from './Photos.module.css';

/** Photographs of the vehicle and its lamps, from the camera or from files. They stay in this browser. */
export function Photos() {
  const { job, lamp } = useDesk();
  const [of, setOf] = useState('');
  const [busy, setBusy] = useState(false);
  const photos = useLiveQuery(() => photosOf(job.id), [job.id]);
  // The lamp in hand is what somebody most likely photographs.
  useEffect(() => setOf(lamp?.id ?? ''), [lamp?.id]);
  const add = async (files: FileList | null) => {
    setBusy(true);
    for (const file of files ?? []) {
      try {
        const image = await shrinkPhoto(file);
        await addPhoto({ id: randomId('photo-'), jobId: job.id, lampId: of || null, name: file.name, image });
      } catch (error) {
        tellTrouble(error as Error);
      }
    }
    setBusy(false);
  };
  return (
    <Card title="Photographs">
      <div className={classes.add}>
        <NativeSelect
          aria-label="Photograph of"
          value={of}
          data={[
            { value: '', label: 'The vehicle' },
            ...jobLamps(job).map((each) => ({ value: each.id, label: each.name })),
          ]}
          onChange={(event) => setOf(event.currentTarget.value)}
        />
        <Button component="label" variant="default" loading={busy}>
          Add a photograph
          <input
            type="file"
            accept="image/*"
            capture="environment"
            multiple
            className="visually-hidden"
            onChange={(event) => {
              const input = event.currentTarget;
              add(input.files).finally(() => {
                input.value = '';
              });
            }}
          />
        </Button>
      </div>
      {photos && photos.length > 0 ? (
        <ul className={classes.photos}>
          {photos.map((photo) => (
            <Photo key={photo.id} photo={photo} />
          ))}
        </ul>
      ) : (
        <p className="faint">None yet. They stay in this browser and are not part of an exported job.</p>
      )}
    </Card>
  );
}

function Photo({ photo }: { photo: PhotoRow }) {
  const { job } = useDesk();
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(photo.image);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [photo.image]);
  const of = job.vehicle.lamps.find((lamp) => lamp.id === photo.lampId)?.name ?? 'The vehicle';
  const remove = () =>
    binPhoto(photo.id)
      .then(() => offerUndo('Photograph removed', () => restorePhoto(photo.id)))
      .catch(tellTrouble);
  return (
    <li>
      {url && (
        <a href={url} target="_blank" rel="noreferrer">
          <img src={url} alt={`${of}, ${photo.name}`} />
        </a>
      )}
      <span className={classes.caption}>
        {of}
        <button type="button" onClick={remove} aria-label={`Remove the photograph of ${of}, ${photo.name}`}>
          Remove
        </button>
      </span>
    </li>
  );
}

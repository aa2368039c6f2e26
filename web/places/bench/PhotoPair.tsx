import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import type { Patch } from '../../../core/formats/frames.ts';
import { ratioWords } from '../../../core/record/lightWords.ts';
import {
  type Exposure,
  type PhotoPatch,
  photoRatio,
  type WithheldPhotos,
} from '../../../core/record/photoPair.ts';
import { MIDDLE, PatchBox } from '../../job/measure/flash/PatchBox.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import classes from './Bench.module.css';

const WITHHELD: Record<WithheldPhotos, string> = {
  'not-locked':
    'No ratio: a camera that sets itself makes bright and dim alike. Lock exposure, ISO and white balance.',
  'exposures-differ': 'No ratio: the files say that they were exposed differently.',
  'too-bright': 'No ratio: the patch is over what the camera can show. Expose shorter, both alike.',
  'too-dark': 'No ratio: the patch is too dark for the camera. Expose longer, both alike.',
  'nothing-before': 'No ratio: before the work the patch is no brighter than its surroundings.',
};
/** A photograph is looked at in so many pixels across. */
const SIDE = 480;

interface Photo {
  picture: ImageBitmap;
  exposure: Exposure;
  name: string;
}

/** Two photographs of one lamp from one place, exposure locked: how much brighter a patch is. */
export function PhotoPair() {
  const { job } = useDesk();
  const { record } = useEvidence();
  const [photos, setPhotos] = useState<{ before: Photo | null; after: Photo | null; dark: Photo | null }>({
    before: null,
    after: null,
    dark: null,
  });
  const [locked, setLocked] = useState(false);
  const [patch, setPatch] = useState(MIDDLE);
  const [lampId, setLampId] = useState(job.vehicle.lamps[0]?.id ?? '');
  const [spot, setSpot] = useState('on its axis');
  const { before, after, dark } = photos;
  const ratio =
    before && after
      ? photoRatio(
          patchOf(before, patch),
          patchOf(after, patch),
          dark && patchOf(dark, patch),
          [before.exposure, after.exposure],
          locked,
        )
      : null;
  const open = (which: keyof typeof photos) => async (file: File) => {
    const photo = await photoOf(file);
    setPhotos((now) => ({ ...now, [which]: photo }));
  };
  return (
    <Card title="Two photographs">
      <Caution>
        From one place, phone propped up, exposure, ISO and white balance locked, the lamp not straight into
        the lens. A camera bends its tones: the ratio is coarse, and no lux.
      </Caution>
      <div className={classes.row}>
        <FileButton
          label={before ? `Before: ${before.name}` : 'Photograph before'}
          field="Photograph before"
          accept="image/*"
          open={open('before')}
        />
        <FileButton
          label={after ? `After: ${after.name}` : 'Photograph after'}
          field="Photograph after"
          accept="image/*"
          open={open('after')}
        />
        <FileButton
          label={dark ? `Off: ${dark.name}` : 'Lamp off, if taken'}
          field="Photograph with the lamp off"
          accept="image/*"
          open={open('dark')}
        />
      </div>
      <Checkbox
        mt="sm"
        checked={locked}
        onChange={(event) => setLocked(event.currentTarget.checked)}
        label="Exposure, ISO and white balance were locked for all of them"
      />
      {(after ?? before) && (
        <PatchBox patch={patch} change={setPatch}>
          <Picture photo={(after ?? before) as Photo} />
        </PatchBox>
      )}
      {ratio && (
        <>
          <p role="status">
            {'withheld' in ratio
              ? WITHHELD[ratio.withheld]
              : `The patch is ${ratioWords(ratio)} as bright, by photographs.`}
          </p>
          <div className={classes.fields}>
            <NativeSelect
              label="Of"
              value={lampId}
              onChange={(event) => setLampId(event.currentTarget.value)}
              data={job.vehicle.lamps.map(({ id, name }) => ({ value: id, label: name }))}
            />
            <TextInput
              label="From where"
              maxLength={160}
              value={spot}
              onChange={(event) => setSpot(event.currentTarget.value)}
            />
          </div>
          <Button
            mt="sm"
            disabled={'withheld' in ratio || spot.trim() === ''}
            onClick={() => {
              if ('withheld' in ratio) return;
              record('Brightness by photographs', {
                kind: 'light-ratio',
                lampId,
                spot: spot.trim(),
                quantity: {
                  value: Number(ratio.value.toFixed(2)),
                  unit: '×',
                  uncertainty: Number(ratio.uncertainty.toFixed(2)),
                },
              });
            }}
          >
            Write the ratio down
          </Button>
        </>
      )}
    </Card>
  );
}

function Picture({ photo: { picture } }: { photo: Photo }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    canvas.current?.getContext('2d')?.drawImage(picture, 0, 0);
  }, [picture]);
  return (
    <canvas
      ref={canvas}
      width={picture.width}
      height={picture.height}
      style={{ width: '100%', height: 'auto' }}
      aria-label="Photograph"
    />
  );
}

/** A photograph in hand, and how its file says it was exposed. @throws Error for what is no picture */
async function photoOf(file: File): Promise<Photo> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file, { resizeWidth: SIDE, resizeQuality: 'medium' });
  } catch {
    throw new Error(`${file.name} is no picture this browser can open. Save it as JPEG or PNG.`);
  }
  const { default: exifr } = await import('exifr');
  const said = (await exifr
    .parse(file, ['ExposureTime', 'ISO', 'FNumber'])
    // A picture without such data is as good: then the tick alone counts.
    .catch(() => undefined)) as { ExposureTime?: number; ISO?: number; FNumber?: number } | undefined;
  return {
    picture,
    name: file.name,
    exposure: { seconds: said?.ExposureTime ?? null, iso: said?.ISO ?? null, fNumber: said?.FNumber ?? null },
  };
}

function patchOf({ picture }: Photo, { left, top, width, height }: Patch): PhotoPatch {
  const [w, h] = [
    Math.max(1, Math.round(width * picture.width)),
    Math.max(1, Math.round(height * picture.height)),
  ];
  const canvas = new OffscreenCanvas(w, h);
  const context = canvas.getContext('2d');
  context?.drawImage(picture, -Math.round(left * picture.width), -Math.round(top * picture.height));
  return { pixels: context?.getImageData(0, 0, w, h).data ?? new Uint8ClampedArray(4) };
}

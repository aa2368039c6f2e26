import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { addLamps } from '../../../core/vehicle/edit/lamps.ts';
import { LAMP_TEMPLATES, type LampTemplateId, TEMPLATES } from '../../../core/vehicle/edit/lampTemplates.ts';
import { functionsOf } from '../../../core/vehicle/lampWork.ts';
import { Card } from '../../ui/Card.tsx';
import { Gradually } from '../../ui/Gradually.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import { LampList } from '../lamps/LampList.tsx';
import { useDesk } from '../workspace.ts';
import { CircuitsCard } from './CircuitsCard.tsx';
import { FlasherFacts } from './FlasherFacts.tsx';
import { LampEditor } from './LampEditor.tsx';
import { Questions } from './Questions.tsx';
import classes from './VehicleEditor.module.css';
import { WatchCard } from './WatchCard.tsx';

/** The vehicle itself: its lamps on the plan, their work and bulbs, fuses, flasher, and what nobody knows yet. */
export default function VehicleEditor() {
  const { job, edit, lamp, alike, setAlike } = useDesk();
  const { vehicle } = job;
  // Nobody has done anything on it yet.
  const fresh = Object.keys(job.identified).length + Object.keys(job.chosen).length === 0;
  return (
    <div className={classes.editor}>
      <div className={classes.head}>
        <p>
          {fresh && (
            <>
              <b>Next:</b> see that every lamp stands on the plan with its work and bulb; what you do not know
              stays open. Then look over: work the lamps, say which the job converts.{' '}
            </>
          )}
          Left is left from the driver’s seat. Drag a lamp on the plan, or choose it and press the arrow keys
          (with Shift, five steps). Every change can be undone.
        </p>
        <Button component={Link} to={`/jobs/${job.id}/look-over`} variant="default">
          {fresh ? 'On to look over' : 'Back to the job'}
        </Button>
      </div>
      <div className={classes.columns}>
        <div className={classes.column}>
          <Gradually>
            <LampList
              whole
              title={`${vehicle.lamps.length} lamps`}
              current={lamp ?? undefined}
              value={(each) => each.base}
              note={(each) => functionsOf(vehicle, each.id) || 'no work'}
            />
            <AddLamp />
            <Card title="Name and rules">
              <div className={classes.fields}>
                <SavedText
                  label="Name"
                  value={vehicle.name}
                  maxLength={160}
                  onSave={(text) =>
                    edit('Name of the vehicle', (draft) => void (draft.vehicle.name = text), {
                      mergeKey: 'vehicle-name',
                    })
                  }
                />
                <SavedText
                  label="Model"
                  description="Records of one model are compared with each other."
                  value={vehicle.model}
                  maxLength={160}
                  onSave={(text) =>
                    edit('Model', (draft) => void (draft.vehicle.model = text), { mergeKey: 'vehicle-model' })
                  }
                />
                <NativeSelect
                  label="Rules of"
                  value={vehicle.region}
                  data={[
                    { value: 'UN', label: 'UN regulations' },
                    { value: 'US', label: 'North America' },
                  ]}
                  onChange={(event) => {
                    const region = event.currentTarget.value === 'US' ? 'US' : 'UN';
                    edit('Rules that apply', (draft) => void (draft.vehicle.region = region));
                  }}
                />
                <NativeSelect
                  label="Traffic keeps"
                  description="Where it is used: the driver sits on the other side, mostly."
                  value={vehicle.facts?.traffic ?? ''}
                  data={[
                    { value: '', label: 'Don’t know yet' },
                    { value: 'right', label: 'right' },
                    { value: 'left', label: 'left' },
                  ]}
                  onChange={(event) => {
                    const said = event.currentTarget.value;
                    edit('Side traffic keeps to', (draft) => {
                      const { traffic: _, ...facts } = draft.vehicle.facts ?? {};
                      draft.vehicle.facts =
                        said === 'left' || said === 'right' ? { ...facts, traffic: said } : facts;
                    });
                  }}
                />
                <Checkbox
                  label="It has a hazard switch"
                  checked={vehicle.hazardSwitch}
                  onChange={(event) => {
                    const has = event.currentTarget.checked;
                    edit(
                      has ? 'Has a hazard switch' : 'No hazard switch',
                      (draft) => void (draft.vehicle.hazardSwitch = has),
                    );
                  }}
                />
              </div>
            </Card>
          </Gradually>
        </div>
        <div className={classes.column}>
          <Gradually>
            <Checkbox
              label="Keep left and right alike"
              description="What is done to a lamp is done to its twin on the other flank."
              checked={alike}
              onChange={(event) => setAlike(event.currentTarget.checked)}
            />
            {lamp ? (
              <LampEditor key={lamp.id} lamp={lamp} />
            ) : (
              <Card title="No lamp in hand">
                <p className="faint">Choose one on the plan or in the list to change or remove it.</p>
              </Card>
            )}
            <FlasherFacts />
            <WatchCard />
            <CircuitsCard />
            <Questions />
          </Gradually>
        </div>
      </div>
    </div>
  );
}

function AddLamp() {
  const { job, edit, selectLamp } = useDesk();
  const [id, setId] = useState<LampTemplateId>('marker');
  const add = (where: 'pair' | 'left' | 'right' | 'centre') => {
    const name = TEMPLATES[id].name;
    const before = new Set(job.vehicle.lamps.map((lamp) => lamp.id));
    // Worked out on a copy first, so that the new lamp can be taken in hand; the edit itself does the same again.
    const trial = structuredClone(job.vehicle);
    try {
      const added = addLamps(trial, id, where).find((each) => !before.has(each));
      edit(where === 'pair' ? `Add a pair: ${name.toLowerCase()}` : `Add ${name.toLowerCase()}`, (draft) => {
        addLamps(draft.vehicle, id, where);
      });
      if (added) selectLamp(added);
    } catch {
      // The edit is refused for the same reason, in words.
      edit(`Add ${name.toLowerCase()}`, (draft) => void addLamps(draft.vehicle, id, where));
    }
  };
  return (
    <Card title="Add lamps">
      <div className={classes.fields}>
        <NativeSelect
          label="Kind"
          description="A second lamp of one function hangs on the same wire and fuse as the first."
          value={id}
          data={LAMP_TEMPLATES.map((each) => ({
            value: each,
            label: TEMPLATES[each].listed ?? TEMPLATES[each].name,
          }))}
          onChange={(event) => {
            const chosen = LAMP_TEMPLATES.find((each) => each === event.currentTarget.value);
            if (chosen) setId(chosen);
          }}
        />
        <div className={classes.buttons}>
          <Button variant="default" onClick={() => add('pair')}>
            Add a pair
          </Button>
          <Button variant="default" onClick={() => add('left')}>
            Left
          </Button>
          <Button variant="default" onClick={() => add('centre')}>
            Middle
          </Button>
          <Button variant="default" onClick={() => add('right')}>
            Right
          </Button>
        </div>
      </div>
    </Card>
  );
}

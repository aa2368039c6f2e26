import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { codeFromBytes, codeInWords } from '../../../core/formats/dtc.ts';
import { FIRST_SETTING } from '../../../core/instruments/adapter.ts';
import { ControllerSettings } from '../../../core/instruments/controllerSettings.ts';
import { codesLook } from '../../../core/instruments/fromInstrument.ts';
import { STAND_IN_NOTE } from '../../../core/instruments/standInNote.ts';
import type { SettingStep } from '../../../core/model/evidence.ts';
import { circuitById } from '../../../core/model/vehicle/lookUp.ts';
import { type SettingTrail, settingTrail, tickSetting } from '../../../core/record/settingTrail.ts';
import {
  SETTING_DONE,
  SETTING_STEPS,
  SETTING_VALUES,
  trailWords,
} from '../../../core/record/settingWords.ts';
import { InstrumentError } from '../../job/instruments/instrument.ts';
import { troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import { usePanel } from '../../job/instruments/usePanel.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import classes from './Bench.module.css';

type Value = NonNullable<SettingStep['value']>;

/** What a controller takes each lamp for, read, written, read back: a trail that leads back. */
export default function SettingTrails() {
  const { job } = useDesk();
  const { flasher } = job.vehicle;
  if (flasher.kind !== 'controller')
    return <p>This vehicle’s flasher is a {flasher.name}: it has no setting to read or write.</p>;
  const circuits = flasher.outputs.flatMap(({ circuitId, watch }) => (watch ? [circuitId] : []));
  return (
    <div className={classes.stack}>
      <Codes />
      {circuits.map((id) => (
        <Trail key={id} circuitId={id} />
      ))}
      <Caution>
        Vumble never writes to a vehicle: what was set with a tool is written down here, and only the stand-in
        is written to. Read the old value first; without it nobody can go back.
      </Caution>
    </div>
  );
}

function Trail({ circuitId }: { circuitId: string }) {
  const { job } = useDesk();
  const { setControls, controls } = useWorkspace();
  const { standIn } = useInstruments();
  const panel = usePanel();
  const { recordWith } = useEvidence();
  const [trouble, setTrouble] = useState<string | null>(null);
  const trail = settingTrail(job, circuitId);
  const circuit = circuitById(job.vehicle, circuitId);
  const settings = new ControllerSettings(job, panel.configuration).circuits;
  const id = (FIRST_SETTING + settings.indexOf(circuitId)).toString(16).toUpperCase();
  const tell = (step: SettingStep['step'], value?: Value, words?: string) => {
    const told = { circuitId, step, ...(value ? { value } : {}) };
    recordWith(
      `${circuit.name}: ${SETTING_STEPS[step].toLowerCase()}`,
      // A stand-in's word ticks nothing of the real vehicle's work.
      (draft) => {
        if (!words) tickSetting(draft.vehicleCures, told);
      },
      { kind: 'setting', ...told, ...(words ? { words, method: 'adapter', note: STAND_IN_NOTE } : {}) },
    );
  };
  const withStandIn = async () => {
    if (!standIn || !trail.next) return;
    setTrouble(null);
    try {
      const ask = async (line: string) => (await standIn.adapter.ask(line)) ?? '';
      switch (trail.next) {
        case 'read':
        case 'read-back': {
          const answer = await ask(`22${id}`);
          if (!answer.startsWith('62')) throw new InstrumentError(refusal(answer));
          return tell(trail.next, answer.endsWith('01') ? 'led' : 'filament', answer);
        }
        case 'written': {
          const answer = await ask(`2E${id}01`);
          if (!answer.startsWith('6E')) throw new InstrumentError(refusal(answer));
          return tell('written', 'led', answer);
        }
        case 'key-cycled':
          setControls({ key: 'off' });
          setTimeout(() => setControls({ key: controls.key === 'off' ? 'on' : controls.key }), 600);
          return tell('key-cycled', undefined, 'key off and on again');
        case 'codes-cleared': {
          const answer = await ask('14FFFFFF');
          if (!answer.startsWith('54')) throw new InstrumentError(refusal(answer));
          return tell('codes-cleared', undefined, answer);
        }
        default:
          return;
      }
    } catch (error) {
      setTrouble(troubleOf(error));
    }
  };
  return (
    <Card
      title={circuit.name}
      aside={
        <span className="faint">{trail.now ? `reads ${SETTING_VALUES[trail.now]}` : 'not read yet'}</span>
      }
    >
      <p>{trailWords(trail)}</p>
      <div className={classes.row}>
        {trail.next && <ByHand trail={trail} tell={tell} />}
        {standIn && trail.next && (
          <Button variant="default" onClick={withStandIn}>
            {SETTING_STEPS[trail.next]}, on the stand-in
          </Button>
        )}
        {trail.before && trail.before !== 'led' && trail.now === 'led' && (
          <Button variant="subtle" onClick={() => tell('put-back', trail.before ?? undefined)}>
            It was put back to {SETTING_VALUES[trail.before]}
          </Button>
        )}
      </div>
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
      {trail.steps.length > 0 && (
        <SeenList seen={trail.steps} what={`a step of ${circuit.name.toLowerCase()}`}>
          {(each) => (
            <>
              {SETTING_DONE[each.step]}
              {each.value ? `: ${SETTING_VALUES[each.value]}` : ''}
              {each.words ? ` (${each.words})` : ''}
            </>
          )}
        </SeenList>
      )}
    </Card>
  );
}

/** The next step as somebody did it with a tool of their own. */
function ByHand({
  trail,
  tell,
}: {
  trail: SettingTrail;
  tell(step: SettingStep['step'], value?: Value): void;
}) {
  const [value, setValue] = useState<Value>('filament');
  const { next } = trail;
  if (!next) return null;
  const reads = next === 'read' || next === 'read-back';
  return (
    <>
      {reads && (
        <NativeSelect
          aria-label="It reads"
          value={value}
          onChange={(event) => setValue(event.currentTarget.value as Value)}
          data={Object.entries(SETTING_VALUES).map(([id, label]) => ({
            value: id,
            label: `it reads ${label}`,
          }))}
        />
      )}
      <Button onClick={() => tell(next, reads ? value : next === 'written' ? 'led' : undefined)}>
        {reads ? 'Write down what it reads' : `Done: ${SETTING_STEPS[next].toLowerCase()}`}
      </Button>
    </>
  );
}

/** Codes of the stand-in, read and written down as a look at the cell the vehicle stands in. */
function Codes() {
  const { job, shelf } = useDesk();
  const panel = usePanel();
  const { standIn } = useInstruments();
  const { record } = useEvidence();
  const [codes, setCodes] = useState<string[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  if (!standIn) return null;
  const read = async () => {
    setTrouble(null);
    try {
      const answer = (await standIn.adapter.ask('1902FF')) ?? '';
      if (!answer.startsWith('59 02')) throw new InstrumentError(refusal(answer));
      setCodes(codesIn(answer));
    } catch (error) {
      setTrouble(troubleOf(error));
    }
  };
  const look = codes && codesLook(job, shelf, panel, codes, 'adapter');
  return (
    <Card title="Stored codes">
      <div className={classes.row}>
        <Button variant="default" onClick={read}>
          Read them from the stand-in
        </Button>
        {look && (
          <Button onClick={() => record('Stored codes', { ...look, note: STAND_IN_NOTE })}>
            Write them down in Prove
          </Button>
        )}
      </div>
      {codes && (
        <p role="status">
          {codes.length === 0 ? 'None is stored.' : codes.map(codeInWords).join('; ')}
          {codes.length > 0 && !look && '. Switch one function on alone to write them down in its cell.'}
        </p>
      )}
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </Card>
  );
}

function codesIn(answer: string): string[] {
  const bytes = answer
    .split(' ')
    .slice(3)
    .map((byte) => Number.parseInt(byte, 16));
  const codes: string[] = [];
  for (let at = 0; at + 3 < bytes.length; at += 4) {
    const type = bytes[at + 2] ?? 0;
    const code = codeFromBytes(bytes[at] ?? 0, bytes[at + 1] ?? 0);
    codes.push(type === 0 ? code : `${code}-${type.toString(16).toUpperCase().padStart(2, '0')}`);
  }
  return codes;
}

/** What a negative answer means, and what to do. */
function refusal(answer: string): string {
  if (answer.endsWith('22'))
    return 'The controller does not answer with the key off. Turn it on in the panel beside it.';
  return answer.startsWith('7F')
    ? `The controller refuses (${answer}): it has no such setting.`
    : `The adapter answers "${answer.slice(0, 40)}".`;
}

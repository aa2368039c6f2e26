import { NativeSelect, NumberInput } from '@mantine/core';
import { FlasherKind } from '../../../core/model/vehicle/flasher.ts';
import { VehicleKind } from '../../../core/model/vehicle/vehicle.ts';
import { kindName } from '../../../core/presets/vehicleKinds.ts';
import { isAboutTurns, type QuickQuestion } from '../../../core/quick/question.ts';
import { possibleVolts } from '../../../core/quick/quickJob.ts';
import { FLASHER_OPTIONS } from '../../../core/words/questions.ts';
import classes from './Quick.module.css';

const FIRST_YEAR = 1920;
const LAST_YEAR = 2100;

/** What can be said of the vehicle and never has to be. */
export function MoreFacts({
  question,
  onChange,
}: {
  question: QuickQuestion;
  onChange(change: Partial<QuickQuestion>): void;
}) {
  const volts = possibleVolts(question);
  return (
    <details className={classes.more}>
      <summary>Say more of the vehicle</summary>
      <div className={classes.fields}>
        <NativeSelect
          label="Kind"
          value={question.vehicle}
          data={VehicleKind.options.map((kind) => ({ value: kind, label: kindName(kind) }))}
          onChange={(event) => {
            const kind = VehicleKind.options.find((each) => each === event.currentTarget.value);
            if (kind) onChange({ vehicle: kind, systemVolts: null });
          }}
        />
        <NumberInput
          label="Year"
          placeholder="any"
          min={FIRST_YEAR}
          max={LAST_YEAR}
          allowDecimal={false}
          value={question.year ?? ''}
          onChange={(value) => {
            const year = Number(value);
            if (value === '') onChange({ year: null });
            else if (Number.isInteger(year) && year >= FIRST_YEAR && year <= LAST_YEAR) onChange({ year });
          }}
        />
        <NativeSelect
          label="Market"
          value={question.region ?? ''}
          data={[
            { value: '', label: 'not known' },
            { value: 'UN', label: 'UN regulations' },
            { value: 'US', label: 'North America' },
          ]}
          onChange={(event) => {
            const { value } = event.currentTarget;
            onChange({ region: value === 'UN' || value === 'US' ? value : null });
          }}
        />
        {isAboutTurns(question.lamps) && (
          <NativeSelect
            label="Flasher"
            value={question.flasher ?? ''}
            data={[
              { value: '', label: 'not looked at' },
              ...FLASHER_OPTIONS.map(({ value, label }) => ({ value, label })),
            ]}
            onChange={(event) =>
              onChange({
                flasher: FlasherKind.options.find((each) => each === event.currentTarget.value) ?? null,
              })
            }
          />
        )}
        {volts.length > 1 && (
          <NativeSelect
            label="System"
            value={String(question.systemVolts ?? volts[0])}
            data={volts.map((each) => ({ value: String(each), label: `${each} V` }))}
            onChange={(event) =>
              onChange({
                systemVolts: volts.find((each) => String(each) === event.currentTarget.value) ?? null,
              })
            }
          />
        )}
      </div>
    </details>
  );
}

import { Button } from '@mantine/core';
import { writeKitFile } from '../../../../core/formats/kitFile.ts';
import { kitSheetCsv } from '../../../../core/formats/kitSheetCsv.ts';
import { KitSheet } from '../../../../core/model/kit.ts';
import type { KitPart } from '../../../../core/model/part.ts';
import { sheetFaultWords } from '../../../../core/words/kits.ts';
import { useKept } from '../../../store/kept.ts';
import { putParts } from '../../../store/shelf.ts';
import { Card } from '../../../ui/Card.tsx';
import { saveTextFile } from '../../../ui/saveTextFile.ts';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { useSheetFaults } from '../../../workers/usePicking.ts';
import { tellChange } from '../tellChange.ts';
import { BoxCard } from './BoxCard.tsx';
import { ImportSheet } from './ImportSheet.tsx';
import classes from './Kit.module.css';
import { QuestionsCard } from './QuestionsCard.tsx';
import { VariantsCard } from './VariantsCard.tsx';

/** A draft as it was kept: a name that is being typed may be empty yet, all else must be a sheet. */
function readDraft(raw: unknown): KitSheet | undefined {
  const named = JSON.stringify(raw ?? null).replaceAll('""', '"?"');
  return KitSheet.safeParse(JSON.parse(named)).success ? (raw as KitSheet) : undefined;
}

/**
 * A kit sheet as it is written: what is in the box, what vehicles are told apart by, and a table of variants. What is typed is
 * kept as it is typed, here and over a reload; the shelf has it when it is saved.
 */
export function KitSheetEditor({ part, close }: { part: KitPart; close(): void }) {
  const [draft, setDraft] = useKept<KitSheet | null>(`kit-sheet-${part.id}`, null, readDraft);
  const sheet = draft ?? part.sheet;
  const { data: faults } = useSheetFaults(sheet);
  const change = (act: (sheet: KitSheet) => void) =>
    setDraft((now) => {
      const next = structuredClone(now ?? part.sheet);
      act(next);
      return next;
    });
  const save = () => {
    const read = KitSheet.safeParse(sheet);
    if (!read.success) {
      const [issue] = read.error.issues;
      tellTrouble(
        new Error(
          `The sheet cannot be saved yet: ${issue?.path.map(String).join(', ')}: ${issue?.message}. Nothing you typed is lost.`,
        ),
      );
      return;
    }
    putParts([{ ...part, sheet }])
      .then((done) => {
        setDraft(null);
        tellChange(`${part.code}: sheet saved`, done);
      })
      .catch(tellTrouble);
  };
  return (
    <section className={classes.editor} aria-label={`Kit sheet of ${part.code}`}>
      <div className={classes.head}>
        <h2>Kit sheet of {part.code}</h2>
        <div className={classes.acts}>
          <Button onClick={save} disabled={draft === null}>
            Save the sheet
          </Button>
          {draft !== null && (
            <Button variant="default" onClick={() => setDraft(null)}>
              As it was saved
            </Button>
          )}
          <ImportSheet take={(read) => setDraft(read)} />
          <Button
            variant="default"
            onClick={() =>
              saveTextFile(
                `${part.code}.vumble-kit.json`,
                writeKitFile({ ...part, sheet }),
                'application/json',
              )
            }
          >
            Export JSON
          </Button>
          <Button
            variant="default"
            onClick={() =>
              saveTextFile(`${part.code}-sheet.csv`, kitSheetCsv(sheet), 'text/csv;charset=utf-8')
            }
          >
            Export CSV
          </Button>
          <Button variant="subtle" onClick={close}>
            Close
          </Button>
        </div>
      </div>
      <Card title="Checked as a whole">
        {!faults ? (
          <p className="faint">Going through every vehicle the sheet can tell apart.</p>
        ) : faults.length === 0 ? (
          <p role="status">Every vehicle has one variant, and none has two.</p>
        ) : (
          <ul className={classes.faults} role="status">
            {faults.map((fault) => {
              const words = sheetFaultWords(sheet, fault);
              return <li key={words}>{words}</li>;
            })}
          </ul>
        )}
      </Card>
      <BoxCard sheet={sheet} change={change} />
      <QuestionsCard sheet={sheet} change={change} />
      <VariantsCard sheet={sheet} change={change} />
    </section>
  );
}

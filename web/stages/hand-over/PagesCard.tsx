import { Button, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { Page } from '../../../core/pages/page.ts';
import { onOneSheet } from '../../../core/pages/pdf.ts';
import { Card } from '../../ui/Card.tsx';
import { saveFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './HandOver.module.css';
import { writePdf } from './writePdf.ts';

const PAGES = { owner: 'For the owner', workshop: 'For the file' } as const;
export type PageKind = keyof typeof PAGES;

/** Which page is shown, and how it leaves: on paper, or as PDF. */
export function PagesCard({
  kind,
  choose,
  page,
  name,
}: {
  kind: PageKind;
  choose(kind: PageKind): void;
  page: Page;
  /** of the file, without its ending */
  name: string;
}) {
  const [busy, setBusy] = useState(false);
  const [sheets, setSheets] = useState<number | null>(null);
  const save = async () => {
    setBusy(true);
    try {
      const written = await onOneSheet(page, writePdf);
      setSheets(written.sheets);
      saveFile(new File([written.bytes as BlobPart], `${name}-${kind}.pdf`, { type: 'application/pdf' }));
    } catch (error) {
      tellTrouble(error as Error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Card title="Page">
      <SegmentedControl
        fullWidth
        aria-label="Which page"
        value={kind}
        onChange={(next) => choose(next as PageKind)}
        data={Object.entries(PAGES).map(([value, label]) => ({ value, label }))}
      />
      <div className={classes.actions}>
        <Button variant="default" onClick={() => window.print()}>
          Print the page
        </Button>
        <Button variant="default" loading={busy} onClick={save}>
          Save as PDF
        </Button>
      </div>
      {sheets !== null && (
        <p className="faint" role="status">
          Saved, {sheets === 1 ? 'one sheet' : `${sheets} sheets`} of A4.
        </p>
      )}
    </Card>
  );
}

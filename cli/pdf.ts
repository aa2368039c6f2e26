import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

interface PdfMake {
  addFonts(fonts: Record<string, Record<string, string>>): void;
  setUrlAccessPolicy?(allowed: () => boolean): void;
  setLocalAccessPolicy?(allowed: (path: string) => boolean): void;
  createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
}

const require = createRequire(import.meta.url);
let ready: PdfMake | null = null;

/** A document as the bytes of a PDF. */
export async function writePdf(document: TDocumentDefinitions): Promise<Uint8Array> {
  if (!ready) {
    ready = require('pdfmake') as PdfMake;
    const font = (name: string) =>
      fileURLToPath(
        new URL(`./fonts/Roboto/Roboto-${name}.ttf`, `file://${require.resolve('pdfmake/package.json')}`),
      );
    ready.addFonts({
      Roboto: {
        normal: font('Regular'),
        bold: font('Medium'),
        italics: font('Italic'),
        bolditalics: font('MediumItalic'),
      },
    });
    // Nothing is ever fetched: a document has its own fonts and drawings.
    ready.setUrlAccessPolicy?.(() => false);
    ready.setLocalAccessPolicy?.((path) => path.includes('/fonts/Roboto/'));
  }
  return new Uint8Array(await ready.createPdf(document).getBuffer());
}

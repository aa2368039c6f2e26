import type { TDocumentDefinitions } from 'pdfmake/interfaces';

interface PdfMake {
  addVirtualFileSystem(files: Record<string, unknown>): void;
  addFonts(fonts: Record<string, Record<string, string>>): void;
  createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
}

let ready: Promise<PdfMake> | null = null;

/** The library and its type are fetched when the first page is written: nobody else needs them. */
async function load(): Promise<PdfMake> {
  const [library, fonts] = await Promise.all([
    import('pdfmake/build/pdfmake.js'),
    import('pdfmake/build/vfs_fonts.js'),
  ]);
  const make = ((library as { default?: unknown }).default ?? library) as PdfMake;
  const files = ((fonts as { default?: unknown }).default ?? fonts) as Record<string, unknown>;
  make.addVirtualFileSystem(files);
  make.addFonts({
    Roboto: {
      normal: 'Roboto-Regular.ttf',
      bold: 'Roboto-Medium.ttf',
      italics: 'Roboto-Italic.ttf',
      bolditalics: 'Roboto-MediumItalic.ttf',
    },
  });
  return make;
}

/** A document as the bytes of a PDF. */
export async function writePdf(document: TDocumentDefinitions): Promise<Uint8Array> {
  ready ??= load();
  const make = await ready;
  return new Uint8Array(await make.createPdf(document).getBuffer());
}

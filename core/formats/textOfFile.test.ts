import { describe, expect, it } from 'vitest';
import { textOfFile } from './textOfFile.ts';

const bytes = (...each: number[]) => Uint8Array.from(each);
const line = 'kind,code,name\r\nled,Ö-1,für vorne, 6 Ω\r\n';

describe('the text of a file', () => {
  it('is read in UTF-8, marked or not, and in UTF-16 either way round', () => {
    const utf8 = new TextEncoder().encode(line);
    expect(textOfFile(utf8)).toEqual({ ok: true, text: line, encoding: 'UTF-8' });
    expect(textOfFile(Uint8Array.from([0xef, 0xbb, 0xbf, ...utf8]))).toMatchObject({ text: line });
    const units = [...line].map((each) => each.charCodeAt(0));
    const little = units.flatMap((each) => [each & 255, each >> 8]);
    const big = units.flatMap((each) => [each >> 8, each & 255]);
    expect(textOfFile(bytes(0xff, 0xfe, ...little))).toEqual({ ok: true, text: line, encoding: 'UTF-16' });
    expect(textOfFile(bytes(0xfe, 0xff, ...big))).toEqual({ ok: true, text: line, encoding: 'UTF-16' });
  });

  it('is read in Latin-1 where a spreadsheet wrote that, and not garbled', () => {
    // "für 5 €" in Windows-1252: ü is FC, the euro sign 80.
    const text = textOfFile(bytes(0x66, 0xfc, 0x72, 0x20, 0x35, 0x20, 0x80));
    expect(text).toEqual({ ok: true, text: 'für 5 €', encoding: 'Windows-1252' });
  });

  it('is refused with what to do where it is none', () => {
    for (const none of [
      bytes(0x50, 0x4b, 3, 4, 0, 0),
      bytes(0xff, 0x07, 0x20),
      bytes(0xff, 0xfe, 0x00, 0xd8),
    ])
      expect(textOfFile(none)).toMatchObject({ ok: false, problem: expect.stringMatching(/CSV UTF-8/) });
  });
});

/** The text of a file, and what it was written in. */
export type FileText =
  | { ok: true; text: string; encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252' }
  | { ok: false; problem: string };

/**
 * What Windows-1252 has from 0x80 to 0x9F, where Latin-1 has controls; the five it leaves open stay controls. Written out:
 * Node's own decoder of that name gives Latin-1.
 *
 * Source: Unicode mapping table CP1252, from memory.
 */
const WESTERN = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';

/**
 * The text of a file somebody's spreadsheet wrote. UTF-8 and UTF-16 say so themselves or show it; what is neither is read
 * as Western European (Windows-1252, of which Latin-1 is a part), as spreadsheets write it, unless it is no text at all.
 *
 * Source of the marks: The Unicode Standard, ch. 23.8 (byte order mark); of the fallback: WHATWG Encoding, `latin1`.
 */
export function textOfFile(bytes: Uint8Array): FileText {
  const [first, second] = bytes;
  if ((first === 0xff && second === 0xfe) || (first === 0xfe && second === 0xff)) {
    const text = decoded(first === 0xff ? 'utf-16le' : 'utf-16be', bytes);
    return text === null ? notText() : { ok: true, text, encoding: 'UTF-16' };
  }
  // A table has no byte of nothing: a picture, or a spreadsheet's own file, has.
  if (bytes.includes(0)) return notText();
  const text = decoded('utf-8', bytes);
  if (text !== null) return { ok: true, text, encoding: 'UTF-8' };
  const western = Array.from(bytes, (byte) => WESTERN[byte - 0x80] ?? String.fromCharCode(byte)).join('');
  // Controls that no text has: it was written in something else again.
  // biome-ignore lint/suspicious/noControlCharactersInRegex: that is what is looked for
  if (/[\x01-\x08\x0e-\x1f\x80-\x9f]/.test(western)) return notText();
  return { ok: true, text: western, encoding: 'Windows-1252' };
}

function decoded(encoding: string, bytes: Uint8Array): string | null {
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

function notText(): FileText {
  return {
    ok: false,
    problem:
      'This is no text, or not in UTF-8, UTF-16 or Western European. Save it as “CSV UTF-8” and choose that file.',
  };
}

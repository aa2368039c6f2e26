import { entropyToMnemonic, mnemonicToEntropy } from '@scure/bip39';
import { wordlist } from '@scure/bip39/wordlists/english';

/** Where a parcel lies, and what opens it: the number is told to the mailbox, the key to nobody but the other device. */
export interface ParcelCode {
  number: string;
  /** 16 bytes */
  key: Uint8Array;
}

const PREFIX = 'VUMBLE';
const IV_BYTES = 12;

/** A code that was typed or read wrong. Says what to do. */
export class WrongCodeError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'WrongCodeError';
  }
}

/** The key as twelve words to be read aloud or typed; the last checks the others (BIP 39). */
export function keyWords(key: Uint8Array): string {
  return entropyToMnemonic(key, wordlist);
}

/** A code as a QR holds it: plain text, no link. */
export function codeText({ number, key }: ParcelCode): string {
  return `${PREFIX} ${number} ${keyWords(key)}`;
}

/**
 * A code as it was scanned, or typed: the number and the twelve words, in any case and spacing.
 *
 * @throws WrongCodeError where it is none, with what is wrong
 */
export function readCode(text: string): ParcelCode {
  const words = text
    .trim()
    .toLowerCase()
    .split(/[\s,]+/);
  if (words[0] === PREFIX.toLowerCase()) words.shift();
  const digits: string[] = [];
  while (words[0] !== undefined && /^\d+$/.test(words[0])) digits.push(words.shift() as string);
  const number = digits.join('');
  if (!/^\d{9}$/.test(number))
    throw new WrongCodeError('The number has nine digits. Look at it again on the other device.');
  if (words.length !== 12)
    throw new WrongCodeError(
      `The key has twelve words; these are ${words.length}. Type them with a space between.`,
    );
  const strange = words.find((word) => !wordlist.includes(word));
  if (strange)
    throw new WrongCodeError(
      `“${strange.slice(0, 20)}” is none of the words a key is made of. Look at it again.`,
    );
  try {
    return { number, key: mnemonicToEntropy(words.join(' '), wordlist) };
  } catch {
    throw new WrongCodeError('One of the words is wrong, or two changed places. Look at them again.');
  }
}

/** A new key, 128 random bits. */
export function newKey(): Uint8Array {
  return crypto.getRandomValues(new Uint8Array(16));
}

async function importKey(key: Uint8Array): Promise<CryptoKey> {
  return crypto.subtle.importKey('raw', key as BufferSource, 'AES-GCM', false, ['encrypt', 'decrypt']);
}

/** A parcel sealed with a key: AES in Galois counter mode, its random start before it. */
export async function sealParcel(bytes: Uint8Array, key: Uint8Array): Promise<Uint8Array> {
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES));
  const sealed = await crypto.subtle.encrypt(
    { name: 'AES-GCM', iv },
    await importKey(key),
    bytes as BufferSource,
  );
  const all = new Uint8Array(IV_BYTES + sealed.byteLength);
  all.set(iv);
  all.set(new Uint8Array(sealed), IV_BYTES);
  return all;
}

/**
 * What is in a parcel.
 *
 * @throws WrongCodeError where the key is not its own, or it was changed on the way
 */
export async function openParcel(parcel: Uint8Array, key: Uint8Array): Promise<Uint8Array> {
  try {
    const opened = await crypto.subtle.decrypt(
      { name: 'AES-GCM', iv: parcel.slice(0, IV_BYTES) as BufferSource },
      await importKey(key),
      parcel.slice(IV_BYTES) as BufferSource,
    );
    return new Uint8Array(opened);
  } catch {
    throw new WrongCodeError('These words do not open what lies under this number. Look at both again.');
  }
}

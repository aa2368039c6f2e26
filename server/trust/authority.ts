import 'reflect-metadata';
import { webcrypto } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import * as x509 from '@peculiar/x509';

x509.cryptoProvider.set(webcrypto as Crypto);

const DAY = 86_400_000;
/** An authority is trusted by hand on each phone: it lasts. */
const AUTHORITY_DAYS = 3650;
/** A leaf is signed anew at each start: it is short-lived. */
const LEAF_DAYS = 30;
const KEY = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const SIGNED = { name: 'ECDSA', hash: 'SHA-256' } as const;

/** What a server shows: its certificate with its key, and the authority that signed it. */
export interface ServerCertificate {
  key: string;
  cert: string;
  /** of the authority, for a phone to install, PEM and DER */
  authorityPem: string;
  authorityDer: Uint8Array;
}

/** A folder that holds a key others on this machine can read. */
export class OpenKeyError extends Error {
  constructor(path: string) {
    super(
      `The key of the local authority, ${path}, can be read by others on this machine. Delete the folder it is in: a new one is made.`,
    );
    this.name = 'OpenKeyError';
  }
}

/**
 * A certificate for some names and addresses, signed by the authority in a folder; where there is none it is made, its key for
 * its owner alone.
 *
 * @param names host names and addresses the server is reached under
 * @throws OpenKeyError where its key is not its owner's alone
 */
export async function serverCertificate(
  folder: string,
  names: readonly string[],
): Promise<ServerCertificate> {
  const authority = await authorityIn(folder);
  const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
  const now = Date.now();
  const certificate = await x509.X509CertificateGenerator.create(
    {
      serialNumber: serial(),
      subject: 'CN=Vumble in this workshop',
      issuer: authority.certificate.subject,
      notBefore: new Date(now - DAY),
      notAfter: new Date(now + LEAF_DAYS * DAY),
      signingAlgorithm: SIGNED,
      publicKey: keys.publicKey as CryptoKey,
      signingKey: authority.key,
      extensions: [
        new x509.BasicConstraintsExtension(false, undefined, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
        new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
        new x509.SubjectAlternativeNameExtension(
          names.map((name) => ({ type: isIP(name) ? ('ip' as const) : ('dns' as const), value: name })),
        ),
      ],
    },
    webcrypto as Crypto,
  );
  return {
    key: await pemOf(keys.privateKey as CryptoKey),
    cert: certificate.toString('pem'),
    authorityPem: authority.certificate.toString('pem'),
    authorityDer: new Uint8Array(authority.certificate.rawData),
  };
}

interface Authority {
  certificate: x509.X509Certificate;
  key: CryptoKey;
}

async function authorityIn(folder: string): Promise<Authority> {
  const [keyPath, certPath] = [join(folder, 'authority.key'), join(folder, 'authority.crt')];
  if (existsSync(keyPath) && existsSync(certPath)) {
    if ((statSync(keyPath).mode & 0o077) !== 0) throw new OpenKeyError(keyPath);
    const certificate = new x509.X509Certificate(readFileSync(certPath, 'utf8'));
    if (certificate.notAfter.getTime() > Date.now() + LEAF_DAYS * DAY) {
      const der = x509.PemConverter.decodeFirst(readFileSync(keyPath, 'utf8'));
      const key = await webcrypto.subtle.importKey('pkcs8', der, KEY, false, ['sign']);
      return { certificate, key: key as CryptoKey };
    }
  }
  return newAuthority(folder, keyPath, certPath);
}

async function newAuthority(folder: string, keyPath: string, certPath: string): Promise<Authority> {
  const keys = await webcrypto.subtle.generateKey(KEY, true, ['sign', 'verify']);
  const now = Date.now();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned(
    {
      serialNumber: serial(),
      name: 'CN=Vumble workshop authority',
      notBefore: new Date(now - DAY),
      notAfter: new Date(now + AUTHORITY_DAYS * DAY),
      signingAlgorithm: SIGNED,
      keys: keys as CryptoKeyPair,
      extensions: [
        // It signs servers, and no further authorities.
        new x509.BasicConstraintsExtension(true, 0, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      ],
    },
    webcrypto as Crypto,
  );
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(keyPath, await pemOf(keys.privateKey as CryptoKey), { mode: 0o600 });
  chmodSync(keyPath, 0o600);
  writeFileSync(certPath, certificate.toString('pem'));
  return { certificate, key: keys.privateKey as CryptoKey };
}

async function pemOf(key: CryptoKey): Promise<string> {
  return x509.PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key as never), 'PRIVATE KEY');
}

/** Positive, and another each time. */
function serial(): string {
  const bytes = webcrypto.getRandomValues(new Uint8Array(16));
  bytes[0] = ((bytes[0] ?? 0) & 0x7f) | 0x40;
  return Buffer.from(bytes).toString('hex');
}

import { X509Certificate } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { OpenKeyError, serverCertificate } from './authority.ts';

const folder = mkdtempSync(join(tmpdir(), 'vumble-trust-'));
afterAll(() => rmSync(folder, { recursive: true }));
const NAMES = ['localhost', 'workshop.local', '127.0.0.1', '192.168.7.20'];

/** Whether a client that trusts one authority, and nothing else of ours, takes a server for what it says it is. */
async function visit(shown: { key: string; cert: string }, ca: string, servername: string): Promise<string> {
  const server = createServer({ key: shown.key, cert: shown.cert }, (_request, response) =>
    response.end('vumble'),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise((resolve) => {
      const asked = request(
        { host: '127.0.0.1', port, ca, servername, headers: { host: servername } },
        (response) => {
          response.resume();
          response.on('end', () => resolve('trusted'));
        },
      );
      asked.on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? error.message));
      asked.end();
    });
  } finally {
    server.close();
  }
}

describe('the local authority', () => {
  it('signs a server for its names and addresses, whom a client that trusts it and no error takes', async () => {
    const shown = await serverCertificate(folder, NAMES);
    expect(await visit(shown, shown.authorityPem, 'localhost')).toBe('trusted');
    expect(await visit(shown, shown.authorityPem, 'workshop.local')).toBe('trusted');
    expect(await visit(shown, shown.authorityPem, 'elsewhere.local')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    const leaf = new X509Certificate(shown.cert);
    expect(leaf.subjectAltName).toContain('IP Address:192.168.7.20');
    expect(leaf.ca).toBe(false);
    // What browsers take at most: 398 days; these are a month.
    expect(Date.parse(leaf.validTo) - Date.parse(leaf.validFrom)).toBeLessThan(32 * 86_400_000);
    expect(new X509Certificate(shown.authorityPem).ca).toBe(true);
    expect(new X509Certificate(Buffer.from(shown.authorityDer)).fingerprint256).toBe(
      new X509Certificate(shown.authorityPem).fingerprint256,
    );
  });

  it('is one over all starts, its key for its owner alone', async () => {
    const [first, second] = [
      await serverCertificate(folder, NAMES),
      await serverCertificate(folder, ['10.0.0.9']),
    ];
    expect(second.authorityPem).toBe(first.authorityPem);
    expect(second.cert).not.toBe(first.cert);
    expect(await visit(second, first.authorityPem, 'localhost')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    const key = join(folder, 'authority.key');
    expect(statSync(key).mode & 0o777).toBe(0o600);
    chmodSync(key, 0o644);
    await expect(serverCertificate(folder, NAMES)).rejects.toThrow(OpenKeyError);
    chmodSync(key, 0o600);
  });

  it('of another machine is not trusted', async () => {
    const other = mkdtempSync(join(tmpdir(), 'vumble-trust-other-'));
    const [mine, theirs] = [await serverCertificate(folder, NAMES), await serverCertificate(other, NAMES)];
    expect(await visit(theirs, mine.authorityPem, 'localhost')).not.toBe('trusted');
    // What is no certificate any more is said by what reads it, not passed over.
    writeFileSync(
      join(other, 'authority.crt'),
      readFileSync(join(other, 'authority.crt'), 'utf8').slice(0, 80),
    );
    await expect(serverCertificate(other, NAMES)).rejects.toThrow();
    rmSync(other, { recursive: true });
  });
});

import { newKey, openParcel, type ParcelCode, sealParcel } from '../../../core/handoff/parcel.ts';

/** Why there is no handing over on the network here. */
export type NoMailbox = 'off' | 'not-secure' | null;

/** Whether this server has a mailbox, and this page may seal anything for it. */
export async function mailboxHere(): Promise<NoMailbox> {
  if (!window.isSecureContext || !crypto.subtle) return 'not-secure';
  try {
    return (await fetch('/mailbox')).status === 204 ? null : 'off';
  } catch {
    return 'off';
  }
}

async function sound(response: Response): Promise<Response> {
  if (response.ok) return response;
  throw new Error((await response.text()).slice(0, 300) || `The server answered ${response.status}.`);
}

/** Leaves something for the other device: sealed here, and opened by nobody but who has the code. */
export async function leave(bytes: Uint8Array): Promise<ParcelCode> {
  const key = newKey();
  const body = await sealParcel(bytes, key);
  const response = await fetch('/mailbox', {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: body as BodyInit,
  }).then(sound);
  const { number } = (await response.json()) as { number: string };
  return { number, key };
}

/** Fetches what lies there, and opens it. It stays until it is confirmed. */
export async function fetchParcel({ number, key }: ParcelCode): Promise<Uint8Array> {
  const response = await fetch(`/mailbox/${number}`).then(sound);
  return openParcel(new Uint8Array(await response.arrayBuffer()), key);
}

/** It could be read here: it need not lie there any longer. */
export async function confirm({ number }: ParcelCode): Promise<void> {
  await fetch(`/mailbox/${number}`, { method: 'DELETE' }).catch(() => {
    // It is gone in ten minutes all the same.
  });
}

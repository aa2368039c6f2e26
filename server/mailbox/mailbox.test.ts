import express from 'express';
import request from 'supertest';
import { describe, expect, it } from 'vitest';
import { KEPT_MS, Mailbox, MailboxFullError, MOST_BYTES } from './mailbox.ts';
import { mailboxRoutes } from './routes.ts';

const parcel = new Uint8Array([1, 2, 3]);

describe('the mailbox', () => {
  it('keeps a parcel until it is confirmed, and ten minutes at most', () => {
    let now = 0;
    const mailbox = new Mailbox(() => now);
    const number = mailbox.leave(parcel);
    expect(number).toMatch(/^[1-9]\d{8}$/);
    expect(mailbox.fetch(number)).toEqual(parcel);
    expect(mailbox.fetch(number)).toEqual(parcel);
    expect(mailbox.confirm(number)).toBe(true);
    expect(mailbox.fetch(number)).toBeNull();
    const other = mailbox.leave(parcel);
    now = KEPT_MS - 1;
    expect(mailbox.fetch(other)).toEqual(parcel);
    now = KEPT_MS;
    expect(mailbox.fetch(other)).toBeNull();
  });

  it('takes no more than it has room for, and has room again later', () => {
    let now = 0;
    const mailbox = new Mailbox(() => now);
    expect(() => mailbox.leave(new Uint8Array(MOST_BYTES + 1))).toThrow(MailboxFullError);
    for (let count = 0; count < 40; count += 1) mailbox.leave(parcel);
    expect(() => mailbox.leave(parcel)).toThrow(/wait ten minutes/);
    now = KEPT_MS;
    expect(mailbox.leave(parcel)).toMatch(/^\d{9}$/);
  });

  it('lets whoever names wrong numbers wait longer each time, and nobody else', () => {
    let now = 0;
    const mailbox = new Mailbox(() => now);
    const waits: number[] = [];
    for (let count = 0; count < 9; count += 1) {
      mailbox.missed('a');
      waits.push(mailbox.waits('a'));
      now += mailbox.waits('a');
    }
    expect(waits).toEqual([500, 1000, 2000, 4000, 8000, 16000, 32000, 60000, 60000]);
    expect(mailbox.waits('b')).toBe(0);
    mailbox.found('a');
    expect(mailbox.waits('a')).toBe(0);
  });
});

describe('the mailbox over HTTP', () => {
  const app = () => express().use('/mailbox', mailboxRoutes());
  const bytes = (agent: ReturnType<typeof request>) =>
    agent.post('/mailbox').set('content-type', 'application/octet-stream').send(Buffer.from(parcel));

  it('leaves, fetches and confirms', async () => {
    const agent = request(app());
    expect((await agent.get('/mailbox')).status).toBe(204);
    const { number } = (await bytes(agent)).body as { number: string };
    const fetched = await agent.get(`/mailbox/${number}`).buffer(true).responseType('blob');
    expect([...(fetched.body as Buffer)]).toEqual([1, 2, 3]);
    expect(fetched.headers['cache-control']).toBe('no-store');
    expect((await agent.delete(`/mailbox/${number}`)).status).toBe(204);
    const gone = await agent.get(`/mailbox/${number}`);
    expect(gone.status).toBe(404);
    expect(gone.text).toMatch(/look at it again/);
    // The next is too soon.
    const soon = await agent.get('/mailbox/123456789');
    expect(soon.status).toBe(429);
    expect(soon.text).toMatch(/Wait 1 s/);
  });

  it('refuses what is no parcel, too large, or too many in a minute', async () => {
    const agent = request(app());
    expect((await agent.post('/mailbox').send({ a: 1 })).status).toBe(400);
    const large = await agent
      .post('/mailbox')
      .set('content-type', 'application/octet-stream')
      .send(Buffer.alloc(MOST_BYTES + 1));
    expect(large.status).toBe(413);
    expect(large.text).toMatch(/by file/);
    const statuses: number[] = [];
    for (let count = 0; count < 14; count += 1) statuses.push((await bytes(agent)).status);
    expect(statuses.at(0)).toBe(200);
    expect(statuses.at(-1)).toBe(429);
  });
});

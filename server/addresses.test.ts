import type { NetworkInterfaceInfo } from 'node:os';
import { describe, expect, it } from 'vitest';
import { addressesOf } from './addresses.ts';

const at = (address: string, family: 'IPv4' | 'IPv6', internal = false) =>
  ({ address, family, internal, netmask: '', mac: '', cidr: null }) as NetworkInterfaceInfo;
const interfaces = {
  lo: [at('127.0.0.1', 'IPv4', true), at('::1', 'IPv6', true)],
  eth0: [at('192.168.1.20', 'IPv4'), at('fe80::1', 'IPv6')],
};

describe('where the server is reached', () => {
  it.each(['127.0.0.1', 'localhost', '::1'])('on %s by this machine alone', (host) => {
    expect(addressesOf(host, 5170, interfaces)).toEqual(['http://localhost:5170']);
  });

  it('on all addresses also from the network, by those a phone can type', () => {
    expect(addressesOf('0.0.0.0', 5170, interfaces)).toEqual([
      'http://localhost:5170',
      'http://192.168.1.20:5170',
    ]);
  });

  it('on one address by that one', () => {
    expect(addressesOf('192.168.1.20', 80, interfaces)[0]).toBe('http://192.168.1.20:80');
  });
});

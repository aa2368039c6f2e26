import { type NetworkInterfaceInfo, networkInterfaces } from 'node:os';

/** What a phone's browser keeps back from a page that came by plain http from another machine. */
export const WITHOUT_HTTPS =
  'By plain http a phone’s browser withholds the camera, the microphone and the clipboard, installs nothing, works only while this server is reached, and may clear what it stored when it wants room.';

/** Said whenever the server listens to more than this machine. */
export const ANYONE =
  'Anyone on this network may connect and use Vumble here. Nobody sees another’s jobs: each browser keeps its own.';

type Interfaces = Readonly<Record<string, readonly NetworkInterfaceInfo[] | undefined>>;

/**
 * Where a server that listens on a host is reached: on this machine first, then from others on its networks.
 *
 * @param host what it listens on: a loopback address, one address of this machine, or 0.0.0.0 or :: for all
 */
export function addressesOf(
  host: string,
  port: number,
  interfaces: Interfaces = networkInterfaces(),
): string[] {
  const home = `http://localhost:${port}`;
  if (host === 'localhost' || host === '::1' || host.startsWith('127.')) return [home];
  if (host !== '0.0.0.0' && host !== '::') {
    const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
    return [address, address];
  }
  const outside = Object.values(interfaces)
    .flatMap((each) => each ?? [])
    .filter((each) => !each.internal && each.family === 'IPv4');
  return [home, ...outside.map((each) => `http://${each.address}:${port}`)];
}

import { BlockList, isIP } from 'node:net';

const loopback = new BlockList();
loopback.addSubnet('127.0.0.0', 8, 'ipv4');
loopback.addAddress('::1', 'ipv6');

/**
 * The address to listen on. There is no sign-in, so anyone who can reach the address can change the
 * studio's work: only this machine may.
 * @throws Error for any address that other machines could reach
 */
export function loopbackOnly(host: string): string {
  const address = host === 'localhost' ? '127.0.0.1' : host;
  const kind = isIP(address);
  if (kind !== 0 && loopback.check(address, kind === 6 ? 'ipv6' : 'ipv4')) return address;
  throw new Error(
    `HOST is ${host}, which other machines could reach. There is no sign-in yet, so it serves this machine only: use 127.0.0.1, or leave HOST out.`,
  );
}

/** True when a request was addressed to this machine by one of its own names, not by a name that merely leads here. */
export function isLoopbackHost(header: string | undefined): boolean {
  try {
    loopbackOnly(new URL(`http://${header}`).hostname.replace(/^\[|\]$/g, ''));
    return true;
  } catch {
    return false;
  }
}

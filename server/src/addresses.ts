import { hostname, networkInterfaces } from 'node:os';

/** Host names under which this computer is found in its network: its IPv4 addresses, and its name. */
export function lanHosts(): { addresses: string[]; names: string[] } {
  const addresses = Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);
  const name = hostname().toLowerCase();
  return { addresses, names: [...addresses, name, `${name}.local`] };
}

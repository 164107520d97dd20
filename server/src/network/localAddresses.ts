import { networkInterfaces } from 'node:os';

export interface LocalAddress {
  address: string;
  /** As this machine calls the network that it is in. */
  name: string;
}

/** Addresses (IPv4) of this machine in the networks around it; `only` is one that is to be offered instead. */
export function localAddresses(only?: string): LocalAddress[] {
  const all = Object.entries(networkInterfaces()).flatMap(([name, list]) =>
    (list ?? []).map(({ address, family, internal }) => ({ address, name, family, internal })),
  );
  return all
    .filter(({ address, family, internal }) => family === 'IPv4' && (only ? address === only : !internal))
    .map(({ address, name }) => ({ address, name }));
}

import type { NetworkInterfaceInfo } from 'node:os';

type Interfaces = Readonly<Record<string, readonly NetworkInterfaceInfo[] | undefined>>;

/** An address of this machine on a network. */
export interface Address {
  readonly interface: string;
  readonly address: string;
}

/** Every IPv4 address by which other devices could reach this machine. */
export const addressesOf = (all: Interfaces): Address[] =>
  Object.entries(all).flatMap(([name, infos]) =>
    (infos ?? []).filter((i) => i.family === 'IPv4' && !i.internal).map((i) => ({ interface: name, address: i.address })),
  );

const listed = (all: readonly Address[]): string => all.map((a) => `${a.interface} (${a.address})`).join(', ');

/**
 * The addresses to share on: those named, by interface or address, or the only one there is. Never more than was chosen: with several and none named, a
 * sentence asks which.
 */
export function chosenAddresses(all: Interfaces, wanted: readonly string[]): Address[] | { readonly why: string } {
  const found = addressesOf(all);
  if (!found.length) return { why: 'This machine is on no network, so there is nothing to share on. Connect it first, then start again.' };
  if (!wanted.length)
    return found.length === 1
      ? found
      : {
          why: `This machine is on several networks: ${listed(found)}. Name the one to share on: npm start -- --share=${found[0]!.interface}`,
        };
  const chosen: Address[] = [];
  for (const name of wanted) {
    const mine = found.filter((a) => a.interface === name || a.address === name);
    if (!mine.length) return { why: `There is no network “${name.slice(0, 40)}” on this machine. There is: ${listed(found)}.` };
    chosen.push(...mine.filter((a) => !chosen.includes(a)));
  }
  return chosen;
}

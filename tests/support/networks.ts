import { execFileSync } from 'node:child_process';
import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from '../../scripts/chromium.mjs';

const ip = (...args: string[]): string => execFileSync('ip', args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });

/** Two networks between this machine and a made-up device: Linux network namespaces with a pair of virtual cables. Needs root. */
export interface Networks {
  /** Interfaces of this machine, and their addresses. */
  shared: { name: string; address: string };
  other: { name: string; address: string };
  /** Runs a script of Node's on the device; gives what it printed. */
  onDevice: (script: string, ...args: string[]) => string;
  /** A program that runs Debian's Chromium on the device. */
  chromium: () => string;
  /** Pulls the cable of the shared network, and puts it back. */
  unplug: () => void;
  plug: () => void;
  remove: () => void;
}

/** `number` keeps those of tests that run at once apart: 0 to 200. */
export function makeNetworks(number: number): Networks {
  const space = `crow-device-${number}`;
  const cable = (kind: 's' | 'o', net: number): { name: string; address: string } => {
    const [here, there] = [`cr${kind}${number}h`, `cr${kind}${number}d`];
    const address = `10.${net}.${number}.1`;
    ip('link', 'add', here, 'type', 'veth', 'peer', 'name', there);
    ip('link', 'set', there, 'netns', space);
    ip('addr', 'add', `${address}/24`, 'dev', here);
    ip('link', 'set', here, 'up');
    ip('-n', space, 'addr', 'add', `10.${net}.${number}.2/24`, 'dev', there);
    ip('-n', space, 'link', 'set', there, 'up');
    return { name: here, address };
  };
  const remove = (): void => {
    for (const args of [['netns', 'del', space], ['link', 'del', `crs${number}h`], ['link', 'del', `cro${number}h`]])
      try {
        ip(...args);
      } catch {
        // it was not there
      }
  }; // prettier-ignore
  remove();
  ip('netns', 'add', space);
  ip('-n', space, 'link', 'set', 'lo', 'up');
  const [shared, other] = [cable('s', 77), cable('o', 78)];
  return {
    shared,
    other,
    remove,
    onDevice: (script, ...args) =>
      execFileSync('ip', ['netns', 'exec', space, process.execPath, '--no-warnings', '--input-type=module', '-e', script, ...args], {
        encoding: 'utf8',
        env: { ...process.env, NODE_TLS_REJECT_UNAUTHORIZED: '0' },
        timeout: 120_000,
        maxBuffer: 64 * 1024 * 1024,
      }),
    chromium: () => {
      const file = join(mkdtempSync(join(tmpdir(), 'crow-device-')), 'chromium');
      writeFileSync(file, `#!/bin/sh\nexec ip netns exec ${space} ${CHROMIUM} "$@"\n`);
      chmodSync(file, 0o755);
      return file;
    },
    unplug: () => ip('link', 'set', shared.name, 'down'),
    plug: () => ip('link', 'set', shared.name, 'up'),
  };
}

/** A certificate of our own for an address and a name, with its key, good for some days: made by OpenSSL. */
export function makeCertificate(address: string, days = 30): { cert: string; key: string } {
  const folder = mkdtempSync(join(tmpdir(), 'crow-cert-'));
  const [cert, key] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
  execFileSync('openssl', ['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-days', String(days), '-subj', '/CN=crow', '-addext', `subjectAltName=IP:${address},DNS:crow.test`, '-keyout', key, '-out', cert], { stdio: 'ignore' }); // prettier-ignore
  return { cert, key };
}

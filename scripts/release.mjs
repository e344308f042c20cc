// npm run release: an archive for players, for the platform it is made on. Unpacked, it starts with one file and Node alone.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, ROOT } from './ensure.mjs';

/** The most that an archive may weigh, in MB. */
const MOST = 40;

await ensureInstalled();
await ensureBuilt();
const { copyPackage, packagesOf } = await import('./packages.mjs');
const { bundleServer, OUTSIDE } = await import('./bundle-server.mjs');

const libc = process.platform === 'linux' ? (process.report.getReport().header.glibcVersionRuntime ? 'glibc' : 'musl') : undefined;
const on = { os: process.platform, cpu: process.arch, libc };
const { version, license, engines } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
const name = ['crow-ladder', version, on.os, on.cpu, ...(libc === 'musl' ? [libc] : [])].join('-');
const folder = join(ROOT, 'release', name);
const archive = `${folder}.tar.gz`;
for (const old of [folder, archive]) rmSync(old, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });

cpSync(join(ROOT, 'dist/app'), join(folder, 'dist/app'), { recursive: true });
await bundleServer(join('release', name, 'dist/server'), { sourcemap: false });
for (const one of packagesOf(OUTSIDE, on)) copyPackage(one, folder);
writeFileSync(join(folder, 'package.json'), `${JSON.stringify({ name: 'crow-ladder', version, private: true, license, type: 'module', engines }, null, 2)}\n`); // prettier-ignore
cpSync(join(ROOT, 'scripts/release-start.mjs'), join(folder, 'crow-ladder.mjs'));
cpSync(join(ROOT, 'CHANGELOG.md'), join(folder, 'CHANGELOG.md'));
writeFileSync(
  join(folder, 'README.txt'),
  [
    `Crow Ladder ${version}, for ${on.os} ${on.cpu}`,
    '',
    'It needs Node 20.19 or newer and nothing else. Start it with',
    '',
    '    node crow-ladder.mjs',
    '',
    'and open the address that it names. Your notebook is kept in your own data folder, not in this one: a newer',
    'release opens the same notebook, after a copy of it was laid by. Stop it with Ctrl+C.',
    '',
  ].join('\n'),
);

const packed = spawnSync('tar', ['-czf', archive, '-C', join(ROOT, 'release'), name], { stdio: 'inherit' });
if (packed.status !== 0) {
  console.error('The archive could not be packed: tar is needed for it.');
  process.exit(1);
}
const size = statSync(archive).size / 1e6;
console.log(`${archive}: ${size.toFixed(1)} MB`);
if (size > MOST) {
  console.error(`That is more than the ${MOST} MB a release may weigh.`);
  process.exit(1);
}

// The licences of what others wrote and the built files hold: they go wherever those go.
import { readFileSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { ROOT } from './ensure.mjs';

const isLicence = (file) => /^(licen[cs]e|notice|copying)(\.|-|$)/i.test(file);

/** The licences of the packages whose files are among these, each with its name and what it declares, as one text. */
export function licencesOf(files) {
  const folders = files.flatMap((file) => /^.*node_modules\/(?:@[^/]+\/)?[^/]+/.exec(file.replaceAll('\\', '/')) ?? []);
  const texts = [...new Set(folders.map((folder) => resolve(ROOT, folder)))].sort().map((folder) => {
    const { name, version, license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
    const own = readdirSync(folder).filter(isLicence).sort();
    return [`${name} ${version} (${license})`, ...own.map((file) => readFileSync(join(folder, file), 'utf8').trim())].join('\n\n');
  });
  return `${texts.join(`\n\n${'-'.repeat(72)}\n\n`)}\n`;
}

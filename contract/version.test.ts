import { readFileSync } from 'node:fs';
import { VERSION, writeBundle } from './index';

it('is the one of the package, and heads the list of changes', () => {
  expect((JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }).version).toBe(VERSION);
  expect(/^## (\S+)/m.exec(readFileSync('CHANGELOG.md', 'utf8'))?.[1]).toBe(VERSION);
});

it('stands in every bundle', () => {
  expect(JSON.parse(writeBundle({ studies: [], instruments: [] }))).toMatchObject({ by: `Crow Ladder ${VERSION}` });
});

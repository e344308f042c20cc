import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { API } from '../../contract';
import { inspect } from '../../server/inspect';
import { oldNotebook } from '../support/old-notebook';
import { send, start, stop, type Running } from './server';

const sum = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');
const up: Running[] = [];
afterEach(async () => {
  for (const one of up.splice(0)) await stop(one, 'SIGKILL');
});

it('a notebook of an older version is copied first, then brought up to date, once', async () => {
  const file = await oldNotebook();
  expect(inspect(file)).toEqual({ kind: 'ours', behind: true });
  up.push(await start(file, 5130));
  const said = /stands as it was in copies\/(\S+\.sqlite)\./.exec(up[0]!.said())?.[1] ?? '';
  expect(inspect(join(dirname(file), 'copies', said))).toEqual({ kind: 'ours', behind: true });
  expect(await (await send(up[0]!, 'GET', `${API.studies}/old`)).json()).toMatchObject({ revision: 4 });
  // The copy can be gone back to: it is brought up to date on its way.
  expect((await send(up[0]!, 'POST', `${API.copies}/${said}/restore`, {})).status).toBe(200);
  await stop(up[0]!);
  expect(inspect(file)).toEqual({ kind: 'ours', behind: false });
  up.push(await start(file, 5130));
  expect(up[1]!.said()).not.toContain('older Crow Ladder');
});

it('where no copy can be made, the older notebook is left as it is, in words', async () => {
  const file = await oldNotebook();
  const before = sum(file);
  writeFileSync(join(dirname(file), 'copies'), 'a file where the folder should be');
  await expect(start(file, 5131)).rejects.toThrow(/no copy of it could be made first: .*It was left as it is/);
  expect(sum(file)).toBe(before);
  expect(readdirSync(dirname(file)).filter((name) => !existsSync(join(dirname(file), name)))).toEqual([]);
});

import type { PassesKept } from '../../../contract';
import { pass } from '../../../tests/support/passes';
import { logPass, passBox } from './outbox';

const { send: sendPasses, state: outboxState } = passBox;

// Without a browser the box is held in memory: what is tested is what is sent, and when it goes.
let sent: string[][] = [];
let answer: (ids: string[]) => PassesKept | null = (ids) => ({ kept: ids, refused: [] });

beforeEach(() => {
  sent = [];
  globalThis.fetch = (_: unknown, init?: RequestInit) => {
    const ids = (JSON.parse(init?.body as string) as { passes: { id: string }[] }).passes.map((p) => p.id);
    sent.push(ids);
    const told = answer(ids);
    return told ? Promise.resolve(new Response(JSON.stringify(told))) : Promise.reject(new TypeError('no connection'));
  };
});

it('while the server is away passes wait, in their order; then they go, once each', async () => {
  answer = () => null;
  await logPass(pass('a', 5));
  await logPass(pass('b', 0)); // the clock was put back
  await sendPasses();
  expect(outboxState().waiting).toBe(2);
  answer = (ids) => ({ kept: ids, refused: [] });
  await sendPasses();
  expect(sent[sent.length - 1]).toEqual(['a', 'b']);
  expect(outboxState().waiting).toBe(0);
  const before = sent.length;
  await sendPasses();
  expect(sent).toHaveLength(before);
});
it('an answer that was lost: sent again, and gone when it is acknowledged', async () => {
  answer = () => null; // kept there, but nobody heard of it
  await logPass(pass('c'));
  await sendPasses();
  answer = (ids) => ({ kept: ids, refused: [] }); // the server takes an id once
  await sendPasses();
  expect(sent.filter((ids) => ids.includes('c')).length).toBeGreaterThan(1);
  expect(outboxState().waiting).toBe(0);
});
it('a refused pass is told of and holds up no other', async () => {
  answer = (ids) => ({
    kept: ids.filter((i) => i !== 'bad'),
    refused: ids.includes('bad') ? [{ id: 'bad', message: 'tempo: 10 at least.' }] : [],
  });
  await logPass(pass('bad'));
  await logPass(pass('good'));
  await sendPasses();
  expect(outboxState()).toEqual({ waiting: 0, refused: ['tempo: 10 at least.'] });
});

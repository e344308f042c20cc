import fc from 'fast-check';
import { API, studySchema, problemsOf, type StudyBody } from '../contract';
import { largestOf } from '../tests/support/largest';
import { body, json, served, type Served } from '../tests/support/notebook';

let { db, call, make, save } = {} as Served;
beforeEach(async () => {
  ({ db, call, make, save } = await served());
});
afterEach(() => db.destroy());

describe('hostile requests', () => {
  it.each<[string, unknown]>([
    ['a number for a study', { body: 5 }],
    ['nothing for a study', { body: {} }],
    ['no instrument', { body: { ...body(), instrument: undefined } }],
    ['an instrument that is a number', { body: body({ instrument: 5 }) }],
    ['an instrument that is empty', { body: body({ instrument: {} }) }],
    ['no strings', { body: body({ instrument: { ...body().instrument, strings: undefined } }) }],
    ['a chord that every object has', { body: body({ chord: 'C__proto__' }) }],
    ['a method for a chord', { body: body({ chord: 'CtoString' }) }],
    ['a name of blanks', { body: body({ name: '   ' }) }],
    ['a name with a control character', { body: body({ name: 'a\u0007b' }) }],
    ['an instrument that is not there', { body: body({ instrumentId: 'nowhere' }) }],
  ])('%s is refused with its field, never answered 500', async (_, payload) => {
    const answer = await call('POST', API.studies, payload);
    expect(answer.status).toBe(422);
    const { error } = (await answer.json()) as { error: { message: string; problems: { message: string }[] } };
    for (const text of [error.message, ...error.problems.map((p) => p.message)]) {
      expect(text.length).toBeLessThanOrEqual(300);
      expect(text).not.toMatch(/strings\[\d\]\.|undefined|\[object/);
    }
  });
  it.each(['5', '{}', 'null', '[]'])('an instrument %s is refused', async (text) => {
    expect((await call('POST', API.instruments, `{"body":${text}}`)).status).toBe(422);
  });
  it.each([{}, { major: 1 }, 'one', [], null])('a notebook of version %j is refused', async (version) => {
    const answer = await call('POST', API.notebook, { kind: 'crow-ladder notebook', version });
    expect(answer.status).toBe(422);
  });
  it('JSON nested deep is refused as such', async () => {
    for (const path of [API.studies, API.notebook]) {
      const answer = await call('POST', path, `{"body":${'['.repeat(100_000)}${']'.repeat(100_000)}}`);
      expect([400, 422]).toContain(answer.status);
    }
  });
  it.each(['..', 'a%2Fb', '%3Fx', '%20', '%00', 'x'.repeat(70), 'ü'])('the id %s is no id', async (id) => {
    for (const [method, payload] of [['GET'], ['PUT', { revision: 1, body: body() }], ['DELETE'], ['POST', {}]] as const) {
      const path = method === 'POST' ? `${API.studies}/${id}/restore` : `${API.studies}/${id}`;
      expect((await call(method, path, payload)).status).toBe(404);
    }
  });
  it('another content type, or none, is refused, with a body and without', async () => {
    const id = await make();
    for (const type of ['application/json-seq', 'text/plain', 'application/jsonx'])
      expect((await call('POST', API.studies, { body: body() }, { 'content-type': type })).status).toBe(415);
    expect((await call('POST', `${API.studies}/${id}/restore`)).status).toBe(415);
    expect((await call('POST', API.copies)).status).toBe(415);
    expect((await call('POST', API.studies, { body: body() }, { 'content-type': 'application/json; charset=utf-8' })).status).toBe(201);
  });
  it('whatever a body is made of: an answer below 500, and what is taken reads back the same', async () => {
    const keys = Object.keys(body());
    await fc.assert(
      fc.asyncProperty(
        fc.dictionary(fc.constantFrom(...keys), fc.jsonValue({ maxDepth: 3 }), { minKeys: 1, maxKeys: 3 }),
        async (change) => {
          const sent = body(change);
          const answer = await call('POST', API.studies, { body: sent });
          expect(answer.status).toBeLessThan(500);
          if (answer.status !== 201) return;
          const { id } = (await answer.json()) as { id: string };
          const kept = await json<{ body: StudyBody; problems: unknown[] }>(call('GET', `${API.studies}/${id}`));
          expect(kept).toMatchObject({ body: JSON.parse(JSON.stringify(sent)) as object, problems: [] });
        },
      ),
      { numRuns: 250 },
    );
  });
});

describe('limits agree', () => {
  const { licks, routes } = largestOf(body());
  const { notes } = licks[0]!;
  it('the largest study that may be made can be saved and opened', async () => {
    const id = await make({ licks, routes });
    expect((await save(id, 1, { licks, routes, name: 'Once more' })).status).toBe(200);
    expect(await json(call('GET', `${API.studies}/${id}`))).toMatchObject({ problems: [], body: { name: 'Once more' } });
  });
  it('one lick or note more is refused by its number', () => {
    expect(problemsOf(studySchema, body({ licks: [...licks, { ...licks[0], id: 'more' }] }))).toMatchObject([
      { field: 'licks', message: 'licks: 201 stand here; at most 200.' },
    ]);
    expect(problemsOf(studySchema, body({ licks: [{ ...licks[0], notes: [...notes, notes[0]] }] }))[0]!.message).toBe(
      'lick 1, notes: 401 stand here; at most 400.',
    );
  });
});

describe('instruments and studies', () => {
  it('an instrument in use stays; its deletion racing a study leaves no dangling id', async () => {
    for (let k = 0; k < 10; k++) {
      const { id } = await json<{ id: string }>(call('POST', API.instruments, { body: body().instrument }));
      const [made, gone] = await Promise.all([
        call('POST', API.studies, { body: body({ instrumentId: id }) }),
        call('DELETE', `${API.instruments}/${id}`),
      ]);
      expect([
        [201, 409],
        [422, 204],
      ]).toContainEqual([made.status, gone.status]);
    }
  });
  it('a study whose instrument is gone from an older notebook can still be saved', async () => {
    const id = await make();
    await db('studies')
      .where({ id })
      .update({ body: JSON.stringify(body({ instrumentId: 'gone' })), instrument_id: 'gone' });
    expect((await save(id, 1, { instrumentId: 'gone', name: 'Goes on' })).status).toBe(200);
    expect((await save(id, 2, { instrumentId: 'elsewhere' })).status).toBe(422);
  });
});

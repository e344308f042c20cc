import type { StudyBody } from '../../../contract';
import { nowOf, type Now } from '../../store/change';
import { LOOSE, type EditorState } from '../../store/editor';
import { blankLeaf } from '../../store/loose';
import { ALL_COMMANDS } from '../all-commands';
import { offersFor, type Offer, type Where } from './read';

const nowFor = (fields: Partial<StudyBody> = {}): Now =>
  nowOf({ editor: { id: LOOSE, body: { ...blankLeaf(), ...fields } } as EditorState }) as Now;
const now = nowFor();
const where: Where = { now, studies: [{ id: 'x', name: 'Weathervane, F# Dorian', damaged: false }], keys: 'alone' };
const first = (text: string, at: Where = where): Offer => offersFor(text, at)[0]!;
const edits = (text: string, at: Now = now): Partial<StudyBody> | null => {
  const { action } = first(text, { ...where, now: at });
  return 'edit' in action ? action.edit(at) : null;
};

describe('the command line', () => {
  it.each([
    ['a dorian three notes', { scale: { tonic: 'A', scale: 'dorian' }, layout: { kind: 'per-string', notes: 3 } }],
    ['bb mixo', { scale: { tonic: 'Bb', scale: 'mixolydian' } }],
    ['F# 1 b2 3 4 5 boxes', { scale: { tonic: 'F#' } }],
    ['3 notes', { layout: { kind: 'per-string', notes: 3 } }],
    ['one finger', { layout: { kind: 'window' } }],
    ['a minor pentatonic one finger 6 5 1', { layout: { kind: 'window' }, rung: { number: 5, fret: 5 } }],
    ['tune drop d', { instrument: { strings: [{ open: 'E4' }, { open: 'B3' }, { open: 'G3' }, { open: 'D3' }, { open: 'A2' }, { open: 'D2' }] } }], // prettier-ignore
    ['key bb', { scale: { tonic: 'Bb', scale: 'minor pentatonic' } }],
    ['capo 3', { instrument: { capo: 3 } }],
    ['frets 24', { instrument: { frets: 24 } }],
    ['tempo 120', { tempo: 120 }],
    ['labels notes', { labels: 'notes' }],
    ['chord c7', { chord: 'C7' }],
    ['over a major pentatonic', { over: { tonic: 'A' } }],
  ] as const)('%s', (text, fields) => {
    expect(edits(text)).toMatchObject(fields);
  });
  it('connects rungs by number, places by string and fret, by a way if one is said', () => {
    const labels = now.shapes.map((s) => s.label);
    const joined = edits('connect box 1 to 3');
    expect([joined?.connection?.from.number, joined?.connection?.to.number]).toEqual([1, 3]);
    expect(labels).toContain('box 3');
    expect(edits('join box 1 and box 2 by one string')?.connection).toMatchObject({ way: 'one-string', from: { number: 1 }, to: { number: 2 } }); // prettier-ignore
    expect(edits('from 6 5 to 1 8')?.connection).toMatchObject({ start: { string: 6, fret: 5 }, goal: { string: 1, fret: 8 } });
    expect(first('connect box 1 to 3').title).toBe('Connect box 1 to box 3');
  });
  it('prints', () => {
    expect(first('print all keys').action).toEqual({ print: 'keys' });
    expect(first('print this').action).toEqual({ print: 'shape' });
    expect(offersFor('print', where).filter((o) => 'print' in o.action)).toHaveLength(4);
  });
  it('opens studies and views', () => {
    expect(first('open weather').action).toEqual({ open: 'x' });
    expect(first('go licks').action).toEqual({ go: 'licks' });
  });
  it('offers every command of every view by its words, with its key', () => {
    for (const { view, infos } of ALL_COMMANDS)
      for (const info of infos) {
        const found = offersFor(info.does, where).find(
          (o) => 'run' in o.action && o.action.run.view === view && o.action.run.id === info.id,
        );
        expect([info.does, found?.detail]).toEqual([info.does, info.shown]);
      }
  });
  it('shows keys as the player presses them', () => {
    const shown = (keys: Where['keys']) =>
      offersFor('choose tonic and scale', { ...where, keys }).find((o) => o.key === 'map scale')?.detail;
    expect([shown('alone'), shown('alt'), shown('off')]).toEqual(['S', 'Alt S', '']);
  });
  it.each(['capo 30', 'frets 99', 'tempo 9', 'connect box 9 to 12', 'tune x y', 'chord zz', 'qqqq'])(
    '%s offers nothing that cannot be',
    (text) => {
      expect(offersFor(text, where).filter((o) => 'edit' in o.action)).toEqual([]);
    },
  );
  it('stands without an open study', () => {
    expect(offersFor('a dorian', { ...where, now: null }).filter((o) => 'edit' in o.action)).toEqual([]);
    expect(offersFor('', { ...where, now: null }).length).toBeGreaterThan(10);
  });
});

describe('the commands', () => {
  it('have each an id of their own in their view, and no key twice there', () => {
    for (const { infos } of ALL_COMMANDS) {
      const keys = infos.flatMap((c) => c.keys);
      expect(new Set(keys).size).toBe(keys.length);
      expect(new Set(infos.map((c) => c.id)).size).toBe(infos.length);
    }
  });
  it('of a view take no key that the shell has', () => {
    const shell = ALL_COMMANDS.find((c) => c.view === 'shell')?.infos.flatMap((c) => c.keys) ?? [];
    for (const { view, infos } of ALL_COMMANDS)
      if (view !== 'shell') expect(infos.flatMap((c) => c.keys).filter((k) => shell.includes(k))).toEqual([]);
  });
});

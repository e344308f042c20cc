// Proves the rows of "Where things go" in docs/architecture.md: the thing is added to a copy in memory. What the compiler knows it says:
// with all files of a row the whole tree compiles and nothing is left unused, and with any one of them left out it does not, or is.
// The rest is run: with all files of a row each does its share, and without one its share is not done. `npm run where [row]`, a quarter of an hour for all;
// with `--standing`, in a second, that every row has its proof and names its files, and that the tree still has room for them (a part of npm test).
import { build } from 'esbuild';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import ts from 'typescript';
import { ROOT } from './ensure.mjs';

/** A file as it would be with the thing in it: `put` goes in before `before`, or the file is new. */
const line = (file, before, put) => ({ file, edit: (text) => inserted(file, text, before, put) });
const fresh = (file, text) => ({ file, edit: () => text });
/** Several insertions into one file, that count as one. */
const lines = (file, ...puts) => ({ file, edit: (text) => puts.reduce((t, [before, put]) => inserted(file, t, before, put), text) });

function inserted(file, text, before, put) {
  const at = text.indexOf(before);
  if (at < 0) throw new Error(`${file} no longer holds ${before}`);
  return text.slice(0, at) + put + text.slice(at);
}

const ROWS = {
  'a layout': [
    fresh(
      'core/layout/odd-frets.ts',
      "import type { LayoutRule } from './rule';\nexport const oddFrets: LayoutRule<'odd-frets'> = { fields: {}, lay: () => [], school: () => 'stretch', says: () => 'odd frets', why: () => '', offers: () => [] };\n",
    ),
    lines(
      'core/layout/rules.ts',
      ['import { splits }', "import { oddFrets } from './odd-frets';\n"],
      ['  split: splits,', "  'odd-frets': oddFrets,\n"],
    ),
    line('core/neck-types.ts', "  | { readonly kind: 'split'", "  | { readonly kind: 'odd-frets' }\n"),
  ],
  'a way to connect': [
    fresh(
      'core/route/ways/hop.ts',
      "import { oneStringWay } from './one-string';\nimport type { Crossing, Ways } from './way';\nexport const hopWay = (c: Crossing): Ways => oneStringWay(c);\n",
    ),
    lines(
      'core/route/connect.ts',
      ['import { seamWay }', "import { hopWay } from './ways/hop';\n"],
      ['  seam: seamWay,', '  hop: hopWay,\n'],
      ["  seam: 'Two of these", "  hop: 'No hop.',\n"],
    ),
    line('core/line-types.ts', "'seam', 'one-string'", "'hop', "),
    lines(
      'app/words/route-text.ts',
      ['  seam: { chip', "  hop: { chip: 'Hop', by: 'hopping', does: 'It hops.' },\n"],
      ["    case 'region':\n", "    case 'hop':\n      return 'Hop';\n"],
    ),
  ],
  'a cost of the hand': [
    lines(
      'core/fingering/schools.ts',
      ['  /** Highest finger of the school; finger. */', '  /** Tin; mm. */\n  readonly tin: number;\n'],
      ['  fingers: 4, forwardFinger: 4,', '  tin: 1,\n'],
      ["  fingers: { says: 'highest", "  tin: { says: 'tin', unit: 'mm', range: '0 to 1', source: JUDGED },\n"],
    ),
  ],
  'a fingering school': [
    line('core/fingering/schools.ts', '  stretch: { ...BASE', '  tin: { ...BASE, back: 1 },\n'),
    line('core/line-types.ts', " | 'stretch' | 'no-little", " | 'tin'"),
    line('app/words/school-text.ts', "  stretch: 'stretch", "  tin: 'tin',\n"),
    line('scripts/hand/print.ts', "  stretch: 'stretch',", "  tin: 'tin',\n"),
    line('tests/support/hand.ts', '  stretch: {', '  tin: { ...BASE, back: 1 },\n'),
  ],
  'a cost of a grip': [
    lines(
      'core/harmony/grips/costs.ts',
      ['  finger: [0, 2', '  tin: 1,\n'],
      ["  finger: { says: 'each", "  tin: { says: 'tin', unit: 'mm', range: '0 to 1', source: JUDGED },\n"],
    ),
  ],
  'an order of a drill': [
    fresh(
      'core/drill/orders/twice.ts',
      "import type { OrderRule } from './rule';\nexport const twice: OrderRule = { options: [], play: ({ up: notes }) => [...notes, ...notes] };\n",
    ),
    lines('core/drill/orders/index.ts', ['import { random }', "import { twice } from './twice';\n"], ['  octaves,', '  twice,\n']),
    line('core/drill/types.ts', "'octaves', 'groups'", "'twice', "),
    lines(
      'app/words/drill-text.ts',
      ["  'from-root': { title", "  twice: { title: 'Twice', plays: 'all of it, twice' },\n"],
      ["    case 'octaves':", "    case 'twice':\n      return 'twice';\n"],
    ),
  ],
  'a feel of the backing': [
    line('core/backing/types.ts', "'waltz', 'bossa'", "'march', "),
    line('core/backing/drums.ts', '  drone: () => []', '  march: () => [],\n'),
    line('core/backing/bass.ts', "    case 'drone':", "    case 'march':\n"),
    line('core/backing/comping.ts', '  drone: () => []', '  march: () => [],\n'),
    line('app/words/views/progression.ts', "    drone: 'drone',", "    march: 'march',\n"),
  ],
  'a kind of question': [
    fresh(
      'core/quiz/kinds/twelfth.ts',
      "import type { QuizRule } from '../types';\nexport const twelfth: QuizRule = { facts: () => [], ask: () => null, pace: [3000, 9000] };\n",
    ),
    lines('core/quiz/kinds/index.ts', ['import { under }', "import { twelfth } from './twelfth';\n"], ['  unison,', '  twelfth,\n']),
    lines(
      'app/words/quiz-text.ts',
      ["  unison: 'same", "  twelfth: 'twelfth of a place',\n"],
      ['    unison: () =>', "    twelfth: () => 'Which is the twelfth?',\n"],
    ),
  ],
  'a click': [
    line('core/practice/click.ts', "'wood', 'glass'", "'tin', "),
    line('app/sound/click.ts', '  wood: { partials', '  tin: { partials: [[900, 1]], ring: 0.1, noise: 0.1 },\n'),
    line('app/words/views/practise.ts', "wood: 'wood', glass", "tin: 'tin', "),
  ],
  'a mark': [
    line('app/neck/marks.ts', "'root' | 'twin-root'", "'ghost' | "),
    lines(
      'app/neck/mark-colours.ts',
      ["  gone: { fill: '#23242a'", "  ghost: { fill: '#23242a', stroke: '#a8a294' },\n"],
      ["  gone: '#c9c1ae'", "  ghost: '#c9c1ae',\n"],
    ),
    line('app/neck/Mark.tsx', "    case 'new':\n", "    case 'ghost':\n      return <path d={BEAK} fill={fill} />;\n"),
    line('app/words/mark-text.ts', "  gone: 'left out", "  ghost: 'a ghost',\n"),
  ],
  'a tuning': [line('core/instrument/tunings.ts', "  row('drop D'", "  row('drop everything', 'C2 F2 A#2 D#3 G3 C4'),\n")],
  'a scale': [line('core/scale/catalogue.ts', "      ['dorian', 'Dorian'", "      ['tin', 'Tin', '1 2 3 4 5 6 b7'],\n")],
  'a form to start from': [
    line('core/progression/forms.ts', "  'eight bars':", "  'four bars': { scale: 'mixolydian', text: '| C7 | F7 | C7 | G7 |' },\n"),
  ],
  'a view': [
    fresh('app/views/wall/WallView.tsx', 'export function WallView() {\n  return <h1>Wall</h1>;\n}\n'),
    lines('app/words/view-text.ts', ["  'map',\n", "  'wall',\n"], ["  map: 'Map',", "  wall: 'Wall',\n"]),
    line('app/main.tsx', '  connect: view(async () =>', "  wall: view(async () => (await import('./views/wall/WallView')).WallView),\n"),
    line('app/shell/Shell.tsx', "  map: 'map',\n", "  wall: 'map',\n"),
  ],
  'a command, a key': [
    line('app/views/map/map-commands.ts', "  { id: 'right', keys", "  { id: 'tin', keys: ['9'], shown: '9', does: 'tin' },\n"),
    line('app/views/map/useMapCommands.ts', '    right: on(', '    tin: () => undefined,\n'),
  ],
  'a choice in the address': [
    line(
      'app/store/address.ts',
      "  { name: 'chord', write",
      "  { name: 'note', write: (b) => b.note || null, read: (note) => ({ note }) },\n",
    ),
  ],
  'a preference': [
    lines(
      'app/store/prefs.ts',
      ['  /** How large marks', "  readonly wood: 'light' | 'dark';\n"],
      ["  size: 'normal',\n", "  wood: 'light',\n"],
      ["  size: ['normal', 'large'],", "  wood: ['light', 'dark'],\n"],
    ),
    line('app/shell/Settings.tsx', '  size: { about', "  wood: { about: 'Wood', name: 'Wood', says: { light: 'light', dark: 'dark' } },\n"),
  ],
  'a source of notes': [
    fresh(
      'app/sound/listen/foot.ts',
      "import type { OpenSource } from './source';\nexport const openFoot: OpenSource = () => Promise.resolve({ device: 'foot', node: null, close: () => undefined });\n",
    ),
    line('app/sound/listen/ear.ts', '  midi: async () =>', "  foot: async () => (await import('./foot')).openFoot,\n"),
    lines(
      'app/sound/listen/listen-prefs.ts',
      ["'simulated'] as const", "'foot', "],
      ['  readonly midi: string;', '  readonly foot: string;\n'],
      ['    midi: device(', '    foot: device(kept.foot),\n'],
    ),
    line('app/words/views/ear.ts', "midi: 'MIDI'", "foot: 'foot', "),
    line('app/words/views/listen.ts', "midi: 'a MIDI", "foot: 'the foot', "),
  ],
  'a part of a handout': [
    lines(
      'contract/handout.ts',
      ['  /** All grips that are kept. */', "  | (OfStudy & { readonly kind: 'tin' })\n"],
      ["  rungs: built(() => record<Of<'rungs'>>", "  tin: built(() => record<Of<'tin'>>({ kind: oneOf(['tin']), ...ofStudy() })),\n"],
    ),
    line('app/files/booklet.ts', '  rungs: (_, body) => {', "  tin: () => lose('there is none.'),\n"),
    line('app/words/handout-text.ts', "  rungs: 'All rungs',", "  tin: 'Tin',\n"),
  ],
  'a kind of record': [
    line('contract/paths.ts', "  /** Scales of the player's own. */", "  tins: '/api/tins',\n"),
    lines('server/prepare.ts', ["'instruments', 'scales'", "'tins', "], ['instruments: instrumentSchema', 'tins: ownScaleSchema, ']),
    line('server/app.ts', '  instruments: { word', "  tins: { word: 'tin', summary: whole },\n"),
  ],
  'a format of a line': [
    fresh(
      'formats/dots/dots.ts',
      "import { struckNotes } from '../../core';\nimport type { FileLine } from '../line';\nimport { readTab } from '../tab/read';\nimport type { Instrument } from '../../core';\nimport type { LineOut } from '../lines';\nexport const readDots = (text: string, near: Instrument): FileLine => readTab(text, near);\nexport const writeDots = ({ notes }: LineOut): string => struckNotes(notes).map(() => '.').join('');\n",
    ),
    lines(
      'formats/lines.ts',
      ['import { readMidiFile }', "import { readDots, writeDots } from './dots/dots';\n"],
      [
        "  {\n    id: 'tab'",
        "  { id: 'dots', name: 'Dots', extension: 'dots', media: 'text/plain', is: ({ text }) => /^[.\\s]+$/.test(text), read: ({ text }, near) => readDots(text, near), write: writeDots, loses: () => [] },\n",
      ],
    ),
    line(
      'tests/fuzz/readers.ts',
      '  scala: () =>',
      "  dots: () => ({ seeds: written('dots'), read: asFile('a.dots'), alone: alone('dots') }),\n",
    ),
  ],
  'a file of chords': [
    fresh(
      'formats/form/dots.ts',
      "import type { FormFile, FormOut } from './form';\nexport const readDots = (): FormFile => ({ name: '', text: '', meter: [4, 4], tempo: null, key: null, remarks: [] });\nexport const writeDots = ({ bars }: FormOut): string => bars.map(() => '.').join('');\n",
    ),
    lines(
      'formats/form/files.ts',
      ['import { readFormMidi', "import { readDots, writeDots } from './dots';\n"],
      ['  text: {\n', "  dots: { media: 'text/plain', is: ({ text }) => /^[.\\s]+$/.test(text), read: readDots, write: writeDots },\n"],
    ),
    line('formats/form/endings.ts', "  text: ['.txt'],", "  dots: ['.dots'],\n"),
    line('app/words/views/progression.ts', "    text: 'Text',", "    dots: 'Dots',\n"),
  ],
  'a chart of the log': [
    line('app/views/log/charts.ts', 'export interface TempoPoint', 'export const longest = (days: PassCharts[\'days\']): number => Math.max(0, ...days.map((d) => d.seconds));\n\n'), // prettier-ignore
    lines(
      'app/views/log/Charts.tsx',
      ['dayNumber, minuteBars', 'longest, '],
      ['const BARS = {', "export const LongestChart = ({ days }: { readonly days: PassCharts['days'] }) => <p>{longest(days)}</p>;\n\n"],
    ),
    lines(
      'app/views/log/LogView.tsx',
      ['MinutesChart, RungChart', 'LongestChart, '],
      ['        <MinutesChart', '        <LongestChart days={days} />\n'],
    ),
  ],
  'a field of a study': [
    lines(
      'contract/study.ts',
      ['  readonly routes: KeptRoute[];', '  readonly tin: string | null;\n'],
      ['    routes: routesSchema', '  tin: string().strict().nullable().defined(),\n'],
    ),
    line('contract/formats.ts', '] as const satisfies readonly Format[];', '  { adds: { tin: null } },\n'),
    line('app/words/change-text.ts', '  routes: listed', "  tin: () => 'tin',\n"),
  ],
  'a word of our own': [line('app/words/own-words.ts', "  {\n    word: 'rung'", "  { word: 'tin', says: 'What a lantern is of.' },\n")],
};

/** Rows that no compiler knows of: what each file's share is, as an expression that is true when it is done. `code` says what they are told with. */
const RUN = {
  'a chord symbol': {
    code: `import { chordSymbol, nameGrip, parseChord, parseTuning } from './core';
      const six = { name: 'six', strings: parseTuning('E A D G B E').map((open) => ({ open })), frets: 22, scaleLengthMm: 648 };
      const grip = [{ string: 5, fret: 3 }, { string: 4, fret: 0 }, { string: 3, fret: 1 }];`,
    changes: [
      line('core/harmony/symbol.ts', '  [/^dom(?=', '  [/^tin/, (d) => (set(d, 3, 2), set(d, 5, 8))],\n'),
      line('core/harmony/write.ts', "  '0,4,8': { suffix", "  '0,2,8': { suffix: 'tin', roman: upper('tin'), quality: 'tin' },\n"),
      line('core/harmony/name.ts', "'7sus4', '9',", "'tin', "),
    ],
    shares: {
      'core/harmony/symbol.ts': "parseChord('Ctin').tones.length === 3",
      'core/harmony/write.ts': "chordSymbol('C', ['1', '2', 'b6']) === 'Ctin'",
      'core/harmony/name.ts': "nameGrip(six, grip).some((n) => n.symbol === 'Ctin')",
    },
  },
  'another file format': {
    code: `import { readFiles } from './app/files/read-files';
      import { parseTuning } from './core';
      const instrument = { name: 'six', strings: parseTuning('E A D G B E').map((open) => ({ open })), frets: 22, scaleLengthMm: 648 };
      const into = { instrument, tempo: 90, school: 'stretch', hand: { size: 'medium' }, room: 10 };
      const read = () => [...readFiles({ files: [{ name: 'a.tin', bytes: new TextEncoder().encode('TIN 24') }], into })][0];`,
    changes: [
      fresh('formats/tin.ts', "export const isTin = (text: string): boolean => text.startsWith('TIN ');\nexport const tinFrets = (text: string): number => Number(text.slice(4));\n"), // prettier-ignore
      lines(
        'app/files/read-files.ts',
        ['import { refuseOthers }', "import { isTin, tinFrets } from '../../formats/tin';\n"],
        [
          '  if (isJson(bytes))',
          "  if (isTin(decode(bytes).text)) return { kind: 'instrument', instrument: { ...into.instrument, frets: tinFrets(decode(bytes).text) }, remarks: [], register: null };\n",
        ],
      ),
    ],
    shares: {
      'formats/tin.ts': 'read().instrument?.frets === 24',
      'app/files/read-files.ts': "read().kind === 'instrument'",
    },
  },
  'something only this machine may do': {
    code: `import { createApp, createNotebook } from './server/app';
      import { changes } from './server/changes';
      import { openDatabase } from './server/database';
      import { devices } from './server/share/devices';
      import { workshop } from './server/workshop';
      import { mkdtempSync } from 'node:fs';
      import { tmpdir } from 'node:os';
      const db = await openDatabase(mkdtempSync(tmpdir() + '/crow-where-') + '/notebook.sqlite');
      const here = async () => (await createApp(db).request('http://127.0.0.1/api/tin', { headers: { host: '127.0.0.1' } })).status === 200;
      const house = { db, shop: workshop(db, null), heard: changes(), devices: devices(db) };
      const shared = async () => (await createNotebook(house).request('http://127.0.0.1/api/tin')).status === 200;`,
    changes: [line('server/app.ts', "  app.route('/', createNotebook", "  app.get('/api/tin', (c) => c.json({ tin: true }));\n")],
    shares: { 'server/app.ts': '(await here()) && !(await shared())' },
  },
};

const config = ts.getParsedCommandLineOfConfigFile(
  join(ROOT, 'tsconfig.json'),
  { noEmit: true, incremental: true, tsBuildInfoFile: undefined },
  {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: (d) => {
      throw new Error(String(d.messageText));
    },
  },
);
const overlay = new Map();
const sources = new Map();
const host = ts.createIncrementalCompilerHost(config.options);
const { readFile, fileExists, getSourceFile } = host;
host.fileExists = (file) => overlay.has(resolve(file)) || fileExists(file);
host.directoryExists = (folder) =>
  [...overlay.keys()].some((file) => file.startsWith(`${resolve(folder)}/`)) || ts.sys.directoryExists(folder);
host.readFile = (file) => overlay.get(resolve(file)) ?? readFile(file);
host.getSourceFile = (file, options, ...rest) => {
  const text = overlay.get(resolve(file));
  if (text !== undefined) {
    const source = ts.createSourceFile(file, text, options, true);
    source.version = ts.sys.createHash(text);
    return source;
  }
  if (!sources.has(file)) {
    const source = getSourceFile(file, options, ...rest);
    if (source) source.version ??= ts.sys.createHash(source.text);
    sources.set(file, source);
  }
  return sources.get(file);
};

/** Lays changes over the tree. */
function lay(changes) {
  overlay.clear();
  for (const { file, edit } of changes) {
    const path = resolve(ROOT, file);
    overlay.set(path, edit(existsSync(path) ? readFileSync(path, 'utf8') : ''));
  }
}

/** A name that a change exports and no other file of the tree speaks of: `npm test` finds it unused. */
function unused(changes) {
  const added = changes.flatMap(({ file, edit }) => {
    const was = existsSync(join(ROOT, file)) ? readFileSync(join(ROOT, file), 'utf8') : '';
    const names = (text) => [...text.matchAll(/^export (?:async )?(?:const|function) (\w+)/gm)].map((m) => m[1]);
    return names(edit(was)).filter((name) => !names(was).includes(name)).map((name) => ({ file, name })); // prettier-ignore
  });
  const others = (file) => [...overlay].filter(([path]) => path !== resolve(ROOT, file)).map(([, text]) => text);
  const alone = added.find(({ file, name }) => !others(file).some((text) => new RegExp(`\\b${name}\\b`).test(text)));
  return alone ? `${alone.name} of ${alone.file} is used by nobody` : null;
}

let before;
/** The first fault of the tree with some files changed, or null. */
function fault(changes) {
  lay(changes);
  const names = [...new Set([...config.fileNames.map((f) => resolve(f)), ...overlay.keys()])].filter((f) => !/\.test\.tsx?$/.test(f));
  const program = ts.createEmitAndSemanticDiagnosticsBuilderProgram(names, config.options, host, before);
  before = program;
  const [first] = program.getSemanticDiagnostics();
  if (!first) return unused(changes);
  return `${first.file ? first.file.fileName.slice(ROOT.length + 1) : ''}: ${ts.flattenDiagnosticMessageText(first.messageText, ' ').slice(0, 120)}`;
}

/** Files as they would be, for the bundler. */
const laidOver = {
  name: 'laid-over',
  setup: ({ onLoad, onResolve }) => {
    onResolve({ filter: /^\./ }, ({ path, resolveDir }) => {
      const file = `${resolve(resolveDir, path)}.ts`;
      return overlay.has(file) ? { path: file } : undefined;
    });
    onLoad({ filter: /\.tsx?$/ }, ({ path }) =>
      overlay.has(path) ? { contents: overlay.get(path), loader: path.endsWith('x') ? 'tsx' : 'ts' } : undefined,
    );
  },
};

let runs = 0;
/** Whether each share is done, with some files changed: true, or why not. */
async function done(code, shares, changes) {
  lay(changes);
  const outfile = join(ROOT, '.cache', `where-${process.pid}-${runs++}.mjs`);
  const asks = Object.entries(shares).map(([file, share]) => `[${JSON.stringify(file)}]: async () => ${share}`);
  const contents = `${code}\nexport const asks = { ${asks.join(', ')} };`;
  try {
    await build({ stdin: { contents, resolveDir: ROOT, loader: 'ts' }, outfile, bundle: true, platform: 'node', format: 'esm', target: 'node20', packages: 'external', logLevel: 'silent', plugins: [laidOver] }); // prettier-ignore
  } catch (e) {
    return Object.fromEntries(Object.keys(shares).map((file) => [file, e.message.split('\n')[1] ?? e.message]));
  }
  const { asks: all } = await import(pathToFileURL(outfile).href);
  rmSync(outfile);
  const answers = {};
  for (const [file, ask] of Object.entries(all))
    answers[file] = await ask().then(
      (yes) => yes === true || 'it is not so',
      (e) => e.message,
    );
  return answers;
}

const standing = process.argv.includes('--standing');
const wanted = process.argv.slice(2).filter((a) => a !== '--standing').join(' '); // prettier-ignore
let failed = 0;
const say = (good, words) => {
  if (!good) failed++;
  console.log(`${good ? 'ok    ' : 'FAILED'} ${words}`);
};
const table = readFileSync(join(ROOT, 'docs/architecture.md'), 'utf8');
/** Whether a row of the table names a file. */
function names(row, file) {
  const told = table.split('\n').find((l) => l.startsWith(`| ${row} `)) ?? '';
  const parts = file.split('/');
  // A file may stand in a folder of its own below the one that is named.
  const folders = [1, 2].map((up) => parts.slice(0, -up)).filter((f) => f.length > 0);
  // `…-commands.ts` names one of many.
  const like = [...told.matchAll(/`([\w-]*)…([\w.-]*)`/g)].some(([, a, b]) => parts.at(-1).startsWith(a) && parts.at(-1).endsWith(b));
  return like || told.includes(parts.at(-1)) || folders.some((f) => told.includes(`\`${f.join('/')}/\``));
}
const named = (row, changes) => {
  for (const { file } of changes.filter((c) => !names(row, c.file))) say(false, `${row}: its row does not name ${file}`);
};

const rows = table.split('\n').slice(table.split('\n').findIndex((l) => l.startsWith('| to add '))).filter((l) => l.startsWith('| ')).map((l) => l.split('|')[1].trim()).slice(2); // prettier-ignore
for (const row of rows) if (row && !(row in ROWS) && !(row in RUN)) say(false, `${row}: nothing proves this row`);

if (standing) {
  const all = [...Object.entries(ROWS), ...Object.entries(RUN).map(([row, { changes }]) => [row, changes])];
  for (const [row, changes] of all) {
    named(row, changes);
    lay(changes); // throws where a file no longer holds what stands behind the new line
  }
  say(all.length === rows.filter(Boolean).length, `${all.length} proofs for ${rows.filter(Boolean).length} rows`);
  process.exit(failed ? 1 : 0);
}

for (const [row, { code, changes, shares }] of Object.entries(RUN).filter(([name]) => name.includes(wanted))) {
  named(row, changes);
  const whole = await done(code, shares, changes);
  for (const [file, yes] of Object.entries(whole))
    say(yes === true, `${row}: with all its files ${file} does its share${yes === true ? '' : `: no, ${yes}`}`);
  for (const left of changes) {
    const without = (await done(code, shares, changes.filter((c) => c !== left)))[left.file]; // prettier-ignore
    say(
      without !== true,
      `${row}: without ${left.file} ${without === true ? 'it is done all the same' : `its share is not done (${without})`}`,
    );
  }
}

const compiled = Object.entries(ROWS).filter(([name]) => name.includes(wanted));
const asIs = compiled.length ? fault([]) : null;
if (asIs) throw new Error(`the tree itself does not compile: ${asIs}`);
for (const [row, changes] of compiled) {
  named(row, changes);
  const whole = fault(changes);
  say(
    whole === null,
    `${row}: ${changes.length === 1 ? 'one file is' : `${changes.length} files are`} enough${whole ? `: no, ${whole}` : ''}`,
  );
  if (changes.length > 1)
    for (const left of changes) {
      const missing = fault(changes.filter((c) => c !== left));
      say(missing !== null, `${row}: without ${left.file} ${missing ? `it does not compile (${missing})` : 'it compiles all the same'}`);
    }
}
process.exit(failed ? 1 : 0);

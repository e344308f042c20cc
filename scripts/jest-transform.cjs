// What Jest reads a TypeScript file with: swc, and the language's own names taken once a module. Jest runs tests in a context of
// its own, where each look at Math or Float32Array goes through an interceptor and no compiled code can keep it: a detector of
// notes took four and a half times as long there as in a browser. Names that fake timers replace (Date, setTimeout) are left alone.
const { createTransformer } = require('@swc/jest');

const NAMES = [
  'Math',
  'Number',
  'String',
  'Array',
  'Object',
  'Map',
  'Set',
  'Infinity',
  'NaN',
  'Float32Array',
  'Float64Array',
  'Int8Array',
  'Int16Array',
  'Int32Array',
  'Uint8Array',
  'Uint16Array',
  'Uint32Array',
];
const VERSION = 'names-1';

const swc = createTransformer({
  jsc: { parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } }, target: 'es2022' },
  module: { type: 'es6' },
});

/** The names that a module uses and does not declare or import itself. */
function namesIn(code) {
  return NAMES.filter(
    (n) => new RegExp(`\\b${n}\\b`).test(code) && !new RegExp(`(import[^;]*\\b|\\b(const|let|var|class|function)\\s+)${n}\\b`).test(code),
  );
}

/** On the first line, so that lines keep their numbers. */
function taken(result) {
  const names = namesIn(result.code);
  return names.length ? { ...result, code: `const { ${names.join(', ')} } = globalThis; ${result.code}` } : result;
}

module.exports = {
  ...swc,
  process: (...a) => taken(swc.process(...a)),
  processAsync: async (...a) => taken(await swc.processAsync(...a)),
  getCacheKey: (...a) => `${swc.getCacheKey(...a)}-${VERSION}`,
};

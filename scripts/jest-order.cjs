// The order of the test files: those that listen, play, kill servers and fuzz take minutes, so they begin first and no core waits
// at the end for one of them. Within each, the largest file first, as Jest does where it knows no times.
const { default: Sequencer } = require('@jest/test-sequencer');
const { statSync } = require('node:fs');

const LONG = [
  /tests\/outside\/detect/,
  /core\/fingering\/fingering/,
  /tests\/(durability|network|release)\//,
  /tests\/outside\/backing/,
  /core\/(route|transpose|layout)\//,
];

const rank = (path) => {
  const at = LONG.findIndex((pattern) => pattern.test(path));
  return at < 0 ? LONG.length : at;
};

module.exports = class extends Sequencer {
  sort(tests) {
    const key = new Map(tests.map((t) => [t, [rank(t.path), -statSync(t.path).size]]));
    return [...tests].sort((a, b) => key.get(a)[0] - key.get(b)[0] || key.get(a)[1] - key.get(b)[1]);
  }
};

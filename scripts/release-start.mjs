#!/usr/bin/env node
// Starts an unpacked release.
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Crow Ladder needs Node 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}
await import('./dist/server/main.js');

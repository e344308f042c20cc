// A process that was started by another stops when that one is gone: npm, when it is stopped, does not tell its script.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Calls `gone` once the process that started this one has ended; looks twice a second. */
export function whenParentEnds(gone, every = 500) {
  const parent = process.ppid;
  const watched = [parent, ...(process.env.npm_lifecycle_event ? [parentOf(parent)] : [])].filter((pid) => pid > 1);
  const timer = setInterval(() => {
    if (process.ppid === parent && watched.every(alive)) return;
    clearInterval(timer);
    gone();
  }, every);
  timer.unref();
}

/** npm runs a script through a shell, which outlives it when it is killed: the one to watch is the shell's own parent. 0 where it cannot be told. */
function parentOf(pid) {
  try {
    if (process.platform === 'linux')
      return Number(
        readFileSync(`/proc/${pid}/stat`, 'utf8')
          .replace(/^.*\) \S+ /s, '')
          .split(' ')[0],
      );
    if (process.platform !== 'win32') return Number(execFileSync('ps', ['-o', 'ppid=', '-p', String(pid)], { encoding: 'utf8' }));
  } catch {
    // a process that just ended: its child is noticed by its new parent
  }
  return 0;
}

/** Signal 0 asks whether a process is there; on Windows its number stays after it has ended. */
function alive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (e) {
    return e.code === 'EPERM';
  }
}

import open from 'open';

/** Opens the address where there is somebody to see it: not with --no-open, in CI, without a terminal, or without a display. */
export function openBrowser(
  url: string,
  flags: ReadonlySet<string>,
  env = process.env,
  platform = process.platform,
  terminal = process.stdout.isTTY,
): void {
  if (!wantsBrowser(flags, env, platform, terminal)) return;
  open(url).then(
    (child) => child.on('error', () => undefined),
    () => undefined, // the address stands on the terminal
  );
}

export function wantsBrowser(
  flags: ReadonlySet<string>,
  env: Record<string, string | undefined>,
  platform: NodeJS.Platform,
  terminal: boolean | undefined,
): boolean {
  if (flags.has('no-open') || env.CI || !terminal) return false;
  return platform !== 'linux' || !!(env.DISPLAY || env.WAYLAND_DISPLAY);
}

/** What a start is asked for on the command line. */
export interface Flags {
  /** Plain words: no-open, new-notebook, second, demo-reset. */
  readonly words: ReadonlySet<string>;
  /** Networks to share on, by interface or address; empty: the only one there is; null: not shared. */
  readonly share: string[] | null;
  /** Files of a certificate and its key. */
  readonly cert: { readonly cert: string; readonly key: string } | null;
}

const WORDS = ['no-open', 'new-notebook', 'second', 'demo-reset'];
const VALUES = ['share', 'cert', 'key'];

/** Reads the command line: `--word`, `--name=value` and `--name value`. A sentence where it does not hold. */
export function readFlags(args: readonly string[]): Flags | { readonly why: string } {
  const words = new Set<string>();
  const values = new Map<string, string[]>();
  for (let k = 0; k < args.length; k++) {
    const [, name = '', value] = /^--([a-z-]+)(?:=(.*))?$/s.exec(args[k]!) ?? [];
    if (WORDS.includes(name) && value === undefined) words.add(name);
    else if (VALUES.includes(name)) {
      const next = value ?? (name !== 'share' && args[k + 1] && !args[k + 1]!.startsWith('--') ? args[++k] : '');
      values.set(name, [...(values.get(name) ?? []), ...next!.split(name === 'share' ? ',' : /(?!)/)]);
    } else return { why: `“${args[k]!.slice(0, 40)}” is not known here. There is: ${[...WORDS, 'share', 'share=NETWORK', 'cert FILE', 'key FILE'].map((w) => `--${w}`).join(', ')}.` }; // prettier-ignore
  }
  const share = values.get('share')?.filter((v) => v !== '') ?? null;
  const [cert, key] = ['cert', 'key'].map((name) => values.get(name)?.at(-1));
  if (cert === undefined && key === undefined) return { words, share, cert: null };
  if (!cert || !key) return { why: 'A certificate and its key go together: --cert FILE --key FILE.' };
  if (!share) return { why: 'A certificate is for sharing: npm start -- --share --cert FILE --key FILE.' };
  return { words, share, cert: { cert, key } };
}

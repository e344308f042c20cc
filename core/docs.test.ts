import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { EXAMPLE_SCOPE } from '../tests/support/example-scope';
import * as core from './index';

const files = readdirSync('core', { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'));
const texts = new Map(files.map((f) => [f, readFileSync(join('core', f), 'utf8')]));

/** Examples as they stand in comments: an expression and what it gives. */
const examples = [...texts].flatMap(([file, text]) =>
  [...text.matchAll(/^ \* @example (.+?) \/\/ (.+)$/gm)].map(([, code, answer]): [string, string, string] => [file, code!, answer!]),
);
const scope: Readonly<Record<string, unknown>> = { ...core, ...EXAMPLE_SCOPE };
// eslint-disable-next-line @typescript-eslint/no-implied-eval -- the comments of this repository, nothing else
const run = (code: string): unknown => (new Function(...Object.keys(scope), `return (${code});`) as (...all: unknown[]) => unknown)(...Object.values(scope)); // prettier-ignore

describe('the examples in the comments', () => {
  it.each(examples)('%s: %s', (_, code, answer) => expect(run(code)).toEqual(run(answer)));

  it('are many, and each is run', () => {
    expect(examples.length).toBeGreaterThan(150);
    const written = [...texts.values()].reduce((n, text) => n + text.split('@example').length - 1, 0);
    expect(examples).toHaveLength(written);
  });
});

/** Exports, and fields of interfaces, that have no comment of their own. */
function undocumented(file: string, text: string): string[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const bare = (n: ts.Node): boolean =>
    !(ts.getLeadingCommentRanges(text, n.getFullStart()) ?? []).some((c) => text.startsWith('/**', c.pos));
  const nameOf = (n: ts.Statement): string =>
    ts.isVariableStatement(n) ? n.declarationList.declarations[0]!.name.getText() : ((n as ts.DeclarationStatement).name?.getText() ?? '');
  return source.statements.flatMap((n) => {
    const exported = ts.canHaveModifiers(n) && ts.getModifiers(n)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword);
    const fields = ts.isInterfaceDeclaration(n) ? n.members.filter(bare).map((m) => `${n.name.text}.${m.name?.getText() ?? ''}`) : [];
    return [...(exported && nameOf(n) && bare(n) ? [nameOf(n)] : []), ...fields].map((name) => `${file}: ${name}`);
  });
}

it('every export of the core and every field of its interfaces says what it is', () => {
  expect([...texts].flatMap(([file, text]) => undocumented(file, text))).toEqual([]);
});

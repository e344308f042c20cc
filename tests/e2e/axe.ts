import type { Page } from '@playwright/test';
import type { AxeResults } from 'axe-core';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What a general checker of accessibility finds in an element of the page: each rule with the markup that breaks it. */
export async function faults(page: Page, within = 'body', rules: readonly string[] = []): Promise<[string, string[]][]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(SOURCE);
  const found = await page.evaluate(
    ({ where, only }) => {
      const { axe } = globalThis as unknown as { axe: { run(where: string, options: object): Promise<AxeResults> } };
      return axe.run(where, { resultTypes: ['violations'], ...(only.length ? { runOnly: { type: 'rule', values: only } } : {}) });
    },
    { where: within, only: [...rules] },
  );
  return found.violations.map((v) => [v.id, v.nodes.map((n) => n.html)]);
}

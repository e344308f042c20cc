import type { Kept, Problem } from '../contract';

/** Checks a record once a revision: a list of thousands is not checked again each time it is shown. */
export function checkedOnce<Body>(check: (body: Body) => Problem[]): (record: Kept<Body>) => Problem[] {
  const known = new Map<string, { updatedAt: number; revision: number; problems: Problem[] }>();
  return ({ id, revision, updatedAt, body }) => {
    const last = known.get(id);
    if (last?.revision === revision && last.updatedAt === updatedAt) return last.problems;
    const problems = check(body);
    known.set(id, { revision, updatedAt, problems });
    return problems;
  };
}

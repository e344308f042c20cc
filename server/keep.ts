import type { Knex } from 'knex';
import { isRefused, readSave, type KindName, type Refused } from './prepare';
import { repository, type Kept } from './repository';

/** A record as it was sent to be made (id null) or saved. */
export interface Sent {
  readonly kind: KindName;
  /** What a guitarist calls one of them. */
  readonly word: string;
  readonly id: string | null;
  readonly text: string;
}

/** Reads what was sent, checks it and keeps it. The state before is packed meanwhile. */
export async function keepSent(db: Knex, { kind, word, id, text }: Sent): Promise<Refused | Kept> {
  const repo = repository(db, kind);
  const seen = id === null ? null : repo.look(id);
  seen?.catch(() => undefined); // said where it is waited for
  await new Promise(setImmediate); // lets the look begin
  const save = readSave(kind, word, text);
  if (isRefused(save)) return save;
  if (id === null) return repo.create(save.prepared);
  if (!Number.isSafeInteger(save.revision))
    return { status: 400, code: 'NO_REVISION', message: 'Name the revision that was changed, a whole number.' };
  return repo.update(id, save.revision as number, save.prepared, seen ?? undefined);
}

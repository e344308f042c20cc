import type { Knex } from 'knex';
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { MOST_DEVICE_NAME, MOST_DEVICES, type Device } from '../../contract';

interface Row {
  readonly id: string;
  readonly name: string;
  /** SHA-256 of its secret; the secret itself is in its cookie alone. */
  readonly secret: string;
  readonly created_at: number;
  readonly used_at: number;
  readonly shut_out_at: number | null;
}

/** Last use is written down at most so often, in ms. */
const NOTED_MS = 60_000;

const digest = (secret: string): Buffer => createHash('sha256').update(secret).digest();
const nameOf = (text: string): string =>
  text.replace(/[\p{Cc}\p{Cf}\u2028\u2029]+/gu, ' ').trim().slice(0, MOST_DEVICE_NAME).trim() || 'a device'; // prettier-ignore

/** Devices that were let in, in the notebook's table `devices`; one that was shut out stays in it, and out. */
export function devices(db: Knex, now: () => number = Date.now) {
  const table = () => db<Row>('devices');
  const gone = new Set<(id: string) => void>();
  return {
    async list(): Promise<Device[]> {
      const rows = await table().whereNull('shut_out_at').orderBy('used_at', 'desc');
      return rows.map((r) => ({ id: r.id, name: r.name, createdAt: r.created_at, usedAt: r.used_at }));
    },
    /** Lets a device in; gives what its cookie is to hold, or null where there are too many. */
    async letIn(name: string): Promise<string | null> {
      if ((await this.list()).length >= MOST_DEVICES) return null;
      const id = randomBytes(9).toString('base64url');
      const secret = randomBytes(32).toString('base64url');
      const at = now();
      await table().insert({
        id,
        name: nameOf(name),
        secret: digest(secret).toString('hex'),
        created_at: at,
        used_at: at,
        shut_out_at: null,
      });
      return `${id}.${secret}`;
    },
    /** The device of a cookie; null where there is none, or it was shut out. */
    async known(cookie: string | undefined): Promise<string | null> {
      const [, id, secret] = /^([\w-]{12})\.([\w-]{43})$/.exec(cookie ?? '') ?? [];
      if (!id) return null;
      const row = await table().where({ id }).whereNull('shut_out_at').first();
      if (!row || !timingSafeEqual(Buffer.from(row.secret, 'hex'), digest(secret!))) return null;
      if (now() - row.used_at > NOTED_MS) await table().where({ id }).update({ used_at: now() });
      return id;
    },
    /** From now on it is not let in; what it listens to ends. Whether there was one. */
    async shutOut(id: string): Promise<boolean> {
      const done = await table().where({ id }).whereNull('shut_out_at').update({ shut_out_at: now() });
      for (const end of gone) end(id);
      return done > 0;
    },
    /** Told of each device that is shut out. */
    whenShutOut(end: (id: string) => void): () => void {
      gone.add(end);
      return () => gone.delete(end);
    },
  };
}
export type Devices = ReturnType<typeof devices>;

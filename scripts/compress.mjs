// Writes what the server sends beside each built file, smaller: brotli and gzip, chosen by what the browser takes.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

const TEXT = /\.(js|mjs|css|html|svg|json|webmanifest)$/;
/** Shorter files fit one packet as they are. */
const LEAST = 1024;

const [brotli, zip] = [promisify(brotliCompress), promisify(gzip)];

/** Compresses every text file below a folder. */
export async function compress(folder) {
  const files = readdirSync(folder, { recursive: true }).map((name) => join(folder, name));
  await Promise.all(
    files
      .filter((file) => TEXT.test(file) && statSync(file).isFile() && statSync(file).size >= LEAST)
      .map(async (file) => {
        const whole = readFileSync(file);
        writeFileSync(`${file}.br`, await brotli(whole, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }));
        writeFileSync(`${file}.gz`, await zip(whole, { level: 9 }));
      }),
  );
}

import { createPrivateKey, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { wordsOf } from '../inspect';

export interface Certificate {
  readonly cert: string;
  readonly key: string;
  /** Host names that it is made out to; names with a star are left out. */
  readonly names: string[];
}

/** A certificate with its key, or a sentence why it cannot be used. `now` is in ms since 1970. */
export function readCertificate(certFile: string, keyFile: string, now: number): Certificate | { readonly why: string } {
  const read = (file: string, what: string): string | { readonly why: string } => {
    try {
      return readFileSync(file, 'utf8');
    } catch (e) {
      return { why: `The ${what} ${file} cannot be read: ${wordsOf(e)}.` };
    }
  };
  const cert = read(certFile, 'certificate');
  const key = read(keyFile, 'key');
  if (typeof cert !== 'string') return cert;
  if (typeof key !== 'string') return key;
  let x509: X509Certificate;
  try {
    x509 = new X509Certificate(cert);
  } catch {
    return { why: `${certFile} is no certificate: it should be a text that begins with -----BEGIN CERTIFICATE-----.` };
  }
  try {
    if (!x509.checkPrivateKey(createPrivateKey(key))) return { why: `${keyFile} is not the key of the certificate ${certFile}.` };
  } catch {
    return { why: `${keyFile} is no private key without a pass phrase, as a text that begins with -----BEGIN.` };
  }
  if (now > Date.parse(x509.validTo)) return { why: `The certificate ${certFile} ran out on ${x509.validTo}.` };
  if (now < Date.parse(x509.validFrom)) return { why: `The certificate ${certFile} is good only from ${x509.validFrom} on.` };
  const names = [...(x509.subjectAltName ?? '').matchAll(/DNS:([a-z0-9.-]{1,253})(?=,|$)/gi)].map((m) => m[1]!.toLowerCase());
  return { cert, key, names };
}

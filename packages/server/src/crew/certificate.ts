/** The certificate a crew's server shows: given as files, or made here once and kept beside the database. */
import { existsSync, readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { X509Certificate, createPrivateKey } from 'node:crypto';
import { generate } from 'selfsigned';
import { put } from '../put';
import type { Reach } from './reach';
import { SettingError } from './reach';

export interface Certificate {
  cert: string;
  key: string;
  /** What phones are told to trust, where the certificate was made here. */
  authority: string | null;
  /** SHA-256 of what is to be trusted, as browsers and phones show it: a person compares it before. */
  fingerprint: string;
}

/** Phones take no certificate for longer than this, days; from memory. */
const VALID_DAYS = 825;
const RENEW_BEFORE_MS = 30 * 24 * 3600 * 1000;
const KEY = { keySize: 2048, algorithm: 'sha256' } as const;
const DNS_NAME = 2 as const;
const IP_ADDRESS = 7 as const;

const read = (file: string, setting: string): string => {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    throw new SettingError(`${setting} names "${file}", which cannot be read.`);
  }
};

const withFingerprint = (one: Omit<Certificate, 'fingerprint'>): Certificate => ({
  ...one,
  fingerprint: new X509Certificate(one.authority ?? one.cert).fingerprint256,
});

/** What is wrong with a certificate, or with the key for it; `null` where nothing is. */
function problemWith(cert: string, key?: string): 'certificate' | 'key' | 'pair' | null {
  let known: X509Certificate;
  try {
    known = new X509Certificate(cert);
  } catch {
    return 'certificate';
  }
  if (key === undefined) return null;
  try {
    return known.checkPrivateKey(createPrivateKey(key)) ? null : 'pair';
  } catch {
    return 'key';
  }
}

const GIVEN = {
  certificate: 'ZYGOSTAT_CERT names a file that is no certificate in PEM, or is cut off.',
  key: 'ZYGOSTAT_KEY names a file that is no private key in PEM, or is cut off.',
  pair: 'ZYGOSTAT_KEY is the key of another certificate than ZYGOSTAT_CERT.',
} as const;

function given(certFile: string, keyFile: string): Certificate {
  const [cert, key] = [read(certFile, 'ZYGOSTAT_CERT'), read(keyFile, 'ZYGOSTAT_KEY')];
  const problem = problemWith(cert, key);
  if (problem !== null) throw new SettingError(GIVEN[problem]);
  return withFingerprint({ cert, key, authority: null });
}

/** Whether a kept certificate still serves: every name is in it, and it is good for a while. */
function stillServes(cert: string, names: Iterable<string>): boolean {
  const known = new X509Certificate(cert);
  const isNamed = (name: string) => (isIP(name) ? known.checkIP(name) : known.checkHost(name)) !== undefined;
  return Date.parse(known.validTo) - Date.now() > RENEW_BEFORE_MS && [...names].every(isNamed);
}

const validity = () => {
  const now = new Date();
  return { notBeforeDate: now, notAfterDate: new Date(now.getTime() + VALID_DAYS * 24 * 3600 * 1000) };
};

const named = (commonName: string) => [{ name: 'commonName', value: commonName }];

const altName = (name: string) =>
  isIP(name) ? { type: IP_ADDRESS, ip: name } : { type: DNS_NAME, value: name };

/**
 * An authority, and a certificate it signed. The authority's key is kept nowhere: a phone that trusts it trusts this one
 * certificate and nothing that anybody could sign later.
 */
async function issued(names: readonly string[]) {
  const ca = await generate(named('Zygostat crew authority'), {
    ...KEY,
    ...validity(),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  const { cert, private: key } = await generate(named('Zygostat crew'), {
    ...KEY,
    ...validity(),
    ca: { key: ca.private, cert: ca.cert },
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames: names.map(altName) },
    ],
  });
  return { authority: ca.cert, cert, key };
}

async function made(folder: string, names: readonly string[]): Promise<Certificate> {
  const file = (name: string) => join(folder, `crew-${name}.pem`);
  const files = [file('ca'), file('cert'), file('key')] as const;
  if (files.every((one) => existsSync(one))) {
    const [authority, cert, key] = files.map((one) => readFileSync(one, 'utf8'));
    // One that was cut off, or is of another key, is made anew.
    if (problemWith(cert!, key!) === null && problemWith(authority!) === null && stillServes(cert!, names))
      return withFingerprint({ cert: cert!, key: key!, authority: authority! });
  }
  const { authority, cert, key } = await issued(names);
  put(file('ca'), authority);
  put(file('cert'), cert);
  put(file('key'), key);
  return withFingerprint({ cert, key, authority });
}

/**
 * The certificate of a reach, `null` where it serves in plain.
 *
 * @param folder - where one made here is kept; it is made anew when a name is not in it or it ends within a month.
 * @throws SettingError when a file given cannot be read.
 */
export async function certificateOf(
  { transport, names }: Reach,
  folder: string,
): Promise<Certificate | null> {
  if (transport.type === 'given') return given(transport.cert, transport.key);
  // A URL writes an IPv6 address in brackets, a certificate does not.
  return transport.type === 'made'
    ? made(
        folder,
        [...names].map((name) => name.replace(/[[\]]/g, '')),
      )
    : null;
}

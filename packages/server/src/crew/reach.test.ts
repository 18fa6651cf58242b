/** Where it listens, and what a setting that does not fit says; certificates as Node's own X.509 reader sees them (RFC 5280). */
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificateOf } from './certificate';
import { ALONE, readReach } from './reach';

const ADDRESSES = ['192.0.2.7'];
const reach = (settings: Record<string, string>, ...flags: string[]) => readReach(flags, settings, ADDRESSES);

test.each<Record<string, string>>([
  {},
  { ZYGOSTAT_HOST: '' },
  { ZYGOSTAT_HOST: '127.0.0.1' },
  { ZYGOSTAT_HOST: 'localhost' },
])('it stays on this machine with %j', (settings) => expect(reach(settings)).toBe(ALONE));

test('for a crew it listens to the network, under the names it has there', () => {
  const { host, names, transport } = reach({}, '--crew');
  expect(host).toBe('0.0.0.0');
  expect(transport).toEqual({ type: 'made' });
  expect([...names]).toEqual(expect.arrayContaining(['127.0.0.1', 'localhost', '192.0.2.7']));
  expect(reach({ ZYGOSTAT_HOST: '192.0.2.7' })).toMatchObject({ crew: true, host: '192.0.2.7' });
});

test.each<[Record<string, string>, RegExp]>([
  [{ ZYGOSTAT_CERT: 'a.pem' }, /ZYGOSTAT_CERT and ZYGOSTAT_KEY belong together/],
  [{ ZYGOSTAT_PROXY: '127.0.0.1' }, /ZYGOSTAT_PUBLIC_URL must name/],
  [{ ZYGOSTAT_PUBLIC_URL: 'http://shop.example' }, /must be an https address/],
  [{ ZYGOSTAT_PUBLIC_URL: 'shop' }, /must be an https address, not "shop"/],
])('%j is refused by its name', (settings, message) => {
  expect(() => reach(settings, '--crew')).toThrow(message);
});

describe('the certificate made here', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'zygostat-'))));
  afterEach(() => rmSync(folder, { recursive: true }));
  const made = async (settings: Record<string, string> = {}) =>
    (await certificateOf(reach(settings, '--crew'), folder))!;

  test('names every name, is signed by what phones trust, and can sign nothing itself', async () => {
    const { cert, authority, fingerprint } = await made();
    const [own, ca] = [new X509Certificate(cert), new X509Certificate(authority!)];
    expect(own.checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(own.checkIP('127.0.0.1')).toBe('127.0.0.1');
    expect(own.checkHost('localhost')).toBe('localhost');
    expect(own.checkHost('example.org')).toBeUndefined();
    expect(own.verify(ca.publicKey)).toBe(true);
    expect([own.ca, ca.ca]).toEqual([false, true]);
    expect(fingerprint).toBe(ca.fingerprint256);
    // Nobody else on the machine reads the key.
    expect(statSync(join(folder, 'crew-key.pem')).mode & 0o077).toBe(0);
  });

  test('stays as long as it serves, and is made anew for another name', async () => {
    const first = await made();
    expect(await made()).toEqual(first);
    const other = await made({ ZYGOSTAT_PUBLIC_URL: 'https://shop.example' });
    expect(other.fingerprint).not.toBe(first.fingerprint);
    expect(new X509Certificate(other.cert).checkHost('shop.example')).toBe('shop.example');
  });

  test('one of its own is taken as it is; a file that is not there is told by its setting', async () => {
    const { cert, key } = await made();
    const files = { ZYGOSTAT_CERT: join(folder, 'own.pem'), ZYGOSTAT_KEY: join(folder, 'own-key.pem') };
    writeFileSync(files.ZYGOSTAT_CERT, cert);
    await expect(certificateOf(reach(files, '--crew'), folder)).rejects.toThrow(
      /ZYGOSTAT_KEY names ".*own-key/,
    );
    writeFileSync(files.ZYGOSTAT_KEY, key);
    expect(await certificateOf(reach(files, '--crew'), folder)).toMatchObject({ cert, key, authority: null });
  });
});

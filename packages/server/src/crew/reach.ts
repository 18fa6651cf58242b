/** Where the server listens and under which names it answers: this machine alone, or the local network for a crew. */
import { networkInterfaces, hostname } from 'node:os';

/** Names of this machine to itself: RFC 6761, RFC 4291. */
const LOOPBACK: ReadonlySet<string> = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** How what is served is kept from being read on the way. */
export type Transport =
  /** Nothing leaves this machine. */
  | { type: 'none' }
  /** A certificate and key of one's own, as files. */
  | { type: 'given'; cert: string; key: string }
  /** A certificate made here at first start. */
  | { type: 'made' }
  /** A proxy in front, told by its address, serves HTTPS and passes on what it gets in plain. */
  | { type: 'proxy'; address: string };

export interface Reach {
  crew: boolean;
  /** The address that is listened on. */
  host: string;
  /** Host names it answers under. */
  names: ReadonlySet<string>;
  transport: Transport;
  /** What is put into codes, links and calendars; `null` where the address asked for is used. */
  publicUrl: URL | null;
}

/** One person at this machine. */
export const ALONE: Reach = {
  crew: false,
  host: '127.0.0.1',
  names: LOOPBACK,
  transport: { type: 'none' },
  publicUrl: null,
};

/** A setting that does not fit, told by its name. */
export class SettingError extends Error {}

type Settings = Readonly<Record<string, string | undefined>>;

/** Addresses of this machine that others reach it under, IPv4: IPv6 addresses change and are long to type. */
const ownAddresses = (interfaces = networkInterfaces()): string[] =>
  Object.values(interfaces).flatMap((all = []) =>
    all.flatMap(({ family, internal, address }) => (family === 'IPv4' && !internal ? [address] : [])),
  );

function publicUrlOf(text: string | undefined): URL | null {
  if (text === undefined || text === '') return null;
  const url = URL.canParse(text) ? new URL(text) : null;
  if (url?.protocol !== 'https:' && !(url?.protocol === 'http:' && LOOPBACK.has(url.hostname)))
    throw new SettingError(`ZYGOSTAT_PUBLIC_URL must be an https address, not "${text}".`);
  return url;
}

function transportOf(
  { ZYGOSTAT_CERT, ZYGOSTAT_KEY, ZYGOSTAT_PROXY }: Settings,
  publicUrl: URL | null,
): Transport {
  if (ZYGOSTAT_PROXY) {
    if (!publicUrl)
      throw new SettingError('Behind a proxy ZYGOSTAT_PUBLIC_URL must name the address that people open.');
    return { type: 'proxy', address: ZYGOSTAT_PROXY };
  }
  if (ZYGOSTAT_CERT && ZYGOSTAT_KEY) return { type: 'given', cert: ZYGOSTAT_CERT, key: ZYGOSTAT_KEY };
  if (ZYGOSTAT_CERT || ZYGOSTAT_KEY)
    throw new SettingError('ZYGOSTAT_CERT and ZYGOSTAT_KEY belong together: give both files, or neither.');
  return { type: 'made' };
}

const MOST_REQUESTS = 1_000_000;

/**
 * Requests that a client may make in a minute.
 * @throws SettingError when it is no number.
 */
export function readRequests(text = '600'): number {
  const number = Number(text);
  if (text.trim() === '' || !Number.isInteger(number) || number < 1 || number > MOST_REQUESTS)
    throw new SettingError(
      `ZYGOSTAT_REQUESTS_PER_MINUTE must be a whole number from 1 to ${MOST_REQUESTS}, not "${text}".`,
    );
  return number;
}

/**
 * @param flags - of the command line: `--crew` asks for the local network.
 * @throws SettingError naming the setting and what would be valid.
 */
export function readReach(flags: readonly string[], settings: Settings, addresses = ownAddresses()): Reach {
  const unknown = flags.filter((flag) => flag !== '--crew');
  if (unknown.length > 0)
    throw new SettingError(
      `There is no option ${unknown.join(', ')}. There is --crew, for the local network.`,
    );
  const asked = settings.ZYGOSTAT_HOST;
  const crew = flags.includes('--crew') || (asked !== undefined && asked !== '' && !LOOPBACK.has(asked));
  if (!crew) return ALONE;
  const publicUrl = publicUrlOf(settings.ZYGOSTAT_PUBLIC_URL);
  const transport = transportOf(settings, publicUrl);
  const own = hostname().toLowerCase();
  const names = new Set([...LOOPBACK, ...addresses, own, `${own}.local`]);
  if (asked) names.add(asked.toLowerCase());
  if (publicUrl) names.add(publicUrl.hostname);
  return { crew, host: asked || '0.0.0.0', names, transport, publicUrl };
}

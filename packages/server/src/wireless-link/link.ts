/**
 * The air between the modules of a wireless link, simulated: who is there and says what, who hears whom. Pairing by a button at
 * each module within a minute, and what silence and interference do, is common practice; the figures are from memory.
 */
import { linkMargin } from '@zygostat/core/standards';

export const INTERFERENCE = ['none', 'bursts', 'jammed'] as const;
type Interference = (typeof INTERFERENCE)[number];

/** What interference takes of the margin, dB. From memory. */
const TAKES_DB: Readonly<Record<Interference, number>> = { none: 0, bursts: 15, jammed: 200 };

export interface LinkModule {
  /** The number of its pair; `null` while it has none. */
  pair: number | null;
  powered: boolean;
  /** Its antenna is off, or it is in a metal box. */
  silent: boolean;
  /** Calls it says, by their marks. */
  says: readonly string[];
}

export interface WirelessLink {
  name: string;
  air: { metres: number; walls: number; interference: Interference };
  modules: Readonly<Record<string, LinkModule>>;
  /** A module whose pairing button was pressed, and until when it waits for another. */
  pairing: { module: string; until: string } | null;
}

/** So long a module waits for the other one's button, ms. */
const PAIRING_MS = 60_000;

export const newLink = (name: string): WirelessLink => ({
  name,
  air: { metres: 30, walls: 1, interference: 'none' },
  modules: {},
  pairing: null,
});

const NEW_MODULE: LinkModule = { pair: null, powered: false, silent: false, says: [] };

/** A module as it tells of itself. */
export const told = (link: WirelessLink, module: string, now: Partial<LinkModule>): WirelessLink => ({
  ...link,
  modules: { ...link.modules, [module]: { ...NEW_MODULE, ...link.modules[module], ...now } },
});

/** Modules that go by a number. */
export const pairOf = ({ modules }: WirelessLink, pair: number): string[] =>
  Object.keys(modules).filter((id) => modules[id]!.pair === pair);

/** The least number that no pair has. */
const freePair = (link: WirelessLink): number => {
  for (let pair = 1; ; pair++) if (pairOf(link, pair).length === 0) return pair;
};

/** The partner a module has, if any. */
export const partnerOf = (link: WirelessLink, module: string): string | undefined => {
  const pair = link.modules[module]?.pair;
  return typeof pair === 'number' ? pairOf(link, pair).find((id) => id !== module) : undefined;
};

/** A module's pairing button: the first waits, the second within a minute makes them a pair. */
export function pressed(link: WirelessLink, module: string, now: Date): WirelessLink {
  const { pairing } = link;
  if (!pairing || pairing.module === module || now > new Date(pairing.until))
    return { ...link, pairing: { module, until: new Date(now.getTime() + PAIRING_MS).toISOString() } };
  const pair = freePair(link);
  return { ...told(told(link, pairing.module, { pair }), module, { pair }), pairing: null };
}

/** Takes a module out of its pair. */
export const unpaired = (link: WirelessLink, module: string): WirelessLink =>
  told(link, module, { pair: null });

/** What a module hears: of whom, what, and with how much to spare, dB; `null` for nothing. */
export function heardBy(
  link: WirelessLink,
  module: string,
): { from: string; says: readonly string[]; marginDb: number } | null {
  const from = partnerOf(link, module);
  if (from === undefined) return null;
  const [own, other] = [link.modules[module]!, link.modules[from]!];
  const marginDb = linkMargin(link.air) - TAKES_DB[link.air.interference];
  const isHeard = own.powered && other.powered && !own.silent && !other.silent && marginDb >= 0;
  return isHeard ? { from, says: other.says, marginDb } : null;
}

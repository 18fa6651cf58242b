/** Signing in by a key the device keeps (WebAuthn), by a library that knows how. */
import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { Request } from 'express';
import { isIP } from 'node:net';
import { pageAddress } from '../address';
import type { Passkey, Person } from '../db/crew';
import { addPasskey, countPasskey, passkeyById, passkeysOf } from '../db/crew';
import type { Db } from '../db/open';
import { Problem } from '../problem';

const NAME = 'Zygostat';
const GOOD_FOR_MS = 5 * 60_000;
const MOST_WAITING = 1000;

/** Where a page is served from: keys belong to a name, and an address by number is none. */
interface Site {
  origin: string;
  name: string;
}

/**
 * The site that a request was made to.
 * @throws Problem 409 where it is asked for by number.
 */
export function siteFor(request: Request): Site {
  const { origin, hostname } = new URL(pageAddress(request, ''));
  if (isIP(hostname.replace(/[[\]]/g, '')))
    throw new Problem({
      status: 409,
      title: 'No passkeys here',
      detail: 'Passkeys belong to a name, and this address is a number. Sign in with the password.',
    });
  return { origin, name: hostname };
}

/** Challenges that were given out, each good once and for minutes. They do not outlive the server: one asks again. */
class Challenges {
  private readonly until = new Map<string, number>();

  give(challenge: string): void {
    const now = Date.now();
    for (const [one, end] of this.until)
      if (end < now || this.until.size > MOST_WAITING) this.until.delete(one);
    this.until.set(challenge, now + GOOD_FOR_MS);
  }

  /** Whether it was given out and not taken yet; it is taken by this. */
  take = (challenge: string): boolean => {
    const end = this.until.get(challenge);
    this.until.delete(challenge);
    return end !== undefined && end >= Date.now();
  };
}

/** The library throws at what does not fit; who asks is told no more than that it does not. */
const refused = () => null;

export type Passkeys = ReturnType<typeof makePasskeys>;

export function makePasskeys(db: Db) {
  const challenges = new Challenges();
  return {
    async registration(site: Site, person: Person) {
      const options = await generateRegistrationOptions({
        rpName: NAME,
        rpID: site.name,
        userName: person.name,
        userID: new TextEncoder().encode(person.id),
        attestationType: 'none',
        excludeCredentials: passkeysOf(db, person.id).map(({ id }) => ({ id })),
        authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
      });
      challenges.give(options.challenge);
      return options;
    },

    /** Keeps a device's key; `false` where it does not prove what was asked. */
    async register(site: Site, person: Person, answer: object, device: string): Promise<boolean> {
      const proof = await verifyRegistrationResponse({
        response: answer as RegistrationResponseJSON,
        expectedChallenge: challenges.take,
        expectedOrigin: site.origin,
        expectedRPID: site.name,
      }).catch(refused);
      if (!proof?.verified) return false;
      return addPasskey(db, person.id, proof.registrationInfo.credential satisfies Passkey, device);
    },

    async authentication(site: Site) {
      const options = await generateAuthenticationOptions({ rpID: site.name, userVerification: 'required' });
      challenges.give(options.challenge);
      return options;
    },

    /** Whoever a device's answer is of, `null` where it proves nobody. */
    async authenticate(site: Site, answer: object): Promise<Person | null> {
      const response = answer as AuthenticationResponseJSON;
      const found = passkeyById(db, String(response.id));
      if (!found) return null;
      const proof = await verifyAuthenticationResponse({
        response,
        expectedChallenge: challenges.take,
        expectedOrigin: site.origin,
        expectedRPID: site.name,
        credential: found.key,
      }).catch(refused);
      if (!proof?.verified) return null;
      countPasskey(db, found.key.id, proof.authenticationInfo.newCounter);
      return found.person;
    },
  };
}

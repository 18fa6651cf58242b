import { browserSupportsWebAuthn } from '@simplewebauthn/browser';

/** Passkeys belong to a name: an address by number has none (WebAuthn: the RP ID is a domain). */
export const canKeepPasskeys = (): boolean =>
  browserSupportsWebAuthn() && !/^[\d.]+$|^\[/.test(window.location.hostname);

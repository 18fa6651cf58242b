/** What the terminal says when the server is ready: where, with which code, and how a phone comes to trust it. */
import { toString as qrText } from 'qrcode';

/** How each kind of phone comes to trust a certificate made here; the ways through its settings are from memory. */
const trust = (url: string) => [
  'The certificate was made here. A browser asks once and can be let past. To install the app, a phone has to trust it:',
  `  open ${url}/api/trust.crt on the phone, and compare the fingerprint below before you say yes.`,
  '  iPhone, iPad: Settings, Profile Downloaded, Install; then General, About, Certificate Trust Settings, switch it on.',
  '  Android: Settings, Security, Encryption & credentials, Install a certificate, CA certificate, the file downloaded.',
  '  Computer: add it to the authorities the browser trusts.',
  '  A certificate of your own that phones trust already (ZYGOSTAT_CERT, ZYGOSTAT_KEY) asks for none of this.',
  '  When this machine gets another address a new one is made: a fixed address spares that.',
];

interface Ready {
  url: string;
  /** Of what phones are told to trust, where it was made here. */
  fingerprint: string | null;
  /** Good once and for minutes, for whoever will lead; `null` once somebody leads. */
  firstCode: string | null;
}

/** The lines for a crew. */
export async function announcement({ url, fingerprint, firstCode }: Ready): Promise<string> {
  const address = firstCode === null ? url : `${url}/join#${firstCode}`;
  const code = await qrText(address, { type: 'terminal', small: true, errorCorrectionLevel: 'L' });
  return [
    `Zygostat is ready for the crew on ${url}`,
    '',
    code,
    ...(firstCode === null
      ? ['Whoever leads the crew makes the others a code: Settings, Crew.']
      : [
          `Nobody is here yet. Whoever opens this first, leads: ${address}`,
          'The code is good once, for 30 minutes.',
        ]),
    ...(fingerprint === null ? [] : ['', ...trust(url), `  Fingerprint (SHA-256): ${fingerprint}`]),
  ].join('\n');
}

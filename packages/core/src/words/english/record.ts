/** What the record says, in words. Times are told by whoever shows them. */
import { findDevice, splitTerminal } from '../../circuit';
import { kindOf } from '../../devices';
import type { Protection } from '../../prove';
import type { Body, Bypass, CommissionTest, Entry, Outcome, Unsettled } from '../../record';
import type { Names } from '../names';
import { loadsAt } from '../names';
import { listed } from '../phrases';
import { JACKET_BECAME, JACKET_DOES, PANEL_DONE } from './fire';
import { situationText } from './situation';

/** A device as it is called now; one that is gone by its id. */
export const deviceText = (names: Names, id: string) =>
  findDevice(names.circuit, id) ? names.device(id) : id;

/** What goes on unguarded, and what still stops it. */
export function protectionText(names: Names, protection: Protection | null): string {
  if (!protection) return 'The model cannot say what it stops here: count on nothing else to protect.';
  const { unguarded, still } = protection;
  if (still.length > 0) return `${listed(still.map((id) => deviceText(names, id)))} still stops it.`;
  const devices = [...new Set(unguarded.map((load) => load.split('/')[0]!))];
  return `Nothing else stops it now: ${devices.map((id) => deviceText(names, id)).join(', ')}.`;
}

/** How a test went. */
export const OUTCOME: Readonly<Record<Outcome, string>> = {
  'as-it-should': 'as it should',
  'not-so': 'not so',
  'not-today': 'not today',
};

/** Of a test that was passed on other wiring or settings than there are now, or on nobody knows which. */
export const OUTDATED = 'not on the present wiring and settings; test again';

/** What has to be settled before a job is finished. */
export function unsettledText(names: Names, one: Unsettled, when: (at: string) => string): string {
  switch (one.type) {
    case 'bypassed':
      return `${listed(one.devices.map((id) => deviceText(names, id)))} is bypassed. Take the bypass out and test the safety, or hand it off.`;
    case 'failed':
      return `A test failed: ${one.titles.join('; ')}. Repair it and run the test again, or hand it off.`;
    case 'jackets-off':
      return `Fire alarm cable ${one.marks.join(', ')} is off. Put it back, move it, or cap every wire at both ends.`;
    case 'panel-on-test':
      return `The fire panel is on test until ${when(one.until)}. Walk it through and have it taken off test.`;
  }
}

/** Who a bypass is with now. */
export const holderText = ({ state, by, to, watch }: Bypass): string =>
  state === 'handed-over' ? `taken over by ${to!}` : `put in by ${by}, watched by ${watch}`;

/** Who brought something in; nobody is named where one person works alone. */
const broughtBy = (by: string): string => (by === '' ? 'from a file' : `by ${by}, from a file`);

/**
 * That a job was made elsewhere.
 *
 * @param at - the day, as the person writes it; `null` where it is not known.
 */
export const broughtText = (by: string, at: string | null): string =>
  `This job was brought in ${broughtBy(by)}${at === null ? '' : ` on ${at}`}. No one here has checked its record. Tests and repairs in it count only after you do them again here.`;

/** Who wrote an entry; of one from elsewhere also who brought it. */
export const writtenByText = ({ by, broughtBy: brought }: Pick<Entry, 'by' | 'broughtBy'>): string =>
  brought == null ? by : `${by} (brought in ${broughtBy(brought)})`;

/** What entries are about that others refer to by id: devices of bypasses, titles of tests. */
interface Earlier {
  devices: ReadonlyMap<string, string>;
  titles: ReadonlyMap<string, string>;
}

/** What is said in the entries of a record. */
export function earlierIn(entries: readonly { body: Body }[]): Earlier {
  const devices = new Map<string, string>();
  const titles = new Map<string, string>();
  for (const { body } of entries) {
    if (body.type === 'bypassed') devices.set(body.bypass, body.device);
    if (body.type === 'tested') titles.set(body.test, body.title);
  }
  return { devices, titles };
}

/** What an entry says. */
export function entryText(names: Names, body: Body, { devices, titles }: Earlier): string {
  const bypassed = (id: string) => deviceText(names, devices.get(id) ?? id);
  switch (body.type) {
    case 'note':
      return body.text;
    case 'photographed': {
      const place = names.circuit.stations.find(({ id }) => id === body.station)?.name ?? body.station;
      return `Photograph of ${place}${body.text ? `: ${body.text}` : ''}`;
    }
    case 'bypassed':
      return `${deviceText(names, body.device)} bypassed: ${body.why}. ${body.watch} watches.`;
    case 'restored':
      return `${bypassed(body.bypass)} works again: ${body.text}`;
    case 'handed-over':
      return `The bypass of ${bypassed(body.bypass)} was taken over by ${body.to}`;
    case 'noticed':
      return `Noticed and left: ${body.text}`;
    case 'dealt-with':
      return body.text ? `Dealt with: ${body.text}` : 'Dealt with';
    case 'tested':
      return `${body.title}: ${OUTCOME[body.outcome]}${body.text ? `. ${body.text}` : ''}`;
    case 'test-handed-over':
      return `The failed test “${titles.get(body.test) ?? body.test}” was taken over by ${body.to}`;
    case 'panel':
      return `${PANEL_DONE[body.step](body.who)}${body.text ? `. ${body.text}` : ''}`;
    case 'unlanded':
      return `Jacket ${body.mark} taken off ${deviceText(names, body.device)}: ${body.landed.map(({ terminal }) => splitTerminal(terminal).mark).join(', ')}`;
    case 'identified':
      return `It is ${JACKET_DOES[body.does]}${body.text ? `. ${body.text}` : ''}`;
    case 'settled':
      return `${JACKET_BECAME[body.as]}${body.text ? `. ${body.text}` : ''}`;
    case 'finished':
      return body.text ? `Finished: ${body.text}` : 'Finished';
  }
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What a test is of: "Cooling called", "Pan float tripped, all stages of cooling called". */
export function testTitle(names: Names, test: CommissionTest): string {
  switch (test.type) {
    case 'dead':
      return 'Dead before anything is touched';
    case 'supply':
      return '24 V at the transformer and the thermostat';
    case 'call':
      return capital(situationText(test.case.asked.situation));
    case 'restart':
      return `${capital(situationText(test.case.asked.situation))}: it restarts`;
    case 'trip':
      return `${deviceText(names, test.case.trip.device)} tripped, ${situationText(test.case.asked.situation)}`;
  }
}

/** How what comes of itself is brought about, where a test is of that. */
function forcedText({ circuit }: Names, test: CommissionTest): string | undefined {
  const until = 'case' in test ? test.case.asked.until : undefined;
  const kind = until && findDevice(circuit, until.device)?.kind;
  if (!kind || !('case' in test) || test.case.asked.situation.type !== 'occasion') return undefined;
  const { occasion } = test.case.asked.situation;
  return kindOf(kind).occasions.find(({ title }) => title === occasion)?.forced;
}

/** What to do for a test. */
export function testHow(names: Names, test: CommissionTest): string {
  switch (test.type) {
    case 'dead':
      return 'Power off, locked out. Prove the meter on something live, read here, prove it again.';
    case 'supply':
      return 'Power on, nothing called.';
    case 'call':
      return forcedText(names, test) ?? 'Make the call at the thermostat, and wait.';
    case 'restart':
      return 'While it runs take the power away for a moment, give it back, and wait.';
    case 'trip':
      return tripHow(names, test.case.trip.device);
  }
}

/** How a safety is tripped and put back. */
function tripHow(names: Names, device: string): string {
  const { safety } = kindOf(findDevice(names.circuit, device)!.kind);
  return safety?.test === undefined
    ? `While it runs trip ${deviceText(names, device)} by its own means: lift it, press its button, use its magnet. Never by pulling a wire. Then put it back.`
    : `While it runs: ${deviceText(names, device)}. ${safety.test}`;
}

/** A load by its key, as it is called. */
export function loadText(names: Names, key: string): string {
  const [device, load] = key.split('/') as [string, string];
  return names.element(device, loadsAt(names.circuit, device).find(({ id }) => id === load)!.element);
}

/** What was done on a job: what its circuit shows, from the first to the last, and what was written down. */
import type { Circuit } from '../circuit';
import { findDevice } from '../circuit';
import type { ReportJumper, ReportLanding, ReportValue } from './compared';
import type { Entry } from './entry';

export interface Work {
  /** Devices that are new, by id; and what was taken out, by name. */
  added: readonly string[];
  removed: readonly string[];
  /** Cables that are new, by id. */
  pulled: readonly string[];
  /** Wires that were there and are landed elsewhere now, by id. */
  moved: readonly string[];
  /** Jumpers put in and taken off. */
  jumpers: { added: number; removed: number };
  /** Settings that were changed, of devices that were there. */
  set: readonly ReportValue[];
  /** Safeties that were bypassed and are in service again, by device. */
  restored: readonly string[];
  /** As it was written down: what was taken care of, and what was said at the end. */
  said: readonly string[];
}

interface Given {
  found: Circuit;
  left: Circuit;
  landings: readonly ReportLanding[];
  jumpers: readonly ReportJumper[];
  values: readonly ReportValue[];
  entries: readonly Entry[];
}

/** What was written down of the work, in its order; what was said at the end before the last end is one of several. */
function saidIn(entries: readonly Entry[]): string[] {
  const said = entries.flatMap(({ body }) =>
    body.type === 'dealt-with' || body.type === 'finished' ? [body.text.trim()] : [],
  );
  return [...new Set(said)].filter((text) => text !== '');
}

function restoredIn(entries: readonly Entry[]): string[] {
  const devices = new Map(
    entries.flatMap(({ body }) => (body.type === 'bypassed' ? [[body.bypass, body.device] as const] : [])),
  );
  const restored = entries.flatMap(({ body }) =>
    body.type === 'restored' ? (devices.get(body.bypass) ?? []) : [],
  );
  return [...new Set(restored)];
}

/** A job that began with nothing on record has nothing to compare its equipment with: what stands there was found. */
export function workOf({ found, left, landings, jumpers, values, entries }: Given): Work {
  const isSurvey = found.devices.length === 0;
  const cables = new Set(found.cables.map(({ id }) => id));
  const had = (device: string) => findDevice(found, device) !== undefined;
  return {
    added: isSurvey ? [] : left.devices.flatMap(({ id }) => (had(id) ? [] : [id])),
    removed: found.devices.flatMap(({ id, label }) => (findDevice(left, id) ? [] : [label])),
    pulled: isSurvey ? [] : left.cables.flatMap(({ id }) => (cables.has(id) ? [] : [id])),
    moved: landings.flatMap(({ conductor, found: was, changed }) => (was && changed ? [conductor] : [])),
    jumpers: {
      added: jumpers.filter((one) => one.left && one.found === false).length,
      removed: jumpers.filter((one) => one.found && !one.left).length,
    },
    set: values.filter(({ from, group, device }) => from === 'set' && group === 'settings' && had(device)),
    restored: restoredIn(entries),
    said: saidIn(entries),
  };
}

/** What was done on a job: what its circuit shows, from the first to the last, and what was written down. */
import type { Circuit } from '../circuit';
import { findDevice } from '../circuit';
import type { ReportJumper, ReportLanding, ReportValue } from './compared';
import type { Entry } from './entry';
import type { Bypass } from './standing';
import { bypassesStillIn } from './standing';

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
  bypasses: readonly Bypass[];
}

/** What was written down of the work, in its order; what was said at the end before the last end is one of several. */
function saidIn(entries: readonly Entry[]): string[] {
  // What was brought in from elsewhere was not done here.
  const said = entries.flatMap(({ body, broughtBy }) =>
    broughtBy == null && (body.type === 'dealt-with' || body.type === 'finished') ? [body.text.trim()] : [],
  );
  return [...new Set(said)].filter((text) => text !== '');
}

/** Safeties that were bypassed and are not any more: one that is bypassed again is in no service. */
function restoredIn(bypasses: readonly Bypass[]): string[] {
  const still = new Set(bypassesStillIn({ bypasses }).map(({ device }) => device));
  return [...new Set(bypasses.map(({ device }) => device))].filter((device) => !still.has(device));
}

/** A job that began with nothing on record has nothing to compare its equipment with: what stands there was found. */
export function workOf({ found, left, landings, jumpers, values, entries, bypasses }: Given): Work {
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
    restored: restoredIn(bypasses),
    said: saidIn(entries),
  };
}

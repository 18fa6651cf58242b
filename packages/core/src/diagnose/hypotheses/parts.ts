/** What may be wrong with devices: their own fault modes, safeties that have tripped, what is switched off, wrong settings. */
import type { Circuit, Device } from '../../circuit';
import { findDevice } from '../../circuit';
import { fill, kindOf } from '../../devices';
import type { Element, FaultMode, Field, LoadNature, Position, Value, Values } from '../../devices';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';

/** Judgement: how often each is met against one conductor broken out of sight. */
const TRIPPED = 4;
const SWITCHED_OFF = 3;
const WRONG_SETTING = 0.5;
const STAYS_OPEN = 0.2;
const COIL_SHORTED = 0.3;

/** What is left of a coil whose turns have shorted, and what is no more than that, ohms; from memory. */
const SHORTED_OHMS = 1;
const MOST_SHORTED_OHMS = 8;

const contextOf = ({ kind, params, settings }: Device, { mains }: Circuit) => ({
  params: fill(kindOf(kind).params, params),
  settings: fill(kindOf(kind).settings, settings),
  mains,
});

function ofMode(device: Device, mode: FaultMode): Hypothesis {
  const positions: Record<string, Position> = {};
  for (const [element, position] of Object.entries(mode.elements ?? {}))
    positions[`${device.id}:${element}`] = position;
  return hypothesis({
    id: `${device.id} ${mode.mode}`,
    failure: { type: 'part', device: device.id, mode: mode.mode },
    remedy: { type: 'part', device: device.id, part: mode.part ?? null, mend: mode.mend ?? 'replace' },
    weight: mode.likelihood,
    alteration: { positions },
    held: mode.controls ? { [device.id]: mode.controls } : {},
  });
}

/** Modes of a device that it can have as it is: some of their elements are there. */
function modesOf(circuit: Circuit, device: Device): Hypothesis[] {
  const kind = kindOf(device.kind);
  const elements = new Set(kind.elements(contextOf(device, circuit)).map(({ id }) => id));
  return kind.faults
    .filter(({ elements: faulted }) => !faulted || Object.keys(faulted).some((id) => elements.has(id)))
    .map((mode) => ofMode(device, mode));
}

/** Modes of a device that show when its parts are tested by themselves, by the ids of their hypotheses. */
export const testedModes = (circuit: Circuit, id: string): string[] =>
  modesOf(circuit, findDevice(circuit, id)!).flatMap((mode) =>
    Object.keys(mode.alteration.positions ?? {}).length > 0 ? [mode.id] : [],
  );

const WOUND: ReadonlySet<LoadNature> = new Set(['coil', 'valve']);

const isContact = (element: Element): boolean =>
  element.kind === 'branch' &&
  'closed' in element.positions &&
  Object.values(element.positions).includes('open');

/** Whether one of a kind's modes does just this: hold the element, and no other, open or shorted. */
const isMode = (faults: readonly FaultMode[], element: string, is: (position: Position) => boolean) =>
  faults.some(({ elements = {} }) => {
    const [only, ...more] = Object.keys(elements);
    return only === element && more.length === 0 && is(elements[only]!);
  });

const isShort = (position: Position) => position !== 'open' && position.ohms < MOST_SHORTED_OHMS;

/** Contacts that do not close and coils whose turns have shorted, where no mode of the device says so. */
function ofElements(circuit: Circuit, device: Device): Hypothesis[] {
  const { id } = device;
  const kind = kindOf(device.kind);
  const context = contextOf(device, circuit);
  const mend = kind.faults.some((mode) => mode.mend === 'defer') ? 'defer' : 'replace';
  const one = (element: string, fault: 'stays-open' | 'shorted', weight: number, position: Position) =>
    hypothesis({
      id: `${id} ${element} ${fault}`,
      failure: { type: 'element', device: id, element, fault },
      remedy: { type: 'part', device: id, part: null, mend },
      weight,
      alteration: { positions: { [`${id}:${element}`]: position } },
    });
  const contacts = kind
    .elements(context)
    .filter((element) => isContact(element) && !isMode(kind.faults, element.id, (at) => at === 'open'));
  const coils = kind
    .loads(context)
    .filter(({ nature, element }) => WOUND.has(nature) && !isMode(kind.faults, element, isShort));
  return [
    ...contacts.map((element) => one(element.id, 'stays-open', STAYS_OPEN, 'open')),
    ...coils.map(({ element }) => one(element, 'shorted', COIL_SHORTED, { ohms: SHORTED_OHMS })),
  ];
}

function ofTraits({ id, kind }: Device): Hypothesis[] {
  const { safety, isolates } = kindOf(kind);
  const found: Hypothesis[] = [];
  if (safety)
    found.push(
      hypothesis({
        id: `${id} tripped`,
        failure: { type: 'tripped', device: id },
        remedy: { type: 'clear', device: id },
        weight: TRIPPED,
        held: { [id]: { [safety.control]: safety.tripped } },
      }),
    );
  if (isolates)
    found.push(
      hypothesis({
        id: `${id} off`,
        failure: { type: 'off', device: id },
        remedy: { type: 'switch-on', device: id },
        weight: SWITCHED_OFF,
        held: { [id]: { [isolates.control]: isolates.off } },
      }),
    );
  return found;
}

/** What a field may state instead: any other choice; of a figure that shows, as far off as it goes either way. */
function otherValues(field: Field, now: Value, settings: Values): Value[] {
  if (field.type === 'choice') return Object.keys(field.options).filter((value) => value !== now);
  if (field.type !== 'number' || !field.showsWith?.(settings)) return [];
  return [field.min, field.max].filter((value) => value !== now);
}

/**
 * Settings that state otherwise than they are recorded. Only those that change what a device does, not what it is made
 * of: the other side of that is another part.
 */
function ofSettings(circuit: Circuit, device: Device): Hypothesis[] {
  const kind = kindOf(device.kind);
  const context = contextOf(device, circuit);
  const made = (settings: Values) => JSON.stringify(kind.elements({ ...context, settings }));
  return Object.entries(kind.settings).flatMap(([name, field]) =>
    otherValues(field, context.settings[name]!, context.settings).flatMap((value): Hypothesis[] => {
      if (made({ ...context.settings, [name]: value }) !== made(context.settings)) return [];
      return [
        hypothesis({
          id: `${device.id} ${name} ${value}`,
          failure: { type: 'setting', device: device.id, name, value },
          remedy: { type: 'set', device: device.id, name },
          weight: WRONG_SETTING,
          settings: { [device.id]: { [name]: value } },
        }),
      ];
    }),
  );
}

export const partHypotheses = (circuit: Circuit): Hypothesis[] =>
  circuit.devices.flatMap((device) => [
    ...modesOf(circuit, device),
    ...ofElements(circuit, device),
    ...ofTraits(device),
    ...ofSettings(circuit, device),
  ]);

/** What happens to devices and to what feeds them. */
import type { Circuit, Device } from '../../circuit';
import { setValue } from '../../circuit';
import type { Element, FaultMode, LoadNature } from '../../devices';
import { kindOf } from '../../devices';
import type { Random } from './pick';
import { between, contextIn, pickOf } from './pick';
import type { Found, Truth } from './truth';
import { truth } from './truth';

const LINE = [0.62, 0.74] as const;
/** Ohms left of a coil whose turns have shorted; from memory. */
const COIL = [0.3, 6] as const;

const partOf = (device: string) => [{ type: 'part', device }];

export const lowLine = (circuit: Circuit, random: Random): Truth => {
  const line = LINE[0] + (LINE[1] - LINE[0]) * random();
  return truth({
    kind: 'low line voltage',
    text: `line voltage at ${Math.round(100 * line)} %`,
    circuit,
    line,
    mends: [{ type: 'line-voltage' }],
  });
};

interface Part {
  device: Device;
  element: string;
}

/** A mode of a device that does just this to one of its elements. */
const isListedAs = ({ kind }: Device, element: string, is: (position: unknown) => boolean) =>
  kindOf(kind).faults.some(({ elements = {} }) => {
    const [only, ...more] = Object.keys(elements);
    return only === element && more.length === 0 && is(elements[only]);
  });

const isContact = (element: Element): boolean =>
  element.kind === 'branch' &&
  'closed' in element.positions &&
  Object.values(element.positions).includes('open');

/** A contact that does not close, where no mode of its device says so. */
export function contactOpen(circuit: Circuit, random: Random): Truth | null {
  const contacts = circuit.devices.flatMap((device): Part[] =>
    kindOf(device.kind)
      .elements(contextIn(circuit, device))
      .filter((one) => isContact(one) && !isListedAs(device, one.id, (position) => position === 'open'))
      .map(({ id }) => ({ device, element: id })),
  );
  const part = pickOf(random, contacts);
  if (!part) return null;
  const { device, element } = part;
  return truth({
    kind: 'contact open, unlisted',
    text: `${element} of ${device.id} does not close`,
    circuit,
    branches: { [`${device.id}:${element}`]: 'open' },
    found: [
      {
        by: 'test',
        at: device.id,
        as: [{ type: 'element', device: device.id, element, fault: 'stays-open' }],
      },
    ],
    mends: partOf(device.id),
    device: device.id,
  });
}

const WOUND: ReadonlySet<LoadNature> = new Set(['coil', 'valve']);

export function coilShorted(circuit: Circuit, random: Random): Truth | null {
  const coils = circuit.devices.flatMap((device): Part[] =>
    kindOf(device.kind)
      .loads(contextIn(circuit, device))
      .filter(({ nature }) => WOUND.has(nature))
      .map(({ element }) => ({ device, element })),
  );
  const part = pickOf(random, coils);
  if (!part) return null;
  const { device, element } = part;
  const ohms = between(random, ...COIL);
  const listed = kindOf(device.kind).faults.find(
    ({ elements }) => typeof elements?.[element] === 'object' && elements[element].ohms < COIL[1],
  );
  return truth({
    kind: 'coil shorted',
    text: `${element} of ${device.id} has ${ohms.toPrecision(2)} Ω`,
    circuit,
    branches: { [`${device.id}:${element}`]: ohms },
    found: [
      {
        by: 'test',
        at: device.id,
        as: [
          listed
            ? { type: 'part', device: device.id, mode: listed.mode }
            : { type: 'element', device: device.id, element, fault: 'shorted' },
        ],
      },
    ],
    mends: partOf(device.id),
    device: device.id,
  });
}

/** A choice that is set otherwise than it was recorded. */
export function settingWrong(circuit: Circuit, random: Random): Truth | null {
  const choices = circuit.devices.flatMap((device) => {
    const { settings } = contextIn(circuit, device);
    return Object.entries(kindOf(device.kind).settings).flatMap(([name, field]) =>
      field.type === 'choice'
        ? Object.keys(field.options)
            .filter((value) => value !== settings[name])
            .map((value) => ({ device: device.id, name, value }))
        : [],
    );
  });
  const other = pickOf(random, choices);
  if (!other) return null;
  const { device, name, value } = other;
  return truth({
    kind: 'setting wrong',
    text: `${name} of ${device} is ${value}`,
    circuit: setValue(circuit, device, 'settings', name, value),
    mends: [{ type: 'set', device, name }],
    device,
  });
}

export function trippedOrOff(circuit: Circuit, random: Random): Truth | null {
  const all = circuit.devices.flatMap(({ id, kind }) => {
    const { safety, isolates } = kindOf(kind);
    return [
      ...(safety ? [{ id, control: safety.control, value: safety.tripped, mend: 'clear' }] : []),
      ...(isolates ? [{ id, control: isolates.control, value: isolates.off, mend: 'switch-on' }] : []),
    ];
  });
  const one = pickOf(random, all);
  if (!one) return null;
  const { id, control, value, mend } = one;
  return truth({
    kind: 'tripped or off',
    text: `${id} is ${String(value)}`,
    circuit,
    controls: { [id]: { [control]: value } },
    mends: [{ type: mend, device: id }],
  });
}

/** Where a mode shows to a person: parts that are put back in their place to who looks, others to who tests them. */
function foundOf(device: string, { mode, mend, elements }: FaultMode): Found[] {
  const as = [{ type: 'part', device, mode }];
  return [
    ...(mend === 'refit' ? [{ by: 'look', at: device, as } as const] : []),
    ...(elements ? [{ by: 'test', at: device, as } as const] : []),
  ];
}

export function listedMode(circuit: Circuit, random: Random): Truth | null {
  const modes = circuit.devices.flatMap((device) =>
    kindOf(device.kind).faults.map((mode) => ({ device: device.id, mode })),
  );
  const total = modes.reduce((sum, { mode }) => sum + mode.likelihood, 0);
  let left = random() * total;
  const one = modes.find(({ mode }) => (left -= mode.likelihood) < 0);
  if (!one) return null;
  const { device, mode } = one;
  return truth({
    kind: 'listed mode',
    text: `${device} ${mode.mode}`,
    circuit,
    faults: [{ target: device, mode: mode.mode }],
    controls: mode.controls ? { [device]: mode.controls } : {},
    found: foundOf(device, mode),
    mends: [{ type: 'part', device, part: mode.part ?? null }],
    device,
  });
}

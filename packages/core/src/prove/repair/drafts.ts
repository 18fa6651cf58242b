/** Every single change worth trying on a circuit: settings, jumpers, taps, fuses, landings, sizes. */
import type { Circuit, Device, TerminalId } from '../../circuit';
import {
  addLink,
  designationsOf,
  freeLinkId,
  land,
  landedOn,
  marksOf,
  otherEnd,
  removeLink,
  setCable,
  setValue,
  splitTerminal,
} from '../../circuit';
import { fill, kindOf, ratedAmps } from '../../devices';
import { BLADE_FUSES, GAUGES, SECONDARY_FUSE_SHARE, TRANSFORMER_SIZES } from '../../standards';
import type { Draft } from './candidate';
import { WORK } from './candidate';
import { exchanges, freeEnds, moves } from './landings';
import { crossedCables } from './strips';

/** Thermostat settings turned to each of their other choices, and numbers back to what they are when new. */
function settings(circuit: Circuit): Draft[] {
  return circuit.devices.flatMap(({ id, kind, settings: given }) => {
    const found = kindOf(kind);
    if (!found.asks) return [];
    const values = fill(found.settings, given);
    return Object.entries(found.settings).flatMap(([name, field]): Draft[] => {
      if (field.type === 'number')
        return values[name] === field.default
          ? []
          : [
              {
                change: { type: 'set', device: id, setting: name, value: field.default },
                work: WORK.setting,
                make: () => setValue(circuit, id, 'settings', name, field.default),
                touches: [id],
              },
            ];
      if (field.type === 'marks') return [];
      return Object.keys(field.options).flatMap((option): Draft[] =>
        option === values[name]
          ? []
          : [
              {
                change: { type: 'set', device: id, setting: name, value: option },
                work: WORK.setting,
                make: () => setValue(circuit, id, 'settings', name, option),
                touches: [id],
              },
            ],
      );
    });
  });
}

/** Jumpers taken off; and set between two terminals of one device that have nothing to tell them apart. */
function jumpers(circuit: Circuit): Draft[] {
  const off = circuit.links.map(({ id, joins }): Draft => ({
    change: { type: 'jumper-off', joins },
    work: WORK.jumperOff,
    make: () => removeLink(circuit, id),
    touches: [id, ...joins],
  }));
  const on = circuit.devices.flatMap((device): Draft[] => {
    const hots = hotMarks(device);
    return hots.slice(1).map((mark) => {
      const joins: [TerminalId, TerminalId] = [`${device.id}.${hots[0]}`, `${device.id}.${mark}`];
      return {
        change: { type: 'jumper-on', joins },
        work: WORK.jumperOn,
        make: () => addLink(circuit, { id: freeLinkId(circuit), kind: 'jumper', joins }),
        touches: [device.id, ...joins],
      };
    });
  });
  return [...off, ...on];
}

/** Hots of a device that takes more than one: a thermostat’s, and what feeds the relays of a link. */
const hotMarks = (device: Device): string[] => {
  const found = kindOf(device.kind);
  return found.asks || found.radio
    ? designationsOf(device)
        .filter(({ role }) => role === 'hot')
        .map(({ mark }) => mark)
    : [];
};

/** A primary moved to each of the transformer's other taps. */
function taps(circuit: Circuit): Draft[] {
  return circuit.devices.flatMap(({ id, kind }): Draft[] => {
    const all = kindOf(kind).primary?.taps ?? [];
    const wired = all.flatMap(({ mark }) => landedOn(circuit, `${id}.${mark}`));
    const [only, ...more] = wired;
    if (!only || more.length > 0) return [];
    const at = only.conductor[only.end]!;
    return all
      .filter(({ mark }) => `${id}.${mark}` !== at)
      .map(({ mark, volts }) => ({
        change: { type: 'tap', transformer: id, volts },
        work: WORK.tap,
        make: () => land(circuit, only.conductor.id, only.end, `${id}.${mark}`),
        touches: [id, only.conductor.id],
      }));
  });
}

/** What feeds a primary from a switch, moved to that switch's other terminals. Line voltage: for whoever may work on it. */
function behindSwitches(circuit: Circuit): Draft[] {
  const isolating = new Map(
    circuit.devices.filter(({ kind }) => kindOf(kind).isolates).map((device) => [device.id, device]),
  );
  return circuit.devices.flatMap(({ id, kind }): Draft[] => {
    const { primary } = kindOf(kind);
    const marks = primary ? [...primary.taps.map(({ mark }) => mark), primary.common] : [];
    return marks
      .flatMap((mark) => landedOn(circuit, `${id}.${mark}`))
      .flatMap(({ conductor, end }): Draft[] => {
        const at = conductor[otherEnd(end)];
        const handle = at === null ? undefined : isolating.get(splitTerminal(at).deviceId);
        return handle
          ? marksOf(handle)
              .map((mark): TerminalId => `${handle.id}.${mark}`)
              .filter((terminal) => terminal !== at)
              .map((terminal) => ({
                change: { type: 'move', conductor: conductor.id, from: at!, to: terminal },
                work: WORK.move,
                make: () => land(circuit, conductor.id, otherEnd(end), terminal),
                touches: [conductor.id, at!, terminal],
              }))
          : [];
      });
  });
}

/** Fuses of the ratings made, nearest to what the transformers here may be protected at. */
function fuses(circuit: Circuit): Draft[] {
  const advised = circuit.devices.flatMap(({ kind, params }) => {
    const values = fill(kindOf(kind).params, params);
    return typeof values.va === 'number' ? [SECONDARY_FUSE_SHARE * ratedAmps(values)] : [];
  });
  return circuit.devices.flatMap(({ id, kind, params }): Draft[] => {
    const found = kindOf(kind);
    const fitted = found.protects?.fitted;
    if (fitted === undefined) return [];
    const rating = fill(found.params, params)[fitted];
    const apart = (size: number) => Math.min(...advised.map((amps) => Math.abs(Math.log(size / amps))));
    return BLADE_FUSES.filter((size) => size !== rating)
      .sort((one, other) => apart(one) - apart(other))
      .map((size) => ({
        change: { type: 'fuse', device: id, amps: size },
        work: WORK.fuse,
        make: () => setValue(circuit, id, 'params', fitted, size),
        touches: [id],
      }));
  });
}

/** The next sizes of transformer and of wire. */
function sizes(circuit: Circuit): Draft[] {
  const transformers = circuit.devices.flatMap(({ id, kind, params }): Draft[] => {
    const found = kindOf(kind);
    const { va } = fill(found.params, params);
    if (!found.primary || typeof va !== 'number') return [];
    return TRANSFORMER_SIZES.filter((size) => size > va).map((size) => ({
      change: { type: 'transformer', device: id, va: size },
      work: WORK.transformer,
      make: () => setValue(circuit, id, 'params', 'va', size),
      touches: [id],
    }));
  });
  const cables = circuit.cables.flatMap(({ id, gauge, conductors }) =>
    GAUGES.filter(
      (thicker) => thicker < gauge && thicker >= 14 && conductors.some(({ state }) => state !== 'spare'),
    )
      .reverse()
      .map((thicker): Draft => ({
        change: { type: 'cable', cable: id, gauge: thicker },
        work: WORK.cable,
        make: () => setCable(circuit, id, { gauge: thicker }),
        touches: conductors.map(({ id: conductor }) => conductor),
      })),
  );
  return [...transformers, ...cables];
}

/** All of them. */
export const draftsOf = (circuit: Circuit): Draft[] => [
  ...settings(circuit),
  ...jumpers(circuit),
  ...taps(circuit),
  ...behindSwitches(circuit),
  ...fuses(circuit),
  ...crossedCables(circuit),
  ...freeEnds(circuit),
  ...moves(circuit),
  ...exchanges(circuit),
  ...sizes(circuit),
];

/** Good circuits spoiled by one mistake each: wrong landings, settings, jumpers, taps and ratings. */
import type { Circuit } from '../circuit';
import { addLink, freeLinkId, land, landedOn, marksOf, removeLink, setValue } from '../circuit';
import { fill, kindOf } from '../devices';
import { lineTerminals, wrongLandings } from '../prove';
import { tellWrong } from './tell';

export interface Spoiled {
  what: 'landing' | 'setting' | 'jumper' | 'tap' | 'rating';
  text: string;
  circuit: Circuit;
}

const landings = (circuit: Circuit): Spoiled[] =>
  wrongLandings(circuit).map(({ wrong, circuit: spoiled }) => ({
    what: 'landing',
    text: tellWrong(circuit, wrong),
    circuit: spoiled,
  }));

const settings = (circuit: Circuit): Spoiled[] =>
  circuit.devices.flatMap(({ id, kind, label, settings: given }) => {
    const found = kindOf(kind);
    if (!found.asks) return [];
    const values = fill(found.settings, given);
    return Object.entries(found.settings).flatMap(([name, field]): Spoiled[] =>
      field.type !== 'choice'
        ? []
        : Object.keys(field.options)
            .filter((option) => option !== values[name])
            .map((option) => ({
              what: 'setting',
              text: `${label}: ${name} ${option}`,
              circuit: setValue(circuit, id, 'settings', name, option),
            })),
    );
  });

function jumpers(circuit: Circuit): Spoiled[] {
  const line = lineTerminals(circuit);
  const missing = circuit.links.map(({ id }): Spoiled => ({
    what: 'jumper',
    text: `${id} missing`,
    circuit: removeLink(circuit, id),
  }));
  const extra = circuit.devices.flatMap((device) => {
    const marks = marksOf(device);
    return marks.slice(1).flatMap((mark, i): Spoiled[] => {
      const joins = [`${device.id}.${marks[i]}`, `${device.id}.${mark}`];
      if (joins.some((terminal) => line.has(terminal))) return [];
      return [
        {
          what: 'jumper',
          text: `a jumper between ${joins.join(' and ')}`,
          circuit: addLink(circuit, { id: freeLinkId(circuit), kind: 'jumper', joins }),
        },
      ];
    });
  });
  return [...missing, ...extra];
}

const taps = (circuit: Circuit): Spoiled[] =>
  circuit.devices.flatMap((device) => {
    const marks = (kindOf(device.kind).primary?.taps ?? []).map(({ mark }) => mark);
    const [wired] = marks.flatMap((mark) => landedOn(circuit, `${device.id}.${mark}`));
    if (!wired) return [];
    return marks
      .map((mark) => `${device.id}.${mark}`)
      .filter((terminal) => terminal !== wired.conductor[wired.end])
      .map((terminal): Spoiled => ({
        what: 'tap',
        text: `the supply on ${terminal}`,
        circuit: land(circuit, wired.conductor.id, wired.end, terminal),
      }));
  });

const FUSES = [1, 10, 30];
const TRANSFORMERS = [20];

const ratings = (circuit: Circuit): Spoiled[] =>
  circuit.devices.flatMap(({ id, kind, label, params }) => {
    const found = kindOf(kind);
    const values = fill(found.params, params);
    const [name, sizes]: [string, number[]] =
      found.protects?.fitted !== undefined
        ? [found.protects.fitted, FUSES]
        : typeof values.va === 'number' && typeof values.openVolts === 'number'
          ? ['va', TRANSFORMERS]
          : ['', []];
    return sizes.map((size): Spoiled => ({
      what: 'rating',
      text: `${label}: ${name} ${size}`,
      circuit: setValue(circuit, id, 'params', name, size),
    }));
  });

/** Every single mistake of a circuit, one at a time. */
export const spoilsOf = (circuit: Circuit): Spoiled[] => [
  ...landings(circuit),
  ...settings(circuit),
  ...jumpers(circuit),
  ...taps(circuit),
  ...ratings(circuit),
];

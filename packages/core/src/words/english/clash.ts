/** What two people's changes do not agree on, and what each of them did. */
import type { Circuit, Clash, Side } from '../../circuit';
import { findCable, findConductor, findDevice } from '../../circuit';
import type { Field, Value } from '../../devices';
import { kindOf } from '../../devices';
import { fieldValueText } from '../field-units';
import { namesIn } from '../names';
import type { Units } from '../units';

/** Both circuits: what one took away has its name in the other. */
interface BothSides {
  mine: Circuit;
  theirs: Circuit;
}

type Found = 'device' | 'cable' | 'conductor';

function nameOf({ mine, theirs }: BothSides, element: Clash['element'], id: string): string {
  const find = { device: findDevice, cable: findCable, conductor: findConductor };
  if (element in find) {
    const circuit = find[element as Found](mine, id) ? mine : theirs;
    return namesIn(circuit)[element as Found](id);
  }
  const station = [...mine.stations, ...theirs.stations].find(
    (one) => element === 'station' && one.id === id,
  );
  return station?.name ?? (element === 'link' ? 'A jumper' : 'The job');
}

/** The field of a device that a path means, `params.va`. */
function fieldOf({ mine, theirs }: BothSides, id: string, path: string): Field | undefined {
  const [record, name = ''] = path.split('.');
  const device = findDevice(theirs, id) ?? findDevice(mine, id);
  if (!device || (record !== 'params' && record !== 'settings')) return undefined;
  return kindOf(device.kind)[record][name];
}

const ENDS: Readonly<Record<string, string>> = { from: 'one end', to: 'the other end' };

/** "Yellow of Thermostat cable, one end" */
export function clashTitle(sides: BothSides, clash: Clash): string {
  const name = nameOf(sides, clash.element, clash.id);
  const title = name.charAt(0).toUpperCase() + name.slice(1);
  if (clash.type === 'gone') return title;
  if (clash.element === 'conductor' && clash.field in ENDS) return `${title}, ${ENDS[clash.field]}`;
  const label = fieldOf(sides, clash.id, clash.field)?.label ?? clash.field.replace(/^\w+\./, '');
  return `${title}: ${label.charAt(0).toLowerCase()}${label.slice(1)}`;
}

/** What a side did there: "on Thermostat W", "off", "5 A", "taken away". */
export function clashSideText(sides: BothSides, clash: Clash, side: Side, units: Units): string {
  if (clash.type === 'gone') return clash.goneBy === side ? 'Taken away' : 'Kept, and changed';
  const value = clash[side];
  if (clash.element === 'conductor' && clash.field in ENDS)
    return value === null ? 'Off' : `On ${namesIn(sides[side]).node(String(value))}`;
  const field = fieldOf(sides, clash.id, clash.field);
  const given = value ?? field?.default;
  if (field?.type === 'choice') return field.options[String(given)] ?? String(given);
  return field ? fieldValueText(field, given as Value, units) : String(given);
}

/**
 * Two people's changes put together. That a three-way merge takes what one side alone changed, is the same whichever side merges, and
 * loses nothing is what "three-way merge" means (diff3); the circuits and changes are drawn at random.
 */
import * as fc from 'fast-check';
import { furnaceAirConditioner, heatPumpWithStrips, twoZoneFurnace } from '../../systems';
import {
  addDevice,
  addLink,
  exchange,
  freeLinkId,
  land,
  lift,
  removeDevice,
  removeLink,
  setCable,
  setValue,
} from '../edit';
import { findConductor, findDevice } from '../find';
import { parseCircuit } from '../parse';
import { marksOf } from '../terminals';
import type { Circuit, Device } from '../types';
import { ENDS } from '../types';
import type { Clash } from './clash';
import { partsOf, sameValue } from './elements';
import { mergeCircuits } from './merge';

const base = furnaceAirConditioner('Merge');
const SYSTEMS = [base, heatPumpWithStrips('Merge'), twoZoneFurnace('Merge')];

const at = <T>(list: readonly T[], n: number): T => list[n % list.length]!;
const conductors = ({ cables }: Circuit) => cables.flatMap((cable) => cable.conductors);
const terminals = ({ devices }: Circuit) =>
  devices.flatMap((device) => marksOf(device).map((mark) => `${device.id}.${mark}`));

/** One change a person might make, drawn by three numbers; one that cannot be made here is none. */
const CHANGES: readonly ((circuit: Circuit, a: number, b: number) => Circuit)[] = [
  (circuit, a, b) =>
    land(circuit, at(conductors(circuit), a).id, at(ENDS, b), at(terminals(circuit), a * 7 + b)),
  (circuit, a, b) => lift(circuit, at(conductors(circuit), a).id, at(ENDS, b)),
  (circuit, a, b) => {
    const [one, other] = [at(conductors(circuit), a).id, at(conductors(circuit), b).id];
    return exchange(circuit, [one, 'to'], [other, 'to']);
  },
  (circuit, a, b) => {
    const joins: [string, string] = [at(terminals(circuit), a), at(terminals(circuit), b)];
    return addLink(circuit, { id: freeLinkId(circuit), kind: 'jumper', joins });
  },
  (circuit, a) => removeLink(circuit, at(circuit.links, a).id),
  (circuit, a) => removeDevice(circuit, at(circuit.devices, a).id),
  (circuit, a) => setCable(circuit, at(circuit.cables, a).id, { gauge: at([14, 16, 18, 20], a) }),
  (circuit, a, b) => {
    const fuse = circuit.devices.find(({ kind }) => kind === 'blade-fuse');
    return fuse ? setValue(circuit, fuse.id, 'params', 'rating', at([1, 3, 5, 7.5], a + b)) : circuit;
  },
  (circuit, a) => {
    const like = at(circuit.devices, a);
    const device: Device = { ...like, id: `more${circuit.devices.length}`, label: `More ${a}` };
    return addDevice(circuit, device);
  },
  (circuit, a, b) => ({ ...circuit, name: `Name ${a} ${b}` }),
];

function changed(circuit: Circuit, steps: readonly (readonly [number, number, number])[]): Circuit {
  return steps.reduce((now, [which, a, b]) => {
    try {
      return at(CHANGES, which)(now, a, b);
    } catch {
      return now;
    }
  }, circuit);
}

const number = fc.nat(999);
const steps = fc.array(fc.tuple(number, number, number), { maxLength: 6 });
const sides = fc.tuple(fc.constantFrom(...SYSTEMS), steps, steps).map(([circuit, mine, theirs]) => ({
  circuit,
  mine: changed(circuit, mine),
  theirs: changed(circuit, theirs),
}));
const RUNS = { numRuns: 300 };

/** A clash as the other side sees it. */
const mirrored = (clash: Clash): Clash =>
  clash.type === 'field'
    ? { ...clash, mine: clash.theirs, theirs: clash.mine }
    : { ...clash, goneBy: clash.goneBy === 'mine' ? 'theirs' : 'mine' };

const told = (clashes: readonly Clash[]) => clashes.map((clash) => JSON.stringify(clash)).sort();

test('with a side that changed nothing, the other is what there is', () => {
  fc.assert(
    fc.property(sides, ({ circuit, mine }) => {
      expect(mergeCircuits(circuit, mine, circuit)).toEqual({ circuit: mine, clashes: [] });
      expect(mergeCircuits(circuit, circuit, mine)).toEqual({ circuit: mine, clashes: [] });
      expect(mergeCircuits(circuit, mine, mine).clashes).toEqual([]);
    }),
    RUNS,
  );
});

test('what comes of it is a circuit', () => {
  fc.assert(
    fc.property(sides, ({ circuit, mine, theirs }) => {
      const merged = mergeCircuits(circuit, mine, theirs).circuit;
      expect(parseCircuit(JSON.parse(JSON.stringify(merged)))).toEqual(merged);
    }),
    RUNS,
  );
});

test('where nothing is asked and nothing new bears one name, it is the same whoever merges', () => {
  fc.assert(
    fc.property(sides, ({ circuit, mine, theirs }) => {
      const [one, other] = [mergeCircuits(circuit, mine, theirs), mergeCircuits(circuit, theirs, mine)];
      const known = partsOf(circuit);
      const named = partsOf(theirs);
      fc.pre([...partsOf(mine).keys()].every((key) => known.has(key) || !named.has(key)));
      expect(told(one.clashes.map(mirrored))).toEqual(told(other.clashes));
      if (one.clashes.length === 0) expect(one.circuit).toEqual(other.circuit);
    }),
    RUNS,
  );
});

test('no change of either side vanishes that is not asked about', () => {
  fc.assert(
    fc.property(sides, ({ circuit, mine, theirs }) => {
      const { circuit: merged, clashes } = mergeCircuits(circuit, mine, theirs);
      const [was, now] = [partsOf(circuit), partsOf(merged)];
      const asked = new Set(clashes.map(({ element, id }) => `${element} ${id}`));
      for (const side of [mine, theirs])
        for (const [key, part] of partsOf(side)) {
          const before = was.get(key);
          // What is new may have got another name, and an end may have lost the terminal it was on.
          if (!before || asked.has(key)) continue;
          for (const [field, value] of part.fields)
            if (!sameValue(value, before.fields.get(field)) && field !== 'from' && field !== 'to')
              expect([key, field, now.get(key)?.fields.get(field)]).toEqual([key, field, value]);
        }
    }),
    RUNS,
  );
});

describe('two on one job', () => {
  const yOff = lift(base, 'statY', 'from');

  test('different conductors landed otherwise: both are taken, nothing is asked', () => {
    const { circuit, clashes } = mergeCircuits(base, yOff, land(base, 'statW', 'to', 'board.G'));
    expect(clashes).toEqual([]);
    expect(findConductor(circuit, 'statY')!.from).toBeNull();
    expect(findConductor(circuit, 'statW')!.to).toBe('board.G');
  });

  test('the two ends of one conductor are two things', () => {
    const { circuit, clashes } = mergeCircuits(base, yOff, land(base, 'statY', 'to', 'board.G'));
    expect(clashes).toEqual([]);
    expect(findConductor(circuit, 'statY')).toMatchObject({ from: null, to: 'board.G' });
  });

  test('the same end landed alike is no question; landed otherwise it is one, and either answer holds', () => {
    const elsewhere = land(base, 'statY', 'from', 'stat.G');
    expect(mergeCircuits(base, yOff, yOff).clashes).toEqual([]);
    const open = mergeCircuits(base, yOff, elsewhere);
    const clash = {
      type: 'field',
      element: 'conductor',
      id: 'statY',
      field: 'from',
      mine: null,
      theirs: 'stat.G',
    };
    expect(open.clashes).toEqual([clash]);
    // Undecided, what is stored stands.
    expect(findConductor(open.circuit, 'statY')!.from).toBe('stat.G');
    expect(
      findConductor(mergeCircuits(base, yOff, elsewhere, () => 'mine').circuit, 'statY')!.from,
    ).toBeNull();
  });

  test('a device taken away that the other set up stays until somebody decides', () => {
    const away = removeDevice(base, 'fuse');
    const set = setValue(base, 'fuse', 'params', 'rating', 3);
    const open = mergeCircuits(base, away, set);
    expect(open.clashes).toEqual([{ type: 'gone', element: 'device', id: 'fuse', goneBy: 'mine' }]);
    expect(findDevice(open.circuit, 'fuse')!.params.rating).toBe(3);
    const gone = mergeCircuits(base, away, set, () => 'mine').circuit;
    expect(findDevice(gone, 'fuse')).toBeUndefined();
    expect(conductors(gone).flatMap(({ from, to }) => [from, to])).not.toContainEqual(
      expect.stringMatching(/^fuse/),
    );
  });

  test('a conductor landed anew in a cable that was taken away brings its cable back', () => {
    const cut = { ...base, cables: base.cables.filter(({ id }) => id !== 'statCable') };
    const { circuit, clashes } = mergeCircuits(base, cut, yOff);
    expect(clashes).toEqual([{ type: 'gone', element: 'conductor', id: 'statY', goneBy: 'mine' }]);
    // Only what was changed: the rest of the cable was taken away, and nobody said otherwise.
    const cable = circuit.cables.find(({ id }) => id === 'statCable')!;
    expect(cable.conductors.map(({ id }) => id)).toEqual(['statY']);
    expect(mergeCircuits(base, cut, yOff, () => 'mine').circuit.cables).toEqual(cut.cables);
  });

  test('a device set up anew in a place that was taken away brings the place back', () => {
    const away = {
      ...base,
      stations: base.stations.filter(({ id }) => id !== findDevice(base, 'fuse')!.station),
      devices: base.devices.filter(({ station }) => station !== findDevice(base, 'fuse')!.station),
      cables: [],
      links: [],
    };
    const { circuit } = mergeCircuits(base, away, setValue(base, 'fuse', 'params', 'rating', 3));
    expect(findDevice(circuit, 'fuse')).toBeDefined();
    expect(circuit.stations).toEqual(base.stations);
  });

  test('two new things of one name are two things, each with what is on it', () => {
    const more = (label: string): Device => ({ ...findDevice(base, 'float')!, id: 'more', label });
    const mine = land(addDevice(base, more('In the pan')), 'statG', 'to', 'more.COM');
    const theirs = addDevice(base, more('In the drain'));
    const { circuit, clashes } = mergeCircuits(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect([findDevice(circuit, 'more')!.label, findDevice(circuit, 'more-2')!.label]).toEqual([
      'In the drain',
      'In the pan',
    ]);
    expect(findConductor(circuit, 'statG')!.to).toBe('more-2.COM');
  });

  test('a whole morning of two: one at the thermostat, one outdoors', () => {
    const indoors = setValue(
      exchange(base, ['statY', 'from'], ['statG', 'from']),
      'stat',
      'settings',
      'fanWithHeat',
      'thermostat',
    );
    const outdoors = lift(removeDevice(base, 'float'), 'yardY', 'to');
    const { circuit, clashes } = mergeCircuits(base, indoors, outdoors);
    expect(clashes).toEqual([]);
    expect(findConductor(circuit, 'statY')!.from).toBe('stat.G');
    expect(findDevice(circuit, 'stat')!.settings.fanWithHeat).toBe('thermostat');
    expect(findDevice(circuit, 'float')).toBeUndefined();
    expect(findConductor(circuit, 'yardY')!.to).toBeNull();
  });
});

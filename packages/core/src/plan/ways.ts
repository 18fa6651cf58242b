/**
 * Ways to land a thermostat when conductors are short or two transformers meet one screw. Each is built
 * as a circuit, so that it can be run through the model and compared with the others.
 */
import type { Cable, Circuit, TerminalId } from '../circuit';
import { addDevice, addLink, findDevice, freeLinkId, land, lift, otherEnd, splitTerminal } from '../circuit';
import { hotsOf } from '../devices';
import type { ColourCode } from '../standards';
import { COLOUR_CODES, colourName, metresToFeet } from '../standards';
import { customaryColours } from '../survey';
import type { Facts, Lead } from './functions';
import type { Allocation, Candidate, Need } from './landing';
import { allocate, exchangeThermostat, freeDeviceId, landAll } from './landing';
import type { Wish } from './wish';

export type WayId =
  | 'as-is'
  | 'spare'
  | 'share'
  | 'fan-to-common'
  | 'plug-in'
  | 'isolation-relay'
  | 'new-cable'
  | 'wireless'
  | 'batteries';

/** One way of doing it, before it has been proven. */
export interface Way {
  id: WayId;
  title: string;
  circuit: Circuit;
  thermostat: string;
  given: Allocation['given'];
  /** What must be brought. */
  parts: readonly string[];
  /** Minutes beyond the landings themselves, from memory. */
  extraMinutes: number;
  lost: readonly string[];
  lookOut: readonly string[];
}

/** What every way starts from. */
export interface Ground {
  circuit: Circuit;
  facts: Facts;
  wish: Wish;
  needs: readonly Need[];
  candidates: readonly Candidate[];
  allocation: Allocation;
}

const MINUTES = { adapter: 15, relay: 20, plugIn: 10, cable: 30, cablePerMetre: 1.2, wireless: 25 } as const;
/** Multi-conductor thermostat cable as it is sold, from memory. */
const CABLE_SIZES = [2, 3, 4, 5, 6, 7, 8, 10, 12] as const;
const NEW_CABLE_GAUGE = 18;
/** Loose leads between neighbours at one place, m. */
const LEAD_M = 0.3;

type Landed = readonly [colour: ColourCode, from: TerminalId, to: TerminalId];

function freeCableId({ cables }: Circuit, stem: string): string {
  if (!cables.some(({ id }) => id === stem)) return stem;
  for (let i = 2; ; i++) if (!cables.some(({ id }) => id === `${stem}${i}`)) return `${stem}${i}`;
}

/** Adds a cable, or loose leads, landed at both ends. */
export function addLeads(
  circuit: Circuit,
  stem: string,
  label: string,
  leads: readonly Landed[],
  lengthM = LEAD_M,
): Circuit {
  const id = freeCableId(circuit, stem);
  const cable: Cable = {
    id,
    label,
    gauge: NEW_CABLE_GAUGE,
    lengthM,
    conductors: leads.map(([colour, from, to], i) => ({ id: `${id}-${i + 1}`, colour, from, to })),
  };
  return { ...circuit, cables: [...circuit.cables, cable] };
}

const stationOf = (circuit: Circuit, terminal: TerminalId) =>
  findDevice(circuit, splitTerminal(terminal).deviceId)!.station;

function plain({ circuit, facts, wish, allocation }: Ground): Pick<Way, 'circuit' | 'thermostat' | 'given'> {
  const fresh = exchangeThermostat(circuit, facts, wish);
  return {
    ...fresh,
    circuit: landAll(fresh.circuit, fresh.thermostat, facts, allocation),
    given: allocation.given,
  };
}

/** What is needed but for C, and who carries it: for ways that bring power otherwise. */
const withoutCommon = ({ needs, candidates }: Ground): Allocation =>
  allocate(
    needs.filter(({ role }) => role !== 'common'),
    candidates,
  );

/** Every need has a conductor: as they are, or with spares taken into use. */
export function straight(ground: Ground): Way[] {
  const { allocation } = ground;
  if (allocation.missing.length > 0) return [];
  const moved = allocation.given.filter(({ need, to }) => need.now !== to.conductor.id);
  const spare = moved.length > 0;
  const names = moved
    .map(({ need, to }) => `${colourName(to.conductor.colour)} for ${need.screw}`)
    .join(', ');
  return [
    {
      ...plain(ground),
      id: spare ? 'spare' : 'as-is',
      title: spare ? `Use a spare: ${names}` : 'Every conductor has its place',
      parts: [],
      extraMinutes: 0,
      lost: [],
      lookOut: spare
        ? ['Prove the spare first: ends joined at one place, ohms at the other.', 'Land it at both ends.']
        : [],
    },
  ];
}

const givenFor = (given: Allocation['given'], role: Need['role']) =>
  given.find(({ need }) => need.role === role);

/** Two calls on one conductor through an adapter; the conductor won serves what is missing. */
export function share(ground: Ground): Way[] {
  const { circuit, facts, wish, needs, candidates, allocation } = ground;
  const [missing] = allocation.missing;
  const hot = givenFor(allocation.given, 'hot');
  const pair = (['G', 'W', 'W2'] as const).find((role) => givenFor(allocation.given, role));
  const [first, second] = [givenFor(allocation.given, 'Y'), pair && givenFor(allocation.given, pair)];
  if (allocation.missing.length !== 1 || !missing || !hot || !first || !second) return [];
  const common = missing.role === 'common' ? missing.far : givenFor(allocation.given, 'common')?.need.far;
  if (!common || stationOf(circuit, first.need.far) !== stationOf(circuit, second.need.far)) return [];
  const kept = allocate(
    needs.filter((need) => need !== second.need),
    candidates,
  );
  if (kept.missing.length > 0) return [];
  const shared = givenFor(kept.given, 'Y')!.to;
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  let landed = landAll(fresh.circuit, thermostat, facts, kept);
  const [wall, plant] = [findDevice(landed, thermostat)!.station, stationOf(landed, first.need.far)];
  const combiner = freeDeviceId(landed, 'combiner');
  landed = addDevice(landed, {
    id: combiner,
    kind: 'call-combiner',
    station: wall,
    label: 'Call combiner',
    params: {},
    settings: {},
  });
  const splitter = freeDeviceId(landed, 'splitter');
  landed = addDevice(landed, {
    id: splitter,
    kind: 'call-splitter',
    station: plant,
    label: 'Call splitter',
    params: {},
    settings: {},
  });
  landed = lift(landed, shared.conductor.id, otherEnd(shared.near));
  landed = land(landed, shared.conductor.id, shared.near, `${combiner}.OUT`);
  landed = land(landed, shared.conductor.id, otherEnd(shared.near), `${splitter}.IN`);
  landed = addLeads(landed, 'combinerLeads', 'Combiner leads', [
    ['YE', `${thermostat}.${first.need.screw}`, `${combiner}.IN1`],
    ['GN', `${thermostat}.${second.need.screw}`, `${combiner}.IN2`],
  ]);
  landed = addLeads(landed, 'splitterLeads', 'Splitter leads', [
    ['RD', hot.need.far, `${splitter}.R`],
    ['BU', common, `${splitter}.C`],
    ['YE', `${splitter}.OUT1`, first.need.far],
    ['GN', `${splitter}.OUT2`, second.need.far],
  ]);
  return [
    {
      circuit: landed,
      thermostat,
      given: kept.given,
      id: 'share',
      title: `${first.need.screw} and ${second.need.screw} share one conductor`,
      parts: ['Sharing adapter, two halves'],
      extraMinutes: MINUTES.adapter,
      lost: [],
      lookOut: [
        'Follow the adapter’s own sheet: which half goes where is not interchangeable.',
        'Tag the shared conductor at both ends: it carries neither Y nor G as such.',
      ],
    },
  ];
}

/** The fan's conductor becomes C; the fan then follows the equipment. */
export function fanToCommon(ground: Ground): Way[] {
  const { circuit, facts, wish, needs, candidates, allocation } = ground;
  const fan = needs.find(({ role }) => role === 'G');
  if (!fan || allocation.missing.length !== 1 || allocation.missing[0]!.role !== 'common') return [];
  const kept = allocate(
    needs.filter((need) => need !== fan),
    candidates,
  );
  if (kept.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish);
  const landed = landAll(fresh.circuit, fresh.thermostat, facts, kept);
  // Where cooling alone moves no air, or heat alone does not, a jumper at the unit makes the fan follow.
  const leader = needs.find(({ role }) => role === (facts.fanWithCool ? 'W' : 'Y'));
  const follows =
    facts.fanWithCool && facts.fanWithHeat ? undefined : (leader ?? needs.find(({ role }) => role === 'W'));
  const jumpered = follows
    ? addLink(landed, { id: freeLinkId(landed), kind: 'jumper', joins: [follows.far, fan.far] })
    : landed;
  return [
    {
      circuit: jumpered,
      thermostat: fresh.thermostat,
      given: kept.given,
      id: 'fan-to-common',
      title: 'Give up G for C',
      parts: follows ? ['Jumper at the unit'] : [],
      extraMinutes: 0,
      lost: ['The fan by itself: it only follows heating and cooling.'],
      lookOut: [
        'Insulate nothing by halves: the old G conductor moves to C at both ends.',
        'Tell the people there that Fan On does nothing any more.',
      ],
    },
  ];
}

/** A transformer in a wall outlet by the thermostat. */
export function plugIn(ground: Ground): Way[] {
  const { circuit, facts, wish } = ground;
  const allocation = withoutCommon(ground);
  if (allocation.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  const { cooling, heating } = hotsOf(wish.terminals);
  const onlyHeat = !facts.leads.some(({ role }) => ['Y', 'Y2', 'G', 'valve'].includes(role));
  // With two hots and heat alone the unit's hot goes on RH, the plug's on RC, and the two never meet.
  const apart = cooling !== heating && onlyHeat;
  const given = apart
    ? allocation.given.map((entry) =>
        entry.need.role === 'hot'
          ? {
              ...entry,
              need: {
                ...entry.need,
                screw: heating,
                reason: 'The unit’s hot, kept apart from the plug’s on RC.',
              },
            }
          : entry,
      )
    : allocation.given;
  let landed = landAll(fresh.circuit, thermostat, facts, { given });
  const { station } = findDevice(landed, thermostat)!;
  const outlet = freeDeviceId(landed, 'outlet');
  landed = addDevice(landed, {
    id: outlet,
    kind: 'breaker',
    station,
    label: 'Wall outlet',
    params: {},
    settings: {},
  });
  const plug = freeDeviceId(landed, 'plug');
  landed = addDevice(landed, {
    id: plug,
    kind: 'control-transformer',
    station,
    label: 'Plug-in transformer',
    params: { va: 20 },
    settings: { bond: 'floating' },
  });
  landed = addLeads(landed, 'plugLeads', 'Plug', [
    ['BK', `${outlet}.L1`, `${plug}.P120`],
    ['WH', `${outlet}.N`, `${plug}.PC`],
  ]);
  landed = addLeads(
    landed,
    'plugCord',
    'Plug-in cord',
    [
      ['RD', `${plug}.R`, `${thermostat}.${cooling}`],
      ['BK', `${plug}.C`, `${thermostat}.C`],
    ],
    2,
  );
  if (apart)
    landed = {
      ...landed,
      devices: landed.devices.map((device) =>
        device.id === thermostat ? { ...device, settings: { ...device.settings, joiner: 'out' } } : device,
      ),
    };
  return [
    {
      circuit: landed,
      thermostat,
      given,
      id: 'plug-in',
      title: 'Plug-in transformer at the thermostat',
      parts: ['Plug-in transformer, 24 V, 20 VA'],
      extraMinutes: MINUTES.plugIn,
      lost: ['An outlet by the thermostat, and a cord on the wall.'],
      lookOut: [
        apart
          ? 'Two sources: unit on RH, plug on RC, joiner out. In, it would tie them.'
          : 'Two sources meet on R: join nothing else. A second joint, or a bonded common, ties the transformers.',
        'Switching the unit off leaves the thermostat live: prove dead at the plug too.',
      ],
    },
  ];
}

/** A relay repeats the heating call on the heating transformer, so that one hot is enough at the thermostat. */
export function isolationRelay(ground: Ground): Way[] {
  const { circuit, facts, wish, needs, allocation } = ground;
  const hots = facts.leads.filter(({ role }) => role === 'hot');
  const { cooling, heating } = hotsOf(wish.terminals);
  if (hots.length < 2 || cooling !== heating || allocation.missing.length > 0) return [];
  const heat = needs.find(({ role }) => role === 'W');
  const lead = (role: Lead['role'], domain: string | null) =>
    facts.leads.find((entry) => entry.role === role && entry.domain === domain);
  const heatDomain = heat && facts.leads.find(({ conductor }) => conductor.id === heat.now)?.domain;
  const other = hots.find(({ domain }) => domain !== heatDomain);
  const common = other && needs.find(({ role }) => role === 'common')?.far;
  const heatHot = heatDomain ? lead('hot', heatDomain)?.far : undefined;
  if (!heat || !common || !heatHot) return [];
  const way = plain(ground);
  const { station } = findDevice(circuit, splitTerminal(heat.far).deviceId)!;
  const relay = freeDeviceId(way.circuit, 'isolation');
  const carrier = givenFor(way.given, 'W')!.to;
  let landed = addDevice(way.circuit, {
    id: relay,
    kind: 'relay',
    station,
    label: 'Isolation relay',
    params: { serves: 'heat' },
    settings: {},
  });
  landed = land(landed, carrier.conductor.id, otherEnd(carrier.near), `${relay}.A1`);
  landed = addLeads(landed, 'isolationLeads', 'Isolation relay leads', [
    ['BU', `${relay}.A2`, common],
    ['RD', heatHot, `${relay}.COM`],
    ['WH', `${relay}.NO`, heat.far],
  ]);
  return [
    {
      ...way,
      circuit: landed,
      id: 'isolation-relay',
      title: 'Isolation relay for the heating call',
      parts: ['24 V relay'],
      extraMinutes: MINUTES.relay,
      lost: [],
      lookOut: ['The relay’s contact is on the heating transformer, its coil on the other: keep them apart.'],
    },
  ];
}

/** A new cable with a spare conductor more than is needed. */
export function newCable(ground: Ground): Way[] {
  const { circuit, facts, wish, needs } = ground;
  const [first] = facts.leads;
  if (!first || needs.length === 0) return [];
  const count = CABLE_SIZES.find((conductors) => conductors > needs.length) ?? needs.length + 1;
  const fresh = exchangeThermostat(circuit, facts, wish);
  const { thermostat } = fresh;
  const old = first.cable;
  const colours: ColourCode[] = [];
  for (const { screw } of needs)
    colours.push([...customaryColours(screw), ...COLOUR_CODES].find((code) => !colours.includes(code))!);
  while (colours.length < count) colours.push(COLOUR_CODES.find((code) => !colours.includes(code))!);
  const id = freeCableId(circuit, 'newCable');
  const cable: Cable = {
    id,
    label: `New ${old.label.charAt(0).toLowerCase()}${old.label.slice(1)}`,
    gauge: NEW_CABLE_GAUGE,
    lengthM: old.lengthM,
    conductors: colours.map((colour, i) => ({
      id: `${id}-${colour}`,
      colour,
      from: needs[i] ? `${thermostat}.${needs[i].screw}` : null,
      to: needs[i]?.far ?? null,
      ...(!needs[i] && { tag: 'spare' }),
    })),
  };
  const gone = new Set(facts.leads.map((lead) => lead.cable.id));
  const landed = {
    ...fresh.circuit,
    cables: [...fresh.circuit.cables.filter((entry) => !gone.has(entry.id)), cable],
  };
  return [
    {
      circuit: landed,
      thermostat,
      given: needs.map((need, i) => ({
        need,
        to: { cable, conductor: cable.conductors[i]!, near: 'from' as const },
      })),
      id: 'new-cable',
      title: `Pull a new ${count}-conductor cable`,
      parts: [
        `${count}-conductor ${NEW_CABLE_GAUGE} AWG cable, ${Math.ceil(old.lengthM)} m (${Math.ceil(metresToFeet(old.lengthM))} ft)`,
      ],
      extraMinutes: MINUTES.cable + MINUTES.cablePerMetre * old.lengthM,
      lost: [],
      lookOut: [
        'Tie it to the old cable only if that is not stapled.',
        'Leave the spare insulated at both ends.',
      ],
    },
  ];
}

/** The thermostat's contacts move to a receiver at the unit; what hangs on the wall has batteries and no wire. */
export function wireless(ground: Ground): Way[] {
  const { circuit, facts, wish, needs } = ground;
  const hot = needs.find(({ role }) => role === 'hot');
  const common = needs.find(({ role }) => role === 'common');
  if (!hot || !common) return [];
  const station = stationOf(circuit, hot.far);
  const fresh = exchangeThermostat(circuit, facts, wish, {
    station,
    label: 'Wireless receiver',
    supply: 'wired',
  });
  let landed = fresh.circuit;
  for (const { conductor, end } of facts.leads)
    landed = lift(lift(landed, conductor.id, end), conductor.id, otherEnd(end));
  landed = addLeads(
    landed,
    'receiverLeads',
    'Receiver leads',
    needs.map(
      ({ screw, far }) => [customaryColours(screw)[0] ?? 'BN', `${fresh.thermostat}.${screw}`, far] as const,
    ),
  );
  return [
    {
      circuit: landed,
      thermostat: fresh.thermostat,
      given: [],
      id: 'wireless',
      title: 'Wireless thermostat with a receiver at the unit',
      parts: ['Wireless thermostat and receiver', 'Batteries'],
      extraMinutes: MINUTES.wireless,
      lost: ['The wire: batteries at the wall to change every year.'],
      lookOut: [
        'Check its range with the doors shut before anything is screwed on.',
        'Insulate the old cable at both ends.',
      ],
    },
  ];
}

/** Without C on its batteries, where it has them. */
export function batteries(ground: Ground): Way[] {
  const { circuit, facts, wish } = ground;
  const allocation = withoutCommon(ground);
  if (wish.supply !== 'both' || allocation.missing.length > 0) return [];
  const fresh = exchangeThermostat(circuit, facts, wish, { supply: 'battery' });
  return [
    {
      circuit: landAll(fresh.circuit, fresh.thermostat, facts, allocation),
      thermostat: fresh.thermostat,
      given: allocation.given,
      id: 'batteries',
      title: 'Stay on batteries',
      parts: ['Batteries'],
      extraMinutes: 1,
      lost: [
        'Wired power: batteries to change every year, and whatever needs C (radio, backlight) is limited.',
      ],
      lookOut: ['A coin cell only keeps the clock: it never powers the thermostat.'],
    },
  ];
}

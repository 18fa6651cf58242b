/** What may be there that should not: a load beyond what a transformer carries, a jumper left behind, a call of another thermostat. */
import type { Circuit } from '../../circuit';
import { contextOf, kindOf, ratedAmps } from '../../devices';
import { TOUCHING_OHMS } from '../../network';
import { jumperPlaces } from '../jumpers';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';

/** Judgement: how often each is met against one conductor broken out of sight. */
const OVERLOADED = 0.5;
const JUMPER_LEFT = 0.1;
const FIGHTING = 1;

/** What has been hung on a transformer draws so many times its nameplate at full volts; judgement. */
const EXTRA_SHARE = 2;

/** Set points that ask whatever the room, °C. */
const ALWAYS = { heat: 35, cool: 4 } as const;

/** More on a control transformer's secondary than it was made for: its volts sag, coils drop out. */
function overloads({ devices, mains }: Circuit): Hypothesis[] {
  return devices.flatMap((device) => {
    const { id, kind } = device;
    const found = kindOf(kind);
    const context = contextOf(device, mains);
    const supplies = found
      .elements(context)
      .some((element) => element.kind === 'transformer' && element.supplies);
    const marks = found.designations(context.params);
    const hot = marks.find(({ role }) => role === 'hot');
    const common = marks.find(({ role }) => role === 'common');
    const { va, ratedVolts } = context.params;
    if (!supplies || !hot || !common || typeof va !== 'number') return [];
    const volts = typeof ratedVolts === 'number' ? ratedVolts : 24;
    return [
      hypothesis({
        id: `${id} overloaded`,
        failure: { type: 'overloaded', device: id },
        remedy: { type: 'relieve', device: id },
        weight: OVERLOADED,
        alteration: {
          bridges: [
            {
              red: `${id}.${hot.mark}`,
              black: `${id}.${common.mark}`,
              ohms: volts / (EXTRA_SHARE * ratedAmps(context.params)),
            },
          ],
        },
      }),
    ];
  });
}

/** Left after testing, or put in where none belongs. */
const jumpersLeft = (circuit: Circuit): Hypothesis[] =>
  jumperPlaces(circuit).map(({ pair }) =>
    hypothesis({
      id: `jumper ${pair.join(' ')}`,
      failure: { type: 'jumper-left', terminals: pair },
      remedy: { type: 'take-out-jumper', terminals: pair },
      weight: JUMPER_LEFT,
      alteration: { bridges: [{ red: pair[0], black: pair[1], ohms: TOUCHING_OHMS }] },
    }),
  );

/** Where several thermostats share a unit, any of them asks on its own, whatever is called at the others. */
function fighting({ devices }: Circuit): Hypothesis[] {
  const stats = devices.filter(({ kind }) => kindOf(kind).asks);
  if (stats.length < 2) return [];
  return stats.flatMap(({ id }) =>
    (['heat', 'cool'] as const).map((call) =>
      hypothesis({
        id: `${id} asks for ${call}`,
        failure: { type: 'fighting', device: id, call },
        remedy: { type: 'agree', device: id },
        weight: FIGHTING / 2,
        held: { [id]: { mode: call, setC: ALWAYS[call] } },
      }),
    ),
  );
}

/**
 * Line voltage as shares of nominal, so close to one another that a reading between two is near enough to either, and how
 * often each is met; judgement. Lower, nothing pulls in; higher, transformers burn out.
 */
const LINE_SHARES = [0.5, 0.54, 0.58, 0.62, 0.66, 0.7, 0.75, 0.8, 0.86, 1.15] as const;
const LINE_VOLTAGE = 0.1;

const lineVoltages = (): Hypothesis[] =>
  LINE_SHARES.map((share) =>
    hypothesis({
      id: `line voltage ${share}`,
      failure: { type: 'line-voltage', share },
      remedy: { type: 'line-voltage' },
      weight: LINE_VOLTAGE,
      line: share,
    }),
  );

export const addedHypotheses = (circuit: Circuit): Hypothesis[] => [
  ...lineVoltages(),
  ...overloads(circuit),
  ...jumpersLeft(circuit),
  ...fighting(circuit),
];

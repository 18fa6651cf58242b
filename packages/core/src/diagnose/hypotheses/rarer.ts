/**
 * What is rarer than what is listed, or the same at other ohms: weighed only once nothing of the list fits. Each is found, and
 * put right, as one of the list.
 */
import type { Circuit } from '../../circuit';
import { ENDS, designationsOf, findDevice, splitTerminal } from '../../circuit';
import type { WrongLanding } from '../../prove';
import { displacedBy, fieldConductors, lineTerminals } from '../../prove';
import type { Hypothesis } from './hypothesis';
import { hypothesis } from './hypothesis';
import { comingAndGoing } from './now-and-then';
import { otherwiseAt } from './unlisted';
import { ohmsOf, relanded, wiringHypotheses } from './wiring';

/** Judgement: how often each is met against one conductor broken out of sight. */
const ON_ANOTHER_BLOCK = 0.01;

/** Ohms of joints and of what touches, beside those of the list, evenly spread over decades; judgement. */
const JOINT_OHMS = [3, 6, 12, 22, 80, 160, 400, 1500, 6000];
const TOUCHING_OHMS = [1, 3, 8, 20, 50, 120];

/** The same at other ohms. */
function atOtherOhms(one: Hypothesis, circuit: Circuit): Hypothesis[] {
  const again = (ohms: number, alteration: Hypothesis['alteration'], of: number): Hypothesis => ({
    ...one,
    id: `${one.id} ${ohms} ohms`,
    weight: one.weight / of,
    alteration,
    asFound: one.id,
  });
  const { failure, alteration } = one;
  if (failure.type === 'poor-joint') {
    const cable = circuit.cables.find(({ conductors }) =>
      conductors.some(({ id }) => id === failure.conductor),
    )!;
    return JOINT_OHMS.map((ohms) =>
      again(
        ohms,
        { positions: { [`wire:${failure.conductor}`]: { ohms: ohmsOf(cable) + ohms } } },
        JOINT_OHMS.length,
      ),
    );
  }
  if (failure.type !== 'touching' && failure.type !== 'grounded') return [];
  return TOUCHING_OHMS.map((ohms) =>
    again(
      ohms,
      { bridges: alteration.bridges!.map((bridge) => ({ ...bridge, ohms })) },
      TOUCHING_OHMS.length,
    ),
  );
}

/** An end on another terminal within reach than those beside its own. */
function elsewhere(circuit: Circuit): WrongLanding[] {
  const line = lineTerminals(circuit);
  return fieldConductors(circuit).flatMap(({ conductor }) =>
    ENDS.flatMap((end): WrongLanding[] => {
      const terminal = conductor[end]!;
      const { station } = findDevice(circuit, splitTerminal(terminal).deviceId)!;
      const within = circuit.devices
        .filter((device) => device.station === station)
        .flatMap((device) => designationsOf(device).map(({ mark }) => `${device.id}.${mark}`));
      return within
        .filter((on) => on !== conductor.from && on !== conductor.to && !line.has(on))
        .map((on) => ({ type: 'moved', landed: { conductor: conductor.id, end, terminal }, on }));
    }),
  );
}

function landedElsewhere(circuit: Circuit): Hypothesis[] {
  return elsewhere(circuit).map((wrong) => {
    const moves = displacedBy(wrong);
    const [{ conductor, end, terminal, on }] = moves as [(typeof moves)[number]];
    const device = splitTerminal(terminal).deviceId;
    return hypothesis({
      id: `${conductor} ${end} far on ${on}`,
      failure: { type: 'landing', wrong },
      remedy: { type: 'compare', device },
      weight: ON_ANOTHER_BLOCK,
      alteration: relanded(circuit, moves),
      asFound: otherwiseAt(device),
    });
  });
}

export function rarerHypotheses(circuit: Circuit): Hypothesis[] {
  const atOthers = wiringHypotheses(circuit).flatMap((one) => atOtherOhms(one, circuit));
  return [...landedElsewhere(circuit), ...atOthers, ...comingAndGoing(atOthers)];
}

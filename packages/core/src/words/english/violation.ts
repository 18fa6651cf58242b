import type { Call } from '../../devices';
import { inSentence } from '../phrases';
import type { PropertyId, Violation } from '../../prove';
import { CLASS_2 } from '../../standards';
import type { Names } from '../names';
import { showAmps } from '../show';
import { situationText } from './situation';

const NOTHING_DOES: Readonly<Record<Call, string>> = {
  heat: 'nothing heats',
  cool: 'nothing cools',
  fan: 'nothing moves the air',
};
const WAYS = { heat: ' for heating', cool: ' for cooling' } as const;

const CALLED: Readonly<Record<Call, string>> = { heat: 'heat', cool: 'cooling', fan: 'the fan' };

const list = (titles: readonly string[]) => titles.join(', ');

type Teller = { [P in PropertyId]: (violation: Violation<P>, names: Names) => string };

const together = ({ heating, cooling }: Violation<'together' | 'disagree'>) =>
  `${list(heating)} run with ${list(cooling)}.`;
const uncalled = ({ loads, situation }: Violation<'uncalled' | 'uncalled-fan'>) =>
  `${list(loads)} on with ${situationText(situation)}.`;

const TELL: Teller = {
  together,
  disagree: together,
  uncalled,
  'uncalled-fan': uncalled,
  short: ({ about, burning }, { device }) =>
    burning
      ? `${device(about)} carries ${showAmps(burning.amps)}, ${burning.share.toFixed(1)} times what it is rated for, and nothing opens.`
      : `${device(about)} opens.`,
  'line-on-control': ({ terminal, volts }, { node }) =>
    `${node(terminal)} is on line voltage: ${Math.round(volts)} V.`,
  'over-voltage': ({ terminal, volts, tap }, { node, device }) =>
    `${node(terminal)} stands at ${volts.toFixed(1)} V, above ${CLASS_2.maxVolts} V.${
      tap ? ` ${device(tap.device)} is fed on its ${tap.volts} V tap.` : ''
    }`,
  protected: ({ about, terminal, amps }, { node, device }) =>
    `${node(terminal)} leaves ${device(about)} with nothing that opens: a short there draws ${showAmps(amps)}.`,
  rating: ({ about, node: at, amps, opensS, transformer, standsS }, { node, device }) =>
    `A short at ${node(at)} draws ${showAmps(amps)}: ${device(about)} ${
      opensS === Infinity ? 'never opens' : `opens after ${Math.round(opensS)} s`
    }, and ${device(transformer)} stands it ${Math.round(standsS)} s.`,
  bypassed: ({ about, nodes: [one, other] }, { node, device }) =>
    `${device(about)} is bypassed: ${node(one)} and ${node(other)} are joined past it.`,
  tied: ({ about, other }, { device }) => `The hots of ${device(about)} and ${device(other)} are joined.`,
  unanswered: ({ call, situation }) => `With ${situationText(situation)} ${NOTHING_DOES[call]}.`,
  'no-air': ({ loads }) => `${list(loads)} on and no fan runs.`,
  'no-way': ({ load }) => `${load} on and every damper is shut.`,
  'zone-shut': ({ about, zone, call, thermostat }, { device }) =>
    `Zone ${zone} calls for ${CALLED[call]} (${device(thermostat)}) and ${device(about)} is shut.`,
  'zone-open': ({ about, zone, call, thermostats }, { device }) =>
    `${device(about)} stands open for ${CALLED[call]} that only ${thermostats.map(device).join(' and ')} called for, and zone ${zone} did not.`,
  'stays-live': ({ about, switch: handle }, { device }) =>
    `With ${device(handle)} off the unit is dead and ${device(about)} still has its own 24 V.`,
  'no-purge': () => 'The call ends and the burner stops without a purge.',
  safety: ({ about, loads }, { device }) => `${device(about)} is tripped and ${list(loads)} runs on.`,
  unfanned: ({ about }, { device }) => `With ${device(about)} tripped no fan runs.`,
  blank: ({ about, onBatteries }, { device }) =>
    onBatteries
      ? `${device(about)} lives on its batteries: the wire brings it nothing.`
      : `${device(about)} is blank.`,
  'weak-coil': ({ load, volts }) => `${load} gets ${volts.toFixed(1)} V and does not pull in.`,
  'coil-margin': ({ load, volts, needs }) =>
    `${load} pulls in at ${volts.toFixed(1)} V, ${(needs - volts).toFixed(1)} V under the ${needs.toFixed(1)} V at which it is guaranteed to.`,
  overload: ({ about, amps, share }, { device }) =>
    `${device(about)} carries ${showAmps(amps)}, ${Math.round(share * 100)} % of what it is rated for.`,
  'foreign-common': ({ about, hot, common }, { device }) =>
    `${device(about)} takes its hot from ${device(hot)} and its C from ${device(common)}.`,
  'crossed-hots': (violation, { node, device }) =>
    violation.exchanged
      ? `${device(violation.about)}: the hots of ${violation.exchanged.map(device).join(' and ')} are exchanged.`
      : `${node(violation.screw)} is fed from ${device(violation.from)}, and what it calls returns to ${device(violation.returns)}.`,
  reversed: ({ about, supply }, { device }) =>
    `${device(about)} has the hot and the common of ${device(supply)} exchanged.`,
  'live-end': ({ about, landed }, { node, conductor }) =>
    `${conductor(about)} is live and loose; its other end is on ${node(landed)}.`,
  'line-on-signal': ({ terminal, burns }, { node }) =>
    burns
      ? `Mains goes through the signal at ${node(terminal)}: its board burns.`
      : `Mains is on the signal at ${node(terminal)}: some boards do not live through that.`,
  'live-case': ({ about, volts }, { device }) =>
    `The case of ${device(about)} has ${Math.round(volts)} V on it.`,
  unearthed: ({ about }, { device }) =>
    `The case of ${device(about)} is not earthed: whatever fails inside makes it live.`,
  'earth-current': ({ about, amps }, { conductor }) =>
    `${conductor(about)} carries ${showAmps(amps)} as earth.`,
  'power-on-data': ({ about }, { device }) =>
    `The 24 V stand on the data of ${device(about)}: many boards do not live through that.`,
  'fed-twice': ({ about, other }, { device }) =>
    `${device(about)} and ${device(other)} each have a supply of their own: with one switched off, both are live.`,
  'fed-elsewhere': ({ about, other }, { device }) =>
    `The supply comes in at ${device(about)}, and the label wants it at ${device(other)}.`,
  'run-spliced': ({ about, joint }, { device }) =>
    `The run from ${device(about)} is joined at ${device(joint)}.`,
  'run-shared': ({ others }, { conductor }) =>
    `The run is in one jacket with ${list(others.map(conductor))}.`,
  untempered: ({ about, loads }, { device }) =>
    `In defrost of ${device(about)} nothing warms the air: ${list(loads)} off.`,
  restless: ({ devices }, { device }) => `${list(devices.map(device))} cannot settle.`,
  never: ({ load, way }) => `No call ever runs the ${inSentence(load)}${way ? WAYS[way] : ''}.`,
};

/** What a violation is, in a sentence. */
export const violationText = <P extends PropertyId>(names: Names, violation: Violation<P>): string =>
  (TELL[violation.property] as (violation: Violation<P>, names: Names) => string)(violation, names);

/**
 * SPICE netlist of a circuit at an operating point. Transformers go out as controlled
 * sources, so a simulator solves them by other means than this program does.
 */
import type { SeriesImpedance } from '../devices';
import type { Branch, OperatingPoint } from '../network';
import { LEAK_SIEMENS } from '../network';

const GROUND = '0';

/** Numbers as SPICE reads them, with all their digits. */
const value = (number: number) => number.toExponential(12);

/** Name of a node in the netlist; terminal names carry characters SPICE would misread. */
export function spiceNode(index: number): string {
  return index < 0 ? GROUND : `n${index + 1}`;
}

function series(
  name: string,
  from: string,
  to: string,
  { ohms, henries = 0, farads }: SeriesImpedance,
  alternating: boolean,
): string[] {
  if (farads !== undefined) {
    if (!alternating) return [];
    return [`R${name} ${from} m${name} ${value(ohms)}`, `C${name} m${name} ${to} ${value(farads)}`];
  }
  if (henries === 0 || !alternating) return [`R${name} ${from} ${to} ${value(ohms)}`];
  const middle = `m${name}`;
  const resistor = ohms > 0 ? [`R${name} ${from} ${middle} ${value(ohms)}`] : [];
  return [...resistor, `L${name} ${ohms > 0 ? middle : from} ${to} ${value(henries)}`];
}

function lines(
  { element, nodes, positions, nature }: Branch,
  index: number,
  position: number,
  alternating: boolean,
): string[] {
  const name = String(index);
  const [a, b, c, d] = nodes.map(spiceNode) as [string, string, string, string];
  if (element.kind === 'branch') {
    const impedance = element.positions[positions[position]!]!;
    return impedance === 'open' ? [`* ${nature} ${name} open`] : series(name, a, b, impedance, alternating);
  }
  if (element.kind === 'capacitor')
    return element.farads > 0 ? [`C${name} ${a} ${b} ${value(element.farads)}`] : [];
  if (element.kind === 'source') {
    const driven = (element.frequency === 'mains') === alternating;
    const volts = driven ? element.volts : 0;
    const drive = alternating
      ? `DC 0 AC ${value(volts)} ${value(element.phaseDegrees)}`
      : `DC ${value(volts)}`;
    return [
      `V${name} e${name} ${b} ${drive}`,
      ...series(name, `e${name}`, a, element.impedance, alternating),
    ];
  }
  if (!alternating) return series(name, a, b, element.impedance, false);
  const turns = value(1 / element.ratio);
  return [
    `E${name} e${name} ${b} ${c} ${d} ${turns}`,
    `V${name} e${name} s${name} DC 0`,
    ...series(name, `s${name}`, a, element.impedance, true),
    `F${name} ${c} ${d} V${name} ${turns}`,
  ];
}

/** The deck for a solved point: comments name every node, an analysis at its frequency ends it. */
export function spiceNetlist(point: OperatingPoint): string {
  const { network, choice, frequency } = point;
  const alternating = frequency === 'mains';
  const hertz = network.circuit.mains.hertz;
  const title = network.circuit.name.replace(/[^\x20-\x7e]/g, '?');
  return [
    `* ${title}`,
    ...network.nodes.map((name, i) => `* ${spiceNode(i)} = ${name}`),
    ...network.branches.flatMap((branch, b) => [
      `* ${branch.id}`,
      ...lines(branch, b, choice[b]!, alternating),
    ]),
    ...network.nodes.map((_, i) => `Rleak${i} ${spiceNode(i)} ${GROUND} ${value(1 / LEAK_SIEMENS)}`),
    alternating ? `.ac lin 1 ${hertz} ${hertz}` : '.op',
    '.end',
    '',
  ].join('\n');
}

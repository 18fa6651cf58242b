/**
 * What a fault is predicted to show, against ngspice (Debian package) on the netlist of the circuit with the fault put in
 * by itself: one of every kind of fault there is in the ready systems.
 */
import type { Circuit } from '../circuit';
import { endNode, findConductor } from '../circuit';
import type { Element } from '../devices';
import type { Branch, Bridge, Fault, Network, OperatingPoint } from '../network';
import { compile } from '../network';
import { spiceNetlist, spiceNode } from '../formats/spice';
import { TEMPLATES } from '../systems';
import { ngspiceVersion, solveWithNgspice } from '../testing/ngspice';
import type { Hypothesis } from '.';
import { classOf, hypothesesOf, makeDictionary } from '.';

/** The netlist is written from the elements: a source of mains at a share of its volts, a contact that is held, a coil. */
function altered(network: Network, { alteration: { positions = {} }, failure, line }: Hypothesis): Network {
  const elementOf = ({ id, element }: Branch): Element => {
    const held = failure.type === 'element' ? positions[id] : undefined;
    if (held !== undefined && element.kind === 'branch')
      return {
        ...element,
        positions: Object.fromEntries(Object.keys(element.positions).map((name) => [name, held])),
      };
    return element.kind === 'source' && element.frequency === 'mains'
      ? { ...element, volts: element.volts * line }
      : element;
  };
  return {
    ...network,
    branches: network.branches.map((branch) => ({ ...branch, element: elementOf(branch) })),
  };
}

/** The circuit with a fault in it, compiled without anything laid over it. */
function faulted(circuit: Circuit, given: Hypothesis) {
  const { failure, alteration } = given;
  const faults: Fault[] = failure.type === 'part' ? [{ target: failure.device, mode: failure.mode }] : [];
  const bridges: Bridge[] = [...(alteration.bridges ?? [])];
  for (const [id, position] of Object.entries(alteration.positions ?? {})) {
    if (!id.startsWith('wire:')) continue;
    const conductor = findConductor(circuit, id.slice('wire:'.length))!;
    faults.push({ target: conductor.id, mode: 'open' });
    const [red, black] = [endNode(conductor, 'from'), endNode(conductor, 'to')];
    if (position !== 'open') bridges.push({ red, black, ohms: position.ohms });
  }
  const links = circuit.links.filter(({ id }) => failure.type !== 'no-jumper' || failure.link !== id);
  return altered(compile({ ...circuit, links }, faults, bridges), given);
}

/** Every device in the position it has in a predicted point; what a fault holds has but one. */
function pointOf(circuit: Circuit, given: Hypothesis, predicted: OperatingPoint): OperatingPoint {
  const network = faulted(circuit, given);
  const chosen = new Map(predicted.network.branches.map(({ id }, b) => [id, predicted.choice[b]!]));
  const choice = Uint8Array.from(network.branches, ({ id, natural }) => {
    const position = chosen.get(id) ?? 0;
    return position < natural ? position : 0;
  });
  const empty = new Float64Array(network.nodes.length);
  return { network, choice, frequency: 'mains', re: empty, im: empty };
}

const met = new Set<string>();

(ngspiceVersion() === null ? test.skip : test).each(TEMPLATES)('$id', ({ build }) => {
  const circuit = build('Ngspice');
  const dictionary = makeDictionary(circuit, hypothesesOf(circuit));
  const state = dictionary.states.at(-1)!.id;
  dictionary.hypotheses.forEach((one, i) => {
    const kind = classOf(circuit, one.failure);
    if (met.has(kind)) return;
    met.add(kind);
    const { point } = dictionary.predict(i, state);
    const apart = pointOf(circuit, one, point);
    const found = solveWithNgspice(spiceNetlist(apart));
    apart.network.nodes.forEach((name, n) => {
      const [re, im] = found[spiceNode(n)] ?? [NaN, NaN];
      const here = point.network.indexOf(name);
      const off = Math.hypot(re - point.re[here]!, im - point.im[here]!);
      const allowed = Math.max(1e-3, 1e-3 * Math.hypot(re, im));
      if (!(off <= allowed))
        throw new Error(`${kind}, ${name}: ngspice ${re}+${im}j, here ${point.re[here]}+${point.im[here]}j`);
    });
  });
});

test('there are as many kinds of fault as are told of', () => {
  if (ngspiceVersion() !== null) expect(met.size).toBeGreaterThan(80);
});

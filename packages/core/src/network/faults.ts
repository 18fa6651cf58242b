/** Faults are laid over a circuit when it is compiled; the document never holds them. */
import type { Conductor } from '../circuit';
import { endNode } from '../circuit';
import type { DeviceKind, Element, Position } from '../devices';

/**
 * `target` is a device id with one of its kind's fault modes, or a conductor id with
 * mode `open` or `short:<other conductor id>`.
 */
export interface Fault {
  target: string;
  mode: string;
}

/** Something held between two points: a jumper lead, an ammeter, a pinch. */
export interface Bridge {
  red: string;
  black: string;
  ohms: number;
}

/** Resistance of a pinched pair of conductors, ohms, from memory. */
export const TOUCHING_OHMS = 0.05;
/** What an opened winding still passes: nothing a meter could find. */
export const OPENED_OHMS = 1e9;

const held = (element: Element, position: Position): Element => {
  if (element.kind === 'branch') {
    const positions = Object.fromEntries(Object.keys(element.positions).map((name) => [name, position]));
    return { ...element, positions };
  }
  if (element.kind === 'capacitor') return position === 'open' ? { ...element, farads: 0 } : element;
  return { ...element, impedance: position === 'open' ? { ohms: OPENED_OHMS } : position };
};

/** A device's elements with its own faults laid over them. */
export function overrideElements(
  kind: DeviceKind,
  deviceId: string,
  elements: readonly Element[],
  faults: readonly Fault[],
): readonly Element[] {
  const overrides = faults
    .filter(({ target }) => target === deviceId)
    .flatMap(({ mode }) => {
      const found = kind.faults.find((fault) => fault.mode === mode)?.elements;
      return found ? [found] : [];
    });
  if (overrides.length === 0) return elements;
  return elements.map((element) => {
    const override = overrides.find((over) => Object.hasOwn(over, element.id))?.[element.id];
    return override === undefined ? element : held(element, override);
  });
}

/** What the faults on a conductor do to it. */
export function conductorFaults(conductorId: string, faults: readonly Fault[]) {
  const own = faults.filter(({ target }) => target === conductorId);
  return {
    open: own.some(({ mode }) => mode === 'open'),
    shorts: (jacket: readonly Conductor[], one: Conductor): Bridge[] =>
      own.flatMap(({ mode }) => {
        const other = jacket.find(({ id }) => mode === `short:${id}`);
        return other
          ? [{ red: endNode(one, 'from'), black: endNode(other, 'from'), ohms: TOUCHING_OHMS }]
          : [];
      }),
  };
}

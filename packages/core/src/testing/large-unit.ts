/** Outdoor units with far more wires than a ready one, for timings: the wires of its diagram over and over, each with a number of its own. */
import { writeWireList } from '../formats';
import { heatPumpWithStripsByWire } from '../systems';
import { diagramOf } from '../unit';

/** A list of so many wires, as it would be typed into a heat pump. */
export function longWireList(wires: number): string {
  const circuit = heatPumpWithStripsByWire('Unit');
  const own = diagramOf(circuit).wires.filter(({ number }) => number !== undefined);
  const many = Array.from({ length: wires }, (_, i) => {
    const wire = own[i % own.length]!;
    return { ...wire, number: `${Number(wire.number) + 100 * Math.floor(i / own.length)}` };
  });
  return writeWireList(circuit, many);
}

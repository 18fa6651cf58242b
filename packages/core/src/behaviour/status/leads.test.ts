/**
 * What the status line names when the lead of a float, a limit or a fuse is on another screw of the same device: whatever else is
 * named, the lead that is wrong is. A part is sound until it is shown not to be (common practice in the trade).
 */
import type { Circuit, Conductor, End } from '../../circuit';
import { ENDS, findDevice, land, marksOf, splitTerminal } from '../../circuit';
import { kindOf } from '../../devices';
import { callsOf } from '../../testing/faulty';
import { ready, said } from '../../testing/said';

const deviceAt = (circuit: Circuit, conductor: Conductor, end: End) =>
  findDevice(circuit, splitTerminal(conductor[end]!).deviceId)!;

/** Ends of leads that stay in one place, with what sits in a conductor at their other end. */
function leadsOf(circuit: Circuit) {
  return circuit.cables
    .flatMap(({ conductors }) => conductors)
    .filter(({ from, to }) => from !== null && to !== null)
    .flatMap((lead) => {
      const [one, other] = ENDS.map((end) => deviceAt(circuit, lead, end));
      if (one!.station !== other!.station) return [];
      const isInline = ({ kind }: typeof one & object) => kindOf(kind).inline;
      if (isInline(one!) === isInline(other!)) return [];
      return [{ lead, end: (isInline(one!) ? 'to' : 'from') as End }];
    });
}

test.each(['furnace-ac', 'fan-coil', 'heat-pump', 'rooftop'])('%s', (id) => {
  const good = ready(id);
  const unjust: string[] = [];
  let faults = 0;
  for (const { lead, end } of leadsOf(good)) {
    const own = splitTerminal(lead[end]!);
    for (const mark of marksOf(deviceAt(good, lead, end)).filter((one) => one !== own.mark)) {
      const wrong = land(good, lead.id, end, `${own.deviceId}.${mark}`);
      for (const call of callsOf(wrong)) {
        const { tone, text, parts = [] } = said(wrong, call.id);
        if (tone !== 'fault') continue;
        faults++;
        const blamed = parts.filter((part) =>
          good.cables.some((c) => c.conductors.some((one) => one.id === part)),
        );
        if (blamed.length > 0 && !blamed.includes(lead.id)) unjust.push(`${lead.id} on ${mark}: ${text}`);
      }
    }
  }
  expect(unjust).toEqual([]);
  expect(faults).toBeGreaterThan(20);
});

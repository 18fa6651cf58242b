import { GAUGES } from '../../standards';
import { findCable, findConductor } from '../find';
import { hasTerminal } from '../terminals';
import { CABLE_METRES } from '../schema';
import type { Cable, Circuit } from '../types';
import { ENDS } from '../types';
import { need } from './edit-error';

/** Adds a cable with its conductors, landed or not. */
export function addCable(circuit: Circuit, cable: Cable): Circuit {
  need(!findCable(circuit, cable.id), `There is already a cable "${cable.id}".`);
  for (const conductor of cable.conductors) {
    need(!findConductor(circuit, conductor.id), `There is already a conductor "${conductor.id}".`);
    for (const end of ENDS) {
      const terminal = conductor[end];
      need(terminal === null || hasTerminal(circuit, terminal), `There is no terminal "${terminal}".`);
    }
  }
  return { ...circuit, cables: [...circuit.cables, cable] };
}

/** Puts another cable, of the same id, in one's place. */
export const changeCable = (circuit: Circuit, cableId: string, change: (cable: Cable) => Cable): Circuit => ({
  ...circuit,
  cables: circuit.cables.map((cable) => (cable.id === cableId ? change(cable) : cable)),
});

/** Takes cables out with their conductors. */
export function removeCables(circuit: Circuit, cableIds: readonly string[]): Circuit {
  return { ...circuit, cables: circuit.cables.filter(({ id }) => !cableIds.includes(id)) };
}

/** Changes a cable's length in metres or gauge in AWG. */
export function setCable(
  circuit: Circuit,
  cableId: string,
  change: { lengthM?: number; gauge?: number },
): Circuit {
  need(findCable(circuit, cableId) !== undefined, `There is no cable "${cableId}".`);
  const { lengthM, gauge } = change;
  need(
    lengthM === undefined || (lengthM >= CABLE_METRES.least && lengthM <= CABLE_METRES.most),
    `Length must be between ${CABLE_METRES.least} and ${CABLE_METRES.most} m.`,
  );
  need(
    gauge === undefined || GAUGES.some((made) => made === gauge),
    `Gauge must be one of ${GAUGES.join(', ')} AWG.`,
  );
  return changeCable(circuit, cableId, (cable) => ({ ...cable, ...change }));
}

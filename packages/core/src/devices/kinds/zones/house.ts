import { defineDevice } from '../../define';
import { zoneNames } from '../../parts/ducts';
import { houseParams, housingOf } from '../../parts/rooms';

/** The rooms that zones stand for: no terminal, but what of a call's heat they keep and lose shows who leads whom. */
export const house = defineDevice({
  kind: 'house',
  title: 'Rooms',
  designations: () => [],
  params: houseParams,
  settings: {},
  controls: {},
  elements: () => [],
  initial: {},
  positions: () => ({}),
  next: (state) => state,
  face: (_state, { params: { zones } }) => ({ text: `${zoneNames(zones).length} zones`, tone: 'ok' }),
  houses: housingOf,
  faults: [],
});

import type { Cable, Circuit } from '../circuit';
import { addCable, addDevice, changeCable, land, setValue } from '../circuit';
import { cable, device, station } from './build';
import { rooftopUnit } from './commercial';

const CEILING = station('duct', 'attic', 'Duct above the ceiling', 5);
const LOBBY = station('lobby', 'room', 'Lobby', 2);

const detector = (id: string, where: string, label: string) =>
  device(id, 'smoke-detector', where, label, { terminals: 'all' });

/** The jackets at the detector in the duct, one function each. */
const jackets = (): Cable[] => [
  cable('supplyJacket', 'Detector supply', 18, 14, [
    ['supplyR', 'RD', 'controller.R', 'ductSmoke.R'],
    ['supplyC', 'BK', 'controller.C', 'ductSmoke.C'],
  ]),
  cable('onJacket', 'On to the unit’s detector', 18, 14, [
    ['onR', 'RD', 'ductSmoke.R', 'smoke.R'],
    ['onC', 'BK', 'ductSmoke.C', 'smoke.C'],
    ['onTie', 'BN', 'ductSmoke.TIE', 'smoke.TIE'],
  ]),
  cable('stationJacket', 'Station cable', 18, 22, [
    ['stationHot', 'RD', 'ductSmoke.S+', 'station.S+'],
    ['stationCommon', 'BK', 'ductSmoke.S-', 'station.S-'],
    ['stationLamp', 'WH', 'ductSmoke.LAMP', 'station.LAMP'],
    ['stationAsk', 'GN', 'ductSmoke.T/R', 'station.T/R'],
  ]),
  cable('holdJacket', 'Thermostat hold', 18, 14, [
    ['holdOut', 'RD', 'controller.R', 'ductSmoke.COM'],
    ['holdBack', 'WH', 'ductSmoke.NC', 'statNut.NUT'],
  ]),
  cable('loopJacket', 'Loop from the panel', 18, 48, [
    ['loopPlus', 'RD', 'panelLoop.L+', 'ductSmoke.AL1'],
    ['loopMinus', 'BK', 'panelLoop.L-', 'ductSmoke.AL2'],
  ]),
];

/** The loop goes on to the unit's own detector, which is its last. */
const loopOn = () =>
  cable('loopOnJacket', 'Loop on to the roof', 18, 14, [
    ['loopOnPlus', 'RD', 'ductSmoke.AL1', 'smoke.AL1'],
    ['loopOnMinus', 'BK', 'ductSmoke.AL2', 'smoke.AL2'],
  ]);

/** The unit no longer feeds its detector: the one in the duct does. */
const unfed = (circuit: Circuit): Circuit =>
  changeCable(circuit, 'controlLeads', (leads) => ({
    ...leads,
    conductors: leads.conductors.filter(({ id }) => id !== 'leadSmokeR' && id !== 'leadSmokeC'),
  }));

const withDevices = (circuit: Circuit): Circuit =>
  [
    detector('smoke', 'roof', 'Detector in the unit'),
    detector('ductSmoke', 'duct', 'Detector in the duct'),
    device('statNut', 'wire-nut', 'roof', 'R joint'),
    device('station', 'detector-station', 'hall', 'Station'),
    device('panelLoop', 'initiating-loop', 'lobby', 'Fire panel loop'),
    device('eol', 'end-of-line', 'roof', 'End-of-line'),
  ].reduce<Circuit>(
    (made, added) =>
      added.id === 'smoke'
        ? { ...made, devices: made.devices.map((one) => (one.id === 'smoke' ? added : one)) }
        : addDevice(made, added),
    { ...circuit, stations: [circuit.stations[0]!, LOBBY, CEILING, ...circuit.stations.slice(1)] },
  );

/**
 * A rooftop unit with two detectors that are tied: one left in the duct above the ceiling that holds the thermostat's R, one
 * in the unit; a station with a key; both on a fire panel's supervised loop.
 *
 * @param found - `last` ends the loop at the detector in the unit; `left` is how an earlier change-out left it: the loop ends
 * at the one in the duct, the unit's own is not on it, and a sounder's cable leads nowhere.
 */
export function rooftopOnLoop(name: string, found: 'last' | 'left' = 'last'): Circuit {
  const bare = withDevices(unfed(rooftopUnit(name)));
  const jacketed = jackets().reduce(
    addCable,
    land(setValue(bare, 'stat', 'params', 'supply', 'wired'), 'statR', 'to', 'statNut.NUT'),
  );
  const end = found === 'last' ? 'smoke' : 'ductSmoke';
  const ended = addCable(
    jacketed,
    cable('eolLeads', 'Resistor leads', 18, 0.05, [
      ['eolOne', 'BN', `${end}.AL1`, 'eol.1'],
      ['eolOther', 'BN', `${end}.AL2`, 'eol.2'],
    ]),
  );
  if (found === 'last') return addCable(ended, loopOn());
  const left = {
    ...ended,
    devices: ended.devices.map((one) => (one.id === 'eol' ? { ...one, station: 'duct' } : one)),
  };
  return addCable(
    left,
    cable('sounderJacket', 'Sounder cable', 18, 9, [
      ['sounderOne', 'RD', 'ductSmoke.NO', null],
      ['sounderOther', 'BK', null, null],
    ]),
  );
}

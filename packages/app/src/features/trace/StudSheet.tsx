import { View } from 'react-native';
import type { Circuit, Conductor, End } from '@zygostat/core/circuit';
import {
  ENDS,
  endNode,
  findDevice,
  landedOn,
  otherEnd,
  nodeName,
  splitTerminal,
} from '@zygostat/core/circuit';
import type { TerminalRole } from '@zygostat/core/devices';
import { fill, kindOf } from '@zygostat/core/devices';
import { LINE_COLOURS, colourName } from '@zygostat/core/standards';
import { showVolts } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import type { Settings } from '../settings/slice';
import { pickedUp, sheetOpened } from './slice';
import { probePlaced } from '../bench/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, BottomSheet, AppText } from '../../basics';
import { Swatch } from './Swatch';
import type { TraceActions } from './useTraceActions';

interface StudSheetProps {
  circuit: Circuit;
  node: string;
  actions: TraceActions;
}

const STANDING_WORDS = {
  hot: 'Hot',
  return: 'Return',
  dead: 'Dead: nothing drives it now',
  floating: 'Floating: tied to nothing, a meter shows ghost volts here',
} as const;

/** Every conductor end that is free, to be landed here. */
const freeEnds = (circuit: Circuit): { conductor: Conductor; end: End }[] =>
  circuit.cables.flatMap(({ conductors }) =>
    conductors.flatMap((conductor) =>
      ENDS.filter((end) => conductor[end] === null).map((end) => ({ conductor, end })),
    ),
  );

/** Colours customary on a line-voltage terminal where the person works; `null` on any other. */
function customary(role: TerminalRole | undefined, region: Settings['region']): string | null {
  const { line, neutral, earth } = LINE_COLOURS[region];
  if (role === 'line') return line.map(colourName).join(' or ');
  if (role === 'neutral') return colourName(neutral);
  return role === 'earth' ? earth : null;
}

/** All about one terminal: what it is for, what is on it, what it reads; probes, landings and jumpers from here. */
export function StudSheet({ circuit, node, actions }: StudSheetProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const reading = useAppSelector(({ bench }) => bench.view?.nodes[node]);
  const region = useAppSelector(({ settings }) => settings.region);
  const { deviceId, mark } = splitTerminal(node);
  const device = findDevice(circuit, deviceId);
  if (!device) return null;
  const kind = kindOf(device.kind);
  const designation = kind
    .designations(fill(kind.params, device.params))
    .find((entry) => entry.mark === mark);
  const station = circuit.stations.find(({ id }) => id === device.station);
  const landed = landedOn(circuit, node);
  const jumpers = circuit.links.filter(({ joins }) => joins.includes(node));
  const loose = freeEnds(circuit);
  const colours = customary(designation?.role, region);
  const lineVolts = designation?.role === 'line' || designation?.role === 'winding';
  const log = () => {
    if (!reading) return;
    dispatch(probePlaced({ probe: 'red', node }));
    dispatch(probePlaced({ probe: 'black', node: reading.reference }));
    dispatch(sheetOpened({ type: 'log', red: node, black: reading.reference }));
  };
  return (
    <BottomSheet
      title={nodeName(circuit, node)}
      subtitle={`${station?.name ?? ''}${designation?.aliases ? ` · also marked ${designation.aliases.join(', ')}` : ''}`}
      onClose={() => dispatch(sheetOpened(null))}
    >
      <AppText>{designation?.purpose}</AppText>
      {colours ? (
        <AppText kind="small">{`Customary colour here: ${colours}. Trust the terminal.`}</AppText>
      ) : null}
      {lineVolts ? (
        <View style={[styles.caution, { backgroundColor: t.redSoft, borderColor: t.red }]}>
          <AppText color={t.red}>
            Line voltage. Open the breaker and prove dead before touching; local code decides who may work
            here.
          </AppText>
        </View>
      ) : null}
      {reading ? (
        <View style={styles.reads}>
          {reading.direct === undefined ? (
            <>
              <AppText kind="mark">{showVolts(reading.volts)} V</AppText>
              <AppText kind="small">
                to {nodeName(circuit, reading.reference)} · {STANDING_WORDS[reading.standing]}
              </AppText>
            </>
          ) : (
            <>
              <AppText kind="mark">{showVolts(reading.direct)} V d.c.</AppText>
              <AppText kind="small">to the negative side of its loop</AppText>
            </>
          )}
        </View>
      ) : null}
      <View style={styles.row}>
        <ActionButton
          label="Red probe here"
          onPress={() => actions.placeProbe('red', node)}
          style={styles.grow}
        />
        <ActionButton
          label="Black probe here"
          onPress={() => actions.placeProbe('black', node)}
          style={styles.grow}
        />
      </View>
      <ActionButton label="Log what I read here" look="filled" onPress={log} />
      <AppText kind="strong" heading={3}>
        Landed here
      </AppText>
      {landed.length === 0 ? <AppText kind="small">No conductor.</AppText> : null}
      {landed.map(({ conductor, end, cable }) => (
        <View key={`${conductor.id}${end}`} style={styles.item}>
          <Swatch colour={conductor.colour} />
          <View style={styles.grow}>
            <AppText>
              {colourName(conductor.colour)} to {nodeName(circuit, endNode(conductor, otherEnd(end)))}
            </AppText>
            <AppText kind="small">{cable.label}</AppText>
          </View>
          <ActionButton
            label="Move"
            hint={`Move the ${colourName(conductor.colour)} conductor to another stud`}
            onPress={() => dispatch(pickedUp({ type: 'end', conductor: conductor.id, end }))}
          />
          <ActionButton
            label="Lift"
            hint={`Lift the ${colourName(conductor.colour)} conductor`}
            onPress={() => actions.liftEnd(conductor.id, end)}
          />
        </View>
      ))}
      {jumpers.map(({ id, joins }) => (
        <View key={id} style={styles.item}>
          <AppText style={styles.grow}>
            Jumper: {joins.map((terminal) => nodeName(circuit, terminal)).join(' to ')}
          </AppText>
          <ActionButton label="Take off" onPress={() => actions.removeJumper(id)} />
        </View>
      ))}
      {loose.length > 0 ? (
        <AppText kind="strong" heading={3}>
          Land a free end here
        </AppText>
      ) : null}
      {loose.map(({ conductor, end }) => (
        <View key={`${conductor.id}${end}`} style={styles.item}>
          <Swatch colour={conductor.colour} />
          <AppText style={styles.grow}>
            {colourName(conductor.colour)},{' '}
            {conductor[otherEnd(end)] === null
              ? `spare, ${end === 'from' ? 'first' : 'second'} end`
              : `from ${nodeName(circuit, conductor[otherEnd(end)]!)}`}
          </AppText>
          <ActionButton
            label="Land"
            hint={`Land the ${colourName(conductor.colour)} conductor here`}
            onPress={() => actions.landEnd(conductor.id, end, node)}
          />
        </View>
      ))}
      <View style={styles.row}>
        <ActionButton
          label="Jumper from here"
          onPress={() => dispatch(pickedUp({ type: 'jumper', from: node }))}
          style={styles.grow}
        />
        <ActionButton
          label={`About ${device.label}`}
          onPress={() => dispatch(sheetOpened({ type: 'device', device: device.id }))}
          style={styles.grow}
        />
      </View>
    </BottomSheet>
  );
}

const styles = sheet({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  reads: { flexDirection: 'row', alignItems: 'baseline', gap: 10, flexWrap: 'wrap' },
  item: { flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 44 },
  grow: { flex: 1 },
  caution: { borderWidth: 1, borderRadius: 8, padding: 10 },
});

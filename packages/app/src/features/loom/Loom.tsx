import { memo, useCallback, useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Rect } from 'react-native-svg';
import type { BenchView } from '@zygostat/core/behaviour';
import { nodeName } from '@zygostat/core/circuit';
import type { Suspect } from '@zygostat/core/diagnose';
import type { Rect as Box } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import { CLASS_2, colourName } from '@zygostat/core/standards';
import type { Meter } from '../bench/slice';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText, Tap } from '../../basics';
import { showVolts } from '@zygostat/core/words';
import { isSwitch } from '../bench/toggle';
import type { Contested } from '../circuit/contested';
import { ContestedMarks } from './ContestedMarks';
import { ARROW_STOP, OFF_TAB } from './arrows';
import { BlockButtons, BlockFace } from './Block';
import { ChipButton } from './ChipButton';
import { Glow } from './Glow';
import { PlateButton } from './PlateButton';
import { ProbeShape, ScrewShape } from './ScrewShape';
import { BypassMarks } from './Bypasses';
import { SuspectBands, SuspectMarks } from './Suspects';
import type { Laid } from './useLaid';
import { WireShape, WireTag } from './WireShape';

interface LoomProps extends Laid {
  view: BenchView | null;
  meter: Meter;
  /** What a search suspects, and what it has proven good. */
  suspects: readonly Suspect[];
  cleared: readonly string[];
  /** Safeties that are bypassed. */
  bypassed: readonly string[];
  /** Where two people's changes meet. */
  contested: readonly Contested[];
  /** The place that is looked at alone; `null` for all of them. */
  place: string | null;
  /** A probe or a conductor waits for a stud to be tapped. */
  inviting: boolean;
  onStud: (terminal: string) => void;
  onToggle: (device: string) => void;
  onDevice: (device: string) => void;
  onConductor: (conductor: string) => void;
}

const UNKNOWN: Standing = 'dead';
/** How much other places are covered while one is looked at alone. */
const FADED = 0.8;
const LOOSE_TARGET = 44;

/** The circuit as it is wired, live: blocks to tap, chips to operate, conductors in their own colours. */
export const Loom = memo(function Loom({
  circuit,
  loom,
  view,
  meter,
  suspects,
  cleared,
  bypassed,
  contested,
  place,
  inviting,
  onStud,
  onToggle,
  onDevice,
  onConductor,
}: LoomProps) {
  const t = useTokens();
  const { width } = loom;
  const labels = useMemo(() => new Map(circuit.devices.map(({ id, label }) => [id, label])), [circuit]);
  const switches = useMemo(
    () => new Set(circuit.devices.filter(({ kind }) => isSwitch(kind)).map(({ id }) => id)),
    [circuit],
  );
  const stations = useMemo(() => new Map(circuit.stations.map(({ id, name }) => [id, name])), [circuit]);
  const conductors = useMemo(
    () =>
      new Map(
        circuit.cables.flatMap((cable) =>
          cable.conductors.map((conductor) => [conductor.id, { conductor, cable }] as const),
        ),
      ),
    [circuit],
  );
  const names = useMemo(
    () => new Map(loom.blocks.map(({ terminal }) => [terminal, nodeName(circuit, terminal)])),
    [circuit, loom],
  );
  const figureOf = (node: string) => {
    const { volts, direct } = view?.nodes[node] ?? {};
    if (volts === undefined) return '–';
    return direct === undefined ? showVolts(volts) : `${showVolts(direct)} dc`;
  };
  const standingOf = useCallback((node: string) => view?.nodes[node]?.standing ?? UNKNOWN, [view]);
  const isLine = (node: string) =>
    standingOf(node) === 'hot' && (view?.nodes[node]?.volts ?? 0) > CLASS_2.maxVolts;
  const isLineWire = (id: string) => {
    const { from, to } = conductors.get(id)!.conductor;
    return view?.conductors[id]?.standing === 'hot' && isLine(from ?? to ?? '');
  };
  const probeSpot = (probe: 'red' | 'black') => {
    const node = meter[probe];
    const box: Box | undefined =
      loom.blocks.find(({ terminal }) => terminal === node) ??
      loom.chips.find(({ device }) => node?.startsWith(`${device}.`));
    if (!box) return null;
    return { x: probe === 'red' ? box.x + 12 : box.x + box.width - 12, y: box.y + box.height - 10 };
  };
  return (
    <View
      role="group"
      aria-label="Circuit: arrows go from one to the next"
      {...ARROW_STOP}
      style={{ width, paddingBottom: 8 }}
    >
      <View style={{ width, height: loom.height }}>
        <Svg width={width} height={loom.height} style={StyleSheet.absoluteFill} aria-hidden>
          {loom.cards.map(({ station, x, y, width: w, height }) => (
            <Rect key={station} x={x} y={y} width={w} height={height} rx={10} fill={t.card} stroke={t.line} />
          ))}
          <SuspectBands loom={loom} suspects={suspects} />
          {loom.wires.map((wire) => (
            <WireShape
              key={wire.conductor}
              wire={wire}
              colour={conductors.get(wire.conductor)!.conductor.colour}
              standing={view?.conductors[wire.conductor]?.standing ?? UNKNOWN}
              line={isLineWire(wire.conductor)}
            />
          ))}
          {loom.wires.map((wire) => (
            <WireTag
              key={wire.conductor}
              wire={wire}
              colour={conductors.get(wire.conductor)!.conductor.colour}
            />
          ))}
          {loom.wires.map(({ conductor, loose }) =>
            loose ? (
              <Circle
                key={conductor}
                cx={loose.x}
                cy={loose.y}
                r={6}
                fill={t.slateSoft}
                stroke={t.slate}
                strokeWidth={2}
              />
            ) : null,
          )}
        </Svg>
        {loom.cards.flatMap(({ station, plates }) =>
          plates.map((plate) => (
            <PlateButton
              key={`${plate.device}${String(plate.line)}${plate.y}`}
              plate={plate}
              station={stations.get(station) ?? ''}
              state={view?.faces[plate.device]?.text}
              tone={view?.faces[plate.device]?.tone}
              operable={switches.has(plate.device)}
              onTap={switches.has(plate.device) ? onToggle : onDevice}
            />
          )),
        )}
        {loom.blocks.map((block) => (
          <BlockFace
            key={block.terminal}
            block={block}
            name={names.get(block.terminal)!}
            figure={figureOf(block.terminal)}
            standing={standingOf(block.terminal)}
            line={isLine(block.terminal)}
          />
        ))}
        <BlockButtons blocks={loom.blocks} inviting={inviting} onTap={onStud} />
        {loom.chips.map((chip) => (
          <ChipButton
            key={chip.device}
            chip={chip}
            label={labels.get(chip.device) ?? chip.device}
            state={view?.faces[chip.device]?.text}
            tone={view?.faces[chip.device]?.tone}
            onToggle={onToggle}
            onMore={onDevice}
          />
        ))}
        {loom.wires.map(({ conductor, loose }) =>
          loose ? (
            <Tap
              key={conductor}
              {...OFF_TAB}
              role="button"
              aria-label={`Free end of the ${colourName(conductors.get(conductor)!.conductor.colour)} conductor`}
              testID={`loose-${conductor}`}
              onPress={() => onConductor(conductor)}
              style={[styles.loose, { left: loose.x - LOOSE_TARGET / 2, top: loose.y - LOOSE_TARGET / 4 }]}
            />
          ) : null,
        )}
        <Svg
          width={width}
          height={loom.height}
          style={[StyleSheet.absoluteFill, styles.untouchable]}
          aria-hidden
        >
          {loom.blocks.flatMap(({ terminal, screws }) =>
            screws.map(({ x, y }) => (
              <ScrewShape
                key={`${terminal} ${x} ${y}`}
                x={x}
                y={y}
                standing={standingOf(terminal)}
                line={isLine(terminal)}
              />
            )),
          )}
          {place === null
            ? null
            : loom.cards
                .filter(({ station }) => station !== place)
                .map(({ station, x, y, width: w, height }) => (
                  <Rect
                    key={station}
                    x={x}
                    y={y}
                    width={w}
                    height={height}
                    rx={10}
                    fill={t.paper}
                    opacity={FADED}
                  />
                ))}
          <BypassMarks loom={loom} width={width} bypassed={bypassed} />
          <ContestedMarks loom={loom} width={width} contested={contested} />
          <SuspectMarks loom={loom} width={width} suspects={suspects} cleared={cleared} />
          {(['red', 'black'] as const).map((probe) => {
            const spot = probeSpot(probe);
            return spot ? <ProbeShape key={probe} {...spot} probe={probe} /> : null;
          })}
        </Svg>
        <Glow loom={loom} width={width} view={view} />
      </View>
      {loom.spares.length > 0 ? (
        <View style={styles.spares}>
          <AppText kind="small">Spare conductors, free at both ends</AppText>
          {loom.spares.map((id) => {
            const { conductor, cable } = conductors.get(id)!;
            return (
              <ActionButton
                key={id}
                label={`${conductor.colour} ${colourName(conductor.colour)} · ${cable.label}`}
                onPress={() => onConductor(id)}
              />
            );
          })}
        </View>
      ) : null}
    </View>
  );
});

const styles = sheet({
  untouchable: { pointerEvents: 'none' },
  loose: { position: 'absolute', width: LOOSE_TARGET, height: LOOSE_TARGET },
  spares: { paddingHorizontal: 12, gap: 8 },
});

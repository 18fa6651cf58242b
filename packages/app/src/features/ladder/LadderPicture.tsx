import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { BenchView } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { findConductor, nodeName } from '@zygostat/core/circuit';
import type { Ladder, LadderStop, LadderSymbol, LadderWire, SymbolStyle } from '@zygostat/core/drawing';
import { symbolStrokes } from '@zygostat/core/drawing';
import type { Standing } from '@zygostat/core/network';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { isLoadOn } from '../bench/live';
import { showVolts } from '@zygostat/core/words';
import { Tap } from '../../basics';
import { FONTS, sheet, useTokens } from '../../theme';
import { standingInk } from '../loom/inks';
import { WireShape } from '../loom/WireShape';

/** A piece of wire: a conductor in its colours, or a lead inside a device. */
const Wire = memo(function Wire({
  wire,
  circuit,
  standing,
}: {
  wire: LadderWire;
  circuit: Circuit;
  standing: Standing;
}) {
  const t = useTokens();
  const { from, to, conductor: id } = wire;
  const conductor = id === null ? undefined : findConductor(circuit, id);
  if (conductor) {
    const shape = {
      conductor: conductor.id,
      path: `M${from.x} ${from.y}L${to.x} ${to.y}`,
      tag: { x: (from.x + to.x) / 2, y: from.y - 1 },
      loose: null,
    };
    return <WireShape wire={shape} colour={conductor.colour} standing={standing} line={false} />;
  }
  const ink = standingInk(t, standing, false);
  return (
    <Line
      x1={from.x}
      y1={from.y}
      x2={to.x}
      y2={to.y}
      stroke={ink}
      strokeWidth={(standing === 'hot' ? 4 : 2) * t.weight}
      {...(standing === 'return' && { strokeDasharray: '8 4' })}
    />
  );
});

const Symbol = memo(function Symbol({
  symbol,
  style,
  on,
}: {
  symbol: LadderSymbol;
  style: SymbolStyle;
  on: boolean;
}) {
  const t = useTokens();
  const ink = on ? t.copper : t.ink;
  return (
    <G x={symbol.x} y={symbol.y}>
      {symbolStrokes(style, { ...symbol, on }).map(({ d, solid }) => (
        <Path
          key={d}
          d={d}
          fill={solid ? t.copper : symbol.type === 'load' ? t.card : 'none'}
          stroke={ink}
          strokeWidth={2 * t.weight}
        />
      ))}
      {symbol.lines.map((text, i) => (
        <SvgText
          key={text}
          y={-24 - (symbol.lines.length - 1 - i) * 15}
          fontSize={14}
          fontFamily={FONTS.condensed}
          fill={ink}
          textAnchor="middle"
        >
          {text}
        </SvgText>
      ))}
    </G>
  );
});

const StopButton = memo(function StopButton({
  stop,
  scale,
  label,
  onTap,
}: {
  stop: LadderStop;
  scale: number;
  label: string;
  onTap: (node: string) => void;
}) {
  return (
    <Tap
      role="button"
      aria-label={label}
      testID={`rung-${stop.node}`}
      onPress={() => onTap(stop.node)}
      style={[styles.stop, { left: stop.x * scale - 22, top: stop.y * scale - 16 }]}
    />
  );
});

interface LadderPictureProps {
  ladder: Ladder;
  circuit: Circuit;
  view: BenchView | null;
  style: SymbolStyle;
  scale: number;
  onStud: (node: string) => void;
}

/** The ladder, live; where it is drawn full size its terminals can be tapped. */
export function LadderPicture({ ladder, circuit, view, style, scale, onStud }: LadderPictureProps) {
  const t = useTokens();
  const standing = (node: string | null): Standing =>
    node === null ? 'dead' : (view?.nodes[node]?.standing ?? 'dead');
  const isOn = ({ type, id, restsClosed }: LadderSymbol) =>
    type === 'contact' ? (view?.contacts[id] ?? restsClosed) : isLoadOn(view, id);
  const [width, height] = [ladder.width * scale, ladder.height * scale];
  return (
    <View style={{ width, height }}>
      <Svg
        width={width}
        height={height}
        viewBox={`0 0 ${ladder.width} ${ladder.height}`}
        style={StyleSheet.absoluteFill}
        aria-hidden
      >
        {ladder.heads.map(({ x, y, title, line }) => (
          <SvgText
            key={`${title}${y}`}
            x={x - 6}
            y={y + 6}
            fontSize={17}
            fontFamily={FONTS.strong}
            fill={t.ink}
          >
            {`${title} · ${line ? 'line voltage' : '24 V'}`}
          </SvgText>
        ))}
        {ladder.rails.map(({ x, top, bottom, node }) => (
          <Line
            key={`${x} ${top}`}
            x1={x}
            x2={x}
            y1={top}
            y2={bottom}
            stroke={standing(node) === 'hot' ? t.copper : t.ink}
            strokeWidth={4 * t.weight}
          />
        ))}
        {ladder.wires.map((wire, i) => (
          <Wire key={i} wire={wire} circuit={circuit} standing={standing(wire.node)} />
        ))}
        {ladder.symbols.map((symbol) => (
          <Symbol key={`${symbol.x} ${symbol.y}`} symbol={symbol} style={style} on={isOn(symbol)} />
        ))}
        {ladder.stops.map(({ x, y, mark, node }) => (
          <G key={`${x} ${y}`}>
            <Circle
              cx={x}
              cy={y}
              r={5}
              fill={standing(node) === 'hot' ? t.copper : t.card}
              stroke={t.ink}
              strokeWidth={1.5 * t.weight}
            />
            <SvgText
              x={x}
              y={y + 24}
              fontSize={16}
              fontFamily={FONTS.condensed}
              fill={t.ink}
              textAnchor="middle"
            >
              {mark}
            </SvgText>
          </G>
        ))}
      </Svg>
      {scale >= 1
        ? ladder.stops.map((stop) => (
            <StopButton
              key={`${stop.x} ${stop.y}`}
              stop={stop}
              scale={scale}
              label={`${nodeName(circuit, stop.node)}, ${showVolts(view?.nodes[stop.node]?.volts ?? 0)} volts, ${standing(stop.node)}`}
              onTap={onStud}
            />
          ))
        : null}
    </View>
  );
}

const styles = sheet({
  stop: { position: 'absolute', width: 44, height: 44 },
});

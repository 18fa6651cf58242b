import { View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text as SvgText } from 'react-native-svg';
import type { AirView } from '@zygostat/core/behaviour';
import { AIR, layAir } from '@zygostat/core/drawing';
import type { AirTexts } from '@zygostat/core/formats';
import { FONTS, useTokens } from '../../theme';
import { AirDamperButton } from './AirDamperButton';

interface AirDiagramProps {
  view: AirView;
  texts: AirTexts;
  width: number;
  /** Flow that is drawn widest, m³/s. */
  most: number;
  /** What a screen reader hears of each damper, by device. */
  said: Readonly<Record<string, string>>;
  onDevice: (device: string) => void;
}

const BLADE = AIR.damper - 6;

/** The air as it flows now: ducts as wide as what is in them, dampers as they stand. */
export function AirDiagram({ view, texts, width, most, said, onDevice }: AirDiagramProps) {
  const t = useTokens();
  const shape = layAir(view, width, most);
  const condensed = { fontFamily: FONTS.condensed, fill: t.ink };
  return (
    <View style={{ width, height: shape.height }}>
      <Svg width={width} height={shape.height} aria-hidden>
        {shape.ducts.map(({ id, air, x, y, width: wide, height }) => (
          <Rect
            key={id}
            x={x}
            y={y}
            width={wide}
            height={height}
            fill={air === 'supply' ? t.airSupply : t.airReturn}
          />
        ))}
        <Rect {...shape.unit} rx={10} fill={t.card} stroke={t.ink} strokeWidth={2} />
        {texts.unit.map((text, i) => (
          <SvgText
            key={i}
            x={shape.unit.x + 12}
            y={shape.unit.y + 28 + i * 28}
            fontSize={i === 1 ? 22 : 16}
            {...condensed}
          >
            {text}
          </SvgText>
        ))}
        {shape.zones.map(({ zone, x, y, right }) => {
          const lines = texts.zones[zone]!;
          return (
            <G key={zone}>
              <SvgText x={x} y={y - 30} fontSize={16} {...condensed}>
                {lines.name}
              </SvgText>
              <SvgText x={right} y={y + 46} fontSize={22} textAnchor="end" {...condensed}>
                {lines.flow}
              </SvgText>
            </G>
          );
        })}
        {shape.dampers.map(({ zone, x, y, open, turned, upright }) => {
          const colour = open > 0.995 ? t.teal : open < 0.005 ? t.mute : t.copper;
          const said = zone === null ? null : texts.zones[zone]!.damper;
          return (
            <G key={zone ?? 'bypass'}>
              {said === null ? null : (
                <SvgText x={x} y={y + 42} fontSize={15} textAnchor="middle" {...condensed} fill={t.mute}>
                  {said}
                </SvgText>
              )}
              <Circle cx={x} cy={y} r={AIR.damper} fill={t.card} stroke={colour} strokeWidth={3} />
              <G transform={`translate(${x} ${y}) rotate(${(upright ? 90 : 0) + turned})`}>
                <Line x1={-BLADE} x2={BLADE} y1={0} y2={0} stroke={colour} strokeWidth={6} />
              </G>
            </G>
          );
        })}
        {shape.bypass ? (
          <SvgText x={shape.bypass.x + AIR.damper + 8} y={shape.bypass.y + 5} fontSize={15} {...condensed}>
            {texts.bypass}
          </SvgText>
        ) : null}
        <Circle cx={shape.probes.supply.x} cy={shape.probes.supply.y} r={6} fill={t.ink} />
        <SvgText x={shape.unit.x + shape.unit.width + 4} y={shape.unit.y - 8} fontSize={16} {...condensed}>
          {texts.supply}
        </SvgText>
        <Circle cx={shape.probes.back.x} cy={shape.probes.back.y} r={6} fill={t.ink} />
        <SvgText x={shape.probes.back.x + 28} y={shape.probes.back.y + 5} fontSize={16} {...condensed}>
          {texts.back}
        </SvgText>
      </Svg>
      {shape.dampers.flatMap(({ device, x, y }) =>
        device === null
          ? []
          : [
              <AirDamperButton
                key={device}
                x={x}
                y={y}
                label={said[device] ?? device}
                onPress={() => onDevice(device)}
              />,
            ],
      )}
    </View>
  );
}

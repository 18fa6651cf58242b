import { useCallback, useState } from 'react';
import { View } from 'react-native';
import type { Remote } from 'comlink';
import type { Circuit } from '@zygostat/core/circuit';
import type { Drop, FuseSum, TransformerLoad } from '@zygostat/core/plan';
import { CLASS_2, percent } from '@zygostat/core/standards';
import { useModel } from '../../model/useModel';
import {
  namesIn,
  showGauge,
  showLength,
  showTemperature,
  showVolts,
  situationText,
  violationText,
} from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import type { Model } from '../../model/answers';
import { Options, Waiting, AppText } from '../../basics';
import { LineChart } from './LineChart';
import { LoadBar, LoadParts } from './LoadBar';

function Verdict({ good, text }: { good: boolean; text: string }) {
  const t = useTokens();
  return <AppText kind="strong" color={good ? t.teal : t.red}>{`${good ? '✓' : '✗'} ${text}`}</AppText>;
}

function LoadCard({ load }: { load: TransformerLoad }) {
  const t = useTokens();
  const { label, share, planned, sealed, inrush, class2, sizes, primary, parts } = load;
  const off = primary && primary.right !== primary.tap ? primary : null;
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={3}>
        {label}
      </AppText>
      <LoadBar load={load} />
      <Verdict
        good={planned}
        text={`${percent(share)} % of its rated amperes with ${situationText(sealed.situation)}, ${planned ? 'within' : 'beyond'} the 80 % planned for`}
      />
      <AppText>{`${showVolts(sealed.volts)} V under load, ${showVolts(inrush.volts)} V as the coils pull in.`}</AppText>
      <LoadParts parts={parts} />
      <Verdict
        good={class2.volts && class2.voltAmperes}
        text={
          class2.volts && class2.voltAmperes
            ? 'Within Class 2'
            : class2.volts
              ? `Above Class 2: more than ${CLASS_2.maxVoltAmperes} VA nameplate`
              : `Above Class 2: more than ${CLASS_2.maxVolts} V`
        }
      />
      {off ? (
        <Verdict
          good={false}
          text={`${off.volts.toFixed(0)} V on the ${off.nominal} V tap: ${showVolts(off.openVolts)} V open. On ${off.right} it is ${showVolts(off.rightVolts)} V.`}
        />
      ) : primary ? (
        <AppText kind="small">{`Primary: ${primary.volts.toFixed(0)} V on the ${primary.nominal} V tap.`}</AppText>
      ) : null}
      <AppText kind="small">
        {`Other sizes: ${sizes.map(({ va, share: part, volts }) => `${va} VA ${percent(part)} %, ${showVolts(volts)} V`).join(' · ')}`}
      </AppText>
    </View>
  );
}

/**
 * Volts still there after each stretch of the way, out and back. Magnitudes of different phase do not
 * quite add up: the losses are scaled so that what is left is what the coil gets.
 */
function remaining({ points, source, inrush }: Drop) {
  const far = Math.max(...points.map(({ metres }) => metres));
  const out = points.filter(({ side }) => side === 'out');
  const atLoad = out[out.length - 1]?.volts ?? 0;
  const back = points.find(({ side }) => side === 'back')?.volts ?? 0;
  const lostAt = (node: Drop['points'][number]) =>
    node.side === 'out' ? source - node.volts : source - atLoad + back - node.volts;
  const all = lostAt(points[points.length - 1]!);
  const scale = all > 0 ? (source - inrush) / all : 0;
  return points.map((node, i) => {
    const y = source - scale * lostAt(node);
    const named =
      i === 0 || i === points.length - 1 || (node.side === 'out' && points[i + 1]?.side === 'back');
    const x = node.side === 'out' ? node.metres : 2 * far - node.metres;
    const label = i === 0 ? 'Transformer' : i === points.length - 1 ? 'Left for it' : node.name;
    return { x, y, ...(named && { label }) };
  });
}

function DropCard({ drop }: { drop: Drop }) {
  const t = useTokens();
  const { gauge, length } = useAppSelector(({ settings }) => settings);
  const { title, situation, inrush, needs, usual, pullsIn, lost, source, sealed, run } = drop;
  const asked = situationText(situation);
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={3}>
        {title}
      </AppText>
      <LineChart
        label={`Volts along the way of ${title}: ${showVolts(source)} at the transformer, ${showVolts(inrush)} left, guaranteed from ${showVolts(needs)}`}
        points={remaining(drop)}
        threshold={{ y: needs, label: `guaranteed to pull in from ${showVolts(needs)} V` }}
        x={(metres) => showLength(metres, length)}
        y={(volts) => `${showVolts(volts)} V`}
      />
      <Verdict
        good={pullsIn !== 'not'}
        text={
          pullsIn === 'guaranteed'
            ? `Pulls in at 10 % low mains, with ${asked}`
            : pullsIn === 'usually'
              ? `Usually pulls in at 10 % low mains, with ${asked}: ${showVolts(needs - inrush)} V under its guarantee, ${showVolts(inrush - usual)} V over what most need`
              : `Does not pull in at 10 % low mains, with ${asked}: ${showVolts(inrush)} V, and most need ${showVolts(usual)} V`
        }
      />
      <AppText>{`${showVolts(lost)} V lost out and back as it pulls in; ${showVolts(sealed)} V once it is in.`}</AppText>
      {run ? (
        <>
          <AppText kind="strong">{`${run.label}: ${showLength(run.lengthM, length)} of ${showGauge(run.gauge, gauge)}`}</AppText>
          <AppText kind="small">
            {`With its guarantee it may be: ${run.longest.map((entry) => `${showGauge(entry.gauge, gauge)} ${entry.lengthM === null ? 'never' : showLength(entry.lengthM, length)}`).join(' · ')}`}
          </AppText>
          <AppText kind="small">
            {run.thinnest === null
              ? 'No control cable keeps the guarantee at this length: a larger transformer, or a relay near the coil.'
              : `Thinnest that keeps it at this length: ${showGauge(run.thinnest, gauge)}.`}
          </AppText>
        </>
      ) : null}
    </View>
  );
}

const inTime = (seconds: number) =>
  seconds === Infinity ? 'never' : seconds < 1 ? `in ${seconds.toFixed(2)} s` : `in ${seconds.toFixed(0)} s`;

function FuseCard({ fuse }: { fuse: FuseSum }) {
  const t = useTokens();
  const { length } = useAppSelector(({ settings }) => settings);
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="title" heading={3}>
        {`${fuse.label}, ${fuse.rating} A`}
      </AppText>
      <Verdict
        good={fuse.rating <= fuse.advised}
        text={
          fuse.rating <= fuse.advised
            ? `No larger than the ${fuse.advised} A that fits ${fuse.transformer}`
            : `Too large: ${fuse.advised} A fits ${fuse.transformer}`
        }
      />
      {fuse.runs.map(({ cable, label, shorts, covered }) => {
        const last = shorts[shorts.length - 1]!;
        return (
          <View key={cable} style={styles.run}>
            <AppText kind="strong">{`A short along ${label}`}</AppText>
            <LineChart
              label={`Amperes of a short along ${label}: ${shorts[0]!.amps.toFixed(1)} at the unit, ${last.amps.toFixed(1)} at the far end`}
              points={shorts.map((short, i) => ({
                x: short.metres,
                y: short.amps,
                ...((i === 0 || i === shorts.length - 1) && {
                  label: i === 0 ? 'at the unit' : 'at the far end',
                }),
              }))}
              threshold={{
                y: fuse.holds,
                label: `fuse holds below ${fuse.holds.toFixed(1)} A`,
              }}
              x={(metres) => showLength(metres, length)}
              y={(amps) => `${amps.toFixed(1)} A`}
            />
            <Verdict
              good={covered}
              text={
                covered
                  ? `Opens before the transformer suffers, everywhere along it`
                  : `At the far end it opens ${inTime(last.opens)}; the transformer stands it ${last.stands === Infinity ? 'for good' : `${last.stands.toFixed(0)} s`}`
              }
            />
          </View>
        );
      })}
    </View>
  );
}

const WARMTH = { '20': 20, '40': 40, '60': 60 } as const;

/** Load, drop and fuse, from the states the circuit really gets into. */
export function SumsPane({ circuit }: { circuit: Circuit }) {
  const t = useTokens();
  const unit = useAppSelector(({ settings }) => settings.temperature);
  const [warmth, setWarmth] = useState<keyof typeof WARMTH>('20');
  const ask = useCallback((model: Remote<Model>) => model.sums(circuit, WARMTH[warmth]), [circuit, warmth]);
  const sums = useModel(ask);
  return (
    <>
      <Options
        label="The cables lie in air of"
        options={
          Object.fromEntries(
            Object.entries(WARMTH).map(([name, celsius]) => [name, showTemperature(celsius, unit)]),
          ) as Record<keyof typeof WARMTH, string>
        }
        value={warmth}
        onChange={setWarmth}
      />
      {sums ? (
        <>
          {sums.loads.map((load) => (
            <LoadCard key={load.device} load={load} />
          ))}
          {sums.drops.map((drop) => (
            <DropCard key={`${drop.device} ${drop.title}`} drop={drop} />
          ))}
          {sums.unprotected.map((found) => (
            <View key={found.about} style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
              <Verdict good={false} text={violationText(namesIn(circuit), found)} />
              <AppText kind="small">Fit a fuse at the transformer, or one that limits itself.</AppText>
            </View>
          ))}
          {sums.fuses.map((fuse) => (
            <FuseCard key={fuse.device} fuse={fuse} />
          ))}
          <AppText kind="small">
            From the parts’ labels where they were read, from typical values otherwise: read the labels on
            Survey.
          </AppText>
        </>
      ) : (
        <Waiting label="Working out the sums" />
      )}
    </>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8 },
  run: { gap: 4 },
});

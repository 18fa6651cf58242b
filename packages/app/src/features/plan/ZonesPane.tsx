import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { ZoneOption, ZonePlan, ZoneWish } from '@zygostat/core/plan';
import { feetToMetres, metresToFeet } from '@zygostat/core/standards';
import {
  PARALLEL_LABEL,
  SEASON_CAUTION,
  ZONE_LOSS,
  ZONE_OBSTACLE,
  airChoices,
  proofText,
  seasonText,
  violationText,
  namesIn,
  zoneWay,
} from '@zygostat/core/words';
import { ActionButton, AppText, Field, Options } from '../../basics';
import type { Model } from '../../model/answers';
import { useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { Costs } from './Costs';
import { Choices } from './Choices';
import { Working } from './Working';
import { useAside } from './useAside';
import { useLasting } from './lasting';

const DRIVES = {
  power: 'Three wires',
  'spring-open': 'Two, spring opens',
  'spring-closed': 'Two, spring shuts',
} as const;
const BYPASSES = { motor: 'By a motor', weight: 'By a weight', none: 'None' } as const;
const HOTS = { equipment: 'The unit', own: 'The panel’s own 24 V' } as const;
const COUNTS = { '2': 'Two', '3': 'Three', '4': 'Four' } as const;
type Count = keyof typeof COUNTS;

/** Rooms before anybody has said what they are called. */
const ROOMS = ['Below', 'Above', 'Loft', 'Annexe'];
const LENGTH_M = 15;
const MOST_M = 150;

interface Question {
  circuit: Circuit;
  wish: ZoneWish;
}

const ask = (model: Remote<Model>, { circuit, wish }: Question): Promise<ZonePlan> =>
  model.zones(circuit, wish);

interface OptionProps {
  option: ZoneOption;
  /** What the zones are called, the lowest first. */
  rooms: readonly string[];
  onTake: () => void;
}

/** One way: what it takes, what it gives up, what the proof says of it. */
function Way({ option, rooms, onTake }: OptionProps) {
  const t = useTokens();
  const units = useAppSelector((state) => state.settings);
  const title = zoneWay(option);
  const names = namesIn(option.circuit);
  return (
    <View role="listitem" style={[styles.way, { borderColor: t.line, backgroundColor: t.card }]}>
      <AppText kind="strong" heading={3}>
        {title}
      </AppText>
      <Costs minutes={option.minutes} parts={option.parts} />
      {option.losses.map((loss) => (
        <AppText key={loss} color={t.red}>
          {ZONE_LOSS[loss]}
        </AppText>
      ))}
      {option.seasons.map((season) => (
        <AppText key={season.leading.mode}>
          {seasonText(
            season,
            rooms.map((name, i) => ({ zone: `${i + 1}`, name })),
            units,
          )}
        </AppText>
      ))}
      {option.seasons.length > 0 ? <AppText kind="small">{SEASON_CAUTION}</AppText> : null}
      {option.way === 'parallel' ? <AppText>{`Label to print: “${PARALLEL_LABEL}”`}</AppText> : null}
      {option.air ? (
        <>
          <AppText kind="small">
            The air, with ducts as they are usual until you give yours under Air:
          </AppText>
          {airChoices(option.air, units)
            .slice(0, 3)
            .map((choice) => (
              <AppText key={choice} kind="small">
                {choice}
              </AppText>
            ))}
        </>
      ) : null}
      <AppText kind="small">{proofText(option.proof)}</AppText>
      {option.harm.map((finding) => (
        <AppText key={`${finding.property} ${finding.about}`} color={t.red}>
          {violationText(names, finding)}
        </AppText>
      ))}
      {option.harm.length === 0 ? (
        <ActionButton
          label="Take this plan"
          hint={`Take this plan: ${title}`}
          look="filled"
          onPress={onTake}
        />
      ) : (
        <AppText color={t.red}>It is not proven: not offered.</AppText>
      )}
    </View>
  );
}

interface ZonesPaneProps {
  circuit: Circuit;
  thermostat: string;
  onTake: (title: string, after: Circuit) => void;
}

/** Rooms that want their own say: what zones there are to be, and both ways to give it to them. */
export function ZonesPane({ circuit, thermostat, onTake }: ZonesPaneProps) {
  const t = useTokens();
  const { length } = useAppSelector((state) => state.settings);
  const [count, setCount] = useLasting<Count>('zones count', () => '2');
  const [rooms, setRooms] = useLasting('zones rooms', () =>
    ROOMS.map((name) => ({
      name,
      typed: String(Math.round(length === 'm' ? LENGTH_M : metresToFeet(LENGTH_M))),
    })),
  );
  const [drive, setDrive] = useLasting<keyof typeof DRIVES>('zones drive', () => 'power');
  const [bypass, setBypass] = useLasting<keyof typeof BYPASSES>('zones bypass', () => 'motor');
  const [hotFrom, setHotFrom] = useLasting<keyof typeof HOTS>('zones hotFrom', () => 'equipment');
  const { progress, answer, failure, start, stop } = useAside(ask);
  const taken = rooms.slice(0, Number(count));
  const zones = taken.map(({ name, typed }) => {
    const given = Number(typed.replace(',', '.'));
    return { name: name.trim(), lengthM: length === 'm' ? given : feetToMetres(given) };
  });
  const wrong = zones.find(({ name, lengthM }) => name === '' || !(lengthM > 0 && lengthM <= MOST_M));
  const wish: ZoneWish = { thermostat, zones, drive, bypass, hotFrom };
  const current =
    answer?.to.circuit === circuit && JSON.stringify(answer.to.wish) === JSON.stringify(wish)
      ? answer.value
      : null;
  const change = (at: number, what: Partial<(typeof rooms)[number]>) =>
    setRooms(rooms.map((room, i) => (i === at ? { ...room, ...what } : room)));
  return (
    <View style={styles.pane}>
      <Choices
        line={`${zones.map(({ name }) => name).join(', ')} · ${DRIVES[drive]} · ${BYPASSES[bypass]}`}
        answer={current}
      >
        <Options label="Zones" options={COUNTS} value={count} onChange={setCount} />
        {taken.map(({ name, typed }, i) => (
          <View key={i} style={styles.row}>
            <View style={styles.grow}>
              <Field
                label={i === 0 ? 'Zone 1, of the thermostat there is' : `Room of zone ${i + 1}`}
                value={name}
                most={40}
                onChange={(text) => change(i, { name: text })}
              />
            </View>
            {i === 0 ? null : (
              <View style={styles.length}>
                <Field
                  label={`Cable, ${length}`}
                  hint={`Cable of zone ${i + 1}, ${length}`}
                  value={typed}
                  most={6}
                  onChange={(text) => change(i, { typed: text })}
                />
              </View>
            )}
          </View>
        ))}
        {wrong ? (
          <AppText color={t.red}>
            {wrong.name === ''
              ? 'Every zone needs the name of its room.'
              : `A cable has a length from 1 to ${Math.round(length === 'm' ? MOST_M : metresToFeet(MOST_M))} ${length}.`}
          </AppText>
        ) : null}
        <Options label="Dampers" options={DRIVES} value={drive} onChange={setDrive} />
        <Options label="Bypass" options={BYPASSES} value={bypass} onChange={setBypass} />
        <Options label="Thermostats take R from" options={HOTS} value={hotFrom} onChange={setHotFrom} />
        {progress ? (
          <Working label="Wiring and proving both ways" progress={progress} onStop={stop} />
        ) : (
          <ActionButton
            label="Compare the ways"
            look={current ? 'outlined' : 'filled'}
            disabled={wrong !== undefined}
            onPress={() => void start({ circuit, wish })}
          />
        )}
      </Choices>
      {failure ? <AppText>{failure}</AppText> : null}
      {current && 'obstacle' in current ? <AppText>{ZONE_OBSTACLE[current.obstacle]}</AppText> : null}
      {current && 'options' in current ? (
        <View role="list" aria-label="Ways to zone it" style={styles.pane}>
          {current.options.map((option) => (
            <Way
              key={option.way}
              option={option}
              rooms={zones.map(({ name }) => name)}
              onTake={() => onTake(zoneWay(option), option.circuit)}
            />
          ))}
        </View>
      ) : null}
      <AppText kind="small">
        The primary of the panel’s transformer is line voltage: for whoever may work on it. Dampers and a
        bypass are cut into ducts; the manufacturer’s least air holds before any figure here.
      </AppText>
    </View>
  );
}

const styles = sheet({
  pane: { gap: 10 },
  row: { flexDirection: 'row', gap: 8 },
  grow: { flex: 1 },
  length: { width: 110 },
  way: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
});

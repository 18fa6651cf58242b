import { useCallback, useMemo, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { View } from 'react-native';
import type { AirView } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import { layAir } from '@zygostat/core/drawing';
import { airSvg } from '@zygostat/core/formats';
import type { AirPlan } from '@zygostat/core/plan';
import type { Names } from '@zygostat/core/words';
import {
  airCaution,
  airChoices,
  airDrawing,
  airTroubleText,
  bypassText,
  callingText,
  namesIn,
  showPressure,
  zoneText,
} from '@zygostat/core/words';
import { ActionButton, AppText, Waiting } from '../../basics';
import { download, fileName } from '../../basics/download';
import { useModel } from '../../model/useModel';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { sheetOpened } from '../trace/slice';
import { AirDiagram } from './AirDiagram';
import { ZoneCalls } from './ZoneCalls';
import { Measured } from './Measured';
import { RoomsCard } from './RoomsCard';
import { StaticsChart } from './StaticsChart';

/** Combinations that find room side by side; of more each zone alone and all of them are shown. */
const MOST_SIDE_BY_SIDE = 7;
/** Width of the drawing as a file, CSS px. */
const FILE_PX = 560;
const ROOM = 24;

function statesShown({ asBuilt, without, conveyed }: AirPlan) {
  const zones = conveyed.air.zones.length;
  const all = asBuilt.map(({ state }, i) => ({
    id: state.calling.length === zones && zones > 2 ? 'all' : callingText(state).replaceAll(' ', ''),
    many: state.calling.length,
    builtPa: state.staticPa,
    barePa: without[i]!.state.staticPa,
  }));
  return all.length <= MOST_SIDE_BY_SIDE ? all : all.filter(({ many }) => many === 1 || many === zones);
}

/** What every combination of zones comes to, and what may be built. */
function Combinations({ plan, width }: { plan: AirPlan; width: number }) {
  const t = useTokens();
  const units = useAppSelector((state) => state.settings);
  const troubled = plan.asBuilt.filter(({ troubles }) => troubles.length > 0);
  const states = statesShown(plan);
  const pressure = (pa: number) => showPressure(pa, units.length);
  return (
    <>
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <AppText kind="strong">Pressure by who calls</AppText>
        <AppText kind="small">Filled: as it is built. Dashed: without a bypass, dampers shut.</AppText>
        {width > ROOM ? (
          <StaticsChart
            states={states}
            mostPa={plan.conveyed.mostPa}
            limit={`loud above ${pressure(plan.conveyed.mostPa)}`}
            label={states
              .map(
                ({ id, builtPa, barePa }) =>
                  `Zone ${id}: ${pressure(builtPa)}, without a bypass ${pressure(barePa)}`,
              )
              .join('. ')}
            width={width - ROOM}
          />
        ) : null}
        {troubled.length === 0 ? (
          <AppText color={t.teal}>Every combination has its air, and none is loud.</AppText>
        ) : (
          troubled.map((one) => (
            <AppText key={callingText(one.state)} color={t.red}>
              {airTroubleText(one)}
            </AppText>
          ))
        )}
      </View>
      <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
        <AppText kind="strong">What may be built</AppText>
        {airChoices(plan, units).map((choice) => (
          <AppText key={choice}>{choice}</AppText>
        ))}
        <AppText kind="small">{airCaution(plan, units)}</AppText>
      </View>
    </>
  );
}

/** The drawing, live with the call, and the same in words. */
function Live({
  circuit,
  view,
  most,
  width,
}: {
  circuit: Circuit;
  view: AirView;
  most: number;
  width: number;
}) {
  const dispatch = useAppDispatch();
  const units = useAppSelector((state) => state.settings);
  const names: Names = useMemo(() => namesIn(circuit), [circuit]);
  const texts = airDrawing(names, view, units);
  const said = Object.fromEntries([
    ...view.zones.flatMap((zone) =>
      zone.damper === null
        ? []
        : [[zone.damper, `${names.device(zone.damper)}. ${zoneText(names, zone, units)}`]],
    ),
    ...(view.bypass?.damper
      ? [[view.bypass.damper, `${names.device(view.bypass.damper)}. ${bypassText(view.bypass, units)}`]]
      : []),
  ]) as Record<string, string>;
  const save = () =>
    download(
      `${fileName(circuit.name)}-air.svg`,
      airSvg(layAir(view, FILE_PX, most), texts),
      'image/svg+xml',
    );
  return (
    <>
      <View
        role="group"
        aria-label={`Air: ${[...texts.unit.filter((one) => one), `supply ${texts.supply}`, `return ${texts.back}`].join(', ')}`}
      >
        {width > 0 ? (
          <AirDiagram
            view={view}
            texts={texts}
            width={width}
            most={most}
            said={said}
            onDevice={(device) => dispatch(sheetOpened({ type: 'device', device }))}
          />
        ) : null}
      </View>
      <ZoneCalls circuit={circuit} zones={view.zones} names={names} />
      <View style={styles.row}>
        <ActionButton
          label="Change ducts and fan"
          onPress={() => dispatch(sheetOpened({ type: 'device', device: view.ducts }))}
          style={styles.grow}
        />
        <ActionButton label="Save SVG" hint="Save the air as SVG" onPress={save} />
      </View>
    </>
  );
}

/** The ducts: what flows now, what would with any zones calling, what was measured. */
function Ducts({ circuit, width }: { circuit: Circuit; width: number }) {
  const t = useTokens();
  const view = useAppSelector(({ bench }) => bench.view?.air);
  const answer = useModel(useCallback((model) => model.air(circuit), [circuit]));
  const plan = answer?.plan;
  const most = plan ? Math.max(...plan.asBuilt.map(({ state }) => state.total)) : 0;
  return (
    <>
      {answer?.wrong ? <AppText color={t.red}>{`The ducts as given: ${answer.wrong}.`}</AppText> : null}
      {view && plan ? (
        <>
          <Live circuit={circuit} view={view} most={most} width={width} />
          <Combinations plan={plan} width={width} />
          <Measured circuit={circuit} view={view} />
        </>
      ) : answer?.wrong ? null : (
        <Waiting label="Working out the air" />
      )}
    </>
  );
}

/** The air of a zoned system, and the rooms it goes to. */
export function AirPane({ circuit, siteId }: { circuit: Circuit; siteId: string }) {
  const [width, setWidth] = useState(0);
  const measure = useCallback(
    ({ nativeEvent }: LayoutChangeEvent) => setWidth(Math.floor(nativeEvent.layout.width)),
    [],
  );
  const kinds = circuit.devices.map(({ kind }) => kindOf(kind));
  return (
    <View style={styles.pane}>
      <View onLayout={measure} style={styles.column}>
        {kinds.some(({ conveys }) => conveys) ? <Ducts circuit={circuit} width={width} /> : null}
        {kinds.some(({ houses }) => houses) ? (
          <RoomsCard circuit={circuit} siteId={siteId} width={width} />
        ) : null}
      </View>
    </View>
  );
}

const styles = sheet({
  pane: { padding: 12 },
  column: { gap: 12 },
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  grow: { flexGrow: 1 },
});

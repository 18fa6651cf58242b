import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { airOf } from '@zygostat/core/building';
import type { Circuit } from '@zygostat/core/circuit';
import { kindOf } from '@zygostat/core/devices';
import { layRooms } from '@zygostat/core/drawing';
import { roomsSvg } from '@zygostat/core/formats';
import type { DayAsked, RoomsPlan } from '@zygostat/core/plan';
import {
  ROOMS_CAUTION,
  dayTitle,
  drawnText,
  namesIn,
  roomName,
  roomText,
  roomsDrawing,
  runsText,
  seasonText,
  setText,
} from '@zygostat/core/words';
import { ActionButton, AppText, Options, Waiting } from '../../basics';
import { download, fileName } from '../../basics/download';
import { useModel } from '../../model/useModel';
import { useAppDispatch, useAppSelector } from '../../store';
import { sheet, useTokens } from '../../theme';
import { useBuilding } from '../site/useBuilding';
import { sheetOpened } from '../trace/slice';
import { RoomsChart } from './RoomsChart';

const DAYS = { winter: 'Winter', summer: 'Summer', now: 'As set now' } as const;
type Day = keyof typeof DAYS;
/** Outdoors from which a day as it is now is one of cooling, °C; judgement. */
const COOLED_FROM_C = 20;
const FILE_PX = 560;
const ROOM = 24;

/** What is asked of the model: a season's day, or the thermostats and the weather as they are on the bench. */
function useAsked(day: Day): DayAsked {
  const { controls, conditions } = useAppSelector(({ bench }) => bench.inputs);
  return useMemo(() => {
    if (day !== 'now') return { day };
    const { outdoorC } = conditions;
    const setC = Object.fromEntries(
      Object.entries(controls).flatMap(([id, held]) =>
        typeof held.setC === 'number' ? [[id, held.setC]] : [],
      ),
    );
    return { day, mode: outdoorC < COOLED_FROM_C ? 'heat' : 'cool', outdoorC, setC };
  }, [day, controls, conditions]);
}

/** What the fans of the job's site draw out more than they bring in, m³/s. */
function useDrawn(siteId: string): number {
  const { building } = useBuilding(siteId);
  const { exhaust, supply, state } = airOf(building).running;
  return state === 'under' ? exhaust - supply : 0;
}

function Told({ circuit, plan, drawn }: { circuit: Circuit; plan: RoomsPlan; drawn: number }) {
  const units = useAppSelector((state) => state.settings);
  const names = namesIn(circuit);
  return (
    <>
      {plan.rooms.map((room) => (
        <AppText key={room.zone}>{`${room.zone} · ${roomText(names, plan, room, units)}`}</AppText>
      ))}
      <AppText>{runsText(names, plan)}</AppText>
      <AppText kind="small">{setText(names, plan, units)}</AppText>
      {drawn > 0 ? <AppText kind="small">{drawnText(drawn, units)}</AppText> : null}
      {plan.seasons.map((season) => (
        <AppText key={season.leading.mode}>
          {seasonText(
            season,
            plan.rooms.map((room) => ({ zone: room.zone, name: roomName(names, room) })),
            units,
          )}
        </AppText>
      ))}
    </>
  );
}

/** A day in the rooms: who calls, who leads whom, who goes short. */
export function RoomsCard({ circuit, siteId, width }: { circuit: Circuit; siteId: string; width: number }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const units = useAppSelector((state) => state.settings);
  const [day, setDay] = useState<Day>('winter');
  const asked = useAsked(day);
  const drawn = useDrawn(siteId);
  const plan = useModel(useCallback((model) => model.rooms(circuit, asked, drawn), [circuit, asked, drawn]));
  const device = circuit.devices.find(({ kind }) => kindOf(kind).houses)!.id;
  const names = namesIn(circuit);
  const draw = (px: number) => layRooms(plan!.day.samples, plan!.wantedC, px);
  const save = () =>
    download(
      `${fileName(circuit.name)}-rooms.svg`,
      roomsSvg(draw(FILE_PX), roomsDrawing(names, plan!, units)),
      'image/svg+xml',
    );
  return (
    <View style={[styles.card, { backgroundColor: t.card, borderColor: t.line }]}>
      <AppText kind="strong">A day in the rooms</AppText>
      <Options label="Day" options={DAYS} value={day} onChange={setDay} />
      {plan ? (
        <>
          <AppText>{dayTitle(plan, units)}</AppText>
          {width > ROOM ? (
            <RoomsChart
              shape={draw(width - ROOM)}
              texts={roomsDrawing(names, plan, units)}
              label={`Temperatures over a day. ${plan.rooms.map((room) => roomText(names, plan, room, units)).join(' ')}`}
            />
          ) : null}
          <Told circuit={circuit} plan={plan} drawn={drawn} />
        </>
      ) : (
        <Waiting label="Living through a day" />
      )}
      <AppText kind="small">{ROOMS_CAUTION}</AppText>
      <View style={styles.row}>
        <ActionButton
          label="Change the rooms"
          onPress={() => dispatch(sheetOpened({ type: 'device', device }))}
          style={styles.grow}
        />
        <ActionButton label="Save SVG" hint="Save the rooms as SVG" disabled={!plan} onPress={save} />
      </View>
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  grow: { flexGrow: 1 },
});

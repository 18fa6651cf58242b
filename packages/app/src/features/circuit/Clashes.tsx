import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import type { Choose, Circuit, Clash, Side } from '@zygostat/core/circuit';
import { mergeCircuits } from '@zygostat/core/circuit';
import { clashSideText, clashTitle } from '@zygostat/core/words';
import { useAppDispatch, useAppSelector } from '../../store';
import { ActionButton, AppText, Options } from '../../basics';
import { useOpenJobQuery } from '../jobs/api';
import { useRevisionQuery } from './api';
import type { Contested } from './contested';
import { contestedBy, contestedFound } from './contested';
import { decidedCircuit } from './saving';
import { sheet } from '../../theme';

const keyOf = (clash: Clash) =>
  `${clash.element} ${clash.id} ${clash.type === 'field' ? clash.field : clash.goneBy}`;

interface ClashesProps {
  jobId: string;
  /** The revision that was changed here. */
  base: number;
  mine: Circuit;
}

/** What two people changed each otherwise, one below the other, until each is decided; all else is in already. */
export function Clashes({ jobId, base, mine }: ClashesProps) {
  const dispatch = useAppDispatch();
  const units = useAppSelector(({ settings }) => settings);
  const [chosen, setChosen] = useState<Readonly<Record<string, Side>>>({});
  const { data: before } = useRevisionQuery(base > 0 ? { id: jobId, number: base } : skipToken);
  const { data: newest } = useOpenJobQuery(jobId, { refetchOnMountOrArgChange: true });
  const choose: Choose = (clash) => chosen[keyOf(clash)];
  const merged = before && newest ? mergeCircuits(before.circuit, mine, newest.circuit, choose) : null;
  // Each step that is decided makes them anew: what is marked changes only with what it says.
  const marks = JSON.stringify(contestedBy(merged?.clashes ?? []));
  useEffect(() => {
    dispatch(contestedFound(JSON.parse(marks) as Contested[]));
  }, [dispatch, marks]);
  useEffect(() => () => void dispatch(contestedFound([])), [dispatch]);
  if (!newest || !merged) return <AppText>Reading what was changed elsewhere…</AppText>;
  const theirs = newest.circuit;
  const { circuit, clashes } = merged;
  const left = clashes.filter((clash) => !choose(clash)).length;
  const take = () => {
    dispatch(decidedCircuit(jobId, { number: newest.revision, value: newest.circuit }, circuit));
  };
  const sides = { mine, theirs };
  return (
    <View style={styles.list}>
      {clashes.map((clash) => (
        <Options
          key={keyOf(clash)}
          label={clashTitle(sides, clash)}
          options={{
            mine: `Yours: ${clashSideText(sides, clash, 'mine', units)}`,
            theirs: `Theirs: ${clashSideText(sides, clash, 'theirs', units)}`,
          }}
          value={choose(clash) ?? null}
          onChange={(side) => setChosen({ ...chosen, [keyOf(clash)]: side })}
        />
      ))}
      <ActionButton
        label={left > 0 ? `${left} still to decide` : 'Put both together'}
        look="filled"
        disabled={left > 0}
        onPress={take}
      />
    </View>
  );
}

const styles = sheet({ list: { gap: 8 } });

/** Where two people's changes meet, for the loom to show: a terminal or a device, and whose it is. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { Clash, Side } from '@zygostat/core/circuit';

export interface Contested {
  /** A terminal, or a device where no terminal is asked. */
  at: string;
  isDevice: boolean;
  whose: Side | 'both';
}

const contested = createSlice({
  name: 'contested',
  initialState: [] as readonly Contested[],
  reducers: { contestedFound: (_state, { payload }: PayloadAction<readonly Contested[]>) => payload },
});

export const { contestedFound } = contested.actions;
export const contestedReducer = contested.reducer;

/** What is to be marked of what is asked: the terminals each side has an end on, and the devices that differ. */
export const contestedBy = (clashes: readonly Clash[]): Contested[] =>
  clashes.flatMap((clash): Contested[] => {
    const { element, id } = clash;
    if (element === 'device') return [{ at: id, isDevice: true, whose: 'both' }];
    if (clash.type !== 'field' || element !== 'conductor') return [];
    return (['mine', 'theirs'] as const).flatMap((whose) => {
      const node = clash[whose];
      return typeof node === 'string' && ['from', 'to'].includes(clash.field)
        ? [{ at: node, isDevice: false, whose }]
        : [];
    });
  });

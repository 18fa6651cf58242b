/** A short word to the person, shown until dismissed. */
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';

const notice = createSlice({
  name: 'notice',
  initialState: null as string | null,
  reducers: { told: (_words, { payload }: PayloadAction<string | null>) => payload },
});

export const { told } = notice.actions;
export const noticeReducer = notice.reducer;

/** Whether this device has to sign in before anything is answered. */
import { createSlice } from '@reduxjs/toolkit';

const door = createSlice({
  name: 'door',
  initialState: { isShut: false },
  reducers: {
    doorShut: () => ({ isShut: true }),
    doorOpened: () => ({ isShut: false }),
  },
});

export const { doorShut, doorOpened } = door.actions;
export const doorReducer = door.reducer;

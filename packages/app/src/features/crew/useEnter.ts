import { useCallback } from 'react';
import { useAppDispatch } from '../../store';
import { api } from '../../store/api';
import { doorOpened } from '../../store/door';
import { keepWriter, writerNamed } from '../record/slice';
import type { Person } from './api';

/** Opens the door for a person who signed in: everything is asked for anew, and written under their name. */
export function useEnter() {
  const dispatch = useAppDispatch();
  return useCallback(
    ({ name }: Person) => {
      keepWriter(name);
      dispatch(writerNamed(name));
      dispatch(api.util.resetApiState());
      dispatch(doorOpened());
    },
    [dispatch],
  );
}

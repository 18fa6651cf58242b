/** Under whose name what is done on this device goes. */
import type { RootState } from '../../store';
import { useAppSelector } from '../../store';
import { crewApi } from '../crew/api';

/** Of a crew the name one signed in under; otherwise the one given here, empty where none was. */
export const writerIn = (state: RootState): string =>
  crewApi.endpoints.me.select(undefined)(state).data?.person?.name ?? state.record.by.trim();

export const useWriterName = (): string => useAppSelector(writerIn);

import { useDeferredValue } from 'react';
import type { ViewStyle } from 'react-native';
import { Snackbar } from 'react-native-paper';
import { useAppDispatch, useAppSelector } from '../../store';
import { told } from '../../store/notice';

/** How long a notice stands, ms. */
const STANDS_MS = 2500;

/** What the app has just said, for a moment. Comes with its words: nearly always there are none. */
export function Told({ style }: { style?: ViewStyle }) {
  const dispatch = useAppDispatch();
  // What was done shows first, and then what is said of it.
  const message = useDeferredValue(useAppSelector(({ notice }) => notice));
  if (message === null) return null;
  return (
    <Snackbar visible onDismiss={() => dispatch(told(null))} duration={STANDS_MS} wrapperStyle={style}>
      {message}
    </Snackbar>
  );
}

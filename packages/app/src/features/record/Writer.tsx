import { useAppDispatch, useAppSelector } from '../../store';
import { AppText, Field } from '../../basics';
import { useMeQuery } from '../crew/api';
import { keepWriter, writerNamed } from './slice';

/** Who writes on this device: every entry says so. */
export function Writer() {
  const dispatch = useAppDispatch();
  const by = useAppSelector(({ record }) => record.by);
  const { data: me } = useMeQuery(undefined);
  // Of a crew everybody signs with the name they signed in under.
  if (me?.person) return <AppText kind="small">{`Written by ${me.person.name}`}</AppText>;
  return (
    <Field
      label="Who writes"
      value={by}
      most={80}
      onChange={(name) => {
        dispatch(writerNamed(name));
        keepWriter(name);
      }}
    />
  );
}

import { useAppDispatch, useAppSelector } from '../../store';
import { Field } from '../../basics';
import { keepWriter, writerNamed } from './slice';

/** Who writes on this device: every entry says so. */
export function Writer() {
  const dispatch = useAppDispatch();
  const by = useAppSelector(({ record }) => record.by);
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

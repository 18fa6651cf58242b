import { ActionButton } from '../../basics';
import { useMakeCodeMutation } from './api';
import { CodeShown } from './CodeShown';
import { Refused } from './Refused';

interface CodeForProps {
  /** The person's id. */
  person: string;
  label: string;
  hint?: string;
  /** What to do with it. */
  how: string;
}

/** A code by which a further device comes to be known as somebody's. */
export function CodeFor({ person, label, hint, how }: CodeForProps) {
  const [make, made] = useMakeCodeMutation();
  const go = () => void make(person);
  return (
    <>
      <ActionButton label={label} hint={hint} disabled={made.isLoading} onPress={go} />
      <Refused act={made} again={go} />
      {made.data ? <CodeShown code={made.data} how={how} /> : null}
    </>
  );
}

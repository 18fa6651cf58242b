import { useAppDispatch, useAppSelector } from '../../store';
import { ActionButton, AppText, BottomSheet } from '../../basics';
import { planDocument } from './document';
import { progressOf } from './progress';
import { replacementDecided } from './replacing';

/** A list that was begun does not go without a question. */
export function Replacing() {
  const dispatch = useAppDispatch();
  const next = useAppSelector(({ replacing }) => replacing);
  const held = useAppSelector(({ plan }) => plan.value);
  if (!next || !held) return null;
  const { done, all } = progressOf(held);
  const keep = () => dispatch(replacementDecided());
  return (
    <BottomSheet title="Replace the landing list?" onClose={keep}>
      <AppText>{`${done} of ${all} steps of “${held.title}” are done. The new plan starts a new list. Wires you already moved stay where they are.`}</AppText>
      <ActionButton label="Keep the present list" look="filled" onPress={keep} />
      <ActionButton
        label="Replace the list"
        onPress={() => {
          dispatch(planDocument.changed(next));
          keep();
        }}
      />
    </BottomSheet>
  );
}

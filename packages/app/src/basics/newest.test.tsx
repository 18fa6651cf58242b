/** What is sent as it changes: one request at a time, the newest state last, and nothing after the page is gone. */
import { act, renderHook } from '@testing-library/react';
import { useNewest } from './newest';

test('what is newer ends what is under way, and is sent last; nothing is sent after it is gone', async () => {
  const sent: string[] = [];
  const answers: (() => void)[] = [];
  const answer = () => act(async () => answers.shift()!());
  const send = async (said: string, isWanted: () => boolean) => {
    for (const part of said.split(' ')) {
      if (!isWanted()) return;
      sent.push(part);
      await new Promise<void>((resolve) => answers.push(resolve));
    }
  };
  const { rerender, unmount } = renderHook(({ said }) => useNewest(said, send), {
    initialProps: { said: 'a1 a2 a3' },
  });
  rerender({ said: 'b1 b2' });
  rerender({ said: 'c1 c2' });
  expect(sent).toEqual(['a1']);
  await answer();
  await answer();
  await answer();
  expect(sent).toEqual(['a1', 'c1', 'c2']);
  rerender({ said: 'd1 d2' });
  unmount();
  await answer();
  expect(sent).toEqual(['a1', 'c1', 'c2', 'd1']);
});

import { useEffect, useRef } from 'react';

/**
 * Sends what is said, one after another and the newest last: what is under way ends where something newer came, and with the page
 * that shows it.
 *
 * @param said - sent whenever it is another; nothing is sent for an empty one.
 * @param send - asks `isWanted` before each request, and stops where it is not any more.
 */
export function useNewest(
  said: string,
  send: (said: string, isWanted: () => boolean) => Promise<void>,
): void {
  const queue = useRef<{ next: string | null; isBusy: boolean }>({ next: null, isBusy: false });
  const sender = useRef(send);
  const gone = useRef<() => void>(() => undefined);
  useEffect(() => {
    sender.current = send;
  });
  useEffect(() => {
    const { current: state } = queue;
    state.next = said === '' ? null : said;
    const run = async () => {
      if (state.isBusy) return;
      state.isBusy = true;
      while (state.next !== null) {
        const now = state.next;
        state.next = null;
        let isHere = true;
        gone.current = () => (isHere = false);
        await sender.current(now, () => isHere && state.next === null);
      }
      state.isBusy = false;
    };
    void run();
  }, [said]);
  useEffect(
    () => () => {
      queue.current.next = null;
      gone.current();
    },
    [],
  );
}

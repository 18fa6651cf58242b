import { setTimeout as pause } from 'node:timers/promises';

/** Asked so often meanwhile, ms. */
const ASK_MS = 10;
const WARM_UP = 200;

/** The longest that somebody else waits for an answer while something is done, and how often they asked, ms. */
export async function worstWait(
  asked: readonly string[],
  during: () => Promise<void>,
): Promise<{ worst: number; times: number }> {
  // A server that has just been started is slow at whatever it does for the first time.
  for (let n = 0; n < WARM_UP; n++) await (await fetch(asked[n % asked.length]!)).arrayBuffer();
  let [worst, times, isOver] = [0, 0, false];
  const others = async () => {
    while (!isOver) {
      const began = performance.now();
      await (await fetch(asked[times++ % asked.length]!)).arrayBuffer();
      worst = Math.max(worst, performance.now() - began);
      await pause(ASK_MS);
    }
  };
  const asking = others();
  await during();
  isOver = true;
  await asking;
  return { worst, times };
}

/** How long a server that does not answer is left alone. */
import retry from 'retry';

/** 1, 2, 4 … 30 s. */
export const pauseAfter = (tries: number): number =>
  retry.createTimeout(tries, { factor: 2, minTimeout: 1000, maxTimeout: 30_000 });

/** Until so many tries in vain call for another, or this device is online again. */
export function untilAskedAgain(tries: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      window.removeEventListener('online', done);
      resolve();
    };
    const timer = setTimeout(done, pauseAfter(tries));
    window.addEventListener('online', done);
  });
}

/** How long a supervised loop, a jacket and the moving of a loop take, everything tried in the model. Run in a worker. */
import { jacketEffect, jacketsAt, loopsOf, protectionLost, unlandedJacket } from '@zygostat/core/fire';
import { planLoopMove } from '@zygostat/core/plan';
import { rooftopOnLoop } from '@zygostat/core/systems';
import { RUNS, WARM_RUNS, timed } from '../timed';

const left = rooftopOnLoop('Bench', 'left');
const idle = { controls: {}, conditions: { indoorC: 22, outdoorC: 20 } };
const jacket = jacketsAt(left, 'ductSmoke').find(({ cable }) => cable === 'loopJacket')!;
const off = unlandedJacket(left, jacket.landed);

const tell = (metric: string, what: string, work: () => unknown) => {
  const note = `${what}, in a browser's worker, median of ${RUNS} after ${WARM_RUNS}; no aim`;
  postMessage([metric, timed(work), 'ms', note]);
};

tell('loop_ms', 'a loop of two detectors, every conductor broken', () => loopsOf(left, idle));
tell('jacket_ms', 'what goes with a jacket, and what is lost with it off', () => [
  jacketEffect(left, 'ductSmoke', jacket),
  protectionLost(left, off),
]);
tell('loop_move_ms', 'a loop moved both ways, each proven', () => planLoopMove(left, 'ductSmoke', 'smoke'));
postMessage(null);

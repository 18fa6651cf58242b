/**
 * The fire panel of a building: a stand-in for an outside device. It is driven by what its loops give it and worked with over
 * HTTP, and tells of itself as a stream of events; it outlives the server. See docs/fire-panel.md.
 */
import type { Response } from 'express';
import { Router } from 'express';
import * as yup from 'yup';
import type { Db } from '../db/open';
import { keepStandIn, keptStandIn, standInIds } from '../db/stand-ins';
import { Problem, invalid, notFound } from '../problem';
import { body, named } from '../schemas';
import { openStream } from '../stream';
import type { FirePanel } from './panel';
import {
  READINGS,
  acknowledged,
  atTime,
  conditionOf,
  driven,
  newPanel,
  offTest,
  onTest,
  reset,
  silenced,
} from './panel';

/** How often a stream looks whether a test is over. */
const EVERY_MS = 1000;
const MOST_LOOPS = 32;
const MOST_TEST_MINUTES = 480;

const newSchema = body({
  name: yup.string().strict().trim().required('is required').max(80, 'must be at most 80 characters'),
});
const loopSchema = body({
  reads: yup
    .string()
    .strict()
    .oneOf([...READINGS], `must be one of ${READINGS.join(', ')}`)
    .required('is required'),
  milliamps: yup
    .number()
    .strict()
    .nullable()
    .min(0, 'must not be negative')
    .max(1000, 'must be at most 1000 mA')
    .defined('is required, or null'),
});
const testSchema = body({
  minutes: yup
    .number()
    .strict()
    .required('is required')
    .integer('must be a whole number')
    .min(1, 'must be at least 1')
    .max(MOST_TEST_MINUTES, `must be at most ${MOST_TEST_MINUTES}`),
});

const shown = (panel: FirePanel) => ({ ...panel, condition: conditionOf(panel) });

/** @returns routes under `/fire-panels`. */
export function firePanelRoutes(db: Db, clock: () => Date = () => new Date()): Router {
  const router = Router();
  const listening = new Map<string, Set<Response>>();

  const tell = (id: string, panel: FirePanel) => {
    for (const response of listening.get(id) ?? [])
      response.write(`event: panel\ndata: ${JSON.stringify(shown(panel))}\n\n`);
  };
  const keep = (id: string, panel: FirePanel): FirePanel => {
    keepStandIn(db, 'fire-panel', id, panel);
    tell(id, panel);
    return panel;
  };
  const find = (id: string): FirePanel => {
    const kept = keptStandIn(db, 'fire-panel', id) as FirePanel | undefined;
    if (!kept) throw notFound(`fire panel "${id}"`);
    const now = atTime(kept, clock());
    return now === kept ? kept : keep(id, now);
  };

  /** Every one there is, without its log. */
  router.get('/fire-panels', (_request, response) => {
    response.json(
      standInIds(db, 'fire-panel').map((id) => {
        const { name, onTestUntil, ...panel } = find(id);
        return { id, name, onTestUntil, condition: conditionOf(panel) };
      }),
    );
  });

  router.put('/fire-panels/:id', (request, response) => {
    const id = named('id', request.params.id);
    const { name } = newSchema.validateSync(request.body, { abortEarly: false });
    const known = keptStandIn(db, 'fire-panel', id) !== undefined;
    response.status(known ? 200 : 201).json(shown(known ? find(id) : keep(id, newPanel(name))));
  });

  router.get('/fire-panels/:id', (request, response) => {
    response.json(shown(find(request.params.id)));
  });

  /** What a loop gives it now. */
  router.put('/fire-panels/:id/loops/:loop', (request, response) => {
    const panel = find(request.params.id);
    const loop = named('loop', request.params.loop);
    const given = loopSchema.validateSync(request.body, { abortEarly: false });
    if (!panel.loops[loop] && Object.keys(panel.loops).length >= MOST_LOOPS)
      throw new Problem(invalid([{ path: 'loop', message: `must be one of the ${MOST_LOOPS} there are` }]));
    response.json(shown(keep(request.params.id, driven(panel, loop, given, clock()))));
  });

  router.put('/fire-panels/:id/test', (request, response) => {
    const panel = find(request.params.id);
    const { minutes } = testSchema.validateSync(request.body, { abortEarly: false });
    response.json(shown(keep(request.params.id, onTest(panel, minutes, clock()))));
  });

  router.delete('/fire-panels/:id/test', (request, response) => {
    const panel = offTest(find(request.params.id), clock());
    response.json(shown(keep(request.params.id, panel)));
  });

  for (const [path, act] of Object.entries({ acknowledge: acknowledged, silence: silenced, reset }))
    router.post(`/fire-panels/:id/${path}`, (request, response) => {
      const { id } = request.params as { id: string };
      response.json(shown(keep(id, act(find(id), clock()))));
    });

  /** The panel as it is, and again whenever something changes. */
  router.get('/fire-panels/:id/stream', (request, response) => {
    const { id } = request.params;
    find(id);
    const own = listening.get(id) ?? new Set();
    listening.set(id, own.add(response));
    openStream(request, response, {
      everyMs: EVERY_MS,
      // Looking at it ends a test whose time is over, and tells everybody.
      every: () => void find(id),
      closed: () => {
        own.delete(response);
        if (own.size === 0) listening.delete(id);
      },
    });
    response.write(`event: panel\ndata: ${JSON.stringify(shown(find(id)))}\n\n`);
  });

  return router;
}

/**
 * The air between the modules of a wireless link: a stand-in for something outside, spoken to over HTTP. It outlives the server.
 * See docs/wireless-link.md.
 */
import { Router } from 'express';
import * as yup from 'yup';
import type { Db } from '../db/open';
import { keepStandIn, keptStandIn } from '../db/stand-ins';
import { Problem, invalid, notFound } from '../problem';
import { body, named } from '../schemas';
import type { WirelessLink } from './link';
import { INTERFERENCE, heardBy, newLink, pairOf, partnerOf, pressed, told, unpaired } from './link';

const MOST_MODULES = 16;
const CALLS = ['Y', 'O', 'D'];

const newSchema = body({
  name: yup.string().strict().trim().required('is required').max(80, 'must be at most 80 characters'),
});
const moduleSchema = body({
  pair: yup
    .number()
    .strict()
    .integer('must be a whole number')
    .min(1, 'must be at least 1')
    .max(99, 'must be at most 99')
    .nullable()
    .defined('is required, or null'),
  powered: yup.boolean().strict().required('is required'),
  silent: yup.boolean().strict().required('is required'),
  says: yup
    .array(
      yup
        .string()
        .strict()
        .oneOf(CALLS, `must be one of ${CALLS.join(', ')}`)
        .required(),
    )
    .strict()
    .required('is required'),
});
const airSchema = body({
  metres: yup
    .number()
    .strict()
    .required('is required')
    .min(0, 'must not be negative')
    .max(5000, 'must be at most 5000'),
  walls: yup
    .number()
    .strict()
    .required('is required')
    .integer('must be a whole number')
    .min(0, 'must not be negative')
    .max(50, 'must be at most 50'),
  interference: yup
    .string()
    .strict()
    .oneOf([...INTERFERENCE], `must be one of ${INTERFERENCE.join(', ')}`)
    .required('is required'),
});

const shown = (link: WirelessLink) => ({
  ...link,
  modules: Object.fromEntries(
    Object.entries(link.modules).map(([id, module]) => [id, { ...module, hears: heardBy(link, id) }]),
  ),
});

/** @returns routes under `/wireless-links`. */
export function wirelessLinkRoutes(db: Db, clock: () => Date = () => new Date()): Router {
  const router = Router();
  const keep = (id: string, link: WirelessLink) => {
    keepStandIn(db, 'wireless-link', id, link);
    return shown(link);
  };
  const find = (id: string): WirelessLink => {
    const kept = keptStandIn(db, 'wireless-link', id) as WirelessLink | undefined;
    if (!kept) throw notFound(`wireless link "${id}"`);
    return kept;
  };
  const findModule = (id: string, module: string): WirelessLink => {
    const link = find(id);
    if (!link.modules[module]) throw notFound(`module "${module}"`);
    return link;
  };

  router.put('/wireless-links/:id', (request, response) => {
    const id = named('id', request.params.id);
    const { name } = newSchema.validateSync(request.body, { abortEarly: false });
    const kept = keptStandIn(db, 'wireless-link', id) as WirelessLink | undefined;
    response.status(kept ? 200 : 201).json(kept ? shown(kept) : keep(id, newLink(name)));
  });

  router.get('/wireless-links/:id', (request, response) => {
    response.json(shown(find(request.params.id)));
  });

  router.put('/wireless-links/:id/air', (request, response) => {
    const link = find(request.params.id);
    const air = airSchema.validateSync(request.body, { abortEarly: false }) as WirelessLink['air'];
    response.json(keep(request.params.id, { ...link, air }));
  });

  /** A module as it stands now. A number two others have already is refused: nobody would know who is meant. */
  router.put('/wireless-links/:id/modules/:module', (request, response) => {
    const { id } = request.params;
    const link = find(id);
    const module = named('module', request.params.module);
    const now = moduleSchema.validateSync(request.body, { abortEarly: false });
    if (!link.modules[module] && Object.keys(link.modules).length >= MOST_MODULES)
      throw new Problem(
        invalid([{ path: 'module', message: `must be one of the ${MOST_MODULES} there are` }]),
      );
    const others = now.pair === null ? [] : pairOf(link, now.pair).filter((other) => other !== module);
    if (others.length > 1)
      throw new Problem(
        invalid([
          { path: 'pair', message: `must be another number: ${now.pair} is ${others.join(' and ')}` },
        ]),
      );
    response.json(keep(id, told(link, module, now)));
  });

  /** Its pairing button. */
  router.post('/wireless-links/:id/modules/:module/pair', (request, response) => {
    const { id, module } = request.params;
    const link = findModule(id, module);
    const partner = partnerOf(link, module);
    if (partner !== undefined)
      throw new Problem({
        status: 409,
        title: 'Paired already',
        detail: `${module} is paired with ${partner}. Take it out of its pair first.`,
      });
    response.json(keep(id, pressed(link, module, clock())));
  });

  router.delete('/wireless-links/:id/modules/:module/pair', (request, response) => {
    const { id, module } = request.params;
    response.json(keep(id, unpaired(findModule(id, module), module)));
  });

  return router;
}

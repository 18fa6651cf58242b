/** Who belongs to the crew: seen by all of it, changed by whoever leads. */
import { Router } from 'express';
import { toString as qrText } from 'qrcode';
import { pageAddress } from '../address';
import { changePerson, invite, listPeople } from '../db/crew';
import type { Db } from '../db/open';
import type { Role } from '../db/schema';
import { Problem, invalid, notFound } from '../problem';
import { leading } from './guard';
import { roleSchema } from './schemas';

const INVITATION_MINUTES = 15;

export function peopleRoutes(db: Db): Router {
  const router = Router();

  router.get('/crew/people', (_request, response) => {
    response.json(listPeople(db));
  });

  router.post('/crew/invitations', async (request, response) => {
    const { person } = leading(response);
    const { role } = roleSchema.validateSync(request.body, { abortEarly: false });
    const code = invite(db, role, person.id, INVITATION_MINUTES);
    // After the #: what stands there is not sent, and so in no log.
    const url = pageAddress(request, `/join#${code}`);
    const qr = await qrText(url, { type: 'svg', margin: 1 });
    response.status(201).json({ code, url, minutes: INVITATION_MINUTES, qr });
  });

  /** Another role, or none any more. */
  const change = (id: string, role: Role | null) => {
    if (!listPeople(db).some((one) => one.id === id)) throw notFound(`person "${id}"`);
    if (!changePerson(db, id, role))
      throw new Problem(invalid([{ path: 'role', message: 'must leave somebody who leads' }]));
  };

  router.patch('/crew/people/:id', (request, response) => {
    leading(response);
    const { role } = roleSchema.validateSync(request.body, { abortEarly: false });
    change(request.params.id, role);
    response.json(listPeople(db));
  });

  router.delete('/crew/people/:id', (request, response) => {
    leading(response);
    change(request.params.id, null);
    response.status(204).end();
  });

  return router;
}

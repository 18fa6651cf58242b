/** Who belongs to the crew: seen by all of it, changed by whoever leads. */
import type { Request } from 'express';
import { Router } from 'express';
import { toString as qrText } from 'qrcode';
import { pageAddress } from '../address';
import { CODE_MINUTES, invite, makeCode } from '../db/codes';
import { changePerson, listPeople } from '../db/crew';
import type { Db } from '../db/open';
import type { Role } from '../db/schema';
import { Problem, invalid, notFound } from '../problem';
import { freshly, leading } from './guard';
import { roleSchema } from './schemas';
import { signedInAs } from './who';

/** A code as it is shown: to be read out, and for a camera. */
async function shown(request: Request, code: string) {
  // After the #: what stands there is not sent, and so in no log.
  const url = pageAddress(request, `/join#${code}`);
  return { code, url, minutes: CODE_MINUTES, qr: await qrText(url, { type: 'svg', margin: 1 }) };
}

export function peopleRoutes(db: Db): Router {
  const router = Router();

  const personHere = (id: string) => {
    const person = listPeople(db).find((one) => one.id === id);
    if (!person) throw notFound(`person "${id}"`);
    return person;
  };

  router.get('/crew/people', (_request, response) => {
    response.json(listPeople(db));
  });

  router.post('/crew/invitations', async (request, response) => {
    const { person } = leading(response);
    const { role } = roleSchema.validateSync(request.body, { abortEarly: false });
    response.status(201).json(await shown(request, invite(db, role, person.id, CODE_MINUTES)));
  });

  /** For a further device of one's own; whoever leads makes one for anybody, who forgot a password or lost every device. */
  router.post('/crew/people/:id/codes', async (request, response) => {
    const { person } =
      signedInAs(response).person.id === request.params.id ? freshly(response) : leading(response);
    const { id: forId, role } = personHere(request.params.id);
    const code = makeCode(db, { role, forId, madeBy: person.id });
    response.status(201).json(await shown(request, code));
  });

  /** Another role, or none any more. */
  const change = (id: string, role: Role | null) => {
    if (!changePerson(db, personHere(id).id, role))
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

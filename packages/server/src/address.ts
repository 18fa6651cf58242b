/** The address a page goes by: in codes, links, calendars and for passkeys. */
import type { Application, Request } from 'express';

const KEY = 'publicUrl';

export function setPublicUrl(app: Application, url: URL | null): void {
  app.locals[KEY] = url;
}

/** Under the public address where one is set, else as it was asked for. */
export function pageAddress(request: Request, path: string): string {
  const url = request.app.locals[KEY] as URL | null;
  return `${url?.origin ?? `${request.protocol}://${request.get('host') ?? 'localhost'}`}${path}`;
}

/** A stand-in for the server in component tests: answers by method and path, and remembers what it was asked. */

interface Asked {
  method: string;
  path: string;
  query: Record<string, string>;
  body: unknown;
}

type Answer = (asked: Asked) => { status?: number; body: unknown };

/** Installs the stand-in as the page's fetch; routes are looked up as "GET /api/jobs". */
export function serveRoutes(routes: Record<string, Answer>): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = (async (request: Request) => {
    const { pathname: path, searchParams } = new URL(request.url);
    const text = await request.text();
    const isJson = request.headers.get('content-type')?.includes('json') ?? false;
    const body: unknown = text === '' ? undefined : isJson ? JSON.parse(text) : text;
    const entry = { method: request.method, path, query: Object.fromEntries(searchParams), body };
    asked.push(entry);
    const route = routes[`${entry.method} ${path}`];
    if (!route) throw new TypeError(`nothing serves ${entry.method} ${path}`);
    const { status = 200, body: answer } = route(entry);
    return Response.json(answer, { status });
  }) as typeof fetch;
  return asked;
}

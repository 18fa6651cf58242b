/** Errors as RFC 9457 problem details. */
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Problem as FieldProblem } from '@zygostat/core/circuit';
import { CircuitError, problemsOf } from '@zygostat/core/circuit';
import { ValidationError } from 'yup';

interface ProblemDetails {
  status: number;
  title: string;
  detail: string;
  problems?: readonly FieldProblem[];
  [extension: string]: unknown;
}

/** Thrown by a route to answer with a problem. */
export class Problem extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.detail);
  }
}

export const notFound = (what: string) =>
  new Problem({ status: 404, title: 'Not found', detail: `There is no ${what}.` });

/** Somebody else changed it meanwhile: both are told, and nothing is written over. */
export const overtaken = (what: string, now: string) =>
  new Problem({
    status: 409,
    title: 'Changed meanwhile',
    detail: `Someone else changed the ${what} to “${now}”. Yours was not saved. Look at both and save again.`,
  });

export function sendProblem(response: Response, details: ProblemDetails): void {
  response
    .status(details.status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', ...details }));
}

/** What a body that does not fit is answered with. */
export const invalid = (problems: readonly FieldProblem[]): ProblemDetails => ({
  status: 422,
  title: 'Not valid',
  detail: problems.map(({ path, message }) => `${path} ${message}`).join('; '),
  problems,
});

/** Errors of the body parser carry a status; most of them a type. */
const isParserError = (error: unknown): error is { type?: string; status: number; limit?: number } =>
  error instanceof Error && 'status' in error && typeof error.status === 'number';

/** What the body parser has against a body, by its type. */
const PARSER: Readonly<Record<string, string>> = {
  'entity.parse.failed': 'The body is not valid JSON, or has a field named like a part of every object.',
  'encoding.unsupported': 'The body must be plain, gzip, deflate or br.',
  'charset.unsupported': 'The body must be in UTF-8.',
  'request.aborted': 'The body did not arrive whole.',
  'request.size.invalid': 'The body is not as long as its header says.',
};

/** "2 MB", "4 kB". */
const sizeText = (bytes: number): string =>
  bytes >= 1024 * 1024 ? `${Math.round(bytes / 1024 / 1024)} MB` : `${Math.round(bytes / 1024)} kB`;

function parserProblem({
  type = '',
  status,
  limit = 0,
}: {
  type?: string;
  status: number;
  limit?: number;
}): ProblemDetails {
  if (type === 'entity.too.large')
    return {
      status: 413,
      title: 'Too large',
      detail: `The body is larger than ${sizeText(limit)}, the most that is taken here.`,
    };
  return {
    status,
    title: 'Not readable',
    detail: PARSER[type] ?? 'The body cannot be read: it may be damaged.',
  };
}

function describe(error: unknown): ProblemDetails {
  if (error instanceof Problem) return error.details;
  if (error instanceof CircuitError)
    return invalid(error.problems.map(({ path, message }) => ({ path: `circuit.${path}`, message })));
  if (error instanceof ValidationError) return invalid(problemsOf(error, 'body'));
  if (isParserError(error) && error.status === 404)
    return { status: 404, title: 'Not found', detail: 'There is no such file.' };
  if (isParserError(error) && error.status >= 400 && error.status < 500) return parserProblem(error);
  if (error instanceof URIError)
    return { status: 400, title: 'Not readable', detail: 'The address holds a malformed escape.' };
  return {
    status: 500,
    title: 'Failed',
    detail: 'The server failed. Look whether it was done before you do it again.',
  };
}

/** Last in the chain: every error leaves as a problem. */
export const problemHandler: ErrorRequestHandler = (error, request, response, next) => {
  if (response.headersSent) return next(error);
  const details = describe(error);
  if (details.status >= 500) request.log.error(error);
  sendProblem(response, details);
};

export const unknownRoute: RequestHandler = (request, response) =>
  sendProblem(response, {
    status: 404,
    title: 'Not found',
    detail: `There is nothing at ${request.method} ${request.path}.`,
  });

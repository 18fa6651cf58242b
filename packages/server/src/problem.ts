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

/** Errors of the body parser carry a type and a status. */
const isParserError = (error: unknown): error is { type: string; status: number; limit?: number } =>
  typeof error === 'object' && error !== null && 'type' in error && 'status' in error;

function describe(error: unknown): ProblemDetails {
  if (error instanceof Problem) return error.details;
  if (error instanceof CircuitError)
    return invalid(error.problems.map(({ path, message }) => ({ path: `circuit.${path}`, message })));
  if (error instanceof ValidationError) return invalid(problemsOf(error, 'body'));
  if (isParserError(error) && error.type === 'entity.too.large')
    return {
      status: 413,
      title: 'Too large',
      detail: `The body is larger than ${Math.round((error.limit ?? 0) / 1024 / 1024)} MB, the most that is taken here.`,
    };
  if (isParserError(error) && error.status >= 400 && error.status < 500)
    return {
      status: error.status,
      title: 'Not readable',
      detail: 'The body is not valid JSON in UTF-8, or has a field named like a part of every object.',
    };
  if (error instanceof URIError)
    return { status: 400, title: 'Not readable', detail: 'The address holds a malformed escape.' };
  return { status: 500, title: 'Failed', detail: 'The server could not do this. Nothing was changed.' };
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

/** Errors as RFC 9457 problem details. */
import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import type { Problem as FieldProblem } from '@zygostat/core/circuit';
import { CircuitError, problemsOf } from '@zygostat/core/circuit';
import { ValidationError } from 'yup';
import type { Trouble } from './db/trouble';
import { note, troubleIn } from './db/trouble';

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

const disk = (status: number, title: string, detail: string): ProblemDetails => ({
  status,
  title,
  detail: `${detail} What you sent was not saved; your device keeps it and sends it again.`,
});

/** What is said where the disk is against it. */
const DISK: Readonly<Record<Trouble, ProblemDetails>> = {
  full: disk(507, 'Disk full', 'The disk of the server is full. Free some room on it.'),
  'read-only': disk(507, 'Disk not writable', 'The server may not write to its disk.'),
  busy: disk(503, 'Busy', 'Another program has the database of the server open.'),
  damaged: disk(500, 'Database damaged', 'The database of the server is damaged. Restore the last copy.'),
  failing: disk(500, 'Disk failing', 'The disk of the server fails.'),
};

function describe(error: unknown): ProblemDetails {
  if (error instanceof Problem) return error.details;
  if (error instanceof CircuitError)
    return invalid(error.problems.map(({ path, message }) => ({ path: `circuit.${path}`, message })));
  if (error instanceof ValidationError) return invalid(problemsOf(error, 'body'));
  if (isParserError(error) && error.status === 404)
    return { status: 404, title: 'Not found', detail: 'There is no such file.' };
  if (isParserError(error) && error.status >= 400 && error.status < 500) return parserProblem(error);
  const trouble = troubleIn(error);
  if (trouble !== null) {
    note(trouble);
    return DISK[trouble];
  }
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

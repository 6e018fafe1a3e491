import { t } from '@lingui/core/macro';
import createClient from 'openapi-fetch';
import { lost } from './saving/server';
import type { components, paths } from './schema';
import { language } from './language';
import { unitHere } from './units';

export type Schemas = components['schemas'];

export const api = createClient<paths>({ baseUrl: '/' });

// Sentences come from the server in the unit and the language of this device.
api.use({
  onRequest: ({ request }) => {
    request.headers.set('Length-Unit', unitHere());
    request.headers.set('Accept-Language', language);
  },
});

/** What the server answers when it will not do something: RFC 9457 problem details. */
interface Problem {
  title?: string;
  detail?: string;
  status?: number;
  errors?: Record<string, string[]>;
  current?: unknown;
  version?: number;
  ended?: string;
  traceId?: string;
}

/** A request refused, with the server's words. */
export class Refused extends Error {
  readonly status: number;
  /** First message by field. */
  readonly fields: Record<string, string>;
  /** What the server holds, when the refusal is a conflict. */
  readonly current: unknown;
  /** The version of that. */
  readonly version: number;
  /** Why somebody who was let in once is not any more. */
  readonly ended: string;

  constructor(problem: Problem, status: number) {
    const says = problem.detail ?? problem.title ?? t`The server did not say why.`;
    super(status >= 500 && problem.traceId ? `${says} (${problem.traceId})` : says);
    this.status = status;
    this.current = problem.current;
    this.version = problem.version ?? 0;
    this.ended = problem.ended ?? 'not';
    this.fields = Object.fromEntries(
      Object.entries(problem.errors ?? {}).map(([field, says]) => [field, says[0] ?? '']),
    );
  }
}

/** Waits for an answer and hands its data on, or throws {@link Refused}. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call.catch((error: unknown) => {
    if (error instanceof TypeError) void lost();
    throw error;
  });
  if (!response.ok) throw new Refused((error ?? {}) as Problem, response.status);
  return data as T;
}

type Method = 'post' | 'put' | 'delete';

/** The addresses that take a method. */
type PathsOf<M extends Method> = { [P in keyof paths]: paths[P][M] extends object ? P : never }[keyof paths];

type PathOf<M extends Method, P extends PathsOf<M>> = paths[P][M] extends { parameters: { path: infer At } }
  ? At
  : Record<string, never>;

type BodyOf<M extends Method, P extends PathsOf<M>> = paths[P][M] extends {
  requestBody?: { content: { 'application/json': infer Body } };
}
  ? Body
  : undefined;

/** A request as data, so that it can wait. */
export interface Request {
  method: string;
  path: string;
  body?: unknown;
  /** The version that is edited, where it is an edit. */
  version?: number;
}

/** A request of the API document: its address filled in, its body checked. */
export function request<M extends Method, P extends PathsOf<M>>(
  method: M,
  path: P,
  at: PathOf<M, P>,
  body?: BodyOf<M, P>,
  version?: number,
): Request {
  const filled = path.replace(/[{](\w+)[}]/g, (_, name: string) =>
    encodeURIComponent(String((at as Record<string, unknown>)[name])),
  );
  return {
    method: method.toUpperCase(),
    path: filled,
    ...(body === undefined ? {} : { body }),
    ...(version === undefined ? {} : { version }),
  };
}

/** Sends a request under an id of its own: the server does it once, however often it is sent. */
export const send = <Answer>({ method, path, body, version }: Request, id: string) =>
  ask<Answer>(
    answered(
      fetch(path, {
        method,
        headers: {
          'Length-Unit': unitHere(),
          'Accept-Language': language,
          'Idempotency-Key': id,
          ...(version === undefined ? {} : editing(version)),
          ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      }),
    ),
  );

/** Sends a picture to where it is kept, under an id of its own. */
export async function sendPicture(path: string, picture: File, id: string) {
  const form = new FormData();
  form.append('file', picture);
  await ask(answered(fetch(path, { method: 'POST', body: form, headers: { 'Idempotency-Key': id } })));
}

/** Sends a file as it is. */
export const sendFile = <Answer>(path: string, file: File) =>
  ask<Answer>(
    answered(
      fetch(path, {
        method: 'POST',
        body: file,
        headers: {
          'Content-Type': file.name.endsWith('.zip') ? 'application/zip' : 'application/octet-stream',
          'Accept-Language': language,
        },
      }),
    ),
  );

const answered = async (call: Promise<Response>) => {
  const response = await call;
  const json = (await response.json().catch(() => undefined)) as unknown;
  return response.ok ? { data: json as never, response } : { error: json, response };
};

/** Whether the same request may do later: the server is away or busy, rather than of another mind. */
export const isLater = (error: unknown) =>
  error instanceof TypeError ||
  // Whoever is not in sends it once they are.
  (error instanceof Refused && ([401, 408, 429].includes(error.status) || error.status >= 500));

const LONGEST_DELAY_MS = 10_000;

/** How a mutation is tried again: as long as it may do later, less and less often. */
export const untilAnswered = {
  retry: (_: number, error: unknown) => isLater(error),
  retryDelay: (tries: number) => Math.min(500 * 2 ** tries, LONGEST_DELAY_MS),
};

/** If-Match: which version is edited. */
export const editing = (version: number) => ({ 'If-Match': `"${version}"` });

/** The message of anything thrown. */
export const words = (error: unknown) =>
  error instanceof TypeError
    ? t`The server cannot be reached just now.`
    : error instanceof Error
      ? error.message
      : String(error);

/** The messages by field of anything thrown; what belongs to no field goes to the one named. */
export const fieldsOf = (error: unknown, otherwise: string): Record<string, string> =>
  error instanceof Refused && Object.keys(error.fields).length > 0 ? error.fields : { [otherwise]: words(error) };

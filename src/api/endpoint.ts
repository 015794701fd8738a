import { parseCookie } from 'cookie';
import type { z } from 'zod';
import type { FieldError, Outcome } from '@/core/refusals';
import { refused } from '@/core/refusals';
import { isLostConnection, isOutOfRoom } from '@/server/outOfRoom';
import type { Pembit } from '@/server/pembit';
import { sharedPembit } from '@/server/pembit';
import type { SubjectTable } from '@/server/session/condition';
import { etagOf, onCondition } from '@/server/session/condition';
import type { Tried, Try } from '@/server/session/tries';
import { BUSY_SECONDS, TooBusy } from '@/server/session/password';
import { limitOf, takeTries } from '@/server/session/tries';
import { TERM_COOKIE } from '@/core/frame/chosenTerm';
import { CLIENT_ADDRESS } from '@/server/clientAddress';
import type { SignedIn } from '@/server/session/session';
import { onlyOnce } from '@/server/requests/onlyOnce';
import { problem } from './problem';
import { openTo } from './crossOrigin';
import { readJson, withoutNul } from './readBody';
import { unknownFields } from './unknownFields';
import { whoAsks } from './whoAsks';

type Answer<T> = Outcome<T> & { status?: number; headers?: Record<string, string> };
type Parsed<S> = S extends z.ZodType ? z.output<S> : undefined;
type ReadonlyDeep<T> = T extends object ? { readonly [K in keyof T]: ReadonlyDeep<T[K]> } : T;
/** What an answer is if it is not a value of a schema: something of a media type, or the way to somewhere else. */
export type OtherAnswer =
  'application/x-ndjson' | 'application/zip' | 'image/svg+xml' | 'text/html' | 'redirect';
type Given<A> = A extends z.ZodType ? ReadonlyDeep<z.input<A>> : never;
type RouteContext = { params: Promise<Record<string, string>> };

type Spec<P, Q, B, W, A> = Readonly<{
  /** Who may ask at all; the use case decides about the rest. */
  who: W;
  params?: P;
  query?: Q;
  body?: B;
  /** What is answered. */
  answer: A;
  /** Also for whoever has yet to set up a second step that the school asks for. */
  beforeSecondStep?: true;
  /** Carries its own proof in its address: it may come from anywhere, without anybody being signed in. */
  provesItself?: true;
  /** How many bytes the body may have; 64 kB unless it says more. */
  bytes?: number;
  /** What has to hold before the body is read at all. */
  before?: (pembit: Pembit, request: Request) => boolean;
  /** How often one person, or one address where nobody is signed in, may ask. */
  limit?: Tried;
  /** The table whose row `params.id` names: answers carry its ETag, and a write with If-Match holds for that state alone. */
  row?: SubjectTable;
}>;

/** What a route takes, for whoever describes it. */
export type Contract = Readonly<{
  who: 'anyone' | 'person';
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  answer: z.ZodType | OtherAnswer;
  row?: SubjectTable;
}>;

type Asked<P, Q, B, W> = Readonly<{
  pembit: Pembit;
  request: Request;
  /** The network address that the request comes from, as far as it is known. */
  from: string;
  actor: W extends 'person' ? SignedIn : SignedIn | undefined;
  params: Parsed<P>;
  query: Parsed<Q>;
  body: Parsed<B>;
  /** The id of the term that is looked at, where it is not the current one. */
  term: string | undefined;
}>;

/**
 * A route handler: checks the origin of writes, who asks, and the shape of what is sent, then hands over.
 * Long work may answer by itself, line by line (`progressAnswer`). What the use case refuses becomes a problem document; `history` is the id for `/api/history/ID/undo`.
 */
export function endpoint<
  W extends 'anyone' | 'person',
  A extends z.ZodType | OtherAnswer,
  P extends z.ZodType | undefined = undefined,
  Q extends z.ZodType | undefined = undefined,
  B extends z.ZodType | undefined = undefined,
>(spec: Spec<P, Q, B, W, A>, answer: (asked: Asked<P, Q, B, W>) => Promise<Answer<Given<A>> | Response>) {
  const handle = async (request: Request, context: RouteContext): Promise<Response> => {
    const pembit = sharedPembit();
    try {
      return await handleWith(pembit, request, context);
    } catch (error) {
      // Whoever asks is looked up there as well.
      if (!isLostConnection(error)) throw error;
      pembit.log.error({ err: error }, 'The database did not answer');
      return problem('databaseAway');
    }
  };
  const handleWith = async (pembit: Pembit, request: Request, context: RouteContext): Promise<Response> => {
    const asks = await whoAsks(pembit, request, spec);
    const answered =
      'refusal' in asks ? problem(asks.refusal) : await answerTo(pembit, request, context, asks.actor);
    if (asks.origin) openTo(answered.headers, asks.origin);
    if (spec.limit && 'actor' in asks)
      await sayLimit(pembit, answered.headers, [spec.limit, limited(request, asks.actor)]);
    return answered;
  };
  const answerTo = async (
    pembit: Pembit,
    request: Request,
    context: RouteContext,
    actor: SignedIn | undefined,
  ): Promise<Response> => {
    if (spec.who === 'person' && !actor) return problem('notSignedIn');

    const from = request.headers.get(CLIENT_ADDRESS) ?? '';
    if (spec.limit) {
      const seconds = await takeTries(pembit, [[spec.limit, limited(request, actor)]]);
      if (seconds > 0) return problem('tooManyTries', { seconds });
    }

    // An id that cannot be one is an address where nothing is.
    const params = spec.params?.safeParse(await context.params);
    if (params && !params.success) return problem('notFound');
    const query = spec.query?.safeParse(queryOf(request));
    if (spec.before && !spec.before(pembit, request)) return problem('notFound');
    const sent = spec.body && (await readJson(request, spec.bytes));
    if (sent?.ok === false && sent.reason === 'tooLarge') return problem('tooLarge');
    const body = spec.body?.safeParse(sent?.ok ? sent.value : NOT_JSON);
    const unknown = spec.body && sent?.ok && isByProgram(request) ? unknownFields(spec.body, sent.value) : [];
    const errors = [...fieldErrors(query), ...fieldErrors(body), ...unknown];
    if (errors.length > 0) return problem('badRequest', { fields: errors });

    const id = (params?.data as Readonly<{ id?: string }> | undefined)?.id;
    const subject = spec.row && id ? { table: spec.row, id } : undefined;
    const { method } = request;
    // Taken before reading: what is written meanwhile makes the tag outdated, not the answer.
    const seen = subject && method === 'GET' ? await etagOf(pembit, subject) : undefined;
    const asking =
      actor && subject && method !== 'GET'
        ? onCondition(actor, request.headers.get('if-match'), subject)
        : actor;
    const respond = async (): Promise<Response> => {
      const outcome = await orRefused(pembit, () =>
        answer({
          pembit,
          request,
          from,
          actor: asking as Asked<P, Q, B, W>['actor'],
          params: params?.data as Parsed<P>,
          query: query?.data as Parsed<Q>,
          body: body?.data as Parsed<B>,
          term: parseCookie(request.headers.get('cookie') ?? '')[TERM_COOKIE],
        }),
      );
      if (outcome instanceof Response) return outcome;
      if (!outcome.ok) return problem(outcome.reason, outcome);
      if (pembit.config.checksAnswers) requireAnswer(spec.answer, outcome.value);
      const etag = subject && method === 'PUT' ? await etagOf(pembit, subject) : seen;
      const headers = {
        'content-type': 'application/json; charset=utf-8',
        ...(etag ? { etag } : {}),
        'cache-control': 'no-store',
        ...(outcome.history ? { 'pembit-history': outcome.history } : {}),
        ...outcome.headers,
      };
      return new Response(JSON.stringify(outcome.value ?? null), { status: outcome.status ?? 200, headers });
    };
    const key = request.headers.get('idempotency-key');
    if (method !== 'POST' || !actor || !key) return respond();
    const { pathname: path } = new URL(request.url);
    const sentBody = sent?.ok ? sent.value : undefined;
    const once = await onlyOnce(pembit, { person: actor.person.id, key, path, body: sentBody }, respond);
    return once instanceof Response ? once : problem(once);
  };
  return Object.assign(handle, { contract: spec as Contract });
}

/** What the database cannot take, or nobody has time for, is a refusal like any other: nothing was changed, and whoever asked is told. */
async function orRefused<T>(
  { log }: Pembit,
  work: () => Promise<Answer<T> | Response>,
): Promise<Answer<T> | Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof TooBusy) return { ...refused('busy'), seconds: BUSY_SECONDS };
    if (!isOutOfRoom(error)) throw error;
    log.error({ err: error }, 'The database cannot be written');
    return refused('notSaved');
  }
}

const queryOf = ({ url }: Request) =>
  Object.fromEntries([...new URL(url).searchParams].map(([name, value]) => [name, withoutNul(name, value)]));

/** Whom a limit counts: a person, or an address where nobody is signed in. */
const limited = (request: Request, actor: SignedIn | undefined): string =>
  actor?.person.id ?? request.headers.get(CLIENT_ADDRESS) ?? '';

/** The limit of a route and what is left of it (IETF draft on RateLimit header fields for HTTP). */
async function sayLimit(pembit: Pembit, headers: Headers, [what, who]: Try): Promise<void> {
  const { most, seconds, left, resetSeconds } = await limitOf(pembit, what, who);
  headers.set('ratelimit-policy', `"${what}";q=${most};w=${seconds}`);
  headers.set('ratelimit', `"${what}";r=${left};t=${resetSeconds}`);
}

/** Where it is developed and tested, an answer is as its route describes it, or none. */
function requireAnswer(schema: z.ZodType | OtherAnswer, value: unknown): void {
  if (typeof schema === 'string') throw new Error(`Answers ${schema}, not a value`);
  const sent: unknown = JSON.parse(JSON.stringify(value ?? null));
  const errors = [...fieldErrors(schema.safeParse(sent)), ...unknownFields(schema, sent)];
  if (errors.length > 0) throw new Error(`An answer is not as it is described: ${JSON.stringify(errors)}`);
}

/** Browsers say where a request comes from; what does not is a program. */
const isByProgram = ({ headers }: Request) => !headers.has('sec-fetch-site');

const NOT_JSON = { notJson: true };

function fieldErrors(read: z.ZodSafeParseResult<unknown> | undefined): FieldError[] {
  if (!read || read.success) return [];
  return read.error.issues.map((issue) => ({ field: issue.path.join('.'), message: issue.message }));
}

/** The OpenAPI 3.1 description of the API, made of the routes themselves: their schemas, and the words above each handler. */
import { readFileSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';
import type { Contract } from '../src/api/endpoint';
import { EXAMPLES } from './openApiExamples';
import { PROBLEM_URN, STATUS } from '../src/api/problem';
import { refusalTexts } from '../src/core/texts/refusals';
import { capabilityOf } from '../src/core/tokens/capabilityOf';

const METHODS = ['GET', 'POST', 'PUT', 'DELETE'] as const;
type Handlers = Readonly<Partial<Record<(typeof METHODS)[number], Readonly<{ contract?: Contract }>>>>;
type Schema = Readonly<Record<string, unknown>>;
type ObjectSchema = Readonly<{ properties?: Readonly<Record<string, Schema>>; required?: readonly string[] }>;

const api = path.resolve(import.meta.dirname, '../src/api');
const PROBLEM = { $ref: '#/components/responses/Problem' };

/** What is sent or answered, as JSON Schema 2020-12, which is what OpenAPI 3.1 takes. */
function schemaOf(schema: z.ZodType): Schema {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });
  return rest;
}

/** `postCoursesByIdRoster`: what a generated client may call it. */
const operationId = (method: string, address: string): string =>
  address
    .replace(/^\/api\//, '')
    .replace(/\{(\w+)\}/g, 'by-$1')
    .split(/[/.-]/)
    .reduce((id, word) => id + word[0]!.toUpperCase() + word.slice(1), method.toLowerCase());

/** What is answered: a value, something of another media type, or the way to somewhere else. */
function answered({ answer }: Contract): Readonly<{ content?: object }> {
  if (answer === 'redirect') return {};
  if (typeof answer === 'string') return { content: { [answer]: { schema: { type: 'string' } } } };
  return { content: { 'application/json': { schema: schemaOf(answer) } } };
}

/** An example of what is sent, which the route itself would take. */
function exampleOf(id: string, body: z.ZodType): Readonly<{ example?: object }> {
  const example = EXAMPLES[id];
  if (!example) return {};
  body.parse(example);
  return { example };
}

/** Who may ask: whoever is signed in; a token that is good for it, where one is. */
function securityOf(method: string, address: string): object[] {
  const needed = capabilityOf(method, address.replace(/^\/api\//, ''));
  if (!needed) return [{ session: [] }];
  const scope =
    needed.capability === 'any' ? [] : [`${needed.write ? 'write' : 'read'}:${needed.capability}`];
  return [{ session: [] }, { token: scope }];
}

/** The sentence above a handler, or above the only one of its file. */
function wordsAbove(source: string, method: string): string | undefined {
  const match = new RegExp(`/\\*\\*((?:(?!\\*/)[^])*)\\*/\\s*export const ${method} =`).exec(source);
  return match?.[1]
    ?.split('\n')
    .map((line) => line.replace(/^\s*\*?\s?/, '').trim())
    .join(' ')
    .trim();
}

function parameters(where: 'path' | 'query', schema: z.ZodType | undefined): object[] {
  if (!schema) return [];
  const { properties = {}, required = [] } = schemaOf(schema) as ObjectSchema;
  return Object.entries(properties).map(([name, own]) => ({
    name,
    in: where,
    required: where === 'path' || (required.includes(name) && own.default === undefined),
    schema: own,
  }));
}

function operation(method: string, address: string, contract: Contract, summary: string | undefined): object {
  const { who, params, query, body, row } = contract;
  const change = method !== 'GET';
  return {
    operationId: operationId(method, address),
    tags: [address.split('/')[2]],
    ...(summary ? { summary } : {}),
    security: who === 'person' ? securityOf(method, address) : [],
    parameters: [
      ...parameters('path', params),
      ...parameters('query', query),
      ...(row && change ? [{ $ref: '#/components/parameters/IfMatch' }] : []),
    ],
    ...(body ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(body), ...exampleOf(operationId(method, address), body) } } } } : {}),
    responses: {
      [contract.answer === 'redirect' ? '3XX' : '2XX']: {
        description: contract.answer === 'redirect' ? 'It is elsewhere.' : 'Done.',
        ...answered(contract),
        headers: {
          ...(change ? { 'Pembit-History': { $ref: '#/components/headers/History' } } : {}),
          ...(row ? { ETag: { $ref: '#/components/headers/ETag' } } : {}),
        },
      },
      '4XX': PROBLEM,
      '5XX': PROBLEM,
    },
  };
} // prettier-ignore

const routesBelow = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((file) => file.isFile() && file.name === 'route.ts')
    .map((file) => path.join(file.parentPath, file.name))
    .sort();

export async function openApiDocument(): Promise<object> {
  const paths: Record<string, object> = {};
  for (const file of routesBelow(api)) {
    const handlers = (await import(pathToFileURL(file).href)) as Handlers;
    const source = readFileSync(file, 'utf8');
    const address = `/api/${path.relative(api, path.dirname(file)).replaceAll(path.sep, '/')}`.replace(/\[(\w+)\]/g, '{$1}'); // prettier-ignore
    const described = METHODS.flatMap((method) => {
      const contract = handlers[method]?.contract;
      if (!contract) return [];
      return [[method.toLowerCase(), operation(method, address, contract, wordsAbove(source, method))] as const];
    });
    if (described.length > 0) paths[address] = Object.fromEntries(described);
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Pembit',
      version: '1',
      license: { name: 'MIT', identifier: 'MIT' },
      description:
        'Sign in with POST /api/session; the answer sets the session cookie. What is not there and what is not yours are both 404.',
    },
    servers: [{ url: '/', description: 'The school’s own Pembit' }],
    tags: [...new Set(Object.keys(paths).map((address) => address.split('/')[2]))].map((name) => ({ name })),
    paths,
    components: {
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: 'pembit_session',
          description: 'Over https the cookie is called __Host-pembit.',
        },
        token: { type: 'http', scheme: 'bearer', description: 'A token of /tokens, with the scope that an operation names.' },
      },
      headers: {
        History: { description: 'The id with which the act is undone.', schema: { type: 'string' } },
        ETag: { description: 'What the thing says now; send it back as If-Match.', schema: { type: 'string' } },
      },
      parameters: {
        IfMatch: {
          name: 'If-Match',
          in: 'header',
          description: 'The ETag that was seen: when the thing has changed since, the answer is 412 and nothing is done.',
          schema: { type: 'string' },
        },
      },
      responses: {
        Problem: {
          description: 'A refusal (RFC 9457), with a sentence for people.',
          content: {
            'application/problem+json': {
              schema: {
                type: 'object',
                required: ['type', 'title', 'status'],
                properties: {
                  type: {
                    enum: Object.keys(STATUS).map((reason) => PROBLEM_URN + reason),
                    description: Object.entries(STATUS).map(([reason, status]) => `- ${reason} (${status}): ${refusalTexts[reason as keyof typeof STATUS]}`).join('\n'),
                  },
                  title: { type: 'string' },
                  status: { type: 'integer' },
                  errors: {
                    type: 'array',
                    items: {
                      type: 'object',
                      required: ['field', 'message'],
                      properties: { field: { type: 'string' }, message: { type: 'string' } },
                    },
                  },
                },
              },
            },
          },
        },
      },
    },
  };
} // prettier-ignore

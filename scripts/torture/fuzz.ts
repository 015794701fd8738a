/** Sends a server what nobody should: it must answer all of it without an error of its own, and be sound and usable afterwards. */
import { readFileSync } from 'node:fs';
import { openDatabase, select } from '../../src/data/database';
import type { Api } from '../../tests/support/api';
import { signedIn } from '../../tests/support/api';
import { SAMPLE, cartridge } from '../../tests/support/cartridge';
import { startServer } from '../serverProcess';
import type { Ids, Shape } from './nasty';
import { damaged, idFor, nasty } from './nasty';
import type { Report } from './random';

type Operation = Readonly<{
  method: string;
  path: string;
  parameters: readonly Readonly<{ name: string; in: string; schema: Shape }>[];
  body?: Shape;
}>;
type Described = Readonly<{
  parameters?: Operation['parameters'];
  requestBody?: { content: { 'application/json': { schema: Shape } } };
}>;

/** These would end the sessions that the requests come from, or need what is not there. */
const LEFT_OUT = /^\/api\/(sessions?|account\/(password|second-step)|settings|setup|people\/\{id\}|rooms)$/;
const TABLES = [
  'courses', 'terms', 'sections', 'course_groups', 'people', 'materials', 'files', 'meetings', 'sheets', 'slots', 'entries', 'class_plans',
  'bookings', 'outlets', 'calendars', 'history', 'closures', 'site_dates',
]; // prettier-ignore
const PAGES = ['/term', '/week', '/everything', '/checks', '/load', '/materials', '/office-hours', '/publish', '/calendars', '/courses', '/next', '/sign-up', '/subscribe', '/school']; // prettier-ignore
/** The first one teaches, and asks half of the time. */
const PEOPLE = ['maren', 'tobias', 'office', 'ivo', 'signe'];

function operations(): Operation[] {
  const { paths } = JSON.parse(readFileSync('src/app/api/openapi.json/description.json', 'utf8')) as {
    paths: Record<string, Record<string, Described>>;
  };
  return Object.entries(paths)
    .filter(([path]) => !LEFT_OUT.test(path))
    .flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, { parameters = [], requestBody }]) => ({
        method: method.toUpperCase(),
        path,
        parameters,
        body: requestBody?.content['application/json'].schema,
      })),
    );
}

async function idsIn(folder: string): Promise<Ids> {
  const sequelize = openDatabase(folder);
  const found = new Map<string, readonly string[]>();
  for (const table of TABLES) {
    const rows = await select<{ id: string }>({ sequelize }, `SELECT id FROM ${table} ORDER BY RANDOM() LIMIT 60`); // prettier-ignore
    found.set(table, rows.map(({ id }) => id)); // prettier-ignore
  }
  await sequelize.close();
  return found;
}

/** Files as they should be, to be damaged: a plan package, the outline of a course, a calendar, a roster. */
async function soundFiles(
  api: Api,
  course: string,
  standins: string,
): Promise<Readonly<Record<string, Uint8Array>>> {
  const octets = async (answer: Promise<Response>) => new Uint8Array(await (await answer).arrayBuffer());
  return {
    'plan.zip': await octets(api.call('GET', `/api/courses/${course}/plan`)),
    'days.ics': await octets(fetch(`${standins}/district/calendar.ics`)),
    'cartridge.zip': cartridge(SAMPLE),
    'roster.csv': new TextEncoder().encode('sourcedId,status,name\n1,active,Ivo\n'),
  };
}

type Given = Readonly<{ folder: string; random: () => number; requests: number }>;

export async function fuzz({ folder, random, requests }: Given): Promise<Report> {
  const server = await startServer({ PEMBIT_DATA: folder });
  const apis = await Promise.all(PEOPLE.map((name) => signedIn(server.url, `${name}@kittiwake.example`)));
  const faults: string[] = [];
  const answers = new Map<number, number>();
  const all = operations();
  let ids = await idsIn(folder);
  const files = Object.entries(await soundFiles(apis[0]!, ids.get('courses')![0]!, server.standinsUrl));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

  const noted = async (what: string, answer: Response): Promise<void> => {
    const text = await answer.text();
    answers.set(answer.status, (answers.get(answer.status) ?? 0) + 1);
    // A refusal of its own, such as that no meeting service is set up, is an answer; anything else is an error of the server.
    if (answer.status >= 500 && !text.includes('urn:pembit:problem:'))
      faults.push(`${answer.status} ${what}\n    ${server.output().slice(-1500)}`);
  };
  const one = async (): Promise<void> => {
    const api = random() < 0.5 ? apis[0]! : pick(apis);
    if (random() < 0.05) {
      const [name, octets] = pick(files);
      const as = name.endsWith('.ics') ? 'calendar' : 'package';
      const body = new Blob([damaged(octets, random) as BlobPart]);
      const answer = await api.send(`/api/files?name=${name}&as=${as}`, body);
      return noted(`upload of ${name}`, answer);
    }
    const { method, path, parameters, body } = pick(all);
    // What is deleted is not there for the others.
    if (method === 'DELETE' && random() < 0.8) return;
    const route = path.replace(/\{(\w+)\}/g, (_, name: string) =>
      encodeURIComponent(idFor(name === 'id' ? path.split('/')[2]! : name, ids, random)),
    );
    const choosing = { ids, random, wild: random() < 0.5 ? 0.02 : 0.4 };
    const query = new URLSearchParams(
      parameters.filter((p) => p.in === 'query').map((p) => [p.name, String(nasty(p.schema, choosing, p.name))]), // prettier-ignore
    );
    const sent = body && JSON.stringify(nasty(body, choosing));
    const cut = sent !== undefined && random() < 0.01 ? sent.slice(0, sent.length / 2) : sent;
    try {
      await noted(`${method} ${path} ${cut?.slice(0, 1500) ?? ''} ${query}`, await api.call(method, `${route}?${query}`, cut)); // prettier-ignore
    } catch (error) {
      faults.push(`no answer to ${method} ${path}: ${String(error)}`);
    }
  };

  const began = Date.now();
  const AT_ONCE = 8;
  for (let done = 0; done < requests; done += AT_ONCE) {
    await Promise.all(Array.from({ length: AT_ONCE }, one));
    if (done % 2000 === 0) ids = await idsIn(folder);
  }
  for (const [i, api] of apis.entries())
    for (const page of PAGES) {
      const answer = await api.call('GET', page);
      await answer.text();
      if (answer.status >= 500) faults.push(`afterwards ${answer.status} ${page} of ${PEOPLE[i]}`);
    }
  await server.stop();
  const sequelize = openDatabase(folder);
  const [sound] = await select<{ integrity_check: string }>({ sequelize }, 'PRAGMA integrity_check');
  const foreign = await select({ sequelize }, 'PRAGMA foreign_key_check');
  await sequelize.close();
  if (sound?.integrity_check !== 'ok') faults.push(`afterwards ${JSON.stringify(sound)}`);
  if (foreign.length > 0) faults.push(`afterwards ${foreign.length} broken references`);
  const counted = [...answers].sort(([a], [b]) => a - b).map(([status, n]) => `${n} of ${status}`);
  return {
    sentence: `Sent ${requests} requests to ${all.length} operations in ${Math.round((Date.now() - began) / 1000)} s: ${counted.join(', ')}; ${faults.length} errors of the server.`,
    faults,
  };
}

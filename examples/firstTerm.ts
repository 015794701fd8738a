// From an empty school to a published term in ten steps, with a client made of the API's own description:
//   npx openapi-typescript $PEMBIT_URL/api/openapi.json -o examples/pembit.d.ts
//   PEMBIT_URL=https://… PEMBIT_SETUP_CODE=… npx tsx examples/firstTerm.ts
// The setup code is in the log of a server that nobody has an account on. Prints the feed's address.
import createClient from 'openapi-fetch';
import type { paths } from './pembit';

const { PEMBIT_URL: baseUrl, PEMBIT_SETUP_CODE: code } = process.env;
const password = 'a long enough pass phrase for this';
const email = 'office@lantern-bay.example';

const anonymous = createClient<paths>({ baseUrl });

type Answered<T> = Readonly<{ data?: T; error?: unknown; response: Response }>;
/** What was answered; a refusal ends it with its sentence. */
function done<T>({ data, error, response }: Answered<T>): T {
  if (!response.ok || data === undefined) throw new Error(`${response.url}: ${JSON.stringify(error)}`);
  return data;
}

// 1. The school, its first term, its administrator.
const term = { name: 'Autumn 2026', startsOn: '2026-09-07', endsOn: '2026-12-11', tzid: 'America/Halifax' };
done(
  await anonymous.POST('/api/setup', {
    body: { school: 'Lantern Bay School', name: 'School office', email, password, code, term },
  }),
);

// 2. A token, so that no later step needs the password.
const signedIn = await anonymous.POST('/api/session', { body: { email, password } });
const cookie = signedIn.response.headers.get('set-cookie')!.split(';')[0]!;
const { token } = done(
  await createClient<paths>({ baseUrl, headers: { cookie } }).POST('/api/tokens', {
    body: {
      name: 'First term',
      scopes: ['write:school', 'write:people', 'write:plan', 'write:hours', 'write:outlets'],
    },
  }),
);
const api = createClient<paths>({ baseUrl, headers: { authorization: `Bearer ${token}` } });

// 3. Which term that is, and who I am.
const { items: terms } = done(await api.GET('/api/terms'));
const { items: people } = done(await api.GET('/api/people', { params: { query: { q: email } } }));
const [autumn, me] = [terms[0]!, people[0]!];

// 4. A course with two sections.
const course = done(
  await api.POST('/api/courses', {
    body: {
      term: autumn.id,
      instructor: me.id,
      code: 'RG 110',
      title: 'Rigging',
      tag: 'RG',
      color: 'sea',
      sections: [
        { name: 'A', week: 'Tue Thu 10-11:20' },
        { name: 'B', week: 'Mon Wed 14-15:20' },
      ],
    },
  }),
);

// 5. Days on which nobody comes.
done(
  await api.POST('/api/closures', {
    body: { term: autumn.id, name: 'Autumn break', firstDay: '2026-10-26', lastDay: '2026-10-30' },
  }),
);

// 6. Its students.
const path = { id: course.id };
const list =
  'Name,E-mail,Section\nIda Skerry,ida@lantern-bay.example,A\nNils Brevik,nils@lantern-bay.example,B';
done(await api.POST('/api/courses/{id}/roster', { params: { path }, body: { list } }));

// 7. What is taught in each class.
const topics = 'Knots that hold\nSplices\nBlocks and falls\nStanding rigging';
done(await api.POST('/api/courses/{id}/topics', { params: { path }, body: { list: topics, from: 1 } }));

// 8. Work, asked for once however often the request is sent.
const audience = [{ course: course.id }];
const plan = () =>
  api.POST('/api/entries', {
    body: { kind: 'assignment', title: 'Eye splice', due: '2026-10-15T17:00', audience },
    headers: { 'idempotency-key': 'eye-splice' },
  });
done(await plan());
const entry = done(await plan());

// 9. Times to come by.
done(
  await api.POST('/api/sheets', {
    body: {
      title: 'Office hours',
      audience,
      offering: {
        repeat: 'weekly',
        stretches: [{ date: '2026-10-14', start: '15:00', end: '16:00' }],
        length: 20,
        until: '2026-12-09',
      },
    },
  }),
);

// 10. A calendar that anybody may subscribe to.
const feed = done(
  await api.POST('/api/outlets', {
    body: { kind: 'feed', audience: 'public', name: 'Rigging', courses: [course.id] },
  }),
);
const { items: entries } = done(await api.GET('/api/entries', { params: { query: { uid: entry.uid } } }));
console.log(JSON.stringify({ feed: feed.url, entries: entries.map(({ title }) => title) }));

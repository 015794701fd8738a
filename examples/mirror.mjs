// Keeps a copy of the entries and classes that a token reads, and keeps it in step.
//   PEMBIT_URL=https://… PEMBIT_TOKEN=pembit_… PEMBIT_COPY=copy.json node examples/mirror.mjs
// It ends by itself after PEMBIT_STEPS answers, where that is said; begun again, it goes on where it was.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const {
  PEMBIT_URL,
  PEMBIT_TOKEN,
  PEMBIT_COPY = 'copy.json',
  PEMBIT_STEPS = 'Infinity',
  PEMBIT_WAIT = '60',
} = process.env;
const LISTS = ['entries', 'meetings'];

async function get(path) {
  const answer = await fetch(PEMBIT_URL + path, { headers: { authorization: `Bearer ${PEMBIT_TOKEN}` } });
  if (!answer.ok) throw Object.assign(new Error(`${path}: ${answer.status}`), { status: answer.status });
  return answer.json();
}

async function wholeList(list) {
  const found = {};
  for (let cursor = ''; cursor !== undefined;) {
    const { items, next } = await get(`/api/${list}?limit=500${cursor && `&cursor=${cursor}`}`);
    for (const item of items) found[item.uid] = item;
    cursor = next;
  }
  return found;
}

// The cursor first: what happens while the lists are read is told afterwards.
async function anew() {
  const { next } = await get('/api/events');
  const lists = await Promise.all(LISTS.map(async (list) => [list, await wholeList(list)]));
  return { next, ...Object.fromEntries(lists) };
}

async function step(copy) {
  const { events, next } = await get(`/api/events?after=${copy.next}&wait=${PEMBIT_WAIT}`);
  for (const { list, uid, change } of events.filter((event) => LISTS.includes(event.list))) {
    const [item] = change === 'gone' ? [] : (await get(`/api/${list}?uid=${encodeURIComponent(uid)}`)).items;
    if (item) copy[list][uid] = item;
    else delete copy[list][uid];
  }
  return { ...copy, next };
}

let copy = existsSync(PEMBIT_COPY) ? JSON.parse(readFileSync(PEMBIT_COPY, 'utf8')) : await anew();
for (let steps = Number(PEMBIT_STEPS); ; steps--) {
  writeFileSync(PEMBIT_COPY, JSON.stringify(copy));
  if (steps <= 0) break;
  // A cursor that is not known any more: from the beginning.
  copy = await step(copy).catch((error) => (error.status === 410 ? anew() : Promise.reject(error)));
}

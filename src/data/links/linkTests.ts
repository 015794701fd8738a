import { Temporal } from 'temporal-polyfill';
import type { LinkState, LinkTest } from '@/core/links/linkTest';
import type { Reader, Writer } from '../reader';
import { select } from '../database';
import { elements } from '../dialect';
import { upsertRows } from '../statements';

type Row = Readonly<{
  url: string;
  state: string;
  http_status: number | null;
  leads_to: string | null;
  reason: string;
  milliseconds: number;
  tested_at: number;
}>;

const toTest = (row: Row): LinkTest => ({
  url: row.url,
  state: row.state as LinkState,
  ...(row.http_status === null ? {} : { status: row.http_status }),
  ...(row.leads_to === null ? {} : { leadsTo: row.leads_to }),
  reason: row.reason,
  milliseconds: row.milliseconds,
  testedAt: Temporal.Instant.fromEpochMilliseconds(row.tested_at),
});

/** What is known of some addresses, by address. */
export async function linkTestsOf(reader: Reader, urls: Iterable<string>): Promise<Map<string, LinkTest>> {
  const asked = [...new Set(urls)];
  const rows =
    asked.length === 0
      ? []
      : await select<Row>(reader, 'SELECT * FROM link_tests WHERE url IN (:asked)', { asked });
  return new Map(rows.map((row) => [row.url, toTest(row)]));
}

export async function saveLinkTests(writer: Writer, tests: readonly LinkTest[]): Promise<void> {
  const rows = tests.map(({ status, leadsTo, testedAt, url, state, reason, milliseconds }) => ({
    url,
    state,
    http_status: status ?? null,
    leads_to: leadsTo ?? null,
    reason,
    milliseconds,
    tested_at: testedAt.epochMilliseconds,
  }));
  const values = ['state', 'http_status', 'leads_to', 'reason', 'milliseconds', 'tested_at'];
  // One by one: an address that stands twice among them counts as it was tested last.
  for (const row of rows) await upsertRows(writer, 'link_tests', { rows: [row], key: ['url'], values });
}

const DAY = 24 * 3_600_000;

/**
 * Addresses whose turn it is: what was never tested; what an entry of the next seven days leads to, daily; everything else
 * weekly. Archived courses are left alone.
 */
export async function linksToTest(reader: Reader, nowMs: number, most: number): Promise<string[]> {
  const rows = await select<{ url: string }>(
    reader,
    `WITH used (url, soon) AS (
       SELECT links.url, CASE WHEN entries.start_at BETWEEN :nowMs AND :soonMs THEN 1 ELSE 0 END FROM links JOIN entries ON entries.id = links.entry_id
         JOIN entry_audiences ON entry_audiences.entry_id = entries.id
         JOIN courses ON courses.id = entry_audiences.course_id WHERE courses.archived_at IS NULL
       UNION SELECT materials.url, 0 FROM materials JOIN courses ON courses.id = materials.course_id
         WHERE courses.archived_at IS NULL
       UNION SELECT link.value ->> 'url', 0 FROM class_plans
         JOIN courses ON courses.id = class_plans.course_id, ${elements(reader, 'class_plans.links', 'link')}
         WHERE courses.archived_at IS NULL)
     SELECT DISTINCT used.url FROM used LEFT JOIN link_tests ON link_tests.url = used.url
     WHERE used.url LIKE 'http%' AND (tested_at IS NULL OR tested_at < :weekMs OR (used.soon = 1 AND tested_at < :dayMs))
     LIMIT :most`,
    { nowMs, soonMs: nowMs + 7 * DAY, weekMs: nowMs - 7 * DAY, dayMs: nowMs - DAY, most },
  );
  return rows.map(({ url }) => url);
}

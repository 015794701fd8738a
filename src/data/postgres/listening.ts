import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { APPLICATION } from '../database';
import type { Commit } from './commits';
import { CHANNEL } from './commits';

const AGAIN_MS = 500;
/** A connection that the network has dropped without a word is found out within so long. */
const CHECK_MS = 5000;

type Hearing = Readonly<{
  heard: (commit: Commit) => void;
  /** The connection is there, and nothing that is committed from now on is missed; `number` is the last commit's. */
  begins: (number: number) => void;
  /** From now on commits are missed. */
  lost: () => void;
}>;

export type Listening = Readonly<{ close: () => Promise<void> }>;

/** Hears what other processes commit, over a connection of its own that is made anew whenever it is lost. Resolves when it first stands. */
export async function listen(url: string, { heard, begins, lost }: Hearing): Promise<Listening> {
  let ended = false;
  let client: pg.Client | undefined;

  const connect = async (): Promise<void> => {
    const next = new pg.Client({
      connectionString: url,
      application_name: APPLICATION,
      keepAlive: true,
      query_timeout: CHECK_MS,
    });
    let over = false;
    const fall = () => {
      if (over) return;
      over = true;
      clearInterval(check);
      if (ended) return;
      lost();
      next.end().catch(() => undefined);
      void connectAgain();
    };
    const check = setInterval(() => void next.query('SELECT 1').catch(fall), CHECK_MS);
    check.unref();
    next.on('error', fall);
    next.on('end', fall);
    next.on('notification', ({ payload }) => {
      if (payload) heard(JSON.parse(payload) as Commit);
    });
    try {
      await next.connect();
      await next.query(`LISTEN ${CHANNEL}`);
      const { rows } = await next.query<{ value: string }>(
        `SELECT value FROM stamps WHERE scope = 'commits'`,
      );
      client = next;
      // It was closed meanwhile.
      if (ended) return void (await next.end());
      begins(Number(rows[0]?.value ?? 0));
    } catch (error) {
      over = true;
      clearInterval(check);
      await next.end().catch(() => undefined);
      throw error;
    }
  };

  const connectAgain = async (): Promise<void> => {
    while (!ended) {
      try {
        return await connect();
      } catch {
        await sleep(AGAIN_MS, undefined, { ref: false });
      }
    }
  };

  await connect();
  return {
    close: async () => {
      ended = true;
      await client?.end().catch(() => undefined);
    },
  };
}

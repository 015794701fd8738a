import type { Api } from './api';

/** Waits until each outside calendar with an address has been read: until then what one sees may change by itself. */
export async function calendarsAreRead(api: Api): Promise<void> {
  for (let unread = true; unread;) {
    const calendars = (await (await api.call('GET', '/api/calendars')).json()) as {
      url: string;
      readAt?: string;
    }[];
    unread = calendars.some(({ url, readAt }) => url !== '' && readAt === undefined);
    if (unread) await new Promise((resolve) => setTimeout(resolve, 200));
  }
}

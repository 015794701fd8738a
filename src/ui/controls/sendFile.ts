import { frameTexts } from '@/core/texts/frame';

export type SentFile = Readonly<{ id: string; name: string; mediaType: string; size: number }>;
export type Sent = Readonly<{ ok: true; value: SentFile }> | Readonly<{ ok: false; message: string }>;

/** Uploads a file and says how much of it has arrived; `fetch` cannot tell. */
export function sendFile(
  file: File,
  {
    as = 'file',
    onPercent,
    signal,
  }: Readonly<{
    as?: 'file' | 'package' | 'calendar' | 'schedule';
    onPercent?: (percent: number) => void;
    signal?: AbortSignal;
  }>,
): Promise<Sent> {
  return new Promise((done) => {
    const request = new XMLHttpRequest();
    const query = new URLSearchParams({ name: file.name, as });
    request.open('POST', `/api/files?${query}`);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) =>
      onPercent?.(Math.floor((100 * loaded) / Math.max(1, total)));
    const fail = (message: string) => done({ ok: false, message });
    request.onload = () => {
      const answer = request.response as
        (SentFile & { title?: string; errors?: { message: string }[] }) | null;
      if (request.status === 201 && answer) done({ ok: true, value: answer });
      else fail(answer?.errors?.[0]?.message ?? answer?.title ?? frameTexts.offline);
    };
    request.onerror = () => fail(frameTexts.offline);
    request.onabort = () => fail(frameTexts.stopped);
    signal?.addEventListener('abort', () => request.abort());
    request.send(file);
  });
}

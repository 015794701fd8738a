import { createServer } from 'node:http';
import type { IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';

export type Delivery = Readonly<{ headers: IncomingHttpHeaders; body: string }>;

export type Receiver = Readonly<{
  url: string;
  /** What has arrived, in its order. */
  deliveries: Delivery[];
  /** What it answers from now on; 0: nothing at all. */
  answerWith: (status: number, headers?: Readonly<Record<string, string>>) => void;
  close: () => Promise<void>;
}>;

/** Another's program on this machine, to which something is delivered. */
export async function newReceiver(): Promise<Receiver> {
  const deliveries: Delivery[] = [];
  let status = 204;
  let headers: Readonly<Record<string, string>> = {};
  const server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      deliveries.push({ headers: request.headers, body: Buffer.concat(chunks).toString('utf8') });
      if (status === 0) return void request.socket.destroy();
      response.writeHead(status, headers);
      response.end();
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/changes`,
    deliveries,
    answerWith: (next, given = {}) => {
      status = next;
      headers = given;
    },
    close: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

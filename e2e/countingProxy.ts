import {
  createServer,
  request,
  type IncomingMessage,
  type Server,
  type ServerResponse,
} from 'node:http';
import { brotliCompressSync } from 'node:zlib';

/** One answer as it crossed the wire. */
export interface Crossing {
  path: string;
  /** Bytes of headers and body, both ways. */
  bytes: number;
  endedAt: number;
}

export interface CountingProxy {
  address: string;
  crossings: Crossing[];
  /** Answers of its own in place of the server's, by path. */
  standIns: Map<string, (given: unknown, url: URL) => unknown>;
  close: () => Promise<void>;
}

const headerBytes = (raw: readonly string[]) =>
  raw.reduce((sum, part) => sum + part.length + 2, 20);

/** Stands between the browser and the server and counts what crosses, whoever in the browser asked for it. */
export async function countingProxy(target: string, port: number): Promise<CountingProxy> {
  const crossings: Crossing[] = [];
  const standIns: CountingProxy['standIns'] = new Map();
  const goal = new URL(target);

  function answer(incoming: IncomingMessage, outgoing: ServerResponse): void {
    const url = new URL(incoming.url ?? '/', target);
    const standIn = standIns.get(url.pathname);
    const headers = { ...incoming.headers, host: goal.host };
    if (standIn) headers['accept-encoding'] = 'identity';
    const asked = request(
      {
        host: goal.hostname,
        port: goal.port,
        method: incoming.method,
        path: incoming.url,
        headers,
      },
      (given) => {
        const pieces: Buffer[] = [];
        given.on('data', (piece: Buffer) => pieces.push(piece));
        given.on('end', () => {
          let body: Buffer = Buffer.concat(pieces);
          const passed = { ...given.headers };
          delete passed['transfer-encoding'];
          if (standIn && given.statusCode === 200) {
            body = brotliCompressSync(
              JSON.stringify(standIn(JSON.parse(body.toString()), url)),
              // As the server compresses what it makes up.
              { params: { 0: 4 } },
            );
            passed['content-encoding'] = 'br';
            delete passed.etag;
          }
          passed['content-length'] = String(body.length);
          outgoing.writeHead(given.statusCode ?? 502, passed);
          outgoing.end(body, () =>
            crossings.push({
              path: url.pathname,
              bytes: headerBytes(incoming.rawHeaders) + headerBytes(given.rawHeaders) + body.length,
              endedAt: Date.now(),
            }),
          );
        });
      },
    );
    asked.on('error', () => outgoing.destroy());
    incoming.pipe(asked);
  }

  const server: Server = createServer(answer);
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  return {
    address: `http://127.0.0.1:${port}`,
    crossings,
    standIns,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

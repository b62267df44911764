import type { AddressInfo } from 'node:net';
import { createServer, type Socket, connect as toServer } from 'node:net';

/** The line between a browser and its server, to be cut and mended. */
export interface Line {
  readonly url: string;
  /** Nothing gets through any more; what is under way breaks off. */
  readonly cut: () => void;
  readonly mend: () => void;
  readonly close: () => Promise<void>;
}

/** Opens a line to the server at this address. */
export async function openLine(address: string): Promise<Line> {
  const { hostname, port } = new URL(address);
  const open = new Set<Socket>();
  let whole = true;
  const relay = createServer((browser) => {
    if (!whole) return browser.destroy();
    const server = toServer(Number(port), hostname);
    for (const end of [browser, server]) {
      open.add(end);
      end.on('error', () => {});
      end.on('close', () => {
        open.delete(end);
        browser.destroy();
        server.destroy();
      });
    }
    browser.pipe(server).pipe(browser);
    return undefined;
  });
  await new Promise<void>((done) => relay.listen(0, '127.0.0.1', done));
  return {
    url: `http://127.0.0.1:${(relay.address() as AddressInfo).port}`,
    cut: () => {
      whole = false;
      for (const end of open) end.destroy();
    },
    mend: () => {
      whole = true;
    },
    close: () =>
      new Promise((done) => {
        for (const end of open) end.destroy();
        relay.close(() => done());
      }),
  };
}

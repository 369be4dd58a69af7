import { createServer, type AddressInfo } from 'node:net';

/** A port of this machine that nobody listens on. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address() as AddressInfo;
      s.close(() => resolve(port));
    });
  });

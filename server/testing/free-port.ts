import net from 'node:net';
import type { AddressInfo } from 'node:net';

/** A port of loopback that nothing listens on. */
export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

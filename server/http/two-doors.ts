import { createServer as createHttp } from 'node:http';
import type { RequestListener, Server as HttpServer } from 'node:http';
import { createServer as createHttps } from 'node:https';
import type { Server as HttpsServer } from 'node:https';
import { createServer } from 'node:net';
import type { Server, Socket } from 'node:net';
import { isLoopback } from './loopback';

/** First byte of a TLS handshake record (RFC 8446, 5.1: ContentType handshake, 22). */
const HANDSHAKE = 22;
/** Who says nothing for so long is let go. */
const SILENT_MS = 10_000;

/** What is behind one port. */
export interface Doors {
  /** The shop: over TLS from everywhere, and plainly from its own computer, where nothing travels. */
  readonly shop: RequestListener;
  /** What anybody else hears who speaks plainly: how to trust this shop, and nothing of it. */
  readonly plain: RequestListener;
  readonly key: string;
  readonly cert: string;
  /** Whether an address is the shop's own computer; its loopback where left out. */
  readonly isOwn?: (address: string | undefined) => boolean;
}

/** One port for both: what comes is told apart by its first byte, so that an address typed without "s" leads on. */
export class TwoDoors {
  private readonly tls: HttpsServer;
  private readonly own: HttpServer;
  private readonly others: HttpServer;
  private readonly port: Server;

  private readonly isOwn: (address: string | undefined) => boolean;

  constructor({ shop, plain, key, cert, isOwn = isLoopback }: Doors) {
    this.isOwn = isOwn;
    // TLS 1.2 at least (RFC 9325, 3.1.1).
    this.tls = createHttps({ key, cert, minVersion: 'TLSv1.2', handshakeTimeout: SILENT_MS }, shop);
    this.own = createHttp(shop);
    this.others = createHttp(plain);
    this.port = createServer((socket) => this.tell(socket));
    // They never listen themselves: told so, they watch over slow requests all the same.
    for (const server of [this.tls, this.own, this.others]) server.emit('listening');
    // A handshake that fails, such as of a tablet that does not trust yet, is its own affair.
    this.tls.on('tlsClientError', (_error, socket) => socket.destroy());
  }

  private tell(socket: Socket): void {
    socket.on('error', () => socket.destroy());
    socket.setTimeout(SILENT_MS, () => socket.destroy());
    socket.once('readable', () => {
      const first = socket.read(1) as Buffer | null;
      // Closed without a word.
      if (first === null) return;
      socket.unshift(first);
      socket.setTimeout(0);
      socket.removeAllListeners('timeout');
      const plain = this.isOwn(socket.remoteAddress) ? this.own : this.others;
      (first[0] === HANDSHAKE ? this.tls : plain).emit('connection', socket);
    });
  }

  listen(port: number, host: string): Promise<void> {
    return new Promise((resolve, reject) => {
      this.port.once('error', reject);
      this.port.listen(port, host, () => resolve());
    });
  }

  /** A renewed certificate, from the next handshake on. */
  renew({ key, cert }: Pick<Doors, 'key' | 'cert'>): void {
    this.tls.setSecureContext({ key, cert, minVersion: 'TLSv1.2' });
  }

  close(done: () => void): void {
    for (const server of [this.tls, this.own, this.others]) server.close();
    this.port.close(() => done());
  }
  closeIdleConnections(): void {
    for (const server of [this.tls, this.own, this.others]) server.closeIdleConnections();
  }
  closeAllConnections(): void {
    for (const server of [this.tls, this.own, this.others]) server.closeAllConnections();
  }
}

import net from 'node:net';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../app';
import { connect } from './connect';

/** A message of the database's own protocol (PostgreSQL manual, 55.7): its letter, its length, its bytes. */
const message = (letter: string, body: Buffer): Buffer => {
  const head = Buffer.alloc(5);
  head.write(letter);
  head.writeInt32BE(body.length + 4, 1);
  return Buffer.concat([head, body]);
};
const SIGNED_IN = message('R', Buffer.alloc(4));
const READY = message('Z', Buffer.from('I'));
const ENDING = message('E', Buffer.from('SFATAL\0C57P01\0Mterminating connection due to administrator command\0\0'));

describe('a database that closes a connection just as it opens', () => {
  it('ends no process: the query fails, and the answer is 503', async () => {
    for (const then of ['end', 'destroy', 'reset'] as const) {
      const server = net.createServer((socket) => {
        socket.on('error', () => undefined);
        socket.once('data', () => {
          socket.write(Buffer.concat([SIGNED_IN, READY, ENDING]));
          if (then === 'end') socket.end();
          else if (then === 'destroy') setTimeout(() => socket.destroy(), 0);
          else socket.resetAndDestroy();
        });
      });
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
      const db = connect(`postgres://a:b@127.0.0.1:${(server.address() as AddressInfo).port}/x`);
      const app = createApp({ db, logger: pino({ level: 'silent' }) });
      // An error that nobody hears would fail this spec as uncaught.
      const answers = await Promise.all(Array.from({ length: 8 }, () => supertest(app).get('/api/health')));
      expect(new Set(answers.map((answer) => answer.status)))
        .withContext(then)
        .toEqual(new Set([503]));
      await db.sequelize.close();
      await new Promise((resolve) => server.close(resolve));
    }
  });
});

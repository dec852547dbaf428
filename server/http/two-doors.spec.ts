import http from 'node:http';
import https from 'node:https';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import tls from 'node:tls';
import { fingerprintOf, ownCertificates } from '../../tools/certificates';
import { TwoDoors } from './two-doors';
import { freePort } from '../testing/free-port';

/** What is answered at the port: status, words, and whether it came over TLS. */
function ask(url: string, ca: string, agent?: http.Agent): Promise<string> {
  return new Promise((resolve, reject) => {
    // A connection of its own each time, where none is given.
    const options = { ...(url.startsWith('https') && { ca }), agent: agent ?? false };
    const request = (url.startsWith('https') ? https : http).get(url, options, (answer) => {
      let text = '';
      answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
      answer.on('end', () => resolve(text));
    });
    request.on('error', reject);
  });
}

describe('one port for those who speak over TLS and those who do not', () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-tls-'));
  const names = ['127.0.0.1', 'localhost', '[::1]', '192.168.1.7', 'shop.local'];
  let authority: string;
  let doors: TwoDoors;
  let port: number;
  let elsewhere = false;
  beforeAll(async () => {
    const made = await ownCertificates(folder, names);
    authority = made.authority;
    doors = new TwoDoors({
      ...made,
      shop: (request, response) => response.end(`shop ${'encrypted' in request.socket ? 'over TLS' : 'plainly'}`),
      plain: (_request, response) => response.end('how to trust'),
      isOwn: () => !elsewhere,
    });
    port = await freePort();
    await doors.listen(port, '127.0.0.1');
  });
  afterAll(async () => {
    await new Promise<void>((resolve) => {
      doors.close(resolve);
      doors.closeAllConnections();
    });
    rmSync(folder, { recursive: true, force: true });
  });

  it('tells them apart: the shop over TLS, and plainly on its own computer', async () => {
    expect(await ask(`https://127.0.0.1:${port}/`, authority)).toBe('shop over TLS');
    expect(await ask(`https://localhost:${port}/`, authority)).toBe('shop over TLS');
    expect(await ask(`http://127.0.0.1:${port}/`, authority)).toBe('shop plainly');
    // Many at once, and one after the other on one connection.
    const agent = new https.Agent({ keepAlive: true, maxSockets: 1, ca: authority });
    const asked = Array.from({ length: 20 }, () => ask(`https://127.0.0.1:${port}/`, authority, agent));
    expect(new Set(await Promise.all(asked))).toEqual(new Set(['shop over TLS']));
    agent.destroy();
  });

  it('from elsewhere nobody who speaks plainly hears anything of the shop', async () => {
    elsewhere = true;
    try {
      expect(await ask(`http://127.0.0.1:${port}/api/rack`, authority)).toBe('how to trust');
      expect(await ask(`https://127.0.0.1:${port}/api/rack`, authority)).toBe('shop over TLS');
    } finally {
      elsewhere = false;
    }
  });

  it('TLS older than 1.2 is not spoken', async () => {
    const spoken = (version: 'TLSv1.1' | 'TLSv1.2'): Promise<string | null> =>
      new Promise((resolve, reject) => {
        const to = { port, host: '127.0.0.1', ca: authority, servername: 'localhost', ciphers: 'DEFAULT@SECLEVEL=0' };
        const socket = tls.connect({ ...to, minVersion: version, maxVersion: version }, () => {
          resolve(socket.getProtocol());
          socket.end();
        });
        socket.on('error', reject);
      });
    await expectAsync(spoken('TLSv1.1')).toBeRejectedWithError(/protocol version|alert number 70/);
    expect(await spoken('TLSv1.2')).toBe('TLSv1.2');
  });

  it('who does not trust the authority gets nothing, and the port goes on', async () => {
    await expectAsync(ask(`https://127.0.0.1:${port}/`, '')).toBeRejected();
    const broken = net.connect(port, '127.0.0.1', () => broken.end(Buffer.from([22, 3, 1, 0, 5, 99, 0, 0, 1, 0])));
    broken.resume();
    await new Promise((resolve) => broken.on('close', resolve).on('error', resolve));
    expect(await ask(`https://127.0.0.1:${port}/`, authority)).toBe('shop over TLS');
  });

  it('the authority stays and the certificate is renewed in time, for other names, or where a start was killed', async () => {
    const first = await ownCertificates(folder, names);
    expect([first.isNew, first.authority]).toEqual([false, authority]);
    const again = await ownCertificates(folder, names);
    expect(again.cert).toBe(first.cert);
    const inTime = Date.now() + 368 * 86_400_000;
    const renewed = await ownCertificates(folder, names, inTime);
    expect([renewed.cert === first.cert, renewed.authority]).toEqual([false, authority]);
    const moved = await ownCertificates(folder, [...names, '10.0.0.9']);
    expect(moved.cert).not.toBe(renewed.cert);
    rmSync(path.join(folder, 'server.key'));
    const mended = await ownCertificates(folder, names);
    expect(mended.authority).toBe(authority);
    doors.renew(mended);
    expect(await ask(`https://127.0.0.1:${port}/`, authority)).toBe('shop over TLS');
    // An authority at its end is another, and says so.
    const late = await ownCertificates(folder, names, Date.now() + 3600 * 86_400_000);
    expect([late.isNew, fingerprintOf(late.authority) === fingerprintOf(authority)]).toEqual([true, false]);
    for (const file of ['authority.key', 'server.key']) expect(statSync(path.join(folder, file)).mode & 0o077).toBe(0);
  });
});

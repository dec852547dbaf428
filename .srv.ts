import { runServer } from './server/main';
import { WEB_FOLDER } from './tools/web-build';
import { readFileSync } from 'node:fs';
const base = readFileSync('/tmp/pg.url', 'utf8');
import { Sequelize } from 'sequelize';
const s = new Sequelize(base, { dialect: 'postgres', logging: false });
await s.query('DROP DATABASE IF EXISTS look WITH (FORCE)');
await s.query('CREATE DATABASE look');
await s.close();
const u = new URL(base);
u.pathname = '/look';
const server = await runServer({
  databaseUrl: u.href,
  host: '127.0.0.1',
  port: 4900,
  webFolder: WEB_FOLDER,
  demo: true,
});
console.log(server.address);

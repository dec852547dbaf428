import { runServer } from '../server/main';
import { endWith } from './say';
import { WEB_FOLDER } from './web-build';

/** The API alone, for `npm run dev`, which restarts it when its sources change. */
runServer({
  databaseUrl: process.env['DATABASE_URL'] ?? '',
  host: '127.0.0.1',
  port: Number(process.env['ODONTIS_API_PORT']),
  webFolder: WEB_FOLDER,
  demo: true,
})
  .then((server) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.on(signal, () => void server.close().then(() => process.exit(0)));
  })
  .catch(endWith);

import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { routeOf } from './needs';

const ID_HEADER = 'X-Request-Id';

/** The route as the table writes it: numbers of records and what was looked for stand in no log. */
function routeIn(url: string, method: string): string {
  const path = url.split('?')[0] ?? '';
  if (!path.startsWith('/api/')) return path;
  return routeOf(method, path.slice('/api'.length))?.route ?? `${method} /api`;
}

/**
 * A JSON line for every request under /api: when, which route, how it ended, how long it took, under an id that the
 * answer carries as well. Nothing of who asked, nothing of what was sent.
 */
export const requestLog = (logger: Logger) =>
  pinoHttp({
    logger,
    genReqId: (_request: IncomingMessage, response: ServerResponse) => {
      const id = randomUUID();
      response.setHeader(ID_HEADER, id);
      return id;
    },
    autoLogging: { ignore: (request) => !(request.url ?? '').startsWith('/api/') },
    customLogLevel: (_request, response) => (response.statusCode >= 500 ? 'error' : 'info'),
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({ id, route: routeIn(url, method) }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      // What went wrong is told once, without anything typed, where it became a refusal.
      err: () => undefined,
    },
  });

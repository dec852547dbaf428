import { readFileSync } from 'node:fs';
import path from 'node:path';
import { Router } from 'express';
import { marked } from 'marked';

const FILE = path.resolve('docs', 'errors.md');

/** Where every refusal's `type` leads: docs/errors.md as a page, a place for each code. */
export function errorsPage(): Router {
  const router = Router();
  const body = String(marked.parse(readFileSync(FILE, 'utf8'), { async: false })).replace(
    /<h2><code>([\w-]+)<\/code><\/h2>/g,
    '<h2 id="$1"><code>$1</code></h2>',
  );
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Refusals · Odontis</title><style>body{font:16px/1.5 sans-serif;max-width:760px;margin:0 auto;padding:24px}
h2:target{background:#dfe0f3}</style></head><body>${body}</body></html>`;
  router.get('/docs/errors', (_request, response) => {
    response.type('html').send(html);
  });
  return router;
}

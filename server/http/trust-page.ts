import express, { Router } from 'express';
import type { Express } from 'express';
import helmet from 'helmet';
import { nameOf } from './only-ours';
import { ownNames } from './own-names';
import { qrCode } from './qr-code';

/** What a tablet needs to trust this shop, once. */
export interface Trust {
  /** The shop's own authority, DER. */
  readonly authority: Buffer;
  /** Its fingerprint, as two people compare it. */
  readonly fingerprint: string;
  /** Where the shop is opened from elsewhere, such as https://192.168.1.7:4600. */
  readonly addresses: readonly string[];
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign);

/** Where somebody who speaks plainly is told how to go on. */
export const TRUST_PATH = '/trust';
const FILE = '/odontis-authority.crt';

function pageOf({ fingerprint, addresses }: Trust): string {
  const [first = ''] = addresses;
  const plain = `${first.replace(/^https/, 'http')}${TRUST_PATH}`;
  const code = qrCode(plain);
  const links = addresses.map((at) => `<li><a href="${escaped(at)}">${escaped(at)}</a></li>`).join('');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Let a tablet in · Odontis</title><style>
body{font:17px/1.5 sans-serif;margin:0;padding:24px;max-width:720px;color:#1c1f24;background:#f1efe6}
h1{font-size:26px;margin:0 0 12px}li{margin:10px 0}code{font-size:14px;overflow-wrap:anywhere}
.code{float:right;width:190px;margin:0 0 12px 20px}.code svg{width:100%;height:auto}a{color:#35358f}
@media (max-width:560px){.code{float:none;margin:0 0 16px}}
@media (prefers-color-scheme:dark){body{color:#e9e6da;background:#1c1f24}a{color:#aab}.code{background:#fff;padding:8px}}
</style></head><body><div class="code">${code}</div>
<h1>Let a tablet or telephone in</h1>
<ol>
<li>On it, point the camera at this code, or open <strong>${escaped(plain)}</strong>.</li>
<li><a href="${FILE}">Take this shop’s certificate</a>, and let the tablet install it as an authority for web sites: in its
settings, under security or profiles, where certificates are installed and trusted.</li>
<li>Compare: its fingerprint (SHA-256) is <code>${escaped(fingerprint)}</code>. The shop’s computer shows the same where it was started.</li>
<li>Open the shop and sign in:<ul>${links}</ul></li>
</ol>
<p>It vouches for this shop’s computer and for nothing else. Whoever has this computer could speak for others with it:
take it out of a tablet that leaves the shop.</p></body></html>`;
}

/** The page and the certificate, for whoever asks. */
export function trustRoutes(trust: Trust): Router {
  const router = Router();
  const html = pageOf(trust);
  router.get(FILE, (_request, response) => {
    response.type('application/x-x509-ca-cert').send(trust.authority);
  });
  router.get(TRUST_PATH, (_request, response) => {
    response.type('html').setHeader('Cache-Control', 'no-store').send(html);
  });
  return router;
}

/** What is said to somebody who speaks plainly from elsewhere: how to trust this shop, and nothing of it. */
export function trustPage(trust: Trust, host: string): Express {
  const app = express();
  app.disable('x-powered-by');
  const names = ownNames(host);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          styleSrc: ["'unsafe-inline'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(trustRoutes(trust));
  // Any other address leads there, of this computer's names alone.
  app.use((request, response) => {
    if (request.method === 'GET' && names.has(nameOf(request.get('host') ?? ''))) response.redirect(302, TRUST_PATH);
    else response.status(421).end();
  });
  return app;
}

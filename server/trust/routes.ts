import { createHash } from 'node:crypto';
import express, { type Router } from 'express';

/** What the page that leads through trusting the workshop's authority needs. */
export interface Trust {
  authorityDer: Uint8Array;
  /** where the app is reached once it is trusted */
  addresses: readonly string[];
}

/** The page that leads through installing and trusting the authority, and the authority as a file. */
export function trustRoutes({ authorityDer, addresses }: Trust): Router {
  const router = express.Router();
  const print = createHash('sha256').update(authorityDer).digest('hex').toUpperCase();
  const grouped = (print.match(/../g) ?? []).join(' ');
  router.get('/', (_request, response) => void response.type('html').send(page(grouped, addresses)));
  router.get('/page.css', (_request, response) => void response.type('css').send(STYLE));
  router.get('/vumble-authority.crt', (_request, response) => {
    response
      .type('application/x-x509-ca-cert')
      .setHeader('content-disposition', 'attachment; filename="vumble-authority.crt"');
    response.send(Buffer.from(authorityDer));
  });
  return router;
}

/** The app's ground, ink and petrol; a phone that trusts nothing yet fetches as little as can be. */
const STYLE = `:root { color-scheme: light dark; --ground: #f3efe7; --deck: #fbf9f4; --line: #d3cbbb; --ink: #15202a;
  --mute: #46535e; --petrol: #0a6266; }
@media (prefers-color-scheme: dark) {
  :root { --ground: #0d141c; --deck: #131d27; --line: #2a3a49; --ink: #e9eff3; --mute: #a9bac7; --petrol: #45c6c1; }
}
body { margin: 0; background: var(--ground); color: var(--ink); font: 17px/1.5 system-ui, sans-serif; }
main { box-sizing: border-box; max-width: 720px; margin: 0 auto; padding: 20px; }
h1 { font-size: 1.5rem; line-height: 1.2; }
ol { background: var(--deck); border: 1px solid var(--line); border-radius: 22px 22px 6px 6px; padding: 16px 16px 16px 40px; }
li { margin: 8px 0; }
ul { padding-left: 20px; }
a { color: var(--petrol); display: block; padding: 10px 0; }
small { color: var(--mute); overflow-wrap: anywhere; }
`;

function page(fingerprint: string, addresses: readonly string[]): string {
  const links = addresses.map((address) => `<li><a href="${address}">${address}</a></li>`).join('');
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Trust this workshop</title>
<link rel="icon" href="/mark.svg" type="image/svg+xml">
<link rel="stylesheet" href="/trust/page.css">
</head>
<body>
<main>
<h1>Trust this workshop’s Vumble</h1>
<p>A phone opens its camera and microphone, keeps a page for a yard without a network, and installs it, only where it trusts
who serves it. A warning that is clicked away is not enough. Once on each phone:</p>
<ol>
<li><a href="/trust/vumble-authority.crt">Fetch the workshop’s certificate</a> On the workshop’s own network only.</li>
<li>Compare: its SHA-256 begins with <b>${fingerprint.slice(0, 23)}</b>, the same as in the window Vumble was started in.</li>
<li>Install it.
<ul>
<li>On a phone that asks for a kind of certificate: Settings, Security, Encryption and credentials, Install a certificate,
CA certificate, then the file that was fetched.</li>
<li>On a phone that speaks of a profile: Settings, Profile downloaded, Install; then Settings, General, About, Certificate
trust settings, and switch it on for “Vumble workshop authority”.</li>
</ul></li>
<li>Open Vumble:<ul>${links}</ul></li>
</ol>
<p>Jobs are kept in the browser by the address they were made under: those made under another address do not show under
this one. They are not lost: open the old address, hand them on as a file or back them up, and take them over here.</p>
<p>Whoever has the key of this authority could pretend to be any site to phones that trust it. It lies on the machine that
runs Vumble, for its owner alone. Take the certificate off a phone that leaves the workshop.</p>
<p><small>SHA-256 ${fingerprint}</small></p>
</main>
</body>
</html>
`;
}

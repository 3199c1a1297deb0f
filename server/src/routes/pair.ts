import { matching, object, words } from '@fomrik/core/rule';
import { type Response, Router, urlencoded } from 'express';
import { COOKIE } from '../admission';
import { checked } from '../check';
import { HttpError } from '../errors';
import type { Pairing } from '../pairing';

const YEAR_MS = 365 * 86_400_000;

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** The one page a device sees before it is paired: plain, with nothing to fetch beside it. */
const page = (code: string, said: string, plain: boolean): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Pair with Fomrik</title>
<style>body{font:18px/1.5 system-ui,sans-serif;max-width:26rem;margin:12vh auto;padding:0 1rem;color:#26211c;background:#f4efe6}
label{display:block;margin:1rem 0 .2rem}input{font:inherit;width:100%;padding:.5rem;box-sizing:border-box;border:1px solid #26211c;background:#fff}
button{font:inherit;margin-top:1.2rem;padding:.6rem 1.2rem;background:#12595a;color:#fff;border:0}.bad{color:#a3220f;font-weight:600}</style></head>
<body><main><h1>Pair with Fomrik</h1>
<p>Type the six digits shown on the computer that runs Fomrik.</p>
${said === '' ? '' : `<p class="bad" role="alert">${escaped(said)}</p>`}
<form method="post" action="/pair">
<label for="code">Code</label><input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" pattern="[0-9]{6}" maxlength="6" required value="${escaped(code)}">
<label for="name">Name of this device</label><input id="name" name="name" maxlength="60" value="Tablet" required>
<button type="submit">Pair</button></form>
${plain ? '<p>This connection is not encrypted: whoever is on the same network can read along. Use it at home, not at an event.</p>' : ''}
</main></body></html>`;

const formRule = object({ code: matching(/^\d{6}$/, 'six digits'), name: words(60) });

/** How a device of the network is let in. */
export function pairRoutes(pairing: Pairing): Router {
  const routes = Router();
  const show = (res: Response, plain: boolean, code: string, said: string): void =>
    void res
      .setHeader('cache-control', 'no-store')
      .type('html')
      .send(page(code, said, plain));

  routes.get('/pair', (req, res) => {
    const { code } = req.query;
    show(res, !req.secure, typeof code === 'string' ? code.slice(0, 6) : '', '');
  });

  routes.post('/pair', urlencoded({ extended: false, limit: '2kb' }), async (req, res) => {
    try {
      const { code, name } = checked(formRule, req.body);
      const token = await pairing.pair(code, name);
      res.cookie(COOKIE, token, {
        httpOnly: true,
        sameSite: 'strict',
        secure: req.secure,
        maxAge: YEAR_MS,
        path: '/',
      });
      res.redirect(303, '/');
    } catch (error) {
      if (!(error instanceof HttpError)) throw error;
      res.status(error.status);
      show(res, !req.secure, '', error.message);
    }
  });

  return routes;
}

import { X509Certificate } from 'node:crypto';
import { Router, type Response } from 'express';

/** Where the page with the shop's certificate is; the same in plain HTTP, for a device that does not know it yet. */
export const CERTIFICATE_PAGE = '/certificate';
const CERTIFICATE_FILE = `${CERTIFICATE_PAGE}/yard-spool-shop.crt`;

/**
 * A page that says how a device comes to know this shop, and the certificate of the shop's authority to be installed there.
 *
 * @param pem of the shop's own authority; null where the certificate came from elsewhere and devices know it
 */
export function certificatePages(pem: string | null): Router {
  const router = Router();
  if (pem === null) return router;
  const { raw, fingerprint256 } = new X509Certificate(pem);
  router.get(CERTIFICATE_PAGE, (request, response) => {
    response
      .set('cache-control', 'no-store')
      .type('html')
      .send(page(response, fingerprint256, request.headers.host));
  });
  router.get(CERTIFICATE_FILE, (_request, response) => {
    response.set('cache-control', 'no-store').attachment('yard-spool-shop.crt');
    response.type('application/x-x509-ca-cert').send(raw);
  });
  return router;
}

/** A host that was let in has letters, figures, dots and dashes alone, and is written as it is. */
const page = ({ locals }: Response, fingerprint: string, host = ''): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>This shop’s certificate</title>
<style nonce="${String(locals.nonce)}">
  body { font: 17px/1.5 system-ui, sans-serif; max-width: 34rem; margin: 0 auto; padding: 1.5rem; color: #1d2321; background: #f7f6f2 }
  h1 { font-size: 1.5rem; line-height: 1.2 }
  li { margin: 0 0 .8rem }
  a { color: inherit; font-weight: 700 }
  .get { display: inline-block; padding: .8rem 1.2rem; border: 2px solid; border-radius: 6px; text-decoration: none }
  .print { font-weight: 700; font-variant-numeric: tabular-nums }
</style>
<h1>Let this device know the shop</h1>
<p>Once for each device. Then it opens the shop without a warning, and keeps its screens while the server is away.</p>
<ol>
  <li><a class="get" href="${CERTIFICATE_FILE}">Get the certificate</a></li>
  <li>Install it. A phone or tablet: open its settings and look for “certificate” or “profile”; where it asks what the
    certificate is for, it is an authority (CA). A computer: open the file, or the browser’s settings for certificates,
    and add it to the trusted authorities. Some devices have a second switch there that has to be turned on.</li>
  <li>Before you say yes, look at its SHA-256 fingerprint. It has to be this one, and the same as on the shop’s own
    screen under Settings, Access. Where it differs, somebody else answered: do not install it.
    <br><span class="print">${fingerprint.replaceAll(':', ':<wbr>')}</span></li>
  <li><a href="https://${host}/">Open the shop</a></li>
</ol>
<p>It vouches for this shop and for addresses of a shop’s own network, and for nothing on the internet. Take it off a
  device you give away. Ask whoever looks after the device first, where somebody does.</p>
`;

import { createServer as createHttpServer, type Server as HttpServer } from 'node:http';
import { createServer, type Server } from 'node:net';

/** Papers it keeps; older ones go. */
const KEPT = 40;
/** The most it takes at once, bytes. */
const MOST = 20_000_000;

/** A paper it was sent. */
interface Printed {
  readonly number: number;
  readonly at: string;
  readonly bytes: Buffer;
}

/** A label printer, and a page on which is seen what it printed. */
export interface LabelPrinter {
  readonly wire: Server;
  readonly panel: HttpServer;
}

/**
 * A label printer for want of a real one, as network printers are spoken to: whoever connects sends a PDF and ends; the
 * printer keeps it, and ends its side. Out of paper it takes nothing. Its panel lists what it was sent.
 */
export function createLabelPrinter(): LabelPrinter {
  const printed: Printed[] = [];
  let numbers = 0;
  let paper = true;
  const wire = createServer({ allowHalfOpen: true }, (socket) => {
    socket.on('error', () => socket.destroy());
    if (!paper) {
      socket.pause();
      return;
    }
    const parts: Buffer[] = [];
    let size = 0;
    socket.on('data', (part) => {
      size += part.length;
      if (size > MOST) socket.destroy();
      else parts.push(part);
    });
    socket.on('end', () => {
      const bytes = Buffer.concat(parts);
      // Anything but a page is spat out: the connection breaks, and whoever sent it is told.
      if (!bytes.subarray(0, 5).equals(Buffer.from('%PDF-'))) {
        socket.destroy();
        return;
      }
      printed.unshift({ number: (numbers += 1), at: new Date().toISOString(), bytes });
      printed.length = Math.min(printed.length, KEPT);
      socket.end();
    });
  });
  const panel = createHttpServer((request, response) => {
    const asked = new URL(request.url ?? '/', 'http://panel');
    if (request.method === 'POST') {
      paper = asked.searchParams.get('paper') !== 'out';
      response.writeHead(303, { location: '/' }).end();
      return;
    }
    const one = printed.find(({ number }) => asked.pathname === `/${String(number)}.pdf`);
    if (one) {
      response.writeHead(200, { 'content-type': 'application/pdf' }).end(one.bytes);
      return;
    }
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(pageOf(printed, paper));
  });
  return { wire, panel };
}

const pageOf = (printed: readonly Printed[], paper: boolean): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><title>Label printer</title>
<body style="font: 17px sans-serif; margin: 2em">
<h1>Label printer</h1>
<form method="post" action="/?paper=${paper ? 'out' : 'in'}"><button style="font-size: 17px; padding: .6em">
${paper ? 'Take the paper out' : 'Put paper in'}</button></form>
<p>${printed.length === 0 ? 'Nothing was printed yet.' : 'What was printed, the latest first:'}</p>
<ol>${printed.map(({ number, at, bytes }) => `<li value="${String(number)}"><a href="/${String(number)}.pdf">${at}, ${String(bytes.length)} bytes</a></li>`).join('')}</ol>
</body></html>`;

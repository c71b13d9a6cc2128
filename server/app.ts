import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { Conversions } from './conversions';
import { conversionRoutes } from './conversion-routes';
import { paperRoutes } from './paper-routes';
import { Papers } from './papers';
import { TEXT } from '../src/text/server';

export interface Folders {
  /** The built application. */
  readonly dist: string;
  /** Demo clips and session. */
  readonly demo: string;
  /** What the browser cannot decode is converted here. */
  readonly conversions?: Conversions;
  /** Documents become PDF files here. */
  readonly papers?: Papers;
}

/**
 * Only what the application itself serves may load: scripts, workers, pictures and connections from this origin,
 * styles with this response's nonce. WebAssembly is compiled by the point detector.
 */
const contentSecurityPolicy = (nonce: string): string =>
  [
    "default-src 'none'",
    "script-src 'self' 'wasm-unsafe-eval'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self'",
    // What the page made itself is read back for files that it puts together.
    "connect-src 'self' blob:",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');

/**
 * Answers only to this machine's own names, whatever name leads here (another site's name may be made to), and to pages
 * that come from here. One address always: data are kept by address, and under another one they would seem gone.
 */
function onlyHere(request: Request, response: Response, next: NextFunction): void {
  const port = request.socket.localPort;
  const host = request.headers.host ?? '';
  const home = `127.0.0.1:${port}`;
  if (host === `localhost:${port}` && ['GET', 'HEAD'].includes(request.method))
    return response.redirect(307, `http://${home}${request.originalUrl}`);
  const { origin } = request.headers;
  if (host !== home) return void response.status(421).type('text').send(TEXT.openHttpInstead(home));
  if (origin !== undefined && origin !== `http://${home}`)
    return void response.status(403).type('text').send(TEXT.onlyApplicationItselfMayAsk);
  next();
}

/** The application and its demo media. Media answer byte ranges; every other path opens the application. */
export function createApp(folders: Folders): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request: Request, response: Response, next: NextFunction) => {
    const nonce = randomBytes(16).toString('base64');
    response.locals['nonce'] = nonce;
    response.set({
      'Content-Security-Policy': contentSecurityPolicy(nonce),
      'Cross-Origin-Opener-Policy': 'same-origin',
      'Cross-Origin-Embedder-Policy': 'require-corp',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Referrer-Policy': 'no-referrer',
      'X-Content-Type-Options': 'nosniff',
    });
    next();
  });
  app.use(onlyHere);
  const application = async (response: Response): Promise<void> => {
    const page = await readFile(path.join(folders.dist, 'index.html'), 'utf8');
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(page.replaceAll('%CSP_NONCE%', response.locals['nonce'] as string));
  };
  app.get('/index.html', (_request: Request, response: Response) => application(response));
  app.use('/demo-data', express.static(folders.demo, { index: false, fallthrough: false, acceptRanges: true }));
  app.use('/conversions', conversionRoutes(folders.conversions ?? new Conversions()));
  app.use('/papers', paperRoutes(folders.papers ?? new Papers()));
  app.use(
    express.static(folders.dist, {
      index: false,
      maxAge: '1h',
      // A name with a hash in it never means another file; one without is asked for again.
      setHeaders: (response, file) => {
        if (path.basename(path.dirname(file)) !== 'assets') response.set('Cache-Control', 'no-cache');
      },
    }),
  );
  // Whatever else stands in the address, even what is no address at all, the application has words for it.
  app.use(async (request: Request, response: Response, next: NextFunction) => {
    // A missing file is a missing file, not the application.
    if (path.extname(request.path) || !['GET', 'HEAD'].includes(request.method)) return next();
    await application(response);
  });
  app.use((_request: Request, response: Response) => void response.status(404).type('text').send(TEXT.notFound));
  app.use((error: Error & { status?: number }, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) return next(error);
    response
      .status(error.status ?? 500)
      .type('text')
      .send(error.status === 404 ? TEXT.notFound : TEXT.serverCouldNotAnswerThis);
  });
  return app;
}

import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { conversionRoutes, Conversions } from './conversions';

export interface Folders {
  /** The built application. */
  readonly dist: string;
  /** Demo clips and session. */
  readonly demo: string;
  /** What the browser cannot decode is converted here. */
  readonly conversions?: Conversions;
}

/**
 * Only what the application itself serves may load: scripts, workers, pictures and connections from this origin,
 * styles with this response's nonce. WebAssembly is compiled by the point finder.
 */
const contentSecurityPolicy = (nonce: string): string =>
  [
    "default-src 'none'",
    "script-src 'self' 'wasm-unsafe-eval'",
    `style-src 'self' 'nonce-${nonce}'`,
    "img-src 'self' blob: data:",
    "media-src 'self' blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');

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
  app.use('/demo-data', express.static(folders.demo, { index: false, fallthrough: false, acceptRanges: true }));
  app.use('/conversions', conversionRoutes(folders.conversions ?? new Conversions()));
  app.use(express.static(folders.dist, { index: false, maxAge: '1h' }));
  app.get('/{*page}', async (request: Request, response: Response, next: NextFunction) => {
    // A missing file is a missing file, not the application.
    if (path.extname(request.path)) return next();
    try {
      const page = await readFile(path.join(folders.dist, 'index.html'), 'utf8');
      response
        .type('html')
        .set('Cache-Control', 'no-store')
        .send(page.replaceAll('%CSP_NONCE%', response.locals['nonce'] as string));
    } catch (error) {
      next(error);
    }
  });
  app.use((_request: Request, response: Response) => void response.status(404).type('text').send('Not found'));
  app.use((error: Error & { status?: number }, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) return next(error);
    response
      .status(error.status ?? 500)
      .type('text')
      .send(error.status === 404 ? 'Not found' : 'The server could not answer this.');
  });
  return app;
}

import express, { type NextFunction, type Request, type Response, type Router } from 'express';
import { PapersBusy, type Papers } from './papers';
import { refuse, sameSiteOnly } from './same-site';
import { TEXT } from '../src/text/server';

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/**
 * `POST /?on=YYYY-MM-DD` with an HTML document as body answers with it as a PDF file that states that day. Nothing is
 * kept; a request that breaks off ends the work.
 */
export function paperRoutes(papers: Papers): Router {
  const router = express.Router();
  const { limits } = papers;
  router.use(sameSiteOnly(TEXT.makePapers));
  router.post(
    '/',
    (_request: Request, response: Response, next: NextFunction) => {
      if (papers.available()) return next();
      refuse(response, 501, TEXT.thisMachineHasNoChromium);
    },
    express.text({ type: 'text/html', limit: limits.bytes, defaultCharset: 'utf-8' }),
    async (request: Request, response: Response) => {
      const { on } = request.query;
      if (typeof request.body !== 'string' || request.body === '')
        return refuse(response, 415, TEXT.isNotHtmlDocument(request.headers['content-type'] ?? ''));
      if (typeof on !== 'string' || !DAY.test(on)) return refuse(response, 400, TEXT.isNotDayGiveOne(String(on)));
      const controller = new AbortController();
      response.on('close', () => controller.abort());
      const late = setTimeout(() => controller.abort(), limits.time).unref();
      try {
        const pdf = await papers.print(request.body, on, controller.signal);
        response.type('application/pdf').set('Content-Length', String(pdf.length)).end(pdf);
      } catch (error) {
        if (response.destroyed) return;
        if (error instanceof PapersBusy) refuse(response, 429, TEXT.papersAreBeingMadeAlready(limits.atOnce));
        else
          refuse(
            response,
            500,
            controller.signal.aborted ? TEXT.itTookMoreThanS(Math.round(limits.time / 1000)) : TEXT.chromiumDidNotPrint,
          );
      } finally {
        clearTimeout(late);
      }
    },
    (error: Error & { status?: number }, _request: Request, response: Response, next: NextFunction) => {
      if (response.headersSent) return next(error);
      const large = error.status === 413;
      refuse(
        response,
        error.status ?? 500,
        large ? TEXT.reportHasMoreThanMb(Math.round(limits.bytes / 1e6)) : TEXT.reportDidNotArriveWhole,
      );
    },
  );
  return router;
}

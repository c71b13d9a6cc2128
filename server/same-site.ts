import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { TEXT } from '../src/text/server';

/** Refuses pages of other sites in the same browser; `what` is what the application alone may do. */
export const sameSiteOnly =
  (what: string): RequestHandler =>
  (request: Request, response: Response, next: NextFunction) => {
    const site = request.headers['sec-fetch-site'];
    if (site === undefined || site === 'same-origin') return next();
    refuse(response, 403, TEXT.onlyApplicationItselfMay(what));
  };

/** Answers with why not, in words for whoever uses the application. */
export function refuse(response: Response, status: number, message: string): void {
  // What is left of an upload is read and thrown away, or the browser would not show the answer.
  response.req.resume();
  response.status(status).json({ message });
}

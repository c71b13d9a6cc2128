import { stat } from 'node:fs/promises';
import path from 'node:path';
import express, { type Request, type Response, type Router } from 'express';
import type { Conversions } from './conversions';
import { type Conversion } from './conversions';
import { TooLarge, TooSlow, Busy } from './conversion-issues';
import { refuse, sameSiteOnly } from './same-site';
import { TEXT } from '../src/text/server';

/**
 * `POST /` with a clip as body begins a conversion, `GET /:id` tells how far it is, `GET /:id/clip` gives the result
 * and removes it once it is there, `DELETE /:id` cancels. `GET /` tells whether this machine can convert.
 */
export function conversionRoutes(conversions: Conversions): Router {
  const router = express.Router();
  const { limits } = conversions;
  const view = ({ id, state, progress, message }: Conversion): object => ({ id, state, progress, message });

  router.use(sameSiteOnly(TEXT.convertClips));
  router.get('/', async (_request: Request, response: Response) => {
    response.json({ available: await conversions.available(), bytes: limits.bytes });
  });
  router.post('/', async (request: Request, response: Response) => {
    if (!(await conversions.available())) return refuse(response, 501, TEXT.thisMachineHasNoFfmpeg);
    const type = request.headers['content-type'] ?? '';
    if (!/^(video\/[\w.+-]+|application\/octet-stream)$/.test(type))
      return refuse(response, 415, TEXT.isNotVideoChooseVideo(type));
    const length = Number(request.headers['content-length'] ?? 0);
    if (length > limits.bytes)
      return refuse(response, 413, TEXT.clipHasGbAtMost((length / 1e9).toFixed(1), (limits.bytes / 1e9).toFixed(1)));
    try {
      response.status(202).json(view(await conversions.begin(request)));
    } catch (error) {
      if (error instanceof Busy) refuse(response, 429, TEXT.clipsAreBeingConvertedAlready(limits.atOnce));
      else if (error instanceof TooSlow)
        refuse(response, 408, TEXT.nothingCameForSTry(Math.round(limits.silence / 1000)));
      else if (error instanceof TooLarge)
        refuse(response, 413, TEXT.clipHasMoreThanGb((limits.bytes / 1e9).toFixed(1)));
      else if (!response.headersSent && !request.destroyed) refuse(response, 400, TEXT.uploadBrokeOffTryAgain);
    }
  });
  router.get('/:id', (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion) {
      conversions.askedFor(conversion);
      response.json(view(conversion));
    } else refuse(response, 404, TEXT.thereIsNoSuchConversion);
  });
  router.get('/:id/clip', async (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion?.state !== 'done') return refuse(response, 404, TEXT.thereIsNoConvertedClip);
    const file = path.join(conversion.folder, 'output.mp4');
    const { size } = await stat(file);
    response.set({ 'Content-Type': 'video/mp4', 'Content-Length': String(size) });
    if (request.method === 'HEAD') return response.end();
    response.sendFile(file, { acceptRanges: false }, (error) => {
      // A download that broke off can be tried again.
      if (!error && response.writableFinished) void conversions.end(conversion.id);
    });
  });
  router.delete('/:id', async (request: Request<{ id: string }>, response: Response) => {
    await conversions.end(request.params.id);
    response.status(204).end();
  });
  return router;
}

import { stat } from 'node:fs/promises';
import path from 'node:path';
import express, { type Request, type Response, type Router } from 'express';
import type { Conversions } from './conversions';
import { type Conversion } from './conversions';
import { TooLarge, TooSlow, Busy } from './conversion-issues';
import { refuse, sameSiteOnly } from './same-site';

/**
 * `POST /` with a clip as body begins a conversion, `GET /:id` tells how far it is, `GET /:id/clip` gives the result
 * and removes it once it is there, `DELETE /:id` cancels. `GET /` tells whether this machine can convert.
 */
export function conversionRoutes(conversions: Conversions): Router {
  const router = express.Router();
  const { limits } = conversions;
  const view = ({ id, state, progress, message }: Conversion): object => ({ id, state, progress, message });

  router.use(sameSiteOnly('convert clips'));
  router.get('/', async (_request: Request, response: Response) => {
    response.json({ available: await conversions.available(), bytes: limits.bytes });
  });
  router.post('/', async (request: Request, response: Response) => {
    if (!(await conversions.available()))
      return refuse(
        response,
        501,
        'This machine has no ffmpeg. Install it with "apt install ffmpeg" and try again, or choose an H.264, VP9 ' +
          'or AV1 clip.',
      );
    const type = request.headers['content-type'] ?? '';
    if (!/^(video\/[\w.+-]+|application\/octet-stream)$/.test(type))
      return refuse(response, 415, `"${type}" is not a video. Choose a video file.`);
    const length = Number(request.headers['content-length'] ?? 0);
    if (length > limits.bytes)
      return refuse(
        response,
        413,
        `The clip has ${(length / 1e9).toFixed(1)} GB; at most ${(limits.bytes / 1e9).toFixed(1)} GB can be ` +
          'converted. Cut the part that you need.',
      );
    try {
      response.status(202).json(view(await conversions.begin(request)));
    } catch (error) {
      if (error instanceof Busy)
        refuse(response, 429, `${limits.atOnce} clips are being converted already. Wait for one to end.`);
      else if (error instanceof TooSlow)
        refuse(response, 408, `Nothing came for ${Math.round(limits.silence / 1000)} s. Try again.`);
      else if (error instanceof TooLarge)
        refuse(
          response,
          413,
          `The clip has more than ${(limits.bytes / 1e9).toFixed(1)} GB. Cut the part that you need.`,
        );
      else if (!response.headersSent && !request.destroyed) refuse(response, 400, 'The upload broke off. Try again.');
    }
  });
  router.get('/:id', (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion) {
      conversions.askedFor(conversion);
      response.json(view(conversion));
    } else refuse(response, 404, 'There is no such conversion any more. Begin it again.');
  });
  router.get('/:id/clip', async (request: Request<{ id: string }>, response: Response) => {
    const conversion = conversions.get(request.params.id);
    if (conversion?.state !== 'done') return refuse(response, 404, 'There is no converted clip here. Begin it again.');
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

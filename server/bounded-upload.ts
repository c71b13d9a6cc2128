import { Transform } from 'node:stream';
import { TooLarge, TooSlow } from './conversion-issues';
import { TEXT } from '../src/text/server';

/** Lets at most so many bytes pass, and waits only so long for the next. */
export const bounded = (bytes: number, silence: number): Transform => {
  let seen = 0;
  const late = (): NodeJS.Timeout => setTimeout(() => stream.destroy(new TooSlow(TEXT.nothingCame)), silence).unref();
  let timer: NodeJS.Timeout;
  const stream: Transform = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      clearTimeout(timer);
      timer = late();
      done(seen > bytes ? new TooLarge(TEXT.moreThanBytes(bytes)) : null, chunk);
    },
    destroy(error, done) {
      clearTimeout(timer);
      done(error);
    },
    flush(done) {
      clearTimeout(timer);
      done();
    },
  });
  timer = late();
  return stream;
};

import { ALL_FORMATS, AudioSampleSink, BlobSource, Input, type AudioSample } from 'mediabunny';
import type { Activity } from '../core/signal/active-stretches';
import { Suddenness } from '../core/sound/suddenness';
import { fail, ok, type Issue, type Result } from '../core/result';
import { exposeWorker } from './expose-worker';
import { oneChannel } from './one-channel';
import { TEXT } from '../text/media';

export type HearingIssue = Issue<'no-sound' | 'unreadable'>;

/** Sound that is read in one call, seconds. */
const PIECE = 20;

interface Open {
  readonly samples: AsyncGenerator<AudioSample, void, unknown>;
  sudden: Suddenness | null;
}
let open: Open | null = null;

/** Listens through a long file for what sounds like a contact; never more than a piece of it is held. */
const heardWorker = {
  /** @returns how long the sound plays, seconds */
  async open(file: Blob): Promise<Result<number, HearingIssue>> {
    const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
    try {
      const track = await input.getPrimaryAudioTrack();
      if (!track || !(await track.canDecode())) return fail('no-sound', TEXT.fileHasNoSound);
      open = { samples: new AudioSampleSink(track).samples(), sudden: null };
      return ok(await track.computeDuration());
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return fail('unreadable', TEXT.soundCouldNotBeRead(detail));
    }
  },
  /** How sudden the sound is in the next piece of the file; null at the end. */
  async next(): Promise<Result<readonly Activity[] | null, HearingIssue>> {
    if (!open) return fail('unreadable', TEXT.fileIsNotOpen);
    const heard: Activity[] = [];
    let read = 0;
    while (read < PIECE) {
      const { value: sample, done } = await open.samples.next();
      if (done) return ok(heard.length > 0 ? heard : null);
      open.sudden ??= new Suddenness(sample.sampleRate);
      heard.push(...open.sudden.take(oneChannel(sample)));
      read += sample.duration;
      sample.close();
    }
    return ok(heard);
  },
};

export type HeardWorker = typeof heardWorker;
exposeWorker(heardWorker);

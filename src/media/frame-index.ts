import { ALL_FORMATS, BlobSource, EncodedPacketSink, Input, type EncodedPacket } from 'mediabunny';
import { fail, ok, type Issue, type Result } from '../core/result';
import { typicalInterval } from '../core/signal/resample';
import { fileRateOf, holesIn } from '../core/timing/file-rate';
import { evenTimes, isRepeat } from '../core/timing/repeated-frames';
import type { Rotation } from '../core/geometry/quarter-turn';
import { statedCaptureRate } from './stated-rate';
import type { VideoFile } from './video-file';
import { TEXT } from '../text/media';

/** Frames that decode together: from one packet marked as key to the next. */
export interface FrameGroup {
  /** Time of the key packet, seconds in the container. */
  readonly keyTime: number;
  /** First frame and the one after the last, in presentation order. */
  readonly first: number;
  readonly end: number;
  /** Sequence number of the last packet, in decode order, that a frame of this group needs. */
  readonly lastPacket: number;
}

/** What the container says about a video, without decoding a frame. */
export interface FrameIndex {
  /** Presentation time of each frame, microseconds from the first. */
  readonly frameTimes: Float64Array;
  /** The same as the container has it, where pictures that the file repeats are taken once, evenly. */
  readonly fileTimes: Float64Array;
  /** The container's own time of the first frame, microseconds. */
  readonly origin: number;
  readonly groups: readonly FrameGroup[];
  readonly rotation: Rotation;
  readonly width: number;
  readonly height: number;
  readonly codec: string;
  readonly fileRate: number;
  /** Frames per second that the camera says it took, where it says so. */
  readonly captureRate: number | null;
  /** What whoever uses the clip should know of the file; null where nothing is amiss. */
  readonly warning: string | null;
}

export type IntakeIssue = Issue<
  'empty-file' | 'not-a-video' | 'no-picture' | 'unknown-codec' | 'truncated' | 'no-frames' | 'unreadable'
>;

export interface OpenedTrack {
  readonly index: FrameIndex;
  readonly sink: EncodedPacketSink;
  readonly config: VideoDecoderConfig;
  /**
   * Whether a decoder can start at a packet marked as key: in an open group of pictures it cannot. Reads the packet's
   * data.
   */
  readonly canStart: (packet: EncodedPacket) => Promise<boolean>;
  readonly dispose: () => void;
}

const READABLE = TEXT.webMMp4Mov;

interface Packet {
  readonly us: number;
  readonly time: number;
  readonly duration: number;
  readonly key: boolean;
  readonly sequence: number;
  /** Place in decode order. */
  readonly order: number;
}

function groupsOf(packets: readonly Packet[], frames: readonly Packet[]): FrameGroup[] {
  const keys = packets.filter((packet) => packet.key);
  const groups: FrameGroup[] = [];
  let frame = 0;
  keys.forEach((key, k) => {
    const until = keys[k + 1]?.us ?? Infinity;
    const first = frame;
    let last = key.order;
    while (frame < frames.length && frames[frame]!.us < until) {
      last = Math.max(last, frames[frame]!.order);
      frame++;
    }
    if (frame > first) groups.push({ keyTime: key.time, first, end: frame, lastPacket: packets[last]!.sequence });
  });
  return groups;
}

/** A moment before a packet, seconds: shorter than any frame. */
const BEFORE = 1e-6;

/** The packet marked as key at which decoding of a part can begin; the file's first where it has no other. */
async function keyBefore({ sink, canStart }: Pick<OpenedTrack, 'sink' | 'canStart'>, from: number): Promise<number> {
  let key = await sink.getKeyPacket(from);
  while (key && !(await canStart(key))) key = await sink.getKeyPacket(key.timestamp - BEFORE);
  return (key ?? (await sink.getFirstPacket()))?.timestamp ?? 0;
}

/**
 * The packets of a file, in decode order; of a part those that its frames need, so that an hour before it costs nothing.
 * @param start time of the key packet at which they begin; null is the file's first packet
 * @param to where the part ends: no frame at or after it
 */
async function readPackets(sink: EncodedPacketSink, start: number | null, to: number): Promise<Packet[]> {
  const packets: Packet[] = [];
  const metadata = { metadataOnly: true };
  let keysBeyond = 0;
  // Asked for one by one: the sink's own iterator reads ahead by a queue, which takes twice as long here.
  const begin = start === null ? sink.getFirstPacket(metadata) : sink.getKeyPacket(start, metadata);
  for (let p = await begin; p; p = await sink.getNextPacket(p, metadata)) {
    // Pictures that are shown before a key can come after it, but not after the next one.
    if (p.type === 'key' && p.timestamp >= to && ++keysBeyond > 1) break;
    packets.push({
      us: p.microsecondTimestamp,
      time: p.timestamp,
      duration: p.duration,
      key: p.type === 'key',
      sequence: p.sequenceNumber,
      order: packets.length,
    });
  }
  return packets;
}

/** A part may have to be decoded from a key before its first own one. */
const withStart = (groups: FrameGroup[], start: number | null): FrameGroup[] =>
  start === null ? groups : groups.map((group, i) => (i === 0 ? { ...group, keyTime: start } : group));

const quote = (name: string): string => `\u201c${name}\u201d`;

/**
 * Reads a file's container: the true time of every frame, in presentation order, with frames that an edit list hides
 * left out. Nothing is decoded. Every refusal names the file and says what to do.
 */
export async function openTrack({
  blob: file,
  name,
  part,
  repeats,
}: VideoFile): Promise<Result<OpenedTrack, IntakeIssue>> {
  if (file.size === 0) {
    return fail('empty-file', TEXT.isEmptyBytesCopy(quote(name)));
  }
  const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
  const dispose = (): void => input.dispose();
  const refuse = <C extends IntakeIssue['code']>(code: C, message: string): ReturnType<typeof fail<C>> => {
    dispose();
    return fail(code, message);
  };
  try {
    if (!(await input.canRead())) {
      return refuse('not-a-video', TEXT.isNotVideoFile(quote(name), READABLE));
    }
    const track = await input.getPrimaryVideoTrack();
    if (!track) {
      const audio = await input.getPrimaryAudioTrack();
      return audio
        ? refuse('no-picture', TEXT.hasSoundButNoPicture(quote(name)))
        : refuse('truncated', TEXT.describesNoPictureThatCan(quote(name)));
    }
    const config = await track.getDecoderConfig();
    const codec = (await track.getCodecParameterString()) ?? (await track.getCodec()) ?? 'unknown';
    if (!config || !(await VideoDecoder.isConfigSupported(config)).supported) {
      return refuse('unknown-codec', TEXT.isCodedAsWhichThis(quote(name), codec));
    }
    const sink = new EncodedPacketSink(track);
    const canStart = async (packet: EncodedPacket): Promise<boolean> =>
      (await track.determinePacketType(packet)) !== 'delta';
    const start = part && (await keyBefore({ sink, canStart }, part.from));
    const [from, to] = part ? [part.from, part.to] : [-Infinity, Infinity];
    const packets = await readPackets(sink, start, to);
    const all = packets
      .filter((p) => p.time >= 0 || p.time + p.duration > 1e-6)
      .filter((p) => p.time >= from && p.time < to)
      .sort((a, b) => a.us - b.us);
    const frames = repeats ? all.filter((_, i) => !isRepeat(repeats, i)) : all;
    if (frames.length === 0) {
      return refuse(
        'no-frames',
        part ? TEXT.holdsNoFrameFrom(quote(name), from.toFixed(2), to.toFixed(2)) : TEXT.holdsNoFrameCopy(quote(name)),
      );
    }
    const last = frames[frames.length - 1]!;
    // An index in front of cut-off data still lists every frame; asking for the data of the last one shows the cut.
    if (!(await dataOf(sink, last))) {
      return refuse('truncated', TEXT.listsFramesButItsData(quote(name), frames.length));
    }
    const origin = frames[0]!.us;
    const fileTimes = Float64Array.from(frames, (f) => f.us - origin);
    const frameTimes = repeats
      ? evenTimes(fileTimes, repeats, typicalInterval(Float64Array.from(all, (f) => f.us)))
      : fileTimes;
    const span = frameTimes[frameTimes.length - 1]! * 1e-6;
    return ok({
      index: {
        frameTimes,
        fileTimes,
        origin,
        groups: withStart(groupsOf(packets, frames), start),
        rotation: (await track.getRotation()) as Rotation,
        width: await track.getDisplayWidth(),
        height: await track.getDisplayHeight(),
        codec,
        warning:
          (part
            ? null
            : cutWarning(name, span + last.duration, await track.getDurationFromMetadata().catch(() => null))) ??
          holesWarning(frameTimes),
        captureRate: await statedCaptureRate(input),
        fileRate: fileRateOf(frameTimes) ?? 30,
      },
      sink,
      config,
      canStart,
      dispose,
    });
  } catch (error) {
    const detail = error instanceof Error ? error.message : String(error);
    return refuse('unreadable', TEXT.couldNotBeReadCopy(quote(name), detail));
  }
}

/** A file that ends by more than this much of what it says, and by at least this many seconds, was cut off. */
const CUT = { share: 0.03, seconds: 0.2 };

/** A file without a list of its frames in front can end anywhere: only its stated duration tells. */
function cutWarning(name: string, lasts: number, stated: number | null): string | null {
  if (stated === null || stated - lasts < Math.max(CUT.seconds, CUT.share * stated)) return null;
  return TEXT.saysItLastsSBut(quote(name), stated.toFixed(2), lasts.toFixed(2));
}

/** Frames that a camera or a conversion left out: their time stays where it is. */
function holesWarning(frameTimes: Float64Array): string | null {
  const holes = holesIn(frameTimes);
  const [longest] = [...holes].sort((a, b) => b.seconds - a.seconds);
  if (!longest) return null;
  const where = TEXT.sBetweenFrames(longest.seconds.toFixed(2), longest.after + 1, longest.after + 2);
  return holes.length === 1
    ? TEXT.framesAreMissingTheirTime(where)
    : TEXT.framesAreMissingInPlaces(holes.length, where);
}

async function dataOf(sink: EncodedPacketSink, frame: Packet): Promise<EncodedPacket | null> {
  try {
    const packet = await sink.getPacket(frame.time);
    return packet && packet.data.byteLength > 0 ? packet : null;
  } catch {
    return null;
  }
}

/** The frame with exactly this time (microseconds of the container), by bisection; undefined where none has it. */
export function frameOf({ fileTimes, origin }: FrameIndex, timestamp: number): number | undefined {
  const time = timestamp - origin;
  let low = 0;
  let high = fileTimes.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (fileTimes[middle]! < time) low = middle + 1;
    else high = middle;
  }
  return fileTimes[low] === time ? low : undefined;
}

/**
 * The packet at which decoding of a group begins: its own key, or an earlier one where a decoder cannot start there.
 */
export async function keyOf(
  { groups }: FrameIndex,
  { sink, canStart }: Pick<OpenedTrack, 'sink' | 'canStart'>,
  group: number,
): Promise<EncodedPacket> {
  for (let g = group; g >= 0; g--) {
    const key = await sink.getKeyPacket(groups[g]!.keyTime);
    if (!key) throw new Error(TEXT.keyFrameIsMissing);
    if (g === 0 || (await canStart(key))) return key;
  }
  throw new Error(TEXT.thereIsNoKeyFrame);
}

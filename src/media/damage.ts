import type { EncodedPacket } from 'mediabunny';
import type { OpenedTrack } from './frame-index';

/** A file with more damaged packets than this is not worth the trials. */
const MOST_LEFT_OUT = 40;

/** What of a file cannot be decoded. */
export class Damage {
  private readonly packets = new Set<number>();
  private readonly frames = new Set<number>();

  /** Whether a packet, by its sequence number, is not given to the decoder. */
  leavesOut(packet: number): boolean {
    return this.packets.has(packet);
  }

  isLost(frame: number): boolean {
    return this.frames.has(frame);
  }

  lose(frame: number): void {
    this.frames.add(frame);
  }

  /** @returns whether it is left out now: not where too much is damaged already */
  leaveOut(packet: number, frame: number | undefined): boolean {
    if (!this.packets.has(packet) && this.packets.size >= MOST_LEFT_OUT) return false;
    this.packets.add(packet);
    if (frame !== undefined) this.lose(frame);
    return true;
  }
}

/** A decoder answers a packet within this, or holds its picture back for the order of showing, ms. */
const ANSWER = 60;
/** A decoder may stop some packets after the one that it cannot read. */
const LATE = 6;

type Track = Pick<OpenedTrack, 'config'>;

/** Gives packets to a new decoder one by one. */
async function decodeAll(
  { config }: Track,
  packets: readonly EncodedPacket[],
  answer: number,
): Promise<{ readonly stoppedAt: number | null; readonly shown: ReadonlySet<number> }> {
  const shown = new Set<number>();
  let answered: () => void = () => undefined;
  let stopped = false;
  const decoder = new VideoDecoder({
    output: (picture) => {
      shown.add(picture.timestamp);
      picture.close();
      answered();
    },
    error: () => {
      stopped = true;
      answered();
    },
  });
  decoder.configure(config);
  try {
    for (const [at, packet] of packets.entries()) {
      const reply = new Promise<void>((resolve) => (answered = resolve));
      decoder.decode(packet.toEncodedVideoChunk());
      if (answer > 0 || decoder.decodeQueueSize > LATE)
        await Promise.race([reply, new Promise((late) => setTimeout(late, answer || ANSWER))]);
      if (stopped) return { stoppedAt: at, shown };
    }
    await decoder.flush().catch(() => (stopped = true));
    return { stoppedAt: stopped ? packets.length - 1 : null, shown };
  } finally {
    if (decoder.state !== 'closed') decoder.close();
  }
}

/**
 * The packet that stops a decoder: of those whose picture had not come when it stopped the one without which it shows
 * most.
 * @param until sequence number of the last packet that is of interest
 * @returns null where the decoder takes them all, or no single one is to blame
 */
export async function firstDamaged(
  track: Pick<OpenedTrack, 'sink' | 'config'>,
  key: EncodedPacket,
  until: number,
  damage: Damage,
): Promise<EncodedPacket | null> {
  const packets: EncodedPacket[] = [];
  for await (const packet of track.sink.packets(key)) {
    if (packet.sequenceNumber > until) break;
    if (!damage.leavesOut(packet.sequenceNumber)) packets.push(packet);
  }
  const { stoppedAt, shown } = await decodeAll(track, packets, ANSWER);
  if (stoppedAt === null) return null;
  const upTo = packets.slice(0, Math.min(packets.length, stoppedAt + LATE));
  const suspects = packets
    .slice(Math.max(1, stoppedAt - LATE), stoppedAt + 1)
    .filter((packet) => !shown.has(packet.microsecondTimestamp))
    .reverse();
  let best: { readonly packet: EncodedPacket; readonly shows: number } | null = null;
  for (const packet of suspects) {
    const without = await decodeAll(
      track,
      upTo.filter((p) => p !== packet),
      0,
    );
    if (without.shown.size > (best?.shows ?? shown.size)) best = { packet, shows: without.shown.size };
  }
  return best?.packet ?? null;
}

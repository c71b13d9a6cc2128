import { drawDisplayed } from './rotation';
import type { OpenedTrack } from './frame-index';

/**
 * Number k of `count` small upright pictures spread evenly over a clip. The first frame of a group stands for its
 * neighbourhood where groups are short enough, since it alone needs nothing else decoded.
 * @param height pixels of the small picture; its width follows the clip
 */
export async function makeThumbnail(track: OpenedTrack, k: number, count: number, height: number): Promise<{ frame: number; picture: Blob } | null> {
  const { index, sink, config } = track;
  const { groups, frameTimes } = index;
  const spacing = frameTimes.length / count;
  const middle = Math.min(frameTimes.length - 1, Math.floor((k + 0.5) * spacing));
  const group = groups.find((g) => middle >= g.first && middle < g.end);
  if (!group) return null;
  const first = middle - group.first <= spacing / 2;
  const wanted = first ? group.first : middle;
  const wantedTime = frameTimes[wanted]! + index.origin;
  const picture = await new Promise<VideoFrame | null>((resolve, reject) => {
    const decoder = new VideoDecoder({
      output: (frame) => {
        if (frame.timestamp === wantedTime) resolve(frame);
        else frame.close();
      },
      error: reject,
    });
    decoder.configure(config);
    void (async () => {
      const key = await sink.getKeyPacket(group.keyTime);
      if (!key) return resolve(null);
      for await (const packet of sink.packets(key)) {
        if (packet.sequenceNumber > group.lastPacket) break;
        decoder.decode(packet.toEncodedVideoChunk());
        if (first) break;
      }
      await decoder.flush();
      decoder.close();
      resolve(null);
    })().catch(reject);
  });
  if (!picture) return null;
  const width = Math.max(1, Math.round((height * index.width) / index.height));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { alpha: false })!;
  context.scale(width / index.width, height / index.height);
  drawDisplayed(context, picture, index.rotation, index.width, index.height);
  picture.close();
  return { frame: wanted, picture: await canvas.convertToBlob({ type: 'image/webp', quality: 0.7 }) };
}

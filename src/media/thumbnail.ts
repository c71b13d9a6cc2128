import { drawDisplayed } from './draw-displayed';
import type { OpenedTrack } from './frame-index';

/**
 * Number k of `count` small upright pictures spread evenly over a clip. The first frame of a group stands for its
 * neighbourhood where groups are short enough, since it alone needs nothing else decoded.
 * @param height pixels of the small picture; its width follows the clip, or is the same where crops are given
 * @param crops for every frame a square of the picture to show: left, top and side in pixels; null shows all
 */
export async function makeThumbnail(
  track: OpenedTrack,
  k: number,
  count: number,
  height: number,
  crops: Float64Array | null,
): Promise<{ frame: number; picture: Blob } | null> {
  const { index, sink, config } = track;
  const { groups, frameTimes, fileTimes } = index;
  const spacing = frameTimes.length / count;
  const middle = Math.min(frameTimes.length - 1, Math.floor((k + 0.5) * spacing));
  const group = groups.find((g) => middle >= g.first && middle < g.end);
  if (!group) return null;
  // A part, or pictures that are taken once, may begin after their key.
  const isKey = Math.abs(group.keyTime * 1e6 - index.origin - fileTimes[group.first]!) < 1;
  const first = isKey && middle - group.first <= spacing / 2;
  const wanted = first ? group.first : middle;
  const wantedTime = fileTimes[wanted]! + index.origin;
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
  // A square that would reach over the edge is moved inside.
  const side = crops ? Math.min(crops[3 * wanted + 2]!, index.width, index.height) : index.height;
  const left = crops ? Math.min(index.width - side, Math.max(0, crops[3 * wanted]!)) : 0;
  const top = crops ? Math.min(index.height - side, Math.max(0, crops[3 * wanted + 1]!)) : 0;
  const canvas = new OffscreenCanvas(
    crops ? height : Math.max(1, Math.round((height * index.width) / index.height)),
    height,
  );
  const context = canvas.getContext('2d', { alpha: false })!;
  context.scale(height / side, height / side);
  context.translate(-left, -top);
  drawDisplayed(context, picture, index);
  picture.close();
  return { frame: wanted, picture: await canvas.convertToBlob({ type: 'image/webp', quality: 0.7 }) };
}

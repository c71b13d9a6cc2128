import { ok } from '../../core/result';
import type { ClipSource } from '../../media/clip-source';
import type { DecodedPicture } from '../../media/decoded-picture';
import { PictureQueue } from './picture-queue';

/** Sources whose pictures tell the detail at which they were made; each comes when it is let go. */
function queued(): { queue: PictureQueue; painted: Record<string, string[]>; letGo: () => Promise<void> } {
  const waiting: (() => void)[] = [];
  const painted: Record<string, string[]> = { a: [], r: [] };
  const queue = new PictureQueue({
    shown: () => undefined,
    damaged: () => null,
    failed: () => undefined,
    busy: () => undefined,
  });
  const sourceOf = (): ClipSource => {
    let detail = 1;
    return {
      index: { rotation: 0 } as never,
      frame: async (i) => {
        const made = detail;
        await new Promise<void>((resolve) => waiting.push(resolve));
        return ok({ name: `${i} at ${made}`, close: () => undefined } as unknown as DecodedPicture);
      },
      setBudget: () => undefined,
      setDetail: (wanted) => (detail = wanted),
      thumbnails: () => undefined,
      close: () => undefined,
    };
  };
  for (const id of ['a', 'r']) queue.add(id, sourceOf());
  const letGo = async (): Promise<void> => {
    for (const resolve of waiting.splice(0)) resolve();
    await new Promise((resolve) => setTimeout(resolve, 0));
  };
  return { queue, painted, letGo };
}
const nameOf = (picture: DecodedPicture): string => (picture as unknown as { name: string }).name;

const FRAMES = { a: 12, r: 9 };

test('a pane that needs more detail while its picture is on its way gets it in that detail', async () => {
  const { queue, painted, letGo } = queued();
  queue.addPainter('a', (picture) => painted['a']!.push(nameOf(picture)));
  queue.setDetail('a', 0.25);
  queue.request(FRAMES);
  expect(queue.setDetail('a', 1)).toBe(true);
  queue.request(queue.wanted!);
  await letGo();
  await letGo();
  expect(painted['a']).toEqual(['12 at 0.25', '12 at 1']);
  expect(queue.wanted).toBeNull();
});

test('a pane that comes while pictures are on their way gets its own', async () => {
  const { queue, painted, letGo } = queued();
  queue.addPainter('a', (picture) => painted['a']!.push(nameOf(picture)));
  queue.request(FRAMES);
  queue.addPainter('r', (picture) => painted['r']!.push(nameOf(picture)));
  queue.request(queue.wanted!);
  await letGo();
  await letGo();
  expect(painted['r']).toEqual(['9 at 1']);
});

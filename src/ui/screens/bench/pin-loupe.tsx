import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Trial } from '../../../core/trial/trial';
import { paintPicture } from '../../../rendering/paint-picture';
import { fitPicture, followBody } from '../../../rendering/viewport';
import { player } from '../../../application/bench/bench-player';
import { focusOf, shownAs } from '../../../rendering/focus';

const TILE = { width: 116, height: 150 };
/** Frames to each side of the one in the middle. */
const AROUND = 2;

/** The frames around a pin, above it, while it is dragged or moved by keys. */
export function PinLoupe({
  trial,
  frame,
  x,
}: {
  readonly trial: Trial;
  readonly frame: number;
  readonly x: number;
}): ReactNode {
  const row = useRef<HTMLDivElement>(null);
  const focusAt = useMemo(() => focusOf(trial), [trial]);
  const { clip } = trial;
  const last = trial.times.length - 1;
  const frames = useMemo(() => Array.from({ length: 2 * AROUND + 1 }, (_, k) => frame + k - AROUND), [frame]);
  useEffect(() => {
    const controller = new AbortController();
    const picture = shownAs(clip);
    // The middle first, then outwards.
    const inOrder = [...frames]
      .filter((i) => i >= 0 && i <= last)
      .sort((a, b) => Math.abs(a - frame) - Math.abs(b - frame));
    for (const canvas of row.current!.querySelectorAll('canvas'))
      canvas.getContext('2d')!.clearRect(0, 0, TILE.width, TILE.height);
    void player.peek(
      clip.id,
      inOrder,
      (index, decoded, rotation) => {
        const canvas = row.current?.querySelectorAll('canvas')[index - frame + AROUND];
        const focus = focusAt(index);
        if (canvas)
          paintPicture(
            canvas.getContext('2d')!,
            { ...picture, frame: decoded, rotation },
            focus ? followBody(focus, TILE, picture) : fitPicture(picture, TILE, picture),
            TILE,
          );
        decoded.close();
      },
      controller.signal,
    );
    return () => controller.abort();
  }, [clip, focusAt, frame, frames, last]);
  const width = (2 * AROUND + 1) * (TILE.width + 2);
  return (
    <div
      ref={row}
      className="pin-loupe"
      style={{ left: `clamp(4px, ${x - width / 2}px, calc(100% - ${width + 4}px))` }}
      aria-hidden
    >
      {frames.map((i, k) => (
        <figure
          key={k}
          className={i === frame ? 'middle' : ''}
          style={{ visibility: i < 0 || i > last ? 'hidden' : 'visible' }}
        >
          <canvas width={TILE.width} height={TILE.height} />
          <figcaption>{i + 1}</figcaption>
        </figure>
      ))}
    </div>
  );
}

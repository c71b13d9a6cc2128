import type { ReactNode } from 'react';
import { BONES } from '../../core/anatomy/body-points';
import type { Trial } from '../../core/trial/trial';
import { TEXT } from '../../text/components/planning';

/**
 * What the planned camera would see: the performance at its moments, in the frame of the picture.
 * @param filmed the performance as that camera would give it
 */
export function PlanThroughCamera({ filmed }: { readonly filmed: Trial }): ReactNode {
  const { smoothed, marks, times, clip } = filmed;
  const last = times.length - 1;
  const marked = Object.values(marks).map((frame) => Math.min(last, Math.max(0, Math.round(frame))));
  const frames = marked.length > 0 ? marked : [0, Math.round(last / 2), last];
  return (
    <svg
      viewBox={`0 0 ${clip.width} ${clip.height}`}
      width="100%"
      role="img"
      aria-label={TEXT.whatPlannedCameraSeesAt}
      style={{ background: '#2a3238', borderRadius: 6, display: 'block' }}
    >
      {frames.map((frame, n) =>
        BONES.map(([a, b]) => {
          const [from, to] = [smoothed[a], smoothed[b]];
          if (!from || !to || Number.isNaN(from.x[frame]! + to.x[frame]!)) return null;
          return (
            <line
              key={`${n}${a}${b}`}
              x1={from.x[frame]!}
              y1={from.y[frame]!}
              x2={to.x[frame]!}
              y2={to.y[frame]!}
              stroke="#f3efe6"
              strokeWidth={clip.width / 320}
              strokeLinecap="round"
            />
          );
        }),
      )}
    </svg>
  );
}

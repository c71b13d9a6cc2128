import type { Vec2 } from './vec2';

/** Plain shapes in pixels of the displayed picture; screen, report and video draw the same ones. */
export type Primitive =
  | {
      readonly shape: 'segment';
      readonly from: Vec2;
      readonly to: Vec2;
      readonly weight: 'bone' | 'faint' | 'measure' | 'guide';
    }
  /** Angles in picture coordinates (y down), drawn from start through sweep. */
  | {
      readonly shape: 'arc';
      readonly centre: Vec2;
      readonly radius: number;
      readonly start: number;
      readonly sweep: number;
    }
  | { readonly shape: 'dot'; readonly at: Vec2; readonly sure: boolean }
  /** A drawn (not measured) number or word has the drawing's colour. */
  | { readonly shape: 'label'; readonly at: Vec2; readonly text: string; readonly drawn?: boolean }
  /** Drawn by hand: lines through points, and circles. */
  | { readonly shape: 'path'; readonly points: readonly Vec2[]; readonly thin?: boolean }
  | { readonly shape: 'ring'; readonly centre: Vec2; readonly radius: number };

const direction = (from: Vec2, to: Vec2): number => Math.atan2(to.y - from.y, to.x - from.x);

const shorterTurn = (angle: number): number => {
  const turned = angle % (2 * Math.PI);
  return turned > Math.PI ? turned - 2 * Math.PI : turned <= -Math.PI ? turned + 2 * Math.PI : turned;
};

/** Both legs of an angle, the arc between them and its value beside the arc's middle. */
export function drawAngle(a: Vec2, vertex: Vec2, c: Vec2, text: string, guide: 'none' | 'first'): readonly Primitive[] {
  const start = direction(vertex, a);
  const sweep = shorterTurn(direction(vertex, c) - start);
  const shorter = Math.min(Math.hypot(a.x - vertex.x, a.y - vertex.y), Math.hypot(c.x - vertex.x, c.y - vertex.y));
  const radius = shorter * 0.45;
  const middle = start + sweep / 2;
  return [
    { shape: 'segment', from: vertex, to: a, weight: guide === 'first' ? 'guide' : 'measure' },
    { shape: 'segment', from: vertex, to: c, weight: 'measure' },
    { shape: 'arc', centre: vertex, radius, start, sweep },
    {
      shape: 'label',
      at: { x: vertex.x + Math.cos(middle) * radius * 1.9, y: vertex.y + Math.sin(middle) * radius * 1.9 },
      text,
    },
  ];
}

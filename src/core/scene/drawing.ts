import { levelOf } from '../calibration/level';
import { steadyOf } from '../calibration/steady';
import { interiorAngle } from '../geometry/angle';
import { distance, rotate, subtract, type Vec2 } from '../geometry/vec2';
import type { Drawing } from '../model/drawing';
import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { asFilmed, pictureAt } from '../trial/places';
import type { Primitive } from '../geometry/primitives';
import { TEXT } from '../../text/core/scene';

/**
 * First and last frame of the phase that a frame lies in; before the first mark and after the last the clip's ends
 * stand in.
 */
export function phaseOf(movement: Movement, trial: Trial, frame: number): { first: number; last: number } {
  const marks = movement.moments
    .flatMap((m) => trial.marks[m.id] ?? [])
    .map(Math.round)
    .sort((a, b) => a - b);
  const first = marks.findLast((mark) => mark <= frame) ?? 0;
  const last = marks.find((mark) => mark > frame) ?? trial.times.length - 1;
  return { first, last };
}

/** Whether a drawing is to be seen at a frame. */
export function visibleAt(drawing: Drawing, movement: Movement, trial: Trial, frame: number): boolean {
  if (drawing.span === 'clip') return true;
  if (drawing.span === 'frame') return drawing.frame === frame;
  const { first, last } = phaseOf(movement, trial, drawing.frame);
  return frame >= first && frame <= last;
}

/** How far a drawing's point has moved since the frame at which it was drawn; null where the point is missing. */
function moved(drawing: Drawing, trial: Trial, frame: number): Vec2 | null {
  if (drawing.anchor === null) return { x: 0, y: 0 };
  const series = trial.smoothed[drawing.anchor];
  if (!series) return null;
  const at = (i: number): Vec2 => asFilmed(trial, i, { x: series.x[i]!, y: series.y[i]! });
  const d = subtract(at(frame), at(drawing.frame));
  return Number.isNaN(d.x) || Number.isNaN(d.y) ? null : d;
}

const degrees = (radians: number): string =>
  Number.isNaN(radians) ? '' : `${Math.round((radians * 180) / Math.PI)}\u00b0`;

/** A line's angle to the level, or to the plumb where it is nearer to that. */
function inclination(a: Vec2, b: Vec2, level: number): string {
  const d = rotate(subtract(b, a), level);
  if (d.x === 0 && d.y === 0) return '';
  const toLevel = Math.atan2(Math.abs(d.y), Math.abs(d.x));
  return toLevel <= Math.PI / 4 ? TEXT.toLevel(degrees(toLevel)) : TEXT.toPlumb(degrees(Math.PI / 2 - toLevel));
}

/** The smaller angle between two lines, radians. */
function betweenLines([a, b, c, d]: readonly [Vec2, Vec2, Vec2, Vec2]): number {
  const [u, v] = [subtract(b, a), subtract(d, c)];
  const along = Math.abs(u.x * v.x + u.y * v.y);
  return Math.atan2(Math.abs(u.x * v.y - u.y * v.x), along);
}

/** Share of an arrow that its head takes, and half the head's opening, radians. */
const HEAD = { share: 0.18, opening: 0.45 } as const;

function arrow(from: Vec2, to: Vec2): readonly Primitive[] {
  const back = subtract(from, to);
  const wing = (turn: number): Vec2 => {
    const along = rotate({ x: back.x * HEAD.share, y: back.y * HEAD.share }, turn);
    return { x: to.x + along.x, y: to.y + along.y };
  };
  return [
    { shape: 'path', points: [from, to] },
    { shape: 'path', points: [wing(HEAD.opening), to, wing(-HEAD.opening)] },
  ];
}

/** Cells of a grid along each side. */
const CELLS = 4;

function box(a: Vec2, b: Vec2): Primitive {
  return { shape: 'path', points: [a, { x: b.x, y: a.y }, b, { x: a.x, y: b.y }, a] };
}

function grid(a: Vec2, b: Vec2): readonly Primitive[] {
  const at = (from: number, to: number, k: number): number => from + ((to - from) * k) / CELLS;
  const inner = Array.from({ length: CELLS - 1 }, (_, k) => k + 1);
  return [
    box(a, b),
    ...inner.flatMap((k): Primitive[] => [
      {
        shape: 'path',
        points: [
          { x: at(a.x, b.x, k), y: a.y },
          { x: at(a.x, b.x, k), y: b.y },
        ],
        thin: true,
      },
      {
        shape: 'path',
        points: [
          { x: a.x, y: at(a.y, b.y, k) },
          { x: b.x, y: at(a.y, b.y, k) },
        ],
        thin: true,
      },
    ]),
  ];
}

/** Pixels by which a label lies above what it names. */
const ABOVE = 16;
const above = ({ x, y }: Vec2): Vec2 => ({ x, y: y - ABOVE });
const middle = (a: Vec2, b: Vec2): Vec2 => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
const label = (at: Vec2, text: string): Primitive => ({ shape: 'label', at, text, drawn: true });

/** Shapes of a drawing at a frame, in pixels of the picture as filmed; plumb and level follow the levelled picture. */
export function drawDrawing(drawing: Drawing, trial: Trial, frame: number): readonly Primitive[] {
  const by = moved(drawing, trial, frame);
  if (!by) return [];
  const at = drawing.points.map((p) => ({ x: p.x + by.x, y: p.y + by.y }));
  const { clip } = trial;
  const words = (position: Vec2): readonly Primitive[] => (drawing.text ? [label(position, drawing.text)] : []);
  // Under way it is a line from press to press.
  const [a, b, c, d] = at as [Vec2, Vec2?, Vec2?, Vec2?];
  switch (drawing.kind) {
    case 'line':
      return b
        ? [{ shape: 'path', points: [a, b] }, label(above(middle(a, b)), inclination(a, b, levelOf(clip))), ...words(b)]
        : [];
    case 'arrow':
      return b ? [...arrow(a, b), ...words(a)] : [];
    case 'angle': {
      if (!b || !c) return b ? [{ shape: 'path', points: [a, b] }] : [];
      return [{ shape: 'path', points: [a, b, c] }, label(above(b), degrees(interiorAngle(a, b, c))), ...words(c)];
    }
    case 'lines': {
      if (!b) return [];
      if (!c || !d) return [{ shape: 'path', points: [a, b] }];
      return [
        { shape: 'path', points: [a, b] },
        { shape: 'path', points: [c, d] },
        label(above(middle(middle(a, b), middle(c, d))), degrees(betweenLines([a, b, c, d]))),
        ...words(d),
      ];
    }
    case 'box':
      return b ? [box(a, b), ...words(above(a))] : [];
    case 'grid':
      return b ? [...grid(a, b), ...words(above(a))] : [];
    case 'circle':
      return b ? [{ shape: 'ring', centre: a, radius: distance(a, b) }, ...words(a)] : [];
    case 'plumb':
      return [through(a, { x: 0, y: 1 }, clip), ...words(a)];
    case 'level':
      return [through(a, { x: 1, y: 0 }, clip), ...words(a)];
    case 'stroke':
      return [{ shape: 'path', points: at }, ...words(a)];
    case 'text':
      return [label(a, drawing.text || '\u2026')];
  }
}

/** A line through the whole picture. */
function through(at: Vec2, direction: Vec2, clip: Trial['clip']): Primitive {
  const reach = Math.max(clip.width, clip.height);
  const away = rotate({ x: direction.x * reach, y: direction.y * reach }, -levelOf(clip));
  return {
    shape: 'path',
    points: [
      { x: at.x - away.x, y: at.y - away.y },
      { x: at.x + away.x, y: at.y + away.y },
    ],
    thin: true,
  };
}

/**
 * A drawing laid on another body: the same angles, the same lengths in body heights, as far from the hips. Where one
 * goes the other way it is turned as in a mirror.
 * @param frame of the other clip
 * @returns null where the hips or the height of one of them are not known there
 */
export function laidOn(drawing: Drawing, from: Trial, to: Trial, frame: number): Vec2[] | null {
  const [own, other] = [pictureAt(from, 'mid-hip', drawing.frame), pictureAt(to, 'mid-hip', frame)];
  const size = heightAt(to, frame) / heightAt(from, drawing.frame);
  if (!own || !other || Number.isNaN(size)) return null;
  const flip = from.clip.view.kind === 'side' && from.clip.travel !== to.clip.travel ? -1 : 1;
  return drawing.points.map((p) => {
    const level = rotate(subtract(p, own), levelOf(from.clip));
    const there = rotate({ x: flip * size * level.x, y: size * level.y }, -levelOf(to.clip));
    return { x: other.x + there.x, y: other.y + there.y };
  });
}

/** Standing height in the picture of a frame, pixels. */
const heightAt = ({ clip, bodyHeight }: Trial, frame: number): number =>
  bodyHeight / (steadyOf(clip)?.growth(frame) ?? 1);

import { boundsOf } from '../geometry/bounds';
import { levelOf } from '../calibration/level';
import { axesOf } from '../calibration/view';
import { rotate, type Vec2 } from '../geometry/vec2';
import type { PointRef, Quantity } from '../model/quantity';
import { drawAngle, type Primitive } from '../geometry/primitives';
import type { Trial } from '../trial/trial';
import { pictureAt } from '../trial/places';
import { inUnit } from '../units';
import { quantityAt, refsOfQuantity, unitOfQuantity, type LengthIn } from '.';

const segment = (from: Vec2, to: Vec2, weight: 'measure' | 'guide' = 'measure'): Primitive => ({
  shape: 'segment',
  from,
  to,
  weight,
});

/**
 * A quantity on a frame: the lines that it is measured between, and its value beside them; picture pixels.
 * @param readAt where its value is read: a moment may lie between two frames, and the picture is the nearest one
 */
export function drawQuantity(
  quantity: Quantity,
  trial: Trial,
  frame: number,
  lengthIn: LengthIn,
  readAt = frame,
): readonly Primitive[] {
  const places = refsOfQuantity(quantity).map((ref: PointRef) => pictureAt(trial, ref, frame));
  if (places.includes(null)) return [];
  const points = places as Vec2[];
  const value = quantityAt(trial, quantity, readAt, lengthIn);
  const text = value === null ? '' : inUnit(value, unitOfQuantity(quantity, lengthIn)).replace('-', '\u2212');
  const beside = (at: Vec2): Primitive => ({ shape: 'label', at: { x: at.x, y: at.y - 14 }, text });
  const middle = (a: Vec2, b: Vec2): Vec2 => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const [a, b, c, d] = points as [Vec2, Vec2, Vec2, Vec2];
  // Up and forward are those of the levelled picture, drawn where they are in the picture as filmed.
  const along = (axis: 'forward' | 'up', of: Vec2): Vec2 => {
    const level = rotate(of, levelOf(trial.clip));
    return rotate(axis === 'forward' ? { x: level.x, y: 0 } : { x: 0, y: level.y }, -levelOf(trial.clip));
  };
  switch (quantity.type) {
    case 'joint-angle':
      return drawAngle(a, b, c, text, 'none');
    case 'segment-angle': {
      const reach = Math.hypot(b.x - a.x, b.y - a.y);
      const axes = axesOf(trial.clip);
      const away = rotate(
        { up: { x: 0, y: -axes.y * reach }, down: { x: 0, y: axes.y * reach }, forward: { x: axes.x * reach, y: 0 } }[
          quantity.against
        ],
        -levelOf(trial.clip),
      );
      return drawAngle({ x: a.x + away.x, y: a.y + away.y }, a, b, text, 'first');
    }
    case 'line-separation':
      return [segment(a, b), segment(c, d, 'guide'), beside(middle(a, b))];
    case 'facing': {
      // An arrow out of the middle of the line, to where the chest points.
      const m = middle(a, b);
      const way = trial.clip.travel === 'right' ? 1 : -1;
      const tip = { x: m.x + way * 0.8 * (b.y - a.y), y: m.y - way * 0.8 * (b.x - a.x) };
      return [segment(a, b), segment(m, tip, 'guide'), { shape: 'dot', at: tip, sure: true }, beside(tip)];
    }
    case 'distance':
    case 'ground-distance':
      return [segment(a, b), beside(middle(a, b))];
    case 'offset': {
      const reach = along(quantity.axis, { x: a.x - b.x, y: a.y - b.y });
      const corner = { x: b.x + reach.x, y: b.y + reach.y };
      return [segment(b, corner), segment(corner, a, 'guide'), beside(middle(b, corner))];
    }
    case 'position-on-axes':
      return [segment(b, c, 'guide'), segment(b, d, 'guide'), segment(b, a), beside(middle(a, b))];
    case 'direction-on-axes':
      return [segment(c, d, 'guide'), segment(c, points[4]!, 'guide'), segment(a, b), beside(middle(a, b))];
    case 'height': {
      // The ground is level in movement coordinates; the drop to it is drawn straight down in the levelled picture.
      const drop = rotate({ x: 0, y: 1 }, -levelOf(trial.clip));
      const length = quantityAt(trial, quantity, frame, 'px') ?? 0;
      const foot = { x: a.x + drop.x * length, y: a.y + drop.y * length };
      return [segment(a, foot), beside(middle(a, foot))];
    }
    case 'box': {
      const { x: left, y: top, width, height } = boundsOf(points);
      const [right, bottom] = [left + width, top + height];
      return [
        {
          shape: 'path',
          points: [
            { x: left, y: top },
            { x: right, y: top },
            { x: right, y: bottom },
            { x: left, y: bottom },
            { x: left, y: top },
          ],
          thin: true,
        },
        beside({ x: (left + right) / 2, y: top }),
      ];
    }
    case 'alignment':
      return [
        ...points.slice(1).map((to, i) => segment(points[i]!, to)),
        segment(points[0]!, points.at(-1)!, 'guide'),
        beside(points[0]!),
      ];
    case 'relative-inertia':
      return [segment(a, b), segment(b, c), beside(b)];
  }
}

import type { Vec2 } from '../core/geometry/vec2';
import type { StyleKey } from '../core/model/slots';
import type { Primitive } from '../core/geometry/primitives';
import { freePlaces } from './label-places';
import { ROLE_STYLE } from './role-style';
import { toPane, type Size, type Viewport } from './viewport';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

const ALPHA = { bone: 0.75, faint: 0.3, measure: 1, guide: 1 } as const;
const WIDTH = { bone: 1.6, faint: 1, measure: 3, guide: 1.6 } as const;
/** What was drawn for talking has neither performer's colour. */
const DRAWN = '#f4f0d8';
const FONT = '600 13px "Public Sans Variable", sans-serif';

function stroke(context: Context, color: string, width: number, path: () => void): void {
  // A dark edge keeps a line readable on grass, sky and skin alike.
  for (const [style, extra] of [
    ['rgba(12,16,20,.65)', 2],
    [color, 0],
  ] as const) {
    context.strokeStyle = style;
    context.lineWidth = width + extra;
    context.beginPath();
    path();
    context.stroke();
  }
}

const LABEL = { height: 20, apart: 2, beside: 5 };

/** Values and words, each where it is wanted or beside what is there already. */
function paintLabels(
  context: Context,
  labels: readonly { readonly at: Vec2; readonly text: string; readonly color: string }[],
): void {
  context.font = FONT;
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  // Two measures of one angle say the same in the same place: once is enough.
  const once = labels.filter(
    ({ at, text }, i) =>
      labels.findIndex((other) => other.text === text && Math.hypot(other.at.x - at.x, other.at.y - at.y) < 1) === i,
  );
  const wanted = once.map(({ at, text }) => ({ ...at, width: context.measureText(text).width + 2 * LABEL.beside }));
  freePlaces(wanted, LABEL.height + LABEL.apart).forEach((at, i) => {
    const { width } = wanted[i]!;
    context.fillStyle = 'rgba(12,16,20,.78)';
    context.beginPath();
    context.roundRect(at.x - width / 2, at.y - LABEL.height / 2, width, LABEL.height, 5);
    context.fill();
    context.fillStyle = once[i]!.color;
    context.fillText(once[i]!.text, at.x, at.y + 0.5);
  });
}

/** Paints plain shapes over a picture; the same call serves panes, stills and film. */
export function paintScene(
  context: Context,
  scene: readonly Primitive[],
  styleKey: StyleKey,
  viewport: Viewport,
  pane: Size,
): void {
  const style = ROLE_STYLE[styleKey];
  const place = (p: Vec2): Vec2 => toPane(viewport, pane, p);
  context.save();
  context.lineCap = style.cap;
  for (const shape of scene) {
    if (shape.shape === 'segment') {
      const from = place(shape.from);
      const to = place(shape.to);
      context.setLineDash(shape.weight === 'guide' ? [2, 4] : [...style.dash]);
      context.globalAlpha = ALPHA[shape.weight];
      stroke(context, style.onPicture, WIDTH[shape.weight], () => {
        context.moveTo(from.x, from.y);
        context.lineTo(to.x, to.y);
      });
    } else if (shape.shape === 'arc') {
      const centre = place(shape.centre);
      const turned = shape.start + viewport.turn;
      const start = viewport.mirrored ? Math.PI - turned : turned;
      const sweep = viewport.mirrored ? -shape.sweep : shape.sweep;
      context.setLineDash([]);
      context.globalAlpha = 1;
      stroke(context, style.onPicture, 2.4, () =>
        context.arc(centre.x, centre.y, shape.radius * viewport.scale, start, start + sweep, sweep < 0),
      );
    } else if (shape.shape === 'path') {
      const points = shape.points.map(place);
      context.setLineDash([]);
      context.globalAlpha = 1;
      context.lineJoin = 'round';
      stroke(context, DRAWN, shape.thin ? 1.4 : 2.6, () =>
        points.forEach((p, i) => (i === 0 ? context.moveTo(p.x, p.y) : context.lineTo(p.x, p.y))),
      );
    } else if (shape.shape === 'ring') {
      const centre = place(shape.centre);
      context.setLineDash([]);
      context.globalAlpha = 1;
      stroke(context, DRAWN, 2.6, () => context.arc(centre.x, centre.y, shape.radius * viewport.scale, 0, 2 * Math.PI));
    } else if (shape.shape === 'dot') {
      const at = place(shape.at);
      context.globalAlpha = 1;
      context.setLineDash([]);
      context.fillStyle = shape.sure ? style.onPicture : 'rgba(12,16,20,.65)';
      context.strokeStyle = shape.sure ? 'rgba(12,16,20,.7)' : style.onPicture;
      context.lineWidth = 1.2;
      context.beginPath();
      if (style.mark === 'circle') context.arc(at.x, at.y, 3.2, 0, 2 * Math.PI);
      else context.rect(at.x - 3, at.y - 3, 6, 6);
      context.fill();
      context.stroke();
    }
  }
  // Values last, so that no line crosses a number.
  context.globalAlpha = 1;
  paintLabels(
    context,
    scene.flatMap((shape) =>
      shape.shape === 'label'
        ? [{ at: place(shape.at), text: shape.text, color: shape.drawn ? DRAWN : style.onPicture }]
        : [],
    ),
  );
  context.restore();
}

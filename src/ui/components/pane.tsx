import { useCallback, useEffect, useLayoutEffect, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import type { Vec2 } from '../../core/geometry/vec2';
import { paintEdges } from '../../rendering/paint-edges';
import { paintPicture, type Picture } from '../../rendering/paint-picture';
import { paintScene } from '../../rendering/paint-scene';
import { useLatest } from './use-latest';
import {
  detailFor,
  fitPicture,
  followBody,
  panBy,
  toPane,
  toPicture,
  zoomAt,
  type Size,
  type Viewport,
} from '../../rendering/viewport';
import type { PaneProps } from './pane-props';

interface Shown extends Pick<Picture, 'rotation'> {
  readonly frame: VideoFrame | ImageBitmap;
  readonly index: number;
}

/** How near a press must be to a point to take hold of it, pane pixels. */
const GRAB = 16;

const LOUPE = { radius: 58, zoom: 3 };

type Drag = { kind: 'draw' } | { kind: 'pan'; last: Vec2 } | { kind: 'point'; id: string; at: Vec2; moved: boolean };

/** One clip's picture with its lines; zoom with the wheel, pan by dragging, points under a loupe. */
export function Pane(props: PaneProps): ReactNode {
  const canvas = useRef<HTMLCanvasElement>(null);
  const latest = useRef<Shown | null>(null);
  const byHand = useRef<Viewport | null>(null);
  const drag = useRef<Drag | null>(null);
  const [size, setSize] = useState<Size>({ width: 1, height: 1 });
  const current = useLatest(props);

  const viewportNow = useCallback((): Viewport => {
    const { picture, followBody: follow, focusAt } = current.current;
    const focus = follow && latest.current ? focusAt(latest.current.index) : null;
    if (follow && focus) return followBody(focus, size, picture);
    return (
      (byHand.current && { ...byHand.current, mirrored: picture.mirrored, turn: picture.turn }) ??
      fitPicture(picture, size, picture)
    );
  }, [current, size]);

  const draw = useCallback((): void => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    const { styleKey, sceneAt, handlesAt, ghost, edges } = current.current;
    context.clearRect(0, 0, size.width, size.height);
    if (ghost === null) {
      context.fillStyle = '#171c20';
      context.fillRect(0, 0, size.width, size.height);
    }
    if (!latest.current) return;
    const { frame, index, rotation } = latest.current;
    const picture = { ...current.current.picture, frame, rotation };
    const viewport = viewportNow();
    context.globalAlpha = ghost ?? 1;
    if (ghost !== 0 && edges) paintEdges(context, picture, viewport, size);
    else if (ghost !== 0) paintPicture(context, picture, viewport, size);
    context.globalAlpha = 1;
    const scene = sceneAt(index);
    paintScene(context, scene, styleKey, viewport, size);
    const { below, onPainted } = current.current;
    onPainted(context.canvas, { frame: index, viewport, scene, opacity: ghost ?? 1, edges, below });
    const held = drag.current?.kind === 'point' ? drag.current : null;
    const handles = handlesAt(index);
    current.current.onDetail(
      detailFor(viewport.scale * ratio * (handles.length > 0 || current.current.placing !== null ? LOUPE.zoom : 1)),
    );
    for (const handle of handles) {
      const at = toPane(viewport, size, held?.id === handle.id ? held.at : handle);
      const isChosen = handle.id === current.current.chosen;
      context.strokeStyle = isChosen ? '#f4f0d8' : '#fff';
      context.lineWidth = isChosen ? 3 : 1.5;
      context.beginPath();
      context.arc(at.x, at.y, isChosen ? 9 : 7, 0, 2 * Math.PI);
      context.stroke();
    }
    if (held) {
      const at = toPane(viewport, size, held.at);
      const above = at.y > LOUPE.radius * 2 + 20 ? -1 : 1;
      const centre = { x: at.x, y: at.y + above * (LOUPE.radius + 18) };
      const near: Viewport = { ...viewport, x: held.at.x, y: held.at.y, scale: viewport.scale * LOUPE.zoom };
      context.save();
      context.beginPath();
      context.arc(centre.x, centre.y, LOUPE.radius, 0, 2 * Math.PI);
      context.clip();
      context.translate(centre.x - size.width / 2, centre.y - size.height / 2);
      paintPicture(context, picture, near, size);
      context.restore();
      context.strokeStyle = '#fff';
      context.lineWidth = 1.5;
      context.beginPath();
      context.arc(centre.x, centre.y, LOUPE.radius, 0, 2 * Math.PI);
      context.moveTo(centre.x - 10, centre.y);
      context.lineTo(centre.x + 10, centre.y);
      context.moveTo(centre.x, centre.y - 10);
      context.lineTo(centre.x, centre.y + 10);
      context.stroke();
    }
  }, [current, size, viewportNow]);

  useLayoutEffect(() => {
    const element = canvas.current!;
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      element.width = Math.round(width * window.devicePixelRatio);
      element.height = Math.round(height * window.devicePixelRatio);
      setSize({ width, height });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const drawLatest = useLatest(draw);
  const { attach } = props;
  useEffect(() => {
    const element = canvas.current!;
    const tell = current;
    const detach = attach((frame, index, rotation) => {
      latest.current?.frame.close();
      latest.current = { frame, index, rotation };
      drawLatest.current();
    });
    return () => {
      detach();
      latest.current?.frame.close();
      latest.current = null;
      tell.current.onPainted(element, null);
    };
  }, [attach, drawLatest, current]);
  const { sceneAt, focusAt, handlesAt, picture, ghost, edges, followBody: follows, placing, chosen } = props;
  // Every picture draws itself when it comes; here what lies over it has changed.
  useEffect(draw, [draw, sceneAt, focusAt, handlesAt, picture, ghost, edges, follows, placing, chosen]);

  const changeByHand = (next: Viewport): void => {
    byHand.current = next;
    if (props.followBody) props.onViewportByHand();
    else draw();
  };

  // React's wheel listener is passive; zooming must keep the page from scrolling.
  useEffect(() => {
    const element = canvas.current!;
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      const pointer = { x: event.clientX - box.left, y: event.clientY - box.top };
      changeByHand(zoomAt(viewportNow(), size, pointer, Math.exp(-event.deltaY * 0.0015)));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  });

  const hover = useRef<Vec2 | null>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const { placing: id, onMovePoint } = current.current;
      if (
        event.key !== 'e' ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        id === null ||
        !hover.current ||
        !latest.current
      )
        return;
      if (event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement) return;
      onMovePoint(id, latest.current.index, toPicture(viewportNow(), size, hover.current));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [current, size, viewportNow]);

  const pointerAt = (event: PointerEvent): Vec2 => {
    const box = canvas.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };

  const onPointerDown = (event: PointerEvent<HTMLCanvasElement>): void => {
    props.onActivate();
    if (event.button !== 0 || !latest.current) return;
    canvas.current!.setPointerCapture(event.pointerId);
    const at = pointerAt(event);
    const viewport = viewportNow();
    if (props.onDraw) {
      drag.current = { kind: 'draw' };
      return props.onDraw(toPicture(viewport, size, at), 'press', latest.current.index);
    }
    if (props.placing !== null) {
      drag.current = { kind: 'point', id: props.placing, at: toPicture(viewport, size, at), moved: true };
      return draw();
    }
    const near = props
      .handlesAt(latest.current.index)
      .map((handle) => ({ handle, pane: toPane(viewport, size, handle) }))
      .map(({ handle, pane }) => ({ handle, away: Math.hypot(pane.x - at.x, pane.y - at.y) }))
      .filter(({ away }) => away <= GRAB)
      .sort((a, b) => a.away - b.away)[0];
    drag.current = near
      ? { kind: 'point', id: near.handle.id, at: { x: near.handle.x, y: near.handle.y }, moved: false }
      : { kind: 'pan', last: at };
    if (near) {
      props.onChoosePoint(near.handle.id);
      draw();
    }
  };
  const onPointerMove = (event: PointerEvent): void => {
    const held = drag.current;
    const at = pointerAt(event);
    hover.current = at;
    if (!held) return;
    if (held.kind === 'draw') {
      if (latest.current) props.onDraw?.(toPicture(viewportNow(), size, at), 'drag', latest.current.index);
    } else if (held.kind === 'pan') {
      const dx = at.x - held.last.x;
      const dy = at.y - held.last.y;
      if (Math.abs(dx) + Math.abs(dy) === 0) return;
      drag.current = { kind: 'pan', last: at };
      changeByHand(panBy(viewportNow(), dx, dy));
    } else {
      drag.current = { ...held, at: toPicture(viewportNow(), size, at), moved: true };
      draw();
    }
  };
  const onPointerUp = (event: PointerEvent): void => {
    const held = drag.current;
    drag.current = null;
    if (held?.kind === 'draw') {
      if (latest.current)
        props.onDraw?.(toPicture(viewportNow(), size, pointerAt(event)), 'release', latest.current.index);
      return;
    }
    if (held?.kind === 'point' && held.moved && latest.current)
      props.onMovePoint(held.id, latest.current.index, held.at);
    else draw();
  };

  return (
    <figure
      className={`pane ${props.styleKey} ${props.active ? 'active' : ''} ${props.ghost === null ? '' : 'ghost'}`}
      aria-label={props.label}
    >
      <canvas
        ref={canvas}
        data-testid={`pane-${props.id}`}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onPointerLeave={() => {
          hover.current = null;
        }}
        onDoubleClick={() => {
          byHand.current = null;
          draw();
        }}
      />
      <figcaption style={{ top: 22 * props.below }}>{props.caption}</figcaption>
      <div className="pane-acts">{props.acts}</div>
    </figure>
  );
}

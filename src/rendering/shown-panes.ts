import type { Primitive } from '../core/geometry/primitives';
import type { Vec2 } from '../core/geometry/vec2';
import type { Screen } from '../core/talk/section-recorder';
import type { Viewport } from './viewport';

/** What a pane painted last. */
export interface Painted {
  readonly frame: number;
  readonly viewport: Viewport;
  readonly scene: readonly Primitive[];
  readonly opacity: number;
  readonly edges: boolean;
  /** Panes under this one where they are laid over each other. */
  readonly below: number;
}

/** Knows what the panes of a screen show, as they painted it: a record of it needs to know nothing of why. */
export class ShownPanes {
  private readonly panes = new Map<string, { readonly canvas: HTMLCanvasElement; readonly painted: Painted }>();

  painted(clipId: string, canvas: HTMLCanvasElement, painted: Painted): void {
    this.panes.set(clipId, { canvas, painted });
  }

  gone(clipId: string): void {
    this.panes.delete(clipId);
  }

  /**
   * All panes as they stand now, the lowest first; null where there are none.
   * @param pointer in the window
   */
  screen(pointer: Vec2 | null): Pick<Screen, 'panes' | 'room' | 'pointer'> | null {
    const all = [...this.panes].sort(([, a], [, b]) => a.painted.below - b.painted.below);
    const room = all[0]?.[1].canvas.closest('.panes')?.getBoundingClientRect();
    if (!room || room.width === 0 || room.height === 0) return null;
    const inRoom = pointer && { x: pointer.x - room.left, y: pointer.y - room.top };
    const inside = inRoom && inRoom.x >= 0 && inRoom.y >= 0 && inRoom.x <= room.width && inRoom.y <= room.height;
    return {
      panes: all.map(([clipId, { canvas, painted }]) => {
        const { left, top, width, height } = canvas.getBoundingClientRect();
        const { frame, viewport, scene, opacity, edges } = painted;
        return {
          clipId,
          frame,
          box: { x: left - room.left, y: top - room.top, width, height },
          viewport,
          opacity,
          edges,
          scene,
        };
      }),
      room: { width: room.width, height: room.height },
      pointer: inside ? inRoom : null,
    };
  }
}

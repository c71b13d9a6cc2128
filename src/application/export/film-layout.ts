import type { StyleKey } from '../../core/model/slots';
import { shownAs } from '../../rendering/focus';
import type { BenchClip } from '../bench/bench-clips';

export type FilmFormat = 'webm' | 'mp4';

export const FILM_SIZE = { width: 1280, height: 720 };
/** Pictures a second. */
export const FILM_RATE = 30;
/** Height of the line of words under the pictures, pixels. */
export const WORDS_HEIGHT = 40;
/** Pixels between two panes. */
const GUTTER = 2;

/** Where a clip's picture stands in a film, pixels. */
export interface FilmPane {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly styleKey: StyleKey;
  readonly name: string;
  readonly picture: ReturnType<typeof shownAs>;
  /** Panes under this one where they are laid over each other. */
  readonly below: number;
}

/** Side by side, or two by two where there are three or four. */
export function filmPanes(clips: readonly BenchClip[]): readonly FilmPane[] {
  const columns = clips.length > 1 ? 2 : 1;
  const rows = clips.length > 2 ? 2 : 1;
  const width = (FILM_SIZE.width - GUTTER * (columns - 1)) / columns;
  const height = (FILM_SIZE.height - WORDS_HEIGHT - GUTTER * (rows - 1)) / rows;
  return clips.map(({ trial: { clip }, styleKey }, i) => ({
    x: (i % columns) * (width + GUTTER),
    y: Math.floor(i / columns) * (height + GUTTER),
    width,
    height,
    styleKey,
    name: clip.performer.name,
    picture: shownAs(clip),
    below: 0,
  }));
}

import type { Clip } from './clip';
import { withoutClips } from './removed-clips';
import type { Mark, Note, Session } from './session';

/** A stretch of a clip that becomes a clip of its own. */
export interface Piece {
  /** The clip that it becomes, under an id of its own; its frames are those of the stretch. */
  readonly clip: Clip;
  /** Its first frame in the clip that is split; null where its frames are not those of that clip, one by one. */
  readonly from: number | null;
}

type Track = Session['tracks'][string];
type Detections = Session['detections'][string];

type Stretch = Piece & { readonly from: number };

const holds = ({ clip, from }: Stretch, frame: number): boolean =>
  frame >= from && frame < from + clip.frameTimes.length;

/** Samples of a stretch, one a frame. */
const stretch = <T extends { slice(from: number, to: number): T }>(values: T, { clip, from }: Stretch): T =>
  values.slice(from, from + clip.frameTimes.length);

const trackOf = (track: Track, piece: Stretch): Track =>
  Object.fromEntries(
    Object.entries(track).map(([id, series]) => [
      id,
      series && {
        x: stretch(series.x, piece),
        y: stretch(series.y, piece),
        confidence: stretch(series.confidence, piece),
        origin: stretch(series.origin, piece),
      },
    ]),
  );

/** Whom a piece's detections follow. A run whose box lies in none of its frames has nothing to go on from. */
function followedIn({ person, again, complete }: Detections, piece: Stretch): Partial<Detections> {
  if (person === null && again.length === 0) return {};
  const boxes = [...(person ? [person] : []), ...again]
    .filter(({ frame }) => holds(piece, frame))
    .map((box) => ({ ...box, frame: box.frame - piece.from }));
  const [first = null, ...later] = boxes;
  return person === null ? { again: boxes } : { person: first, again: later, complete: complete || first === null };
}

function detectionsOf(kept: Detections, piece: Stretch): Detections {
  const { points } = kept;
  const looked = Array.from(kept.frames).flatMap((frame, k) => (holds(piece, frame) ? [k] : []));
  const [begin, end] = [looked[0] ?? 0, (looked.at(-1) ?? -1) + 1];
  const samples = <T extends { slice(from: number, to: number): T }>(values: T): T =>
    values.slice(begin * points.length, end * points.length);
  return {
    ...kept,
    ...followedIn(kept, piece),
    frames: kept.frames.slice(begin, end).map((frame) => frame - piece.from),
    detectors: kept.detectors.map((d) => ({
      ...d,
      x: samples(d.x),
      y: samples(d.y),
      confidence: samples(d.confidence),
    })),
    derived: Object.fromEntries(
      Object.entries(kept.derived).map(([id, places]) => [id, places && stretch(places, piece)]),
    ),
  };
}

const marksOf = (marks: Readonly<Record<string, Mark>>, piece: Stretch): Record<string, Mark> =>
  Object.fromEntries(
    Object.entries(marks)
      .filter(([, { frame }]) => holds(piece, frame))
      .map(([id, mark]) => [id, { ...mark, frame: mark.frame - piece.from }]),
  );

/**
 * Makes clips of some stretches of a clip, in its place. Points, what detectors said, moments, findings and drawings go
 * with the frames that they belong to; what belongs to a frame of none of them goes. A session without the clip stays
 * as it is.
 */
export function splitClip(session: Session, clipId: string, pieces: readonly Piece[]): Session {
  const place = session.clips.findIndex(({ id }) => id === clipId);
  if (place < 0) return session;
  const rest = withoutClips(session, new Set([clipId]));
  const stretches = pieces.filter((piece): piece is Stretch => piece.from !== null);
  const inPieces = <T>(whole: T | undefined, part: (whole: T, piece: Stretch) => T): Record<string, T> =>
    whole === undefined ? {} : Object.fromEntries(stretches.map((piece) => [piece.clip.id, part(whole, piece)]));
  /** Where a frame of the clip is now. */
  const now = (frame: number | undefined): { readonly clipId: string; readonly frame: number } | null => {
    const piece = frame === undefined ? undefined : stretches.find((own) => holds(own, frame));
    return piece ? { clipId: piece.clip.id, frame: frame! - piece.from } : null;
  };
  const noteNow = (note: Note): readonly Note[] => {
    const own = note.clipId === clipId ? now(note.frame) : note;
    const shown = now(note.panes[clipId]);
    const panes = Object.entries(note.panes).filter(([id]) => id !== clipId);
    return own === null
      ? []
      : [
          {
            ...note,
            clipId: own.clipId,
            frame: own.frame,
            panes: Object.fromEntries(shown ? [...panes, [shown.clipId, shown.frame]] : panes),
          },
        ];
  };
  const clips = rest.clips.map((clip) =>
    clip.sync?.to === clipId && pieces[0] ? { ...clip, sync: { to: pieces[0].clip.id, pairs: [] } } : clip,
  );
  return {
    ...rest,
    clips: [...clips.slice(0, place), ...pieces.map(({ clip }) => clip), ...clips.slice(place)],
    tracks: { ...rest.tracks, ...inPieces(session.tracks[clipId], trackOf) },
    detections: { ...rest.detections, ...inPieces(session.detections[clipId], detectionsOf) },
    marks: { ...rest.marks, ...inPieces(session.marks[clipId], marksOf) },
    notes: session.notes.flatMap(noteNow),
    drawings: session.drawings.flatMap((drawing) => {
      const moved = drawing.clipId === clipId ? now(drawing.frame) : drawing;
      return moved ? [{ ...drawing, clipId: moved.clipId, frame: moved.frame }] : [];
    }),
  };
}

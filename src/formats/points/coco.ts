import { z } from 'zod';
import { fail, ok, type Result } from '../../core/result';
import { emptyMarker, framesOf, type Marker, type Recording } from '../../core/tracks/recording';
import {
  bytesOf,
  damaged,
  mostSamples,
  textOf,
  type PointFile,
  type PointFileIssue,
  type PointFormat,
} from './point-format';
import { TEXT } from '../../text/formats/points';

const documentSchema = z.object({
  info: z.looseObject({ frame_rate: z.number().positive().optional() }).optional(),
  images: z.array(z.looseObject({ id: z.number(), file_name: z.string().optional() })).min(1),
  annotations: z.array(
    z.looseObject({
      image_id: z.number(),
      keypoints: z.array(z.number()),
      track_id: z.number().optional(),
      category_id: z.number().optional(),
    }),
  ),
  categories: z.array(z.looseObject({ id: z.number(), keypoints: z.array(z.string()).optional() })).min(1),
});

/** Where the file does not say how many pictures make a second. */
const UNSTATED_RATE = 30;

function readFile(text: string, fileName: string): Result<PointFile, PointFileIssue> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return damaged(fileName, TEXT.itIsNotValidJson(error instanceof Error ? error.message : String(error)));
  }
  const checked = documentSchema.safeParse(parsed);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return damaged(fileName, TEXT.itShouldHaveImagesAnnotations(first.path.join('.') || TEXT.document, first.message));
  }
  const { info, images, annotations, categories } = checked.data;
  const names = categories.find((c) => c.keypoints && c.keypoints.length > 0)?.keypoints;
  if (!names) return fail('no-points', TEXT.namesNoKeypointsInIts(fileName));
  const warnings: string[] = [];
  const rate = info?.frame_rate ?? UNSTATED_RATE;
  if (info?.frame_rate === undefined) warnings.push(TEXT.fileDoesNotSayHow(UNSTATED_RATE));
  const order = new Map([...images].sort((a, b) => a.id - b.id).map((image, i) => [image.id, i]));
  if (order.size * names.length > mostSamples(text.length))
    return fail('too-large', TEXT.hasPicturesCutIt(fileName, order.size));
  const subjects = new Map<number, Marker[]>();
  let bad = 0;
  let untracked = 0;
  const seen = new Map<number, number>();
  for (const annotation of annotations) {
    const frame = order.get(annotation.image_id);
    if (frame === undefined || annotation.keypoints.length !== 3 * names.length) {
      bad++;
      continue;
    }
    if (annotation.track_id === undefined) untracked++;
    // Without tracks the n-th person of each picture is taken for the same one.
    const nth = seen.get(frame) ?? 0;
    seen.set(frame, nth + 1);
    const subject = annotation.track_id ?? nth;
    if (!subjects.has(subject) && (subjects.size + 1) * order.size * names.length > mostSamples(text.length))
      return fail('too-large', TEXT.hasMoreThanPeople(fileName, subjects.size, order.size));
    if (!subjects.has(subject))
      subjects.set(
        subject,
        names.map((name) => emptyMarker(name, order.size, false)),
      );
    subjects.get(subject)!.forEach((marker, k) => {
      const [x, y, visible] = annotation.keypoints.slice(3 * k, 3 * k + 3) as [number, number, number];
      if (visible === 0) return;
      marker.x[frame] = x;
      marker.y[frame] = y;
    });
  }
  if (bad > 0) warnings.push(TEXT.annotationsBelongToNoPicture(bad, names.length));
  if (untracked > 0 && subjects.size > 1) warnings.push(TEXT.annotationsHaveNoTrackId);
  if (subjects.size === 0) return fail('no-points', TEXT.hasNoAnnotationThatCan(fileName));
  const base = fileName.replace(/\.[^.]*$/, '');
  const recordings = [...subjects].map(([id, markers]): Recording => ({
    name: subjects.size > 1 ? `${base} ${id}` : base,
    rate,
    unit: 'px',
    up: 'y',
    markers,
  }));
  return ok({ recordings, warnings });
}

/**
 * Keypoints JSON as the COCO data set writes them: pictures, annotations `[x, y, visibility, ...]`, keypoint names in
 * the category. `info.frame_rate` is ours; it says how many pictures make a second.
 */
export const coco: PointFormat = {
  id: 'coco',
  name: 'COCO keypoints',
  extensions: ['json'],
  sniff: (head) => /^\s*\{/.test(head) && /"(images|annotations|categories|info)"\s*:/.test(head),
  read: (bytes, fileName) => readFile(textOf(bytes), fileName),
  write: (recording) => {
    const frames = framesOf(recording);
    const names = recording.markers.map((m) => m.name);
    const annotations = Array.from({ length: frames }, (_, i) => {
      const keypoints = recording.markers.flatMap((m) => (Number.isNaN(m.x[i]!) ? [0, 0, 0] : [m.x[i]!, m.y[i]!, 2]));
      return {
        id: i + 1,
        image_id: i + 1,
        category_id: 1,
        track_id: 1,
        iscrowd: 0,
        num_keypoints: keypoints.filter((_, k) => k % 3 === 2 && keypoints[k] === 2).length,
        keypoints,
      };
    });
    return bytesOf(
      `${JSON.stringify({
        info: { description: recording.name, frame_rate: recording.rate },
        images: Array.from({ length: frames }, (_, i) => ({ id: i + 1, file_name: `frame-${i + 1}` })),
        annotations,
        categories: [{ id: 1, name: 'person', keypoints: names, skeleton: [] }],
      })}\n`,
    );
  },
};

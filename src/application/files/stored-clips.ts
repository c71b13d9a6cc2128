import type { Clip } from '../../core/model/clip';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { openClipSource, type ClipSource, type ClipSourceOptions } from '../../media/clip-source';
import { figureIndex, openFigureSource } from '../../media/figure-source';
import type { VideoFile } from '../../media/video-file';
import { loadMedia } from '../../storage/media';
import { TEXT } from '../../text/application/files';

/** The video of a clip as it was given. */
export async function videoOf({
  mediaId,
  fileName,
  part,
  repeats,
}: Clip): Promise<Result<VideoFile, Issue<'no-media'>>> {
  const blob = mediaId === null ? undefined : await loadMedia(mediaId);
  return blob ? ok({ blob, name: fileName, part, repeats }) : fail('no-media', TEXT.videoOfFileNameIs(fileName));
}

export interface StoredClipOptions extends ClipSourceOptions {
  /** Opens the work copy where there is one. */
  readonly workCopy?: boolean;
}

/** Opens the frames of a clip, of its video or of a figure that is drawn from points; whoever opened it closes it. */
export async function openStoredClip(
  clip: Clip,
  { workCopy = false, ...options }: StoredClipOptions = {},
): Promise<Result<ClipSource, Issue>> {
  if (clip.mediaId === null)
    return ok(openFigureSource(figureIndex(clip.frameTimes.length, clip.fileRate, clip.width, clip.height)));
  const copy = workCopy && clip.workMediaId ? await loadMedia(clip.workMediaId) : undefined;
  const video = copy ? ok({ blob: copy, name: clip.fileName, part: null, repeats: clip.repeats }) : await videoOf(clip);
  return video.ok ? openClipSource(video.value, options) : video;
}

import type { Clip } from '../core/model/clip';

/** A video, or the part of one that a clip is: all of the media functions take only its frames. */
export interface VideoFile {
  readonly blob: Blob;
  readonly name: string;
  readonly part: Clip['part'];
  /** Frames that are left out since they repeat a picture. */
  readonly repeats: Clip['repeats'];
}

/** A file as it is. */
export const wholeFile = (file: File): VideoFile => ({ blob: file, name: file.name, part: null, repeats: null });

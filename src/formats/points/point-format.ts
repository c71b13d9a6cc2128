import { fail, type Issue, type Result } from '../../core/result';
import type { Recording } from '../../core/tracks/recording';

export type PointFileCode = 'not-this-format' | 'damaged' | 'no-points' | 'too-large';
export type PointFileIssue = Issue<PointFileCode>;

/** What a file of points holds: a recording for each subject, and what was odd about the file. */
export interface PointFile {
  readonly recordings: readonly Recording[];
  readonly warnings: readonly string[];
}

/** A format of points: recognised by its first bytes, read tolerantly, written exactly. */
export interface PointFormat {
  readonly id: string;
  readonly name: string;
  readonly extensions: readonly string[];
  readonly sniff: (head: string, fileName: string) => boolean;
  readonly read: (bytes: Uint8Array, fileName: string) => Result<PointFile, PointFileIssue>;
  readonly write: (recording: Recording) => Uint8Array;
}

/**
 * How many samples a file of so many bytes may hold: a few for each byte, since people leave the picture and rows go
 * missing; more are a damaged count that would fill the memory.
 */
export const mostSamples = (bytes: number): number => Math.min(50e6, 2e5 + 5 * bytes);

export const textOf = (bytes: Uint8Array): string => new TextDecoder('utf-8', { ignoreBOM: false }).decode(bytes);
export const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

export const damaged = (fileName: string, what: string): ReturnType<typeof fail<'damaged'>> =>
  fail('damaged', `\u201c${fileName}\u201d: ${what}`);
/** A piece of a file as it is quoted in a message. */
export const quote = (text: string): string => `\u201c${text.length > 40 ? `${text.slice(0, 40)}\u2026` : text}\u201d`;

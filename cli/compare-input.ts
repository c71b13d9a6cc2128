import type { Role } from '../src/core/model/clip';
import type { Movement } from '../src/core/model/movement';
import type { Trial } from '../src/core/trial/trial';
import type { Issue } from '../src/core/result';
import type { ComparedTrial } from '../src/formats/comparison-json/comparison-json';
import type { PerformerAnswers } from './options';

export interface PointInput {
  readonly file: string;
  readonly bytes: Uint8Array;
}

export interface CompareInput {
  readonly movement: Movement;
  readonly athlete: PointInput;
  /** One, several whose mean and spread count, or none: then only published targets are judged. */
  readonly references: readonly PointInput[];
  /** Text of the moments file, or null to have all moments proposed. */
  readonly moments: { readonly file: string; readonly text: string } | null;
  /** The athlete is under age. */
  readonly minor: boolean;
  readonly performers: Readonly<Record<Role, PerformerAnswers>>;
  /** Whose targets count, by the id of a school of the movement; null for the movement's own. */
  readonly school: string | null;
  /** Days to the competition; null where none is near. */
  readonly days: number | null;
}

/**
 * One trial as all the cameras that a file has of it: one for points of a picture, side, front and above for
 * points in space.
 */
export interface Read extends ComparedTrial {
  readonly views: readonly Trial[];
}

export type CompareIssue = Issue<'bad-file' | 'bad-moments' | 'no-moments' | 'which-way' | 'no-school'>;

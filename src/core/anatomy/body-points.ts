export type Side = 'left' | 'right';

/** The 33 points of the shipped pose model, in the model's order. */
export const BODY_POINTS = [
  'nose',
  'left-eye-inner',
  'left-eye',
  'left-eye-outer',
  'right-eye-inner',
  'right-eye',
  'right-eye-outer',
  'left-ear',
  'right-ear',
  'mouth-left',
  'mouth-right',
  'left-shoulder',
  'right-shoulder',
  'left-elbow',
  'right-elbow',
  'left-wrist',
  'right-wrist',
  'left-pinky',
  'right-pinky',
  'left-index',
  'right-index',
  'left-thumb',
  'right-thumb',
  'left-hip',
  'right-hip',
  'left-knee',
  'right-knee',
  'left-ankle',
  'right-ankle',
  'left-heel',
  'right-heel',
  'left-foot-index',
  'right-foot-index',
] as const;

export type BodyPoint = (typeof BODY_POINTS)[number];
/** A point of the movement's own beside the body: a ball, an implement's tip, a post, a mark on the ground. */
export type OwnPoint = `own-${string}`;
export type PointId = BodyPoint | OwnPoint;

export const isOwnPoint = (id: string): id is OwnPoint => id.startsWith('own-');
export const isBodyPoint = (id: string): id is BodyPoint => (BODY_POINTS as readonly string[]).includes(id);

/** Points that measures use and that are shown for correction: the joints, without fingers and face. */
export const JOINT_POINTS: readonly BodyPoint[] = BODY_POINTS.filter(
  (id) => !/eye|mouth|pinky|index|thumb|ear/.test(id) || id.includes('foot-index'),
);

/** Lines between joints for the drawn figure. */
export const BONES: readonly (readonly [BodyPoint, BodyPoint])[] = (['left', 'right'] as const).flatMap((s) => [
  [`${s}-shoulder`, `${s}-elbow`] as const,
  [`${s}-elbow`, `${s}-wrist`] as const,
  [`${s}-shoulder`, `${s}-hip`] as const,
  [`${s}-hip`, `${s}-knee`] as const,
  [`${s}-knee`, `${s}-ankle`] as const,
  [`${s}-heel`, `${s}-foot-index`] as const,
  [`${s}-ankle`, `${s}-heel`] as const,
]);

export const sideOf = (id: PointId): Side | null =>
  id.startsWith('left-') || id.endsWith('-left')
    ? 'left'
    : id.startsWith('right-') || id.endsWith('-right')
      ? 'right'
      : null;

/** A joint without its side: "left-knee" is "knee". */
export const jointOf = (id: PointId): string => id.replace(/^(left|right)-/, '');

/** Name of a point for people: "left-foot-index" is "left toe", "own-ball" is "ball". */
export const pointName = (id: PointId): string =>
  id.replace(/^own-/, '').replace('foot-index', 'toe').replaceAll('-', ' ');

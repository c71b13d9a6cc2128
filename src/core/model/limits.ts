/**
 * What a number, a name or a date from outside can be, in one place for all formats: what lies beyond is a damaged file
 * or a slip, and would lock a session or freeze a screen later.
 */
export const LIMITS = {
  /** Frames or samples per second. */
  rate: { least: 1, most: 10_000 },
  /** Sides of a picture, pixels. */
  pictureSide: 32_768,
  /** A coordinate in whatever unit, to either side of the origin. */
  coordinate: 1e7,
  /** Frames of one clip or recording. */
  frames: 2_000_000,
  /** Places of a clip where its capture rate changes. */
  rateChanges: 20,
  name: 120,
  text: 20_000,
  id: 100,
  /** Positions of one stroke. */
  stroke: 5000,
  /** Instants that two cameras of a trial have in common. */
  commonInstants: 200,
  /** Boxes round the person who is followed in a clip. */
  boxes: 1000,
  /** Places that tie a camera down, and frames in which one of them is pressed. */
  tiePoints: 20,
  /** How far a planned camera stands from the performer, metres, and a second one from the first, degrees. */
  cameraMetres: { least: 0.5, most: 500 },
  /** How high its lens is, metres above the ground. */
  lensMetres: { least: 0, most: 60 },
  cameraApart: { least: 10, most: 170 },
  /** Focal length as of a picture 36 mm wide. */
  focalMillimetres: { least: 5, most: 2000 },
  /** How far away something may be heard, metres. */
  soundMetres: 500,
  /** Talking over the pictures: one section of it in seconds, and the parts in which it is kept. */
  talkSeconds: 14_400,
  talkParts: 2000,
  /** Parts of a movement: far more than anybody could look through. */
  movement: { moments: 100, measures: 500, links: 2000, others: 200 },
} as const;

/** Names that every object has by birth: as a key of a record they would find what nobody put there. */
const BORN_WITH: ReadonlySet<string> = new Set(Object.getOwnPropertyNames(Object.prototype));
export const isReserved = (name: string): boolean => BORN_WITH.has(name);

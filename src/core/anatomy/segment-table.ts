/**
 * Segment parameters of the body. Source: de Leva 1996, Adjustments to Zatsiorsky-Seluyanov's segment inertia
 * parameters, J. Biomech. 29, table 4 (from memory; the male masses sum to 100.00, the female to 99.99).
 */
export interface Segment {
  /** Percent of body mass. */
  readonly mass: number;
  /** Centre of mass from the proximal end, percent of the segment's length. */
  readonly centre: number;
  /** Radius of gyration about the transverse axis (flexion and extension), percent of the segment's length. */
  readonly gyration: number;
}

export const SEGMENTS = ['head', 'trunk', 'upperArm', 'forearm', 'hand', 'thigh', 'shank', 'foot'] as const;
export type SegmentName = (typeof SEGMENTS)[number];
export type TableName = 'male' | 'female';

const table = (rows: readonly (readonly [number, number, number])[]): Readonly<Record<SegmentName, Segment>> =>
  Object.fromEntries(rows.map(([mass, centre, gyration], i) => [SEGMENTS[i]!, { mass, centre, gyration }])) as Record<
    SegmentName,
    Segment
  >;

/**
 * The trunk is taken from between the shoulders to between the hips, the head about between the ears, the foot from
 * heel to toe, the hand at the wrist.
 */
export const SEGMENT_TABLES: Readonly<Record<TableName, Readonly<Record<SegmentName, Segment>>>> = {
  male: table([
    [6.94, 50, 31.5],
    [43.46, 43.1, 35.8],
    [2.71, 57.72, 26.9],
    [1.62, 45.74, 26.5],
    [0.61, 0, 51.3],
    [14.16, 40.95, 32.9],
    [4.33, 44.59, 24.9],
    [1.37, 44.15, 24.5],
  ]),
  female: table([
    [6.68, 50, 31.8],
    [42.57, 37.82, 36],
    [2.55, 57.54, 26],
    [1.38, 45.59, 25.7],
    [0.56, 0, 45.4],
    [14.78, 36.12, 36.4],
    [4.81, 44.16, 26.7],
    [1.29, 40.14, 27.9],
  ]),
};

const isPaired = (name: SegmentName): boolean => name !== 'head' && name !== 'trunk';

/** Mass share of a whole body, percent: head and trunk once, every limb segment twice. */
export const totalMass = (name: TableName): number =>
  SEGMENTS.reduce((sum, s) => sum + SEGMENT_TABLES[name][s].mass * (isPaired(s) ? 2 : 1), 0);

/** Segment lengths as shares of standing height. Source: Drillis and Contini 1966, as in Winter (from memory). */
export const LENGTH_SHARES = { thigh: 0.245, shank: 0.246, trunk: 0.288, upperArm: 0.186, forearm: 0.146 } as const;

import { stickPerformance } from '../../../tests/fixtures/stick-performance';
import { measureSchema, type Measure } from '../model/movement';
import type { PointId } from '../points/body-points';
import type { Reading } from '../reading';
import { fromSi } from '../units';
import { QUANTITIES } from '../quantities';
import { evaluateMeasure, refsOfMeasure } from './index';

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;
const make = (measure: object): Measure => measureSchema.parse({ id: 'x', ...common, ...measure });
const value = (reading: Reading): number => {
  if (!reading.measurable) throw new Error(reading.message);
  return fromSi(reading.value, reading.unit);
};

type Points = Readonly<Partial<Record<PointId, readonly [number, number]>>>;

/** Standing height 1000 pixels by the chain of trunk, thigh and shank; feet on y = 700, which is the ground. */
const BODY: Points = {
  'left-shoulder': [500, 700 - 779], 'left-hip': [500, 700 - 491], 'left-knee': [500, 700 - 246], 'left-ankle': [500, 700],
  'left-heel': [480, 700], 'right-heel': [480, 700], 'left-foot-index': [560, 700], 'right-foot-index': [560, 700],
};
const marks = { start: 5, mid: 20, end: 35 };
const METRES = { scale: { pixels: 500, metres: 1 } };
const on = (points: (frame: number) => Points, change = {}) => stickPerformance((frame) => ({ ...BODY, ...points(frame) }), marks, change);
/** 100 frames a second; a ball that goes its own way. */
const ball = (at: (frame: number) => readonly [number, number]) => (frame: number): Points => ({ 'own-ball': at(frame) });
const during = { from: 'start', to: 'end' };

describe('every quantity against a case that can be reckoned by hand', () => {
  const cases: Readonly<Record<keyof typeof QUANTITIES, readonly [object, Points, number, string]>> = {
    'joint-angle': [{ q: 'joint-angle', points: ['opposite-elbow', 'own-ball', 'opposite-wrist'] }, { 'left-elbow': [300, 300], 'own-ball': [300, 400], 'left-wrist': [400, 400] }, 90, 'deg'],
    'segment-angle': [{ q: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' }, { 'left-elbow': [300, 400], 'left-wrist': [400, 300] }, 45, 'deg'],
    'line-separation': [{ q: 'line-separation', points: ['opposite-elbow', 'opposite-wrist'], from: ['opposite-elbow', 'own-ball'] }, { 'left-elbow': [300, 400], 'left-wrist': [400, 300], 'own-ball': [400, 400] }, 45, 'deg'],
    distance: [{ q: 'distance', points: ['opposite-elbow', 'opposite-wrist'] }, { 'left-elbow': [300, 400], 'left-wrist': [600, 800] }, 50, '%BH'],
    // A ground seen square from above, 100 pixels a metre.
    'ground-distance': [{ q: 'ground-distance', points: ['opposite-elbow', 'opposite-wrist'] }, { 'left-elbow': [300, 400], 'left-wrist': [600, 800] }, 5, 'm'],
    offset: [{ q: 'offset', points: ['opposite-wrist', 'opposite-elbow'], axis: 'up' }, { 'left-elbow': [300, 400], 'left-wrist': [350, 150] }, 25, '%BH'],
    height: [{ q: 'height', point: 'opposite-wrist' }, { 'left-wrist': [350, 150] }, 55, '%BH'],
    box: [{ q: 'box', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'], side: 'width' }, { 'left-elbow': [300, 400], 'left-wrist': [350, 150], 'own-ball': [420, 0] }, 12, '%BH'],
    // Three points, the middle one 30 beside the line over the outer ones of length 200: 20 from the best line, which lies 10 higher.
    alignment: [{ q: 'alignment', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'] }, { 'left-elbow': [300, 400], 'left-wrist': [400, 370], 'own-ball': [500, 400] }, 10, '%'],
    fold: [{ q: 'fold', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' }, {}, 100, '%'],
  };
  it.each(Object.entries(cases))('%s', (q, [of, points, expected, unit]) => {
    const reading = evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), on(() => points, { ground: { corners: [{ x: 0, y: 0 }, { x: 1000, y: 0 }, { x: 1000, y: 800 }, { x: 0, y: 800 }], length: 10, width: 8 } }));
    expect(value(reading)).toBeCloseTo(expected, 6);
    expect(reading.measurable && reading.unit).toBe(unit);
    expect(QUANTITIES[q as keyof typeof QUANTITIES].convention.length).toBeGreaterThan(15);
  });

  it('a folded leg swings easier: a shank at right angles leaves about two thirds, whatever its size', () => {
    const of = { q: 'fold', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' };
    const bent = value(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), on(() => ({ 'left-ankle': [500 - 246, 454] }))));
    expect(bent).toBeGreaterThan(60);
    expect(bent).toBeLessThan(75);
  });

  it('a leg whose sides look left has the same numbers as one that looks right', () => {
    const of = { q: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const mirrored = Object.fromEntries((Object.entries(BODY) as [PointId, readonly [number, number]][]).map(([id, [x, y]]) => [id, [1000 - x, y]])) as Points;
    expect(value(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), on(() => ({}))))).toBeCloseTo(8, 9);
    expect(value(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), on(() => mirrored, { travel: 'left' })))).toBeCloseTo(8, 9);
  });

  it('lengths in metres want a known length; in heights the body', () => {
    const of = { q: 'distance', points: ['opposite-heel', 'opposite-foot-index'] };
    const metres = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    expect(evaluateMeasure(metres, on(() => ({})))).toMatchObject({ measurable: false, reason: 'no-scale', remedy: 'Draw a known length at Match.' });
    expect(value(evaluateMeasure(metres, on(() => ({}), METRES)))).toBeCloseTo(0.16, 9);
    const noBody = stickPerformance(() => ({ 'left-heel': [480, 700], 'left-foot-index': [560, 700] }), marks);
    expect(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), noBody)).toMatchObject({ measurable: false, reason: 'no-scale' });
  });

  it('distances on the ground want a rectangle there, and do not care which way the performer goes or how the picture is levelled', () => {
    const measure = make({ kind: 'value', of: { q: 'ground-distance', points: ['opposite-heel', 'opposite-foot-index'] }, at: 'mid' });
    expect(evaluateMeasure(measure, on(() => ({})))).toMatchObject({ measurable: false, reason: 'no-scale', remedy: expect.stringContaining('Match') });
    // A lane that narrows with distance.
    const ground = { corners: [{ x: 100, y: 780 }, { x: 300, y: 500 }, { x: 700, y: 500 }, { x: 900, y: 780 }], length: 6, width: 1.2 };
    const values = [{}, { travel: 'left' }, { levelDegrees: 4 }].map((more) => value(evaluateMeasure(measure, on(() => ({}), { ground, ...more }))));
    for (const v of values) expect(v).toBeCloseTo(values[0]!, 9);
  });

  it('an oblique camera: a length along the way is stretched back by the cosine', () => {
    const of = { q: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const measure = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    const straight = value(evaluateMeasure(measure, on(() => ({}), METRES)));
    const oblique = value(evaluateMeasure(measure, on(() => ({}), { ...METRES, view: { kind: 'side', offPlaneDegrees: 20 } })));
    expect(oblique).toBeCloseTo(straight / Math.cos((20 * Math.PI) / 180), 9);
  });
});

describe('kinds over a phase', () => {
  const height = { q: 'height', point: 'own-ball' } as const;

  it('extreme and range: a ball thrown up, its highest point between two frames and when', () => {
    // Highest at frame 17.4: 400 pixels above the ground.
    const thrown = on(ball((f) => [300 + 5 * f, 300 + 0.5 * (f - 17.4) ** 2]));
    const top = make({ kind: 'extreme', of: height, ...during, which: 'largest' });
    expect(value(evaluateMeasure(top, thrown))).toBeCloseTo(40, 1);
    expect(value(evaluateMeasure({ ...top, give: 'time' } as Measure, thrown))).toBeCloseTo(124, 0);
    // Lowest at the end of the phase: 0.5 * 17.6 squared below the top.
    expect(value(evaluateMeasure(make({ kind: 'range', of: height, ...during }), thrown))).toBeCloseTo(15.49, 1);
  });

  it('value at a share of the way between two moments', () => {
    const measure = make({ kind: 'value', of: height, at: 'start', towards: { moment: 'end', share: 0.25 } });
    expect(value(evaluateMeasure(measure, on(ball((f) => [300, 700 - 10 * f]))))).toBeCloseTo(12.5, 4);
  });

  it('speed: along an axis, straight, in heights and in metres a second, and as seen from another point', () => {
    // 3 and 4 pixels a frame at 100 frames a second: 300, 400 and 500 pixels a second.
    const flying = on(ball((f) => [100 + 3 * f, 600 - 4 * f]), METRES);
    const speed = (more: object): number => value(evaluateMeasure(make({ kind: 'speed', point: 'own-ball', ...during, ...more }), flying));
    expect(speed({ along: 'forward' })).toBeCloseTo(0.3, 3);
    expect(speed({ along: 'up' })).toBeCloseTo(0.4, 3);
    expect(speed({ along: 'straight', lengthIn: 'm' })).toBeCloseTo(1, 2);
    expect(speed({ along: 'straight', relativeTo: 'opposite-hip' })).toBeCloseTo(0.5, 2);
  });

  it('peak rate: a rod that turns at 300 degrees a second', () => {
    const rod = on((f) => ({ 'left-elbow': [300, 300], 'left-wrist': [300 + 200 * Math.sin((3 * f * Math.PI) / 180), 300 - 200 * Math.cos((3 * f * Math.PI) / 180)] }));
    const measure = make({ kind: 'peak-rate', of: { q: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' }, ...during, direction: 'rising' });
    expect(value(evaluateMeasure(measure, rod))).toBeCloseTo(300, 0);
  });

  it('turn: whole turns are counted', () => {
    const wheel = on((f) => ({ 'left-elbow': [300, 300], 'left-wrist': [300 + 100 * Math.sin((15 * f * Math.PI) / 180), 300 - 100 * Math.cos((15 * f * Math.PI) / 180)] }));
    const measure = make({ kind: 'turn', of: { q: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' }, ...during });
    // 30 frames of 15 degrees.
    expect(value(evaluateMeasure(measure, wheel))).toBeCloseTo(450, 0);
  });

  it('path: arc, straightness and bulge of a half circle', () => {
    const radius = 150;
    const arc = on(ball((f) => [400 - radius * Math.cos(((f - 5) / 30) * Math.PI), 300 - radius * Math.sin(((f - 5) / 30) * Math.PI)]));
    const path = (what: string): number => value(evaluateMeasure(make({ kind: 'path', point: 'own-ball', what, ...during }), arc));
    expect(path('length')).toBeCloseTo((Math.PI * radius) / 10, 0);
    expect(path('straightness')).toBeCloseTo(200 / Math.PI, 0);
    expect(path('sideways')).toBeCloseTo(15, 0);
  });

  it('steadiness: the circle round a swaying head', () => {
    const swaying = on((f) => ({ nose: [500 + 20 * Math.sin((f * Math.PI) / 15), 100] }));
    expect(value(evaluateMeasure(make({ kind: 'steadiness', point: 'nose', ...during }), swaying))).toBeCloseTo(2, 1);
  });

  it('stop: the longest rest of a foot', () => {
    const foot = on(ball((f) => [f < 12 ? 10 * f : f < 24 ? 120 : 120 + 10 * (f - 24), 600]));
    const rest = value(evaluateMeasure(make({ kind: 'stop', point: 'own-ball', slower: 0.3, ...during }), foot));
    expect(Math.abs(rest - 120)).toBeLessThanOrEqual(40);
  });

  it('evenness: the other side is found by itself', () => {
    const arms = on(() => ({ 'left-elbow': [300, 300], 'left-wrist': [300, 400], 'left-shoulder': [300, 200], 'right-shoulder': [600, 200], 'right-elbow': [600, 300], 'right-wrist': [700, 300] }));
    const of = { q: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] };
    expect(value(evaluateMeasure(make({ kind: 'evenness', of, at: 'mid' }), arms))).toBeCloseTo(-90, 6);
  });

  it('lag: which of two comes first, and by how much', () => {
    const bump = (f: number, at: number): number => 300 - 80 * Math.exp(-(((f - at) / 4) ** 2));
    const two = on((f) => ({ 'left-wrist': [300, bump(f, 15)], 'own-ball': [400, bump(f, 21)] }));
    const measure = make({ kind: 'lag', first: { q: 'height', point: 'opposite-wrist' }, second: height, event: 'largest', ...during });
    expect(value(evaluateMeasure(measure, two))).toBeCloseTo(60, 0);
  });

  it('says why: moments out of order, a phase half unseen', () => {
    const top = make({ kind: 'extreme', of: height, from: 'end', to: 'start', which: 'largest' });
    expect(evaluateMeasure(top, on(ball(() => [300, 300])))).toMatchObject({ measurable: false, reason: 'order' });
    const hidden = on((f) => (f < 20 ? { 'own-ball': [300, 300] } : {}));
    const seen = evaluateMeasure(make({ kind: 'extreme', of: height, ...during, which: 'largest' }), hidden);
    expect(seen).toMatchObject({ measurable: false, reason: 'point-missing' });
    expect(!seen.measurable && seen.message).toMatch(/is known on \d+ % of the phase/);
  });
});

test('a measure names the points it needs', () => {
  expect(refsOfMeasure(make({ kind: 'speed', point: 'own-ball', relativeTo: 'mid-hip', along: 'straight', ...during }))).toEqual(['own-ball', 'mid-hip']);
  expect(refsOfMeasure(make({ kind: 'value', of: { q: 'height', point: 'centre-of-mass' }, at: 'mid' }))).toEqual(['centre-of-mass']);
});

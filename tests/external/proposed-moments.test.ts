import { readFileSync } from 'node:fs';
import path from 'node:path';
import { truePerformance } from '../../demo/true-performance';
import type { ClipTruth } from '../../demo/truth';
import { proposeMoments } from '../../src/core/events/propose-moments';
import { preparePerformance } from '../../src/core/performance/performance';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { MOVEMENTS } from '../../src/movements';

/** Moments proposed from points found in rendered clips, against the generator's own moments. */
const clips = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');
const read = sessionJson.read!(readFileSync(path.join(clips, 'pace-session.falcon.json'), 'utf8'), 'demo');
if (!read.ok) throw new Error(read.issue.message);
const session = read.value;
const [movement] = MOVEMENTS;

const cases = session.clips.map((clip) => {
  const truth = truePerformance(clip, JSON.parse(readFileSync(path.join(clips, clip.fileName.replace('.webm', '.truth.json')), 'utf8')) as ClipTruth);
  return { truth, found: preparePerformance(clip, session.tracks[clip.id]!, {}, session.cutoff) };
});
const errorsOf = (which: 'truth' | 'found'): { error: number; confidence: number }[] =>
  cases.flatMap((c) => proposeMoments(movement!, { ...c[which], marks: {} }).map((p) => ({ error: Math.abs(p.frame - c.truth.marks[p.momentId]!), confidence: p.confidence })));
const sorted = (values: readonly { error: number }[]): number[] => values.map((v) => v.error).sort((a, b) => a - b);

test('from the generator\u2019s own points every moment of both clips is proposed, within two frames at 120 a second', () => {
  const errors = sorted(errorsOf('truth'));
  expect(errors).toHaveLength(2 * movement!.moments.length);
  expect(errors.at(-1)).toBeLessThanOrEqual(2);
});

test('from found points: median within a frame and a third, and what is farther off says that it is unsure', () => {
  const all = errorsOf('found');
  const errors = sorted(all);
  expect(errors).toHaveLength(2 * movement!.moments.length);
  expect(errors[errors.length >> 1]).toBeLessThanOrEqual(1.34);
  for (const { error, confidence } of all) if (error > 2) expect(confidence).toBeLessThan(0.3);
});

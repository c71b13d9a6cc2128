import { readFileSync } from 'node:fs';
import path from 'node:path';
import { trueTrial } from '../../demo/true-trial';
import type { ClipTruth } from '../../demo/truth';
import { carryOver } from '../../src/core/events/carry-over';
import { proposeEvents, type Proposal } from '../../src/core/events/propose-events';
import { findRepetitions } from '../../src/core/events/repetitions';
import { prepareTrial } from '../../src/core/trial/trial';
import { sessionJson } from '../../src/formats/session-json/session-json';
import { movementOf } from '../../src/movements';

/** Moments proposed from points that the application found in rendered clips, against the generator's own moments. */
const clips = path.join(import.meta.dirname, '..', '..', 'demo', 'clips');

const sessions = ['pace', 'walk', 'hurdle'].map((id) => {
  const read = sessionJson.read(readFileSync(path.join(clips, `${id}-session.falcon.json`), 'utf8'), id);
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
});

const cases = sessions.map((session) => ({
  movement: movementOf(session.movementId)!,
  clips: session.clips.map((clip) => {
    const truth = JSON.parse(
      readFileSync(path.join(clips, clip.fileName.replace('.webm', '.truth.json')), 'utf8'),
    ) as ClipTruth;
    return {
      truth,
      known: trueTrial(clip, truth),
      found: prepareTrial(clip, session.tracks[clip.id]!, {}, session.cutoff),
      marked: prepareTrial(clip, session.tracks[clip.id]!, session.marks[clip.id]!, session.cutoff),
    };
  }),
}));

test('nothing is proposed from still pictures, which are no movement', () => {
  const [{ movement, clips: all }] = cases as [(typeof cases)[number]];
  const { found } = all[0]!;
  expect(proposeEvents(movement, found).length).toBeGreaterThan(0);
  expect(proposeEvents(movement, { ...found, clip: { ...found.clip, pictures: true } })).toEqual([]);
});

interface Off {
  /** Frames at 120 a second. */
  readonly error: number;
  readonly confidence: number;
}

/** How far proposals lie from the truth; of a movement that repeats, from the repetition that they belong to. */
function offOf(proposals: readonly Proposal[], truth: ClipTruth): readonly Off[] {
  const choices = truth.repetitions ?? [truth.moments];
  const of = (moments: Readonly<Record<string, number>>): Off[] =>
    proposals.map((p) => ({
      error: Math.abs(p.frame / truth.frameRate - moments[p.eventId]!) * 120,
      confidence: p.confidence,
    }));
  const sum = (list: readonly Off[]): number => list.reduce((total, o) => total + o.error, 0);
  return choices.map(of).reduce((a, b) => (sum(b) < sum(a) ? b : a));
}
const sorted = (list: readonly Off[]): number[] => list.map((o) => o.error).sort((a, b) => a - b);

test('from the generator\u2019s own points every moment of the deliveries is proposed, within two and a half frames at 120 a second', () => {
  const { movement, clips: deliveries } = cases[0]!;
  const errors = sorted(
    deliveries.flatMap(({ known, truth }) => offOf(proposeEvents(movement, { ...known, marks: {} }), truth)),
  );
  expect(errors).toHaveLength(4 * movement.moments.length);
  expect(errors.at(-1)).toBeLessThanOrEqual(2.5);
});

describe('from detected points, over twelve clips of three movements', () => {
  const proposed = cases.flatMap(({ movement, clips: all }) =>
    all.flatMap(({ found, truth }) =>
      movement.repeats
        ? findRepetitions(movement, found).flatMap((r) => offOf(r, truth))
        : offOf(proposeEvents(movement, found), truth),
    ),
  );
  const carried = cases.flatMap(({ movement, clips: [first, ...others] }) =>
    others.flatMap(({ found, truth }) => offOf(carryOver(movement, first!.marked, found), truth)),
  );

  const within = (errors: readonly number[], limit: number): number =>
    errors.filter((e) => e <= limit).length / errors.length;

  test('proposed by their rules: median within a frame, 95 % within three', () => {
    const errors = sorted(proposed);
    expect(errors.length).toBeGreaterThanOrEqual(85);
    expect(errors[errors.length >> 1]).toBeLessThanOrEqual(1);
    expect(within(errors, 3)).toBeGreaterThanOrEqual(0.95);
  });

  test('carried over from another performer: median within a frame, 95 % within three', () => {
    const errors = sorted(carried);
    expect(errors.length).toBeGreaterThanOrEqual(45);
    expect(errors[errors.length >> 1]).toBeLessThanOrEqual(1);
    expect(within(errors, 3)).toBeGreaterThanOrEqual(0.95);
  });

  test('are less sure where they are wrong', () => {
    const mean = (list: readonly Off[]): number => list.reduce((sum, o) => sum + o.confidence, 0) / list.length;
    for (const all of [proposed, carried]) {
      const [right, wrong] = [all.filter((o) => o.error <= 1), all.filter((o) => o.error > 3)];
      expect(wrong.length).toBeGreaterThan(0);
      expect(mean(wrong)).toBeLessThan(0.9 * mean(right));
    }
  });
});

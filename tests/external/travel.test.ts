import { otherTravel } from '../../src/core/tracks/figure';
import { demoPairs } from '../fixtures/demo-pairs';

const OTHER = { left: 'right', right: 'left' } as const;

test('points from the side contradict the way that was said where it is wrong, and never where it is right', () => {
  const trials = (['pace', 'walk', 'hurdle'] as const).flatMap((demo) => demoPairs(demo).map(({ found }) => found));
  expect(trials.length).toBeGreaterThan(9);
  expect(trials.map(({ clip, raw }) => otherTravel(clip, raw))).toEqual(trials.map(() => null));
  const wrong = trials.map(({ clip, raw }) => otherTravel({ ...clip, travel: OTHER[clip.travel] }, raw));
  expect(wrong).toEqual(trials.map(({ clip }) => clip.travel));
});

test('nothing is said of other views, and of clips without points', () => {
  const { found } = demoPairs('walk')[0]!;
  const { clip, raw } = found;
  const travel = OTHER[clip.travel];
  expect(otherTravel({ view: { kind: 'front', offPlaneDegrees: null }, travel }, raw)).toBeNull();
  expect(otherTravel({ ...clip, travel }, {})).toBeNull();
});

import { stickClip } from '../../../tests/fixtures/stick-trial';
import type { ClipSound } from '../../media/clip-sound';
import { isHeardAt, soundOf } from './clip-sounds';

const heard: ClipSound = {
  wave: { rate: 8000, samples: new Float32Array(8) },
  levels: new Float32Array(1),
};

test('a clip that is said to be slow motion after its sound was read has no sound of its time any more', () => {
  const clip = stickClip({ mediaId: 'video', fileRate: 30, captureRate: 30 });
  const sounds = { 'video  ': heard };
  expect(soundOf(sounds, clip)).toBe(heard);
  expect(soundOf(sounds, { ...clip, captureRate: 240 })).toBeNull();
  expect(soundOf(sounds, { ...clip, part: { from: 1, to: 2 } })).toBeNull();
});

test('sound is heard from half to double speed', () => {
  expect([0.25, 0.5, 1, 2, 4].map(isHeardAt)).toEqual([false, true, true, true, false]);
});

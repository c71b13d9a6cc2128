import type { AudioSample } from 'mediabunny';

/** All channels of a piece of sound as one, their mean. */
export function oneChannel(sample: AudioSample): Float32Array {
  const channels = sample.numberOfChannels;
  const all = new Float32Array(sample.numberOfFrames * channels);
  sample.copyTo(all, { planeIndex: 0, format: 'f32' });
  if (channels === 1) return all;
  const one = new Float32Array(sample.numberOfFrames);
  for (let i = 0; i < one.length; i++) {
    let sum = 0;
    for (let c = 0; c < channels; c++) sum += all[i * channels + c]!;
    one[i] = sum / channels;
  }
  return one;
}

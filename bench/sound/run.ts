import { onsetBetween } from '../../src/core/sound/onset';
import { alignSounds } from '../../src/media/align-sounds';
import { clapRecording } from '../../tests/fixtures/claps';
import { dice } from '../../tests/fixtures/random';
import { printFigures, round, type Figure } from '../figure';
import { percentile } from '../percentile';

/** Recordings of claps with echoes and noise of each microphone's own, 10 dB under the clap, against when they came. */
const PAIRS = 100;
const common = { bench: 'sound', against: `made claps, ${PAIRS} pairs of recordings, noise 10 dB under the clap` };

const errors: number[] = [];
let [lost, taken, noiseTaken] = [0, 0, 0];
for (let n = 0; n < PAIRS; n++) {
  const roll = dice(70_001 + 97 * n);
  for (let k = 0; k < 5; k++) roll();
  const at = 0.5 + 5 * roll();
  const claps = [at, at + 0.6 + roll()].slice(0, 1 + (n % 2));
  const later = 4 * roll() - 0.4;
  const of = { decibels: 10, seconds: 9, shape: 4001 + n };
  const first = clapRecording({ ...of, rate: 48_000, claps, seed: 9001 + 3 * n });
  const heard = claps.map((t) => t + later);
  const second = clapRecording({ ...of, seconds: 12, rate: n % 3 ? 48_000 : 44_100, claps: heard, seed: 9002 + 3 * n });
  const found = alignSounds(first, second);
  if (found.ok) errors.push(1000 * Math.abs(found.value.seconds - later));
  else lost++;
  const other = clapRecording({ ...of, shape: 8001 + n, rate: 48_000, claps: [1 + 4 * roll()], seed: 9003 + 3 * n });
  if (alignSounds(first, other).ok) taken++;
  const nothing = clapRecording({ ...of, rate: 48_000, claps: [], seed: 20_001 + n });
  if (alignSounds(first, nothing).ok) noiseTaken++;
}
const onsets = Array.from({ length: PAIRS }, (_, n) => {
  const at = 1 + 0.003 * n;
  const clap = { rate: 48_000, seconds: 2, claps: [at], decibels: 10, shape: 6001 + n, seed: 30_001 + n };
  return 1000 * Math.abs((onsetBetween(clapRecording(clap), at - 0.15, at + 0.15)?.at ?? NaN) - at);
});
const missed = onsets.filter(Number.isNaN).length;
const heardOnsets = onsets.filter((e) => !Number.isNaN(e));

const worst = Math.max(...errors);
const count = (figure: string, value: number, most: number): Figure => ({
  ...common,
  figure,
  value,
  unit: `of ${PAIRS}`,
  goal: `at most ${most}`,
  holds: value <= most,
});
printFigures([
  {
    ...common,
    figure: 'two cameras joined: largest error',
    value: round(worst, 2),
    unit: 'ms',
    goal: 'at most 1',
    holds: worst <= 1,
  },
  count('the same claps said to be unsure', lost, 5),
  count('different claps taken for the same', taken, 1),
  count('noise taken for a clap', noiseTaken, 0),
  {
    ...common,
    figure: 'onset of a clap: 95th percentile of the error',
    value: round(
      percentile(
        [...heardOnsets].sort((a, b) => a - b),
        0.95,
      ),
      2,
    ),
    unit: 'ms',
    goal: 'at most 2',
    holds:
      percentile(
        [...heardOnsets].sort((a, b) => a - b),
        0.95,
      ) <= 2,
  },
  count('onsets not found', missed, 5),
]);

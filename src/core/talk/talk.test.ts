import type { Primitive } from '../geometry/primitives';
import { SectionRecorder, type Screen } from './section-recorder';
import { fitRoom, talkCaptions, talkChapters, talkPictures, talkSound, type RecordedSection } from './talk-film';
import { readTalkPart } from './talk-part';
import { readWav, writeWav } from '../sound/wav';
import { webVtt } from './web-vtt';

const line = (x: number): readonly Primitive[] => [
  { shape: 'segment', from: { x, y: 0 }, to: { x, y: 10 }, weight: 'bone' },
];
const screen = (frame: number, more: Partial<Screen> = {}): Screen => ({
  panes: [
    {
      clipId: 'a',
      frame,
      box: { x: 0, y: 0, width: 400, height: 300 },
      viewport: { x: 320, y: 240, scale: 0.5, mirrored: false, turn: 0 },
      opacity: 1,
      edges: false,
      scene: line(frame),
    },
  ],
  room: { width: 800, height: 300 },
  pointer: null,
  moment: null,
  ...more,
});
const RATE = 1000;
/** Blocks of a tenth of a second, each sample a thousandth of its number since the start of the section. */
const blocks = (from: number, to: number): { at: number; samples: Float32Array }[] =>
  Array.from({ length: Math.round((to - from) * 10) }, (_, k) => {
    const at = from + k / 10;
    return { at, samples: Float32Array.from({ length: 100 }, (_u, i) => (at * RATE + i) / 0x7fff) };
  });
const shownIn = (cut: ReturnType<SectionRecorder['cut']>) => {
  const read = readTalkPart(JSON.stringify(cut.pictures));
  if (!read.ok) throw new Error(read.issue.message);
  return read.value;
};

test('a screen is kept when it changes, its shapes once however often they are shown', () => {
  const recorder = new SectionRecorder(null);
  [screen(1), screen(1), screen(2), screen(1)].forEach((seen, i) => recorder.see(i, seen));
  const { pictures, scenes } = shownIn(recorder.cut(5));
  expect(pictures.map(({ at, panes }) => [at, panes[0]!.frame, panes[0]!.scene])).toEqual([
    [0, 1, 0],
    [2, 2, 1],
    [3, 1, 0],
  ]);
  expect(scenes).toEqual([line(1), line(2)]);
  // The next part begins with what stood there, so that each can be read alone.
  expect(shownIn(recorder.cut(6)).pictures.map(({ at }) => at)).toEqual([5]);
});

test('a shape without a place does not spoil the part', () => {
  const recorder = new SectionRecorder(null);
  const lost: Primitive = { shape: 'dot', at: { x: Number.NaN, y: 1 }, sure: true };
  recorder.see(0, { ...screen(1), panes: [{ ...screen(1).panes[0]!, scene: [lost, ...line(1)] }] });
  expect(shownIn(recorder.cut(1)).scenes).toEqual([line(1)]);
});

test('sound is cut at the section and at its parts to the sample, also where blocks reach across', () => {
  const recorder = new SectionRecorder(RATE);
  recorder.see(0, screen(1));
  for (const { at, samples } of blocks(-0.25, 2.05)) recorder.hear(at, samples);
  const [first, second] = [recorder.cut(1.23).sound!, recorder.cut(2).sound!];
  expect([first.length, second.length]).toEqual([1230, 770]);
  const both = [...first, ...second];
  expect(both.every((sample, i) => Math.abs(sample - i) <= 1)).toBe(true);
});

test('a clock that wavers moves no block, a block that was lost is silence', () => {
  const recorder = new SectionRecorder(RATE);
  recorder.see(0, screen(1));
  blocks(0, 1).forEach(({ at, samples }, k) => {
    if (k !== 4) recorder.hear(at + (k % 2 ? 0.001 : -0.001), samples);
  });
  const sound = recorder.cut(1).sound!;
  expect(Array.from(sound.slice(0, 400)).every((sample, i) => Math.abs(sample - i) <= 2)).toBe(true);
  expect(Array.from(sound.slice(402, 498)).every((sample) => sample === 0)).toBe(true);
});

const section = (frames: readonly [number, number][], from: number, to: number, moments = {}): RecordedSection => {
  const recorder = new SectionRecorder(RATE);
  for (const { at, samples } of blocks(0, 3)) recorder.hear(at, samples);
  const see = (low: number, high: number): void =>
    frames
      .filter(([at]) => at >= low && at < high)
      .forEach(([at, frame]) =>
        recorder.see(at, screen(frame, { moment: (moments as Record<number, string>)[frame] ?? null })),
      );
  see(0, 1);
  const first = recorder.cut(1);
  see(1, 3);
  recorder.note(1.5, 'n1');
  const cuts = [first, recorder.cut(3)];
  return {
    from,
    to,
    parts: cuts.map((cut) => ({ at: cut.at, shown: shownIn(cut), sound: { samples: cut.sound!, rate: RATE } })),
  };
};
const two = [
  section(
    [
      [0, 1],
      [0.5, 2],
      [2, 3],
    ],
    0.25,
    2.5,
    { 2: 'set', 3: 'go' },
  ),
  section(
    [
      [0, 7],
      [2.9, 8],
    ],
    1,
    2,
  ),
];

test('a film shows at each picture what stood there, over parts and sections that are trimmed', () => {
  const frames = talkPictures(two, 4).map(({ picture }) => picture.panes[0]!.frame);
  // 2.25 s and 1 s at four pictures a second: looked at in the middle of each.
  expect(frames).toEqual([1, 2, 2, 2, 2, 2, 2, 3, 3, 7, 7, 7, 7]);
});

test('what is heard is what is seen: sections one after the other, trimmed to the sample', () => {
  const { samples, rate } = talkSound(two)!;
  expect([samples.length, rate]).toEqual([3250, RATE]);
  expect([samples[0], samples[1000], samples[2249], samples[2250], samples[3249]]).toEqual([
    250, 1250, 2499, 1000, 1999,
  ]);
});

test('a section of another rate is heard at its own pace, one without a microphone is silent', () => {
  const [first] = two;
  const slow = {
    ...first!,
    from: 0,
    to: 1,
    parts: [{ ...first!.parts[0]!, sound: { samples: Int16Array.of(5, 6), rate: 2 } }],
  };
  const mute = { ...slow, parts: [{ ...slow.parts[0]!, sound: null }] };
  const { samples } = talkSound([first!, slow, mute])!;
  expect([samples[2250], samples[2250 + 700], samples[3250 + 10]]).toEqual([5, 6, 0]);
  expect(talkSound([mute])).toBeNull();
});

test('chapters are the moments at which somebody stayed, captions the findings noted meanwhile', () => {
  const names: Record<string, string> = { set: 'Set', go: 'Go' };
  expect(talkChapters(two, (id) => (id === null ? 'Before' : names[id]!))).toEqual([
    { from: 0, to: 0.25, text: 'Before' },
    { from: 0.25, to: 2.25, text: 'Set' },
    { from: 2.25, to: 3.25, text: 'Before' },
  ]);
  expect(talkCaptions(two, () => 'Open hip')).toEqual([
    { from: 1.25, to: 2.75, text: 'Open hip' },
    { from: 2.75, to: 3.25, text: 'Open hip' },
  ]);
});

test('WebVTT as the standard writes it', () => {
  const text = webVtt([
    { from: 0, to: 61.5, text: 'Knee < hip & foot' },
    { from: 3661.0014, to: 3700, text: 'two\n\n--> lines' },
    { from: 5, to: 5, text: 'no length' },
  ]);
  expect(text).toBe(
    'WEBVTT\n\n1\n00:00:00.000 --> 00:01:01.500\nKnee &lt; hip &amp; foot\n\n' +
      '2\n01:01:01.001 --> 01:01:40.000\ntwo\n--&gt; lines\n',
  );
});

test('WAV: header of the standard, samples there and back, what is no WAV is refused', () => {
  const bytes = writeWav({ samples: Int16Array.of(0, 1, -1, 0x7fff, -0x8000), rate: 44_100 });
  // 44 bytes of header: RIFF, size of the rest, WAVE, fmt of 16 bytes (PCM, mono, 44 100 Hz, 88 200 bytes a second).
  expect(Buffer.from(bytes.subarray(0, 44)).toString('hex')).toBe(
    '524946462e0000005741564566' + '6d7420100000000100010044ac000088580100020010006461746' + '10a000000',
  );
  expect(readWav(bytes)).toMatchObject({ ok: true, value: { samples: Int16Array.of(0, 1, -1, 0x7fff, -0x8000) } });
  expect(readWav(bytes.slice(0, 40))).toMatchObject({ ok: false });
  const eight = bytes.slice();
  eight[34] = 8;
  expect(readWav(eight)).toMatchObject({ ok: false, issue: { message: expect.stringContaining('16 bits') } });
});

test('a damaged part is refused with what is wrong', () => {
  expect(readTalkPart('{')).toMatchObject({ ok: false });
  const recorder = new SectionRecorder(null);
  recorder.see(0, screen(1));
  const cut = recorder.cut(1).pictures;
  const wrong = {
    ...cut,
    pictures: cut.pictures.map((p) => ({ ...p, panes: p.panes.map((q) => ({ ...q, scene: 4 })) })),
  };
  expect(readTalkPart(JSON.stringify(wrong))).toMatchObject({
    ok: false,
    issue: { message: expect.stringContaining('a scene that is not there') },
  });
});

test('the panes of a screen as large as they fit into a film', () => {
  const { scale, place } = fitRoom({ width: 800, height: 300 }, { width: 1280, height: 680 });
  expect(scale).toBeCloseTo(1.6);
  expect(place({ x: 0, y: 0 })).toEqual({ x: 0, y: 100 });
  expect(place({ x: 800, y: 300 })).toEqual({ x: 1280, y: 580 });
});

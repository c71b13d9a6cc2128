import type { DecodedPicture } from '../../media/decoded-picture';
import { dice } from '../../../tests/fixtures/random';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { prepareTrial } from '../../core/trial/trial';
import { fail, ok } from '../../core/result';
import { syncMap } from '../../core/timing/sync-map';
import type { ClipSource } from '../../media/clip-source';
import type { Movement } from '../../core/model/movement';
import { MOVEMENTS } from '../../movements';
import { BenchPlayer } from './bench-player';
import type { BenchClips } from './synchrony';
import { setView, useView } from '../stores/view-store';

const [paceDelivery] = MOVEMENTS as [Movement];

const ATHLETE = stickClip({ id: 'a' });
/** Half as many frames a second. */
const REFERENCE = stickClip({
  id: 'r',
  role: 'reference',
  frameTimes: Float64Array.from({ length: 31 }, (_, i) => i * 20000),
  fileRate: 50,
  captureRate: 50,
});
const marksOf = (...frames: number[]) =>
  Object.fromEntries(paceDelivery.moments.slice(0, frames.length).map((m, i) => [m.id, { frame: frames[i]! }]));
const athlete = prepareTrial(ATHLETE, {}, marksOf(4, 12, 30), 20);
const reference = prepareTrial(REFERENCE, {}, marksOf(3, 9, 14), 20);

/** A player with sources that take their time, and a record of every picture shown: frames of both panes. */
function bench(
  seed = 7,
  more: BenchClips['clips'] = [],
  { givenUp = 0 } = {},
): { player: BenchPlayer; shown: [number, number][]; rest: () => Promise<void> } {
  const player = new BenchPlayer();
  const roll = dice(seed);
  const panes = { a: -1, r: -1 };
  const shown: [number, number][] = [];
  let asked = 0;
  let left = givenUp;
  const source = (): ClipSource => ({
    index: { rotation: 0 } as never,
    frame: async (i) => {
      asked++;
      await new Promise((resolve) => setTimeout(resolve, roll() * 4));
      asked--;
      if (i > 0 && left-- > 0) return fail('superseded', `Frame ${i} is no longer wanted.`);
      return ok({ i, close: () => undefined } as unknown as DecodedPicture);
    },
    setBudget: () => undefined,
    setDetail: () => undefined,
    thumbnails: () => undefined,
    close: () => undefined,
  });
  setView({
    shown: { a: 0, r: 0 },
    mode: 'matched',
    lockEvent: null,
    offsets: {},
    activeClip: null,
    region: null,
    loop: false,
  });
  player.setClips({
    movement: paceDelivery,
    clips: [{ trial: athlete, join: null }, { trial: reference, join: null }, ...more],
  });
  player.addSource('a', source());
  player.addSource('r', source());
  player.addPainter('a', (_, index) => (panes.a = index));
  player.addPainter('r', (_, index) => {
    panes.r = index;
    // The second pane is painted last: now both show what belongs to one request.
    shown.push([panes.a, panes.r]);
  });
  const rest = async (): Promise<void> => {
    do await new Promise((resolve) => setTimeout(resolve, 8));
    while (asked > 0);
  };
  return { player, shown, rest };
}

describe('the panes of the bench', () => {
  it('never show two frames that do not belong together, however requests and decoders overlap', async () => {
    const { player, shown, rest } = bench();
    await rest();
    shown.length = 0;
    const roll = dice(11);
    for (let act = 0; act < 120; act++) {
      if (roll() < 0.6) player.stepBoth(roll() < 0.5 ? 1 : -1);
      else player.goTo('a', Math.floor(roll() * 41));
      if (roll() < 0.4) await new Promise((resolve) => setTimeout(resolve, roll() * 6));
    }
    await rest();
    expect(shown.length).toBeGreaterThan(20);
    for (const [a, r] of shown) expect(player.framesFor('a', a)).toEqual({ a, r });
    const { shown: last } = useView.getState();
    expect([last['a'], last['r']]).toEqual(shown[shown.length - 1]);
  });

  it('are matched at every moment and locked at one', () => {
    const { player } = bench();
    expect(player.framesFor('a', 12)).toEqual({ a: 12, r: 9 });
    expect(player.framesFor('r', 14)).toEqual({ a: 30, r: 14 });
    setView({ mode: 'locked', lockEvent: paceDelivery.moments[1]!.id });
    expect(player.framesFor('a', 12)).toEqual({ a: 12, r: 9 });
    expect(player.framesFor('a', 30)).toEqual({ a: 30, r: 18 });
  });

  it('are marked, while they play, at the frame that was on the screen when the key went down', async () => {
    const { player, rest } = bench();
    await rest();
    player.goTo('a', 10);
    await rest();
    const pressed = performance.now();
    await new Promise((resolve) => setTimeout(resolve, 5));
    setView({ playing: true });
    player.goTo('a', 18);
    await rest();
    // The page came to the key after two more pictures; another is asked for already.
    player.goTo('a', 20);
    expect(player.meantFrame('a', pressed)).toBe(10);
    expect(player.meantFrame('a', performance.now())).toBe(18);
    setView({ playing: false });
    expect(player.meantFrame('a', pressed)).toBe(20);
    await rest();
  });

  it('that move freely keep what was asked of one while another is moved', async () => {
    const { player, rest } = bench();
    await rest();
    setView({ mode: 'free' });
    player.stepBoth(5);
    player.goTo('a', 20);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 20, r: 5 });
  });

  it('keep what was asked when a pane is drawn anew meanwhile', async () => {
    const { player, rest } = bench();
    await rest();
    player.goTo('a', 12);
    player.addPainter('a', () => undefined);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 12, r: 9 });
  });

  it('ask again where a picture that is still wanted was given up for another', async () => {
    const { player, rest } = bench(7, [], { givenUp: 1 });
    await rest();
    player.goTo('a', 12);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 12, r: 9 });
  });

  it('are brought to the same moment by catching up, and stay locked from there', async () => {
    const { player, rest } = bench();
    await rest();
    setView({ mode: 'free', shown: { a: 30, r: 0 } });
    player.catchUp();
    await rest();
    expect(useView.getState()).toMatchObject({ mode: 'offset', shown: { a: 30, r: 14 } });
    expect(useView.getState().offsets['r']).toBeCloseTo(0.28 - 0.3, 9);
    player.stepBoth(-10);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 20, r: 9 });
  });

  it('are nudged against each other by frames and tenths', async () => {
    const { player, rest } = bench();
    await rest();
    setView({ shown: { a: 10, r: 5 } });
    player.lockAsTheyStand();
    expect(useView.getState().offsets['r']).toBeCloseTo(0, 9);
    player.nudge(1);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 10, r: 6 });
    for (let i = 0; i < 5; i++) player.nudge(-0.1);
    await rest();
    expect(useView.getState().offsets['r']).toBeCloseTo(0.01, 9);
  });

  it('step further cameras of a performance with it, in every mode', async () => {
    // Twice as many frames a second, its clock 30 ms ahead and 0.1 % fast.
    const camera = stickClip({
      id: 'c',
      frameTimes: Float64Array.from({ length: 101 }, (_, i) => i * 5000),
      fileRate: 200,
      captureRate: 200,
      sync: { to: 'a', pairs: [] },
    });
    const map = syncMap(ATHLETE, camera, [
      { own: 6, other: 0 },
      { own: 6 + 60 * 1.001, other: 30 },
    ]);
    const { player, rest } = bench(7, [{ trial: prepareTrial(camera, {}, {}, 20), join: { mainId: 'a', map } }]);
    await rest();
    setView({ shown: { a: 0, r: 0, c: 0 } });
    expect(player.framesFor('a', 12)).toEqual({ a: 12, r: 9, c: 30 });
    expect(player.framesFor('c', 30)).toEqual({ a: 12, r: 9, c: 30 });
    expect(player.framesFor('r', 14)).toEqual({ a: 30, r: 14, c: 66 });
    setView({ mode: 'free' });
    expect(player.framesFor('a', 12)).toEqual({ a: 12, r: 0, c: 30 });
    player.stepBoth(3);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 3, r: 3, c: 12 });
  });

  it('follow the first with every further performance', async () => {
    const third = prepareTrial(stickClip({ id: 't', role: 'reference' }), {}, marksOf(2, 10, 20), 20);
    const { player, rest } = bench(7, [{ trial: third, join: null }]);
    await rest();
    expect(player.framesFor('t', 10)).toEqual({ a: 12, r: 9, t: 10 });
    setView({ shown: { a: 12, r: 9, t: 14 } });
    player.lockAsTheyStand();
    expect(player.framesFor('a', 20)).toEqual({ a: 20, r: 13, t: 22 });
    setView({ activeClip: 't' });
    player.nudge(2);
    await rest();
    expect(useView.getState().shown).toEqual({ a: 12, r: 9, t: 16 });
  });

  it('step one alone after setting it free', async () => {
    const { player, rest } = bench();
    player.goTo('a', 12);
    await rest();
    player.stepOne(1);
    await rest();
    expect(useView.getState()).toMatchObject({ mode: 'free', shown: { a: 13, r: 9 } });
  });
});

describe('playing', () => {
  /** A clock that only the test moves. */
  let now = 0;
  let frames: ((time: number) => void)[] = [];
  beforeEach(() => {
    now = 0;
    frames = [];
    jest.spyOn(performance, 'now').mockImplementation(() => now);
    (globalThis as { requestAnimationFrame?: unknown }).requestAnimationFrame = (call: (time: number) => void) =>
      frames.push(call);
  });
  afterEach(() => jest.restoreAllMocks());

  async function run(rest: () => Promise<void>, ticks: number, step = 10): Promise<void> {
    for (let i = 0; i < ticks; i++) {
      now += step;
      for (const call of frames.splice(0)) call(now);
      await rest();
    }
  }

  it('keeps to the region, and begins again in a loop', async () => {
    const { player, shown, rest } = bench();
    await rest();
    setView({
      speed: 1,
      loop: true,
      region: { from: paceDelivery.moments[0]!.id, to: paceDelivery.moments[1]!.id },
      shown: { a: 0, r: 0 },
    });
    shown.length = 0;
    player.play();
    await run(rest, 40);
    player.pause();
    const a = shown.map(([frame]) => frame);
    expect(Math.min(...a)).toBe(4);
    expect(Math.max(...a)).toBeLessThanOrEqual(12);
    expect(a.filter((frame, i) => i > 0 && frame < a[i - 1]!).length).toBeGreaterThanOrEqual(3);
  });

  it('stops at the end of the region without a loop', async () => {
    const { player, rest } = bench();
    await rest();
    setView({
      speed: 2,
      loop: false,
      region: { from: paceDelivery.moments[0]!.id, to: paceDelivery.moments[1]!.id },
      shown: { a: 5, r: 4 },
    });
    player.play();
    await run(rest, 20);
    expect(useView.getState()).toMatchObject({ playing: false, shown: { a: 12, r: 9 } });
  });

  it('takes the time that its speed says', async () => {
    const { player, rest } = bench();
    await rest();
    setView({ speed: 0.25, loop: false, region: null, shown: { a: 0, r: 0 } });
    player.play();
    await run(rest, 40);
    player.pause();
    // 400 ms at a quarter: 100 ms, ten frames of a clip at 100 per second.
    expect(useView.getState().shown['a']).toBe(10);
  });
});

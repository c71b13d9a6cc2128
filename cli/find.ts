// npm run falcon -- find CLIP... --out DIR [--setting accurate|fast] [--shard I/N] [--rate FPS] [--jobs N]
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import type { DetectorSetting } from '../src/core/model/kept-detections';
import { DetectorBrowser } from './detector-browser';
import { EXIT, Stop } from './stop';
import { TEXT } from '../src/text/cli';

const USAGE = `npm run falcon -- find CLIP... --out DIR [--setting accurate|fast] [--rate FPS]
                         [--shard I/N] [--jobs N]`;

interface Shard {
  readonly own: number;
  readonly of: number;
}

function shardOf(text: string | undefined): Shard {
  if (text === undefined) return { own: 1, of: 1 };
  const match = /^(\d+)\/(\d+)$/.exec(text);
  const [own, of] = [Number(match?.[1]), Number(match?.[2])];
  if (!match || own < 1 || own > of) throw new Stop(EXIT.usage, TEXT.shardIsItIsI(text));
  return { own, of };
}

function positive(name: string, text: string | undefined): number | null {
  if (text === undefined) return null;
  const value = Number(text);
  if (!(value > 0 && Number.isFinite(value))) throw new Stop(EXIT.usage, TEXT.isItIsNumberAbove(name, text));
  return value;
}

/** The file that a clip's points are written to: by its name, so that shards in one folder add up. */
const pointsFile = (out: string, clip: string): string =>
  path.join(out, `${path.basename(clip).replace(/\.[^.]*$/, '')}.csv`);

/** The clips of a shard that have no points yet, in an order that does not depend on how they were named. */
function workOf(clips: readonly string[], out: string, { own, of }: Shard): readonly string[] {
  const byFile = new Map<string, string>();
  for (const clip of [...clips].sort()) {
    const file = pointsFile(out, clip);
    const other = byFile.get(file);
    if (other !== undefined) throw new Stop(EXIT.usage, TEXT.andWouldBothBeWritten(other, clip, file));
    if (!existsSync(clip)) throw new Stop(EXIT.badInput, TEXT.cannotBeReadCheckItsName(clip));
    byFile.set(file, clip);
  }
  return [...byFile]
    .filter((_, i) => i % of === own - 1)
    .filter(([file]) => !existsSync(file))
    .map(([, clip]) => clip);
}

/**
 * Detects the points of many clips, with the application's own detectors, and writes a CSV of points for each; one that
 * is there already is left alone, so that a run that was ended goes on where it was.
 */
export async function find(args: readonly string[]): Promise<number> {
  const { values, positionals: clips } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      setting: { type: 'string', default: 'accurate' },
      shard: { type: 'string' },
      rate: { type: 'string' },
      jobs: { type: 'string' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) {
    console.log(USAGE);
    return EXIT.done;
  }
  const { out, setting } = values;
  if (clips.length === 0 || !out || !['accurate', 'fast'].includes(setting)) throw new Stop(EXIT.usage, USAGE);
  const rate = positive('rate', values.rate);
  const shard = shardOf(values.shard);
  const work = workOf(clips, out, shard);
  const which = shard.of === 1 ? '' : TEXT.ofShard(shard.own, shard.of);
  if (work.length === 0) {
    console.log(TEXT.allPointsAreThereAlready(which, out));
    return EXIT.done;
  }
  mkdirSync(out, { recursive: true });
  const cores = availableParallelism();
  const jobs = Math.min(work.length, Math.max(1, Math.round(positive('jobs', values.jobs) ?? cores)));
  const workers = Math.max(1, Math.floor(cores / jobs));
  const browser = await DetectorBrowser.open();
  const started = Date.now();
  let [next, done, failed] = [0, 0, 0];
  const one = async (): Promise<void> => {
    while (next < work.length) {
      const clip = work[next++]!;
      const found = await browser.find(clip, setting as DetectorSetting, rate, workers);
      done++;
      if (found.ok) {
        // A file that is there is whole, whenever the run is ended.
        const file = pointsFile(out, clip);
        writeFileSync(`${file}.part`, found.value.csv);
        renameSync(`${file}.part`, file);
      } else failed++;
      const left = Math.round(((Date.now() - started) / 1000 / done) * (work.length - done));
      const said = found.ok
        ? TEXT.framesLookedAtSomebodySeen(found.value.frames, found.value.detected, found.value.seen)
        : found.issue.message;
      console.log(
        TEXT.ofDoneWorkBasenameSaid(
          done,
          work.length,
          path.basename(clip),
          said,
          left > 2 ? TEXT.aboutSLeft(left) : '',
        ),
      );
      for (const note of found.ok ? found.value.notes : []) console.log(`  ${note}`);
    }
  };
  // What was written stays; the browser and its folder go.
  const end = (): void => void browser.close().finally(() => process.exit(EXIT.partly));
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, end);
  try {
    await Promise.all(Array.from({ length: jobs }, one));
  } finally {
    await browser.close();
  }
  console.log(TEXT.ofClipsDone(work.length - failed, work.length, which, out));
  return failed === 0 ? EXIT.done : EXIT.partly;
}

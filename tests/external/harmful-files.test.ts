import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ZipWriter, BlobWriter, TextReader, Uint8ArrayReader } from '@zip.js/zip.js';
import { stickClip } from '../fixtures/stick-trial';
import { newSession } from '../../src/core/model/session';
import { readPointFile } from '../../src/formats/points';
import { readSessionArchive } from '../../src/formats/session-archive/session-archive';
import { movementJson } from '../../src/formats/movement-json/movement-json';
import { MOVEMENTS } from '../../src/movements';
import { sessionJson } from '../../src/formats/session-json/session-json';

/** Small files that cost far more than their size where a reader takes them at their word. */
const read = (name: string, text: string): ReturnType<typeof readPointFile> =>
  readPointFile(new TextEncoder().encode(text), name);
const message = (result: ReturnType<typeof readPointFile>): string => (result.ok ? 'read' : result.issue.message);

describe('points', () => {
  // Each would take minutes or all of the memory if its reader went over it more than once for each byte.
  it('a header of a million underscores', () => {
    expect(message(read('a.csv', `time,${'_'.repeat(1e6)}x\n0,1\n1,2\n`))).toContain('names no points');
  });
  it('a hundred thousand columns', () => {
    const columns = Array.from({ length: 50_000 }, (_, i) => `p${i}_x,p${i}_y`).join(',');
    const row = Array.from({ length: 50_000 }, () => '1,2').join(',');
    expect(message(read('a.csv', `time,${columns}\n0,${row}\n1,${row}\n`))).toBe('read');
  });
  it('a megabyte of empty lines', () => {
    expect(message(read('a.bvh', `HIERARCHY\n${'\n'.repeat(1e6)}`))).toContain('MOTION');
  });
  it('four rows over an hour', () => {
    expect(message(read('a.csv', 'time,a_x,a_y\n0,1,2\n0.0001,1,2\n0.0002,1,2\n4899,1,2\n'))).toMatch(/4899.*Cut it/);
  });
  it('a person of their own in every annotation', () => {
    const pictures = 6000;
    const images = Array.from({ length: pictures }, (_, i) => ({ id: i }));
    const annotations = images.map(({ id }) => ({ image_id: id, track_id: id, category_id: 1, keypoints: [1, 2, 2] }));
    const file = JSON.stringify({ images, annotations, categories: [{ id: 1, keypoints: ['nose'] }] });
    expect(message(read('a.json', file))).toMatch(/people in 6000 pictures/);
  });
  it('a sample and a rate beyond all that can be', () => {
    const far = read('a.csv', 'time,a_x,a_y\n0,1,2\n0.01,1e300,2\n0.02,1,2\n');
    if (!far.ok) throw new Error(far.issue.message);
    expect(far.value.recordings[0]!.markers[0]!.x[1]).toBeNaN();
    expect(far.value.warnings.join()).toContain('1 samples lie farther out');
    expect(message(read('a.csv', 'time,a_x,a_y\n0,1,2\n1e-9,1,2\n'))).toMatch(/rate of 1000000000/);
  });
});

describe('memory', () => {
  let folder = '';
  beforeAll(() => (folder = mkdtempSync(path.join(tmpdir(), 'weighed-'))));
  afterAll(() => rmSync(folder, { recursive: true }));
  /** What a process of its own holds at most while it reads a file, megabytes; the process itself takes some 150. */
  const weigh = (name: string, text: string): number => {
    const file = path.join(folder, name);
    writeFileSync(file, text);
    const script = path.join(import.meta.dirname, '..', 'fixtures', 'read-and-weigh.ts');
    const { stdout } = spawnSync(process.execPath, ['--import', 'tsx', script, file], { encoding: 'utf8' });
    return (JSON.parse(stdout) as { megabytes: number }).megabytes;
  };
  const images = Array.from({ length: 6000 }, (_, i) => ({ id: i }));
  const columns = Array.from({ length: 40_000 }, (_, i) => `p${i}_x,p${i}_y`).join(',');
  it.each([
    ['four-rows.csv', 'time,a_x,a_y\n0,1,2\n0.0001,1,2\n0.0002,1,2\n4899,1,2\n'],
    ['underscores.csv', `time,${'_'.repeat(1e5)}x\n0,1\n1,2\n`],
    ['columns.csv', `time,${columns}\n0${',1,2'.repeat(40_000)}\n1${',1,2'.repeat(40_000)}\n`],
    ['lines.bvh', `HIERARCHY\n${'\n'.repeat(1e6)}`],
    [
      'people.json',
      JSON.stringify({
        images,
        annotations: images.map(({ id }) => ({ image_id: id, track_id: id, category_id: 1, keypoints: [1, 2, 2] })),
        categories: [{ id: 1, keypoints: ['nose'] }],
      }),
    ],
  ])('%s takes no more than half a gigabyte', (name, text) => expect(weigh(name, text)).toBeLessThan(512), 60_000);
});

describe('tables as spreadsheets write them', () => {
  const rate = (text: string): number => {
    const file = read('a.csv', text);
    if (!file.ok) throw new Error(file.issue.message);
    return file.value.recordings[0]!.rate;
  };
  it.each([25, 50, 59.94, 100, 120, 240, 300])('times rounded to a millisecond keep %p a second', (fps) => {
    const rows = Array.from({ length: 240 }, (_, i) => `${(i / fps).toFixed(3)},${i},2`);
    expect(Math.abs(rate(`time,a_x,a_y\n${rows.join('\n')}\n`) / fps - 1)).toBeLessThan(0.001);
  });
  it('and so do those with rows missing', () => {
    const rows = Array.from({ length: 240 }, (_, i) => `${(i / 120).toFixed(3)},${i},2`).filter((_, i) => i % 7 !== 3);
    expect(rate(`time,a_x,a_y\n${rows.join('\n')}\n`)).toBe(120);
  });
  it('decimal commas are read, or blamed where they cannot be told from the next cell', () => {
    const file = read('a.csv', 'time;a_x;a_y\n0,00;1,5;2\n0,01;2,5;2\n0,02;3,5;2\n');
    if (!file.ok) throw new Error(file.issue.message);
    expect([...file.value.recordings[0]!.markers[0]!.x]).toEqual([1.5, 2.5, 3.5]);
    expect(file.value.warnings.join()).toContain('decimal commas');
    expect(message(read('a.csv', 'time,a_x,a_y\n0,00,1,5,2\n0,01,2,5,2\n'))).toMatch(/5 cells.*decimal commas/);
  });
});

describe('archives', () => {
  const session = {
    ...newSession('s', 'Session', 'race-walking', '2026-01-01T00:00:00Z'),
    clips: [stickClip({ id: 'a', mediaId: 'm-a' }), stickClip({ id: 'b', mediaId: 'm-b' })],
  };
  async function archive(entries: Readonly<Record<string, Uint8Array>>): Promise<Blob> {
    const zip = new ZipWriter(new BlobWriter());
    await zip.add('session.falcon.json', new TextReader(sessionJson.write(session)));
    for (const [name, bytes] of Object.entries(entries)) await zip.add(name, new Uint8ArrayReader(bytes), { level: 9 });
    return zip.close();
  }

  it('a video that is a thousand times as large unpacked is left out and named, the other is there', async () => {
    const file = await archive({
      'video/m-a/bomb.webm': new Uint8Array(30e6),
      'video/m-b/good.webm': new Uint8Array(9),
    });
    expect(file.size).toBeLessThan(1e6);
    const opened = await readSessionArchive(file, 's.falcon.zip');
    if (!opened.ok) throw new Error(opened.issue.message);
    expect([...opened.value.videos.keys()]).toEqual(['m-b']);
    expect(opened.value.damaged).toEqual([expect.stringMatching(/bomb\.webm.*unpacked/)]);
  });

  it('one name that is no address does not refuse the rest', async () => {
    const opened = await readSessionArchive(
      await archive({ 'video/%E0%A4%A/x.webm': new Uint8Array(9), 'video/m-b/good.webm': new Uint8Array(9) }),
      's.falcon.zip',
    );
    expect(opened.ok && [...opened.value.videos.keys()]).toEqual(['m-b']);
  });
});

describe('the command', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'falcon-harmful-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const put = (name: string, text: string): string => {
    writeFileSync(path.join(folder, name), text);
    return path.join(folder, name);
  };
  const falcon = (...words: string[]): { status: number | null; said: string } => {
    const root = path.join(import.meta.dirname, '..', '..');
    const run = spawnSync(process.execPath, ['--import', 'tsx', 'cli/main.ts', 'compare', ...words], { cwd: root });
    return { status: run.status, said: `${run.stdout.toString()}${run.stderr.toString()}` };
  };
  const joints = ['shoulder', 'hip', 'knee', 'ankle'].flatMap((joint) => [`left-${joint}`, `right-${joint}`]);
  const table = (cell: (row: number) => string, rows = 60): string =>
    [
      `time,${joints.flatMap((name) => [`${name}_x`, `${name}_y`]).join(',')}`,
      ...Array.from({ length: rows }, (_, i) => `${i / 100},${joints.flatMap(() => [cell(i), '300']).join(',')}`),
      '',
    ].join('\n');

  it.each([
    [
      'a cell of 1e308',
      () => [
        '--athlete',
        put(
          'a.csv',
          table((i) => (i === 3 ? '1e308' : `${100 + i}`)),
        ),
      ],
      /./,
    ],
    [
      'a table over an hour',
      () => [
        '--athlete',
        put(
          'b.csv',
          table((i) => `${i}`, 30_000),
        ),
      ],
      /30000 frames/,
    ],
    [
      'times in milliseconds',
      () => [
        '--athlete',
        put(
          'c.csv',
          table((i) => `${i}`).replace(/^(\d[\d.]*)/gm, (t) => `${Number(t) * 1000000}`),
        ),
      ],
      /milliseconds/,
    ],
  ])('%s ends with words, not with a trace', (_, words, said) => {
    const given = words();
    const answer = falcon(
      ...given,
      '--reference',
      given[1]!,
      '--movement',
      'race-walking',
      '--out',
      path.join(folder, 'out'),
    );
    expect(answer.said).toMatch(said);
    expect(answer.said).not.toMatch(/\n\s+at /);
    expect(answer.status).not.toBe(1);
  });

  it('a folder that is a file, and a key that is a slip, are said', () => {
    const file = put('out.txt', '');
    const sound = put(
      'd.csv',
      table((i) => `${100 + 5 * i}`),
    );
    const movement = JSON.parse(movementJson.write(MOVEMENTS[0]!)) as { movement: { measures: { target: object }[] } };
    Object.assign(movement.movement.measures[0]!.target, { margn: 3 });
    const slip = put('slip.json', JSON.stringify(movement));
    const answer = falcon(
      '--athlete',
      sound,
      '--reference',
      sound,
      '--movement',
      slip,
      '--out',
      file,
      '--travel',
      'right',
    );
    expect(answer.said).toMatch(/measures\[1\]\.target\.margn/);
    expect(answer.said).not.toMatch(/\n\s+at /);
  });
});

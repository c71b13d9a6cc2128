// Makes tests/fixtures/motion from recordings that Debian packages carry (assimp-testmodels, dart-doc): node
// scripts/extract-motion.mjs DIR, where DIR holds the unpacked packages (dpkg-deb -x). Angles and positions are rounded
// to a hundredth of their unit, the rest of each file stays as it is; gzip makes it small.
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { root } from './setup.mjs';

const from = process.argv[2];
if (!from) {
  console.error('Give the folder into which assimp-testmodels and dart-doc were unpacked.');
  process.exit(2);
}
const to = path.join(root, 'tests', 'fixtures', 'motion');
const bvh = (name) => path.join(from, 'usr/share/assimp/models/BVH', name);
const rounded = (line) =>
  line
    .split(/\s+/)
    .map((word) => String(Number(Number(word).toFixed(2))))
    .join(' ');

function extractBvh(name, as) {
  const lines = readFileSync(bvh(name), 'utf8').split(/\r?\n/);
  const motion = lines.findIndex((line) => /^Frame Time/.test(line)) + 1;
  const frames = lines.slice(motion).filter((line) => line.trim() !== '');
  const kept = frames.map((line) => rounded(line.trim()));
  writeFileSync(
    path.join(to, `${as}.bvh.gz`),
    gzipSync([...lines.slice(0, motion), ...kept, ''].join('\n'), { level: 9 }),
  );
}
extractBvh('01_01.bvh', 'jumps');
extractBvh('01_03.bvh', 'climb');
extractBvh('Boxing_Toes.bvh', 'wrong-count');
// Two squats of the recording; its header goes on saying how many frames there were. 9 blocks of 512 bytes, then 53
// points of 16 bytes.
const squat = readFileSync(path.join(from, 'usr/share/doc/dart/data/c3d/squat.c3d'));
writeFileSync(path.join(to, 'squat.c3d.gz'), gzipSync(squat.subarray(0, 9 * 512 + 700 * 53 * 16), { level: 9 }));

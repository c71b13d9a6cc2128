import { fail, ok, type Result } from '../../core/result';
import { emptyMarker, framesOf, rateOfInterval, type Marker } from '../../core/tracks/recording';
import {
  bytesOf,
  damaged,
  mostSamples,
  quote,
  textOf,
  type PointFile,
  type PointFileIssue,
  type PointFormat,
} from './point-format';
import { TEXT } from '../../text/formats/points';

const CHANNELS = ['Xposition', 'Yposition', 'Zposition', 'Xrotation', 'Yrotation', 'Zrotation'] as const;
type Channel = (typeof CHANNELS)[number];

interface Joint {
  readonly name: string;
  readonly parent: number;
  readonly offset: readonly [number, number, number];
  readonly channels: readonly Channel[];
}

/** Nobody has more joints than this; a deeper nesting is a damaged file. */
const MOST_JOINTS = 2000;

class Damage extends Error {}

/** Words of the hierarchy one after the other. */
class Words {
  private at = 0;
  constructor(private readonly words: readonly string[]) {}
  next(expected: string): string {
    const word = this.words[this.at++];
    if (word === undefined) throw new Damage(TEXT.itEndsWhereShouldFollow(expected));
    return word;
  }
  peek(): string | undefined {
    return this.words[this.at];
  }
  expect(word: string): void {
    const found = this.next(`“${word}”`);
    if (found.toUpperCase() !== word) throw new Damage(TEXT.shouldStandWhereDoes(word, quote(found)));
  }
  number(what: string): number {
    const word = this.next(what);
    const value = Number(word);
    if (!Number.isFinite(value)) throw new Damage(TEXT.isNotNumber(what, quote(word)));
    return value;
  }
}

/** The joints in the order of their channels; an end site is a joint without channels. */
function readHierarchy(words: Words): Joint[] {
  const joints: Joint[] = [];
  const open: number[] = [];
  words.expect('HIERARCHY');
  for (;;) {
    const word = words.next(TEXT.joint).toUpperCase();
    if (word === '}') {
      if (open.pop() === undefined) throw new Damage(TEXT.tooMany);
      if (open.length === 0 && words.peek()?.toUpperCase() === 'MOTION') return joints;
      if (open.length === 0 && words.peek()?.toUpperCase() !== 'ROOT')
        throw new Damage(TEXT.motionShouldFollowHierarchy);
      continue;
    }
    if (word !== 'ROOT' && word !== 'JOINT' && word !== 'END')
      throw new Damage(TEXT.jointShouldStandWhereDoes(quote(word)));
    if (joints.length >= MOST_JOINTS) throw new Damage(TEXT.itHasMoreThanJoints(MOST_JOINTS));
    const parent = open.at(-1) ?? -1;
    const label = words.next(TEXT.name);
    const name = word === 'END' ? `${joints[parent]?.name ?? ''} end` : label;
    words.expect('{');
    words.expect('OFFSET');
    const offset = [0, 1, 2].map(() => words.number(TEXT.offset(quote(name)))) as unknown as Joint['offset'];
    const channels: Channel[] = [];
    if (words.peek()?.toUpperCase() === 'CHANNELS') {
      words.next('CHANNELS');
      const count = words.number(TEXT.numberOfChannels(quote(name)));
      if (!Number.isInteger(count) || count < 0 || count > 6) throw new Damage(TEXT.hasChannels(quote(name), count));
      for (let k = 0; k < count; k++) {
        const channel = words.next(TEXT.channel);
        const known = CHANNELS.find((c) => c.toUpperCase() === channel.toUpperCase());
        if (!known) throw new Damage(TEXT.hasChannel(quote(name), quote(channel)));
        channels.push(known);
      }
    }
    open.push(joints.length);
    joints.push({ name, parent, offset, channels });
  }
}

type Matrix = [number, number, number, number, number, number, number, number, number];

function times(a: Matrix, b: Matrix): Matrix {
  const out = new Array<number>(9) as Matrix;
  for (let r = 0; r < 3; r++)
    for (let c = 0; c < 3; c++)
      out[3 * r + c] = a[3 * r]! * b[c]! + a[3 * r + 1]! * b[3 + c]! + a[3 * r + 2]! * b[6 + c]!;
  return out;
}

function rotation(channel: Channel, degrees: number): Matrix {
  const a = (degrees * Math.PI) / 180;
  const [s, c] = [Math.sin(a), Math.cos(a)];
  if (channel === 'Xrotation') return [1, 0, 0, 0, c, -s, 0, s, c];
  if (channel === 'Yrotation') return [c, 0, s, 0, 1, 0, -s, 0, c];
  return [c, -s, 0, s, c, 0, 0, 0, 1];
}

/** Positions of all joints in one frame (forward kinematics), written into the markers. */
function placeJoints(
  joints: readonly Joint[],
  values: readonly number[],
  frame: number,
  markers: readonly Marker[],
): void {
  const turned: Matrix[] = [];
  let next = 0;
  joints.forEach((joint, j) => {
    const parent = joint.parent < 0 ? null : { turn: turned[joint.parent]!, marker: markers[joint.parent]! };
    const shift: [number, number, number] = [...joint.offset];
    let turn: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1];
    for (const channel of joint.channels) {
      const value = values[next++]!;
      const axis = CHANNELS.indexOf(channel);
      // A position takes the place of the offset: common practice of files that give both.
      if (axis < 3) shift[axis as 0 | 1 | 2] = value;
      else turn = times(turn, rotation(channel, value));
    }
    const marker = markers[j]!;
    if (!parent) {
      [marker.x[frame], marker.y[frame], marker.z![frame]] = shift;
      turned.push(turn);
      return;
    }
    const t = parent.turn;
    const [x, y, z] = shift;
    marker.x[frame] = parent.marker.x[frame]! + t[0] * x + t[1] * y + t[2] * z;
    marker.y[frame] = parent.marker.y[frame]! + t[3] * x + t[4] * y + t[5] * z;
    marker.z![frame] = parent.marker.z![frame]! + t[6] * x + t[7] * y + t[8] * z;
    turned.push(times(t, turn));
  });
}

function readFile(text: string, fileName: string): Result<PointFile, PointFileIssue> {
  const split = /^[ \t]*MOTION[ \t\r]*$/im.exec(text);
  if (!split) return damaged(fileName, TEXT.itHasNoMotionPart);
  const warnings: string[] = [];
  const joints = readHierarchy(
    new Words([
      ...text
        .slice(0, split.index)
        .split(/[\s]+/)
        .filter((w) => w !== ''),
      'MOTION',
    ]),
  );
  const lines = text
    .slice(split.index + split[0].length)
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const claimed = Number(/^Frames:?\s*(\S+)/i.exec(lines[0] ?? '')?.[1]);
  const interval = Number(/^Frame Time:?\s*(\S+)/i.exec(lines[1] ?? '')?.[1]);
  if (!Number.isFinite(claimed)) return damaged(fileName, TEXT.framesNShouldStandWhere(quote(lines[0] ?? '')));
  if (!(interval > 0)) return damaged(fileName, TEXT.frameTimeSecondsShouldStand(quote(lines[1] ?? '')));
  const wanted = joints.reduce((sum, joint) => sum + joint.channels.length, 0);
  const rows = lines.slice(2);
  if (rows.length * joints.length > mostSamples(text.length))
    return fail('too-large', TEXT.hasFramesOfJointsCut(fileName, rows.length, joints.length));
  const frames: number[][] = [];
  for (const [i, row] of rows.entries()) {
    const values = row.split(/\s+/).map(Number);
    if (values.length < wanted || values.some((v) => !Number.isFinite(v))) {
      // A file that was cut off ends in half a line; what is before is good.
      if (i === 0)
        return damaged(fileName, TEXT.itsFirstFrameHasNumbers(values.filter(Number.isFinite).length, wanted));
      warnings.push(TEXT.frameHasGoodNumbers(i + 1, values.filter(Number.isFinite).length, wanted, i));
      break;
    }
    frames.push(values);
  }
  if (frames.length !== claimed) warnings.push(TEXT.fileSaysItHasFrames(claimed, frames.length));
  if (frames.length === 0) return fail('no-points', TEXT.hasNoFrames(fileName));
  const markers = joints.map((joint) => emptyMarker(joint.name, frames.length, true));
  frames.forEach((values, frame) => placeJoints(joints, values, frame, markers));
  return ok({
    recordings: [
      { name: fileName.replace(/\.[^.]*$/, ''), rate: rateOfInterval(interval), unit: 'unknown', up: 'y', markers },
    ],
    warnings,
  });
}

/** A name without blanks, which end a word in this format. */
const wordOf = (name: string): string => name.trim().replace(/\s+/g, '_') || 'point';

/**
 * Joint hierarchies with rotations, as motion capture programs write them (.bvh). What is written is flat: every point
 * is a joint of its own with three positions, so that positions come back exactly. A missing sample cannot be written;
 * it repeats the one before.
 */
/** A marker as a joint of its own under the origin, moved by its position alone. */
const jointLines = (marker: Marker): readonly string[] => [
  `\tJOINT ${wordOf(marker.name)}`,
  '\t{',
  '\t\tOFFSET 0 0 0',
  '\t\tCHANNELS 3 Xposition Yposition Zposition',
  '\t\tEnd Site',
  '\t\t{',
  '\t\t\tOFFSET 0 0 0',
  '\t\t}',
  '\t}',
];

export const bvh: PointFormat = {
  id: 'bvh',
  name: 'BVH',
  extensions: ['bvh'],
  sniff: (head) => /^\s*HIERARCHY/i.test(head),
  read: (bytes, fileName) => {
    try {
      return readFile(textOf(bytes), fileName);
    } catch (error) {
      if (error instanceof Damage) return damaged(fileName, error.message);
      throw error;
    }
  },
  write: (recording) => {
    const frames = framesOf(recording);
    const held = recording.markers.map(() => [0, 0, 0]);
    const rows = Array.from({ length: frames }, (_, i) =>
      recording.markers
        .flatMap((marker, m) => {
          if (!Number.isNaN(marker.x[i]!)) held[m] = [marker.x[i]!, marker.y[i]!, marker.z?.[i] ?? 0];
          return held[m]!;
        })
        .join(' '),
    );
    const lines = [
      'HIERARCHY',
      'ROOT origin',
      '{',
      '\tOFFSET 0 0 0',
      '\tCHANNELS 0',
      ...recording.markers.flatMap(jointLines),
      '}',
      'MOTION',
      `Frames: ${frames}`,
      `Frame Time: ${1 / recording.rate}`,
      ...rows,
    ];
    return bytesOf(`${lines.join('\n')}\n`);
  },
};

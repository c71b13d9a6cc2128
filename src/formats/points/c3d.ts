import { fail, ok, type Result } from '../../core/result';
import {
  emptyMarker,
  framesOf,
  isLengthUnit,
  type LengthUnit,
  type Marker,
  type Recording,
} from '../../core/tracks/recording';
import { damaged, mostSamples, type PointFile, type PointFileIssue, type PointFormat } from './point-format';

const BLOCK = 512;
const SIGNATURE = 0x50;
/** Who wrote the file decides the order of its bytes. */
const PROCESSORS = { 84: 'intel', 85: 'dec', 86: 'mips' } as const;
export type ByteOrder = (typeof PROCESSORS)[keyof typeof PROCESSORS];

/**
 * Numbers of a file in its own byte order. DEC floats have their words exchanged and an exponent that is two greater.
 */
class Numbers {
  private readonly view: DataView;
  constructor(
    bytes: Uint8Array,
    readonly order: ByteOrder,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }
  get length(): number {
    return this.view.byteLength;
  }
  byte(at: number): number {
    return at < this.length ? this.view.getUint8(at) : 0;
  }
  int16(at: number): number {
    return at + 2 <= this.length ? this.view.getInt16(at, this.order !== 'mips') : 0;
  }
  uint16(at: number): number {
    return at + 2 <= this.length ? this.view.getUint16(at, this.order !== 'mips') : 0;
  }
  float(at: number): number {
    if (at + 4 > this.length) return NaN;
    if (this.order !== 'dec') return this.view.getFloat32(at, this.order === 'intel');
    const high = this.view.getUint16(at, true);
    if (high === 0) return 0;
    scratch.setUint16(0, high);
    scratch.setUint16(2, this.view.getUint16(at + 2, true));
    return scratch.getFloat32(0) / 4;
  }
  setInt16(at: number, value: number): void {
    this.view.setInt16(at, value, this.order !== 'mips');
  }
  setUint16(at: number, value: number): void {
    this.view.setUint16(at, value, this.order !== 'mips');
  }
  setFloat(at: number, value: number): void {
    if (this.order !== 'dec') return this.view.setFloat32(at, value, this.order === 'intel');
    scratch.setFloat32(0, value * 4);
    this.view.setUint16(at, scratch.getUint16(0), true);
    this.view.setUint16(at + 2, scratch.getUint16(2), true);
  }
}
const scratch = new DataView(new ArrayBuffer(4));

interface Parameter {
  readonly type: number;
  readonly dimensions: readonly number[];
  readonly at: number;
}

const latin = (numbers: Numbers, at: number, length: number): string => {
  let text = '';
  for (let i = 0; i < length && at + i < numbers.length; i++) text += String.fromCharCode(numbers.byte(at + i));
  return text;
};

/** Parameters by "GROUP:NAME"; a chain that leaves the section or goes in a circle ends it. */
function readParameters(numbers: Numbers, start: number, end: number): ReadonlyMap<string, Parameter> {
  const groups = new Map<number, string>();
  const found: { group: number; name: string; parameter: Parameter }[] = [];
  let at = start;
  while (at + 4 < end) {
    const length = Math.abs((numbers.byte(at) << 24) >> 24);
    const group = (numbers.byte(at + 1) << 24) >> 24;
    if (length === 0 || group === 0) break;
    const name = latin(numbers, at + 2, length).toUpperCase();
    const link = at + 2 + length;
    const next = numbers.uint16(link);
    if (group < 0) groups.set(-group, name);
    else {
      const dimensions = Array.from({ length: Math.min(7, numbers.byte(link + 3)) }, (_, k) =>
        numbers.byte(link + 4 + k),
      );
      found.push({
        group,
        name,
        parameter: { type: (numbers.byte(link + 2) << 24) >> 24, dimensions, at: link + 4 + dimensions.length },
      });
    }
    if (next === 0) break;
    at = link + next;
  }
  return new Map(found.map(({ group, name, parameter }) => [`${groups.get(group) ?? group}:${name}`, parameter]));
}

/** The texts of a parameter: one for each column of its first dimension. */
function texts(numbers: Numbers, parameter: Parameter | undefined): string[] {
  if (!parameter || parameter.type !== -1) return [];
  const [width = 0, count = 1] = parameter.dimensions;
  return Array.from({ length: count }, (_, k) =>
    latin(numbers, parameter.at + k * width, width)
      .replaceAll('\0', ' ')
      .trim(),
  );
}

const numberOf = (numbers: Numbers, parameter: Parameter | undefined, k = 0): number | undefined => {
  if (!parameter) return undefined;
  if (parameter.type === 4) return numbers.float(parameter.at + 4 * k);
  return parameter.type === 2 ? numbers.uint16(parameter.at + 2 * k) : undefined;
};

function labelsOf(numbers: Numbers, parameters: ReadonlyMap<string, Parameter>, count: number): readonly string[] {
  const labels = ['', '2', '3', '4', '5', '6', '7', '8'].flatMap((more) =>
    texts(numbers, parameters.get(`POINT:LABELS${more}`)),
  );
  const taken = new Set<string>();
  return Array.from({ length: count }, (_, k) => {
    const label = labels[k] || `point ${k + 1}`;
    const name = taken.has(label) ? `${label} (${k + 1})` : label;
    taken.add(name);
    return name;
  });
}

function readFile(bytes: Uint8Array, fileName: string): Result<PointFile, PointFileIssue> {
  if (bytes.length < BLOCK || bytes[1] !== SIGNATURE)
    return fail('not-this-format', `“${fileName}” does not begin as a C3D file does.`);
  const section = (bytes[0]! - 1) * BLOCK;
  if (section < 0 || section + 4 > bytes.length)
    return damaged(
      fileName,
      `its parameters should begin at block ${bytes[0]}, past the end of the file (${bytes.length} bytes). It was cut off; copy it again.`,
    );
  const processor = bytes[section + 3]! as keyof typeof PROCESSORS;
  const warnings: string[] = [];
  const order = PROCESSORS[processor] ?? 'intel';
  if (!PROCESSORS[processor])
    warnings.push(`The file names a processor ${processor} that is not known; it was read as Intel.`);
  const numbers = new Numbers(bytes, order);
  const parameters = readParameters(
    numbers,
    section + 4,
    Math.min(bytes.length, section + Math.max(1, bytes[section + 2]!) * BLOCK),
  );
  const points = numbers.uint16(2);
  const analog = numbers.uint16(4);
  const scale = numberOf(numbers, parameters.get('POINT:SCALE')) ?? numbers.float(12);
  const isFloat = scale < 0;
  const rate = [numberOf(numbers, parameters.get('POINT:RATE')), numbers.float(20)].find(
    (r) => r !== undefined && Number.isFinite(r) && r > 0,
  );
  if (rate === undefined) return damaged(fileName, 'it does not say how many frames make a second (POINT:RATE).');
  if (!Number.isFinite(scale) || scale === 0)
    return damaged(fileName, `its scale (POINT:SCALE) is ${scale}, which would make every point zero.`);
  if (points === 0)
    return fail('no-points', `“${fileName}” has no points${analog > 0 ? ', only analog channels' : ''}.`);
  const dataStart = (numberOf(numbers, parameters.get('POINT:DATA_START')) ?? numbers.uint16(16)) - 1;
  if (dataStart < 1 || dataStart * BLOCK >= bytes.length)
    return damaged(
      fileName,
      `its points should begin at block ${dataStart + 1}, past the end of the file (${bytes.length} bytes). It was cut off; copy it again.`,
    );
  const size = isFloat ? 4 : 2;
  const perFrame = size * (4 * points + analog);
  const here = Math.floor((bytes.length - dataStart * BLOCK) / perFrame);
  const [first, last] = [numbers.uint16(6), numbers.uint16(8)];
  // Long recordings do not fit the header's 16 bits: TRIAL:ACTUAL_END_FIELD has both words, POINT:FRAMES may be a
  // float.
  const trial = (name: string): number | undefined => {
    const parameter = parameters.get(`TRIAL:${name}`);
    return parameter?.type === 2 ? numbers.uint16(parameter.at) + 65536 * numbers.uint16(parameter.at + 2) : undefined;
  };
  const actual = [trial('ACTUAL_START_FIELD'), trial('ACTUAL_END_FIELD')] as const;
  const claimed =
    actual[0] !== undefined && actual[1] !== undefined
      ? actual[1] - actual[0] + 1
      : last < 65535
        ? last - first + 1
        : Math.max(last - first + 1, numberOf(numbers, parameters.get('POINT:FRAMES')) ?? 0);
  const frames = claimed > 0 ? Math.min(claimed, here) : here;
  if (frames < claimed)
    warnings.push(`The file says it has ${claimed} frames and has ${here}; all of those were read.`);
  if (claimed <= 0) warnings.push(`The file says it has ${claimed} frames; the ${here} that are there were read.`);
  if (frames === 0) return fail('no-points', `“${fileName}” has no whole frame.`);
  if (frames * points > mostSamples(bytes.length))
    return fail(
      'too-large',
      `“${fileName}” has ${frames} frames of ${points} points. Cut it to the attempt that is wanted.`,
    );
  const unitText = texts(numbers, parameters.get('POINT:UNITS'))[0]?.toLowerCase() ?? '';
  const unit: LengthUnit = isLengthUnit(unitText) ? unitText : 'unknown';
  if (unit === 'unknown')
    warnings.push(`Its unit of length, “${unitText}”, is not known; give the performer's height to scale it.`);
  const markers = labelsOf(numbers, parameters, points).map((name) => emptyMarker(name, frames, true));
  let notFinite = 0;
  for (let i = 0; i < frames; i++) {
    for (let p = 0; p < points; p++) {
      const at = dataStart * BLOCK + i * perFrame + p * 4 * size;
      const seen = isFloat ? numbers.float(at + 12) >= 0 : numbers.int16(at + 6) >= 0;
      if (!seen) continue;
      const [x, y, z] = [0, 1, 2].map((k) =>
        isFloat ? numbers.float(at + 4 * k) : numbers.int16(at + 2 * k) * scale,
      ) as [number, number, number];
      if (!Number.isFinite(x + y + z)) {
        notFinite++;
        continue;
      }
      const marker = markers[p]!;
      [marker.x[i], marker.y[i], marker.z![i]] = [x, y, z];
    }
  }
  if (notFinite > 0) warnings.push(`${notFinite} samples are not numbers and count as missing.`);
  const screen = texts(numbers, parameters.get('POINT:Y_SCREEN'))[0]?.toUpperCase() ?? '';
  return ok({
    recordings: [
      {
        name: texts(numbers, parameters.get('SUBJECTS:NAMES'))[0] || fileName.replace(/\.[^.]*$/, ''),
        rate,
        unit,
        up: screen.includes('Y') ? 'y' : 'z',
        markers,
      },
    ],
    warnings,
  });
}

export interface C3dOptions {
  readonly order: ByteOrder;
  /** Integers keep a 32 000th of the largest coordinate, floats seven digits. */
  readonly storage: 'float' | 'integer';
}

/** Bytes of one parameter or group of the parameter section. */
function parameterBytes(
  order: ByteOrder,
  group: number,
  name: string,
  value: { type: -1 | 2 | 4; dimensions: readonly number[]; data: readonly number[] | string } | null,
): Uint8Array {
  const content =
    value === null
      ? 0
      : 2 +
        value.dimensions.length +
        (typeof value.data === 'string' ? value.data.length : value.data.length * value.type);
  const bytes = new Uint8Array(2 + name.length + 2 + content + 1);
  const numbers = new Numbers(bytes, order);
  bytes.set([name.length, value === null ? 256 - group : group], 0);
  for (let i = 0; i < name.length; i++) bytes[2 + i] = name.charCodeAt(i);
  const link = 2 + name.length;
  numbers.setUint16(link, bytes.length - link);
  if (value === null) return bytes;
  bytes.set([value.type & 0xff, value.dimensions.length, ...value.dimensions], link + 2);
  const at = link + 4 + value.dimensions.length;
  if (typeof value.data === 'string')
    for (let i = 0; i < value.data.length; i++) bytes[at + i] = value.data.charCodeAt(i);
  else
    value.data.forEach((v, k) =>
      value.type === 4 ? numbers.setFloat(at + 4 * k, v) : numbers.setUint16(at + 2 * k, v),
    );
  return bytes;
}

/** Most names in one parameter: its dimensions are bytes. */
const NAMES_PER_PARAMETER = 255;

/**
 * A recording as a C3D file. Positions are exact to the storage's resolution.
 * @param order byte order and float format
 */
export function writeC3d(recording: Recording, { order, storage }: C3dOptions): Uint8Array {
  const frames = framesOf(recording);
  const { markers } = recording;
  const largest = Math.max(
    1e-6,
    ...markers.flatMap((m) =>
      [m.x, m.y, m.z ?? m.x].map((values) =>
        values.reduce((most, v) => (Number.isNaN(v) ? most : Math.max(most, Math.abs(v))), 0),
      ),
    ),
  );
  const scale = storage === 'float' ? -1 : Math.fround(largest / 32000);
  const width = Math.min(255, Math.max(1, ...markers.map((m) => m.name.length)));
  const names = Array.from({ length: Math.ceil(markers.length / NAMES_PER_PARAMETER) }, (_, k) =>
    markers.slice(k * NAMES_PER_PARAMETER, (k + 1) * NAMES_PER_PARAMETER).map((m) =>
      m.name
        .replace(/[^ -~]/g, '?')
        .slice(0, width)
        .padEnd(width),
    ),
  );
  const text = (name: string, value: string): Uint8Array =>
    parameterBytes(order, 1, name, { type: -1, dimensions: [value.length], data: value });
  const make = (dataBlock: number): Uint8Array[] => [
    parameterBytes(order, 1, 'POINT', null),
    parameterBytes(order, 1, 'USED', { type: 2, dimensions: [], data: [markers.length] }),
    parameterBytes(order, 1, 'SCALE', { type: 4, dimensions: [], data: [scale] }),
    parameterBytes(order, 1, 'RATE', { type: 4, dimensions: [], data: [recording.rate] }),
    parameterBytes(order, 1, 'DATA_START', { type: 2, dimensions: [], data: [dataBlock] }),
    parameterBytes(order, 1, 'FRAMES', { type: 2, dimensions: [], data: [Math.min(65535, frames)] }),
    text('UNITS', recording.unit === 'unknown' ? '?' : recording.unit),
    text('X_SCREEN', '+X'),
    text('Y_SCREEN', recording.up === 'y' ? '+Y' : '+Z'),
    ...names.map((list, k) =>
      parameterBytes(order, 1, k === 0 ? 'LABELS' : `LABELS${k + 1}`, {
        type: -1,
        dimensions: [width, list.length],
        data: list.join(''),
      }),
    ),
    parameterBytes(order, 2, 'TRIAL', null),
    parameterBytes(order, 2, 'ACTUAL_START_FIELD', { type: 2, dimensions: [2], data: [1, 0] }),
    parameterBytes(order, 2, 'ACTUAL_END_FIELD', {
      type: 2,
      dimensions: [2],
      data: [frames % 65536, Math.floor(frames / 65536)],
    }),
  ];
  const length = make(0).reduce((sum, b) => sum + b.length, 4);
  const blocks = Math.ceil((length + 2) / BLOCK);
  const dataBlock = 2 + blocks;
  const size = storage === 'float' ? 4 : 2;
  const bytes = new Uint8Array(
    (dataBlock - 1) * BLOCK + Math.ceil((frames * markers.length * 4 * size) / BLOCK) * BLOCK,
  );
  const numbers = new Numbers(bytes, order);
  bytes.set([2, SIGNATURE]);
  numbers.setUint16(2, markers.length);
  numbers.setUint16(6, 1);
  numbers.setUint16(8, Math.min(65535, frames));
  numbers.setFloat(12, scale);
  numbers.setUint16(16, dataBlock);
  numbers.setFloat(20, recording.rate);
  bytes.set(
    [
      1,
      SIGNATURE,
      blocks,
      Number(Object.keys(PROCESSORS).find((p) => PROCESSORS[Number(p) as keyof typeof PROCESSORS] === order)),
    ],
    BLOCK,
  );
  let at = BLOCK + 4;
  for (const parameter of make(dataBlock)) {
    bytes.set(parameter, at);
    at += parameter.length;
  }
  for (let i = 0; i < frames; i++) {
    markers.forEach((marker: Marker, p) => {
      const to = (dataBlock - 1) * BLOCK + (i * markers.length + p) * 4 * size;
      const values = [marker.x[i]!, marker.y[i]!, marker.z?.[i] ?? 0];
      const missing = Number.isNaN(values[0]!);
      values.forEach((v, k) => {
        if (storage === 'float') numbers.setFloat(to + 4 * k, missing ? 0 : v);
        else numbers.setInt16(to + 2 * k, missing ? 0 : Math.round(v / scale));
      });
      if (storage === 'float') numbers.setFloat(to + 12, missing ? -1 : 0);
      else numbers.setInt16(to + 6, missing ? -1 : 0);
    });
  }
  return bytes;
}

/** Binary marker recordings of motion laboratories (.c3d): integers and floats, Intel, DEC and MIPS byte orders. */
export const c3d: PointFormat = {
  id: 'c3d',
  name: 'C3D',
  extensions: ['c3d'],
  sniff: (head) => head.charCodeAt(1) === SIGNATURE && head.charCodeAt(0) < 64,
  read: readFile,
  write: (recording) => writeC3d(recording, { order: 'intel', storage: 'float' }),
};

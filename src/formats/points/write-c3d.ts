import { framesOf, type Marker, type Recording } from '../../core/tracks/recording';
import { BLOCK, SIGNATURE, PROCESSORS, type ByteOrder, Numbers, type C3dOptions } from './c3d-layout';

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

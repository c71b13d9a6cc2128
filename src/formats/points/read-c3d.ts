import { fail, ok, type Result } from '../../core/result';
import { emptyMarker, isLengthUnit, type LengthUnit } from '../../core/tracks/recording';
import { damaged, mostSamples, type PointFile, type PointFileIssue } from './point-format';
import { BLOCK, SIGNATURE, PROCESSORS, Numbers } from './c3d-layout';
import { TEXT } from '../../text/formats/points';

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
    const label = labels[k] || TEXT.pointK(k + 1);
    const name = taken.has(label) ? `${label} (${k + 1})` : label;
    taken.add(name);
    return name;
  });
}

export function readFile(bytes: Uint8Array, fileName: string): Result<PointFile, PointFileIssue> {
  if (bytes.length < BLOCK || bytes[1] !== SIGNATURE) return fail('not-this-format', TEXT.doesNotBeginAsC3d(fileName));
  const section = (bytes[0]! - 1) * BLOCK;
  if (section < 0 || section + 4 > bytes.length)
    return damaged(fileName, TEXT.itsParametersShouldBegin(bytes[0]!, bytes.length));
  const processor = bytes[section + 3]! as keyof typeof PROCESSORS;
  const warnings: string[] = [];
  const order = PROCESSORS[processor] ?? 'intel';
  if (!PROCESSORS[processor]) warnings.push(TEXT.fileNamesProcessorThat(processor));
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
  if (rate === undefined) return damaged(fileName, TEXT.itDoesNotSayHow);
  if (!Number.isFinite(scale) || scale === 0) return damaged(fileName, TEXT.itsScalePointScale(scale));
  if (points === 0) return fail('no-points', TEXT.hasNoPoints(fileName, analog > 0 ? TEXT.onlyAnalogChannels : ''));
  const dataStart = (numberOf(numbers, parameters.get('POINT:DATA_START')) ?? numbers.uint16(16)) - 1;
  if (dataStart < 1 || dataStart * BLOCK >= bytes.length)
    return damaged(fileName, TEXT.itsPointsShouldBegin(dataStart + 1, bytes.length));
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
  if (frames < claimed) warnings.push(TEXT.fileSaysItHasFramesAnd(claimed, here));
  if (claimed <= 0) warnings.push(TEXT.fileSaysItHasFramesThat(claimed, here));
  if (frames === 0) return fail('no-points', TEXT.hasNoWholeFrame(fileName));
  if (frames * points > mostSamples(bytes.length))
    return fail('too-large', TEXT.hasFramesOfPointsCut(fileName, frames, points));
  const unitText = texts(numbers, parameters.get('POINT:UNITS'))[0]?.toLowerCase() ?? '';
  const unit: LengthUnit = isLengthUnit(unitText) ? unitText : 'unknown';
  if (unit === 'unknown') warnings.push(TEXT.itsUnitOfLength(unitText));
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
  if (notFinite > 0) warnings.push(TEXT.samplesAreNotNumbers(notFinite));
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

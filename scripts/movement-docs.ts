// Writes docs/measures.md from the registries of measures and quantities, and docs/movement.schema.json from the schema of movements:
// npx tsx scripts/movement-docs.ts. A test fails when they are not what this writes.
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { MEASURE_KINDS } from '../src/core/measures';
import { movementSchema } from '../src/core/model/movement';
import { comparisonSchema } from '../src/formats/comparison-json/comparison-json';
import { QUANTITIES } from '../src/core/quantities';

const cell = (text: string): string => text.replaceAll('|', '\\|');

/** How a kind's error is reckoned, where it is not simply that of its points. */
const ERRORS: Readonly<Partial<Record<keyof typeof MEASURE_KINDS, string>>> = {
  checkpoint: 'that of an eye',
  duration: 'two events, T / sqrt(6)',
  share: 'its events',
  rate: 'the time between its moments',
  lead: 'the angle\u2019s error over its speed, and two events',
  'peak-rate': 'noise through the filter (Lanshammar 1982)',
  speed: 'noise through the filter (Lanshammar 1982), and the scale',
  path: 'the points at its ends, and the scale',
  steadiness: 'the point, and the scale',
  stop: 'two frames at either end',
  lag: 'how flat both peaks are',
  order: 'how flat the two nearest peaks are',
  count: 'a half where one lies on the edge of the phase',
  split: 'two events, T / sqrt(6)',
  range: 'the random part at both ends',
  turn: 'the random part at both ends',
};

/** What is drawn on the picture; a quantity draws itself. */
const DRAWN: Readonly<Partial<Record<keyof typeof MEASURE_KINDS, string>>> = {
  'joint-angle': 'arc between the segments', 'joint-change': 'arc between the segments', 'segment-angle': 'arc from the base line', lead: 'arc from the base line',
  evenness: 'both sides', lag: 'both quantities', order: 'all quantities, and a strip of their order', count: 'its quantity, where it has one',
  speed: 'the way of the point', path: 'the way of the point', steadiness: 'the way of the point', stop: 'the way of the point',
  duration: 'pins and threads of the ribbons', share: 'pins and threads of the ribbons', rate: 'pins and threads of the ribbons', split: 'running gain and loss', checkpoint: 'nothing',
};

export function measuresDocument(): string {
  const quantities = Object.values(QUANTITIES).map((q) => `| ${q.q} | ${cell(q.convention)} | ${{ angle: 'deg', length: 'm or % of standing height', ratio: '%', metres: 'm' }[q.dimension]} |`);
  const kinds = Object.values(MEASURE_KINDS).map((k) => `| ${k.kind} | ${cell(k.convention)} | ${typeof k.unit === 'string' ? k.unit : 'that of its quantity'} | ${ERRORS[k.kind] ?? 'points, moment, camera, scale'} | ${DRAWN[k.kind] ?? 'its quantity'} |`);
  return `# Measures

Written by \`scripts/movement-docs.ts\` from the registries; the schema of a movement file is \`movement.schema.json\`.

## Kinds

| kind | what it gives | unit | error | drawn |
| --- | --- | --- | --- | --- |
${kinds.join('\n')}

## Quantities

What *value*, *extreme*, *range*, *peak-rate*, *turn*, *evenness*, *lag*, *order* and *count* can be taken of. Every quantity draws itself on the picture.

| quantity | what it is | unit |
| --- | --- | --- |
${quantities.join('\n')}

## Errors

The error of every quantity joins, to first order: the errors of its points, its rate of change times the error of the moment (a frame's interval over the root
of twelve), what the uncertainty of the camera's direction would change, and for lengths the scale (1 % of a known length, 2 % of a standing height; common
practice). Points are named by function: \`dominant\` is the throwing, leading or measured side, \`opposite\` the other; \`mid-hip\`, \`mid-shoulder\` and
\`centre-of-mass\` follow from others, \`own-...\` are the movement's own.
`;
}

export const schemaDocument = (): string => `${JSON.stringify(z.toJSONSchema(movementSchema, { io: 'input', reused: 'ref' }), null, 2)}\n`;

const docs = path.join(import.meta.dirname, '..', 'docs');
export const WRITTEN: Readonly<Record<string, () => string>> = { 'measures.md': measuresDocument, 'movement.schema.json': schemaDocument, 'comparison.schema.json': () => `${JSON.stringify(z.toJSONSchema(comparisonSchema), null, 2)}\n` };
if (process.argv[1]?.endsWith('movement-docs.ts')) for (const [name, write] of Object.entries(WRITTEN)) writeFileSync(path.join(docs, name), write());

// Writes docs/measures.md from the registries of measures and quantities, and docs/movement.schema.json from the schema
// of movements: npx tsx scripts/movement-docs.ts. A test fails when they are not what this writes.
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { MEASURE_KINDS } from '../src/core/measures';
import { movementDocumentSchema } from '../src/core/model/movement';
import { comparisonSchema } from '../src/formats/comparison-json/comparison-json';
import { QUANTITIES } from '../src/core/quantities';

const cell = (text: string): string => text.replaceAll('|', '\\|');

export function measuresDocument(): string {
  const quantities = Object.values(QUANTITIES).map(
    (q) =>
      `| ${q.type} | ${cell(q.convention)} | ` +
      `${{ angle: 'deg', length: 'm or % of standing height', ratio: '%', metres: 'm' }[q.dimension]} |`,
  );
  const kinds = Object.values(MEASURE_KINDS).map(
    (k) =>
      `| ${k.kind} | ${cell(k.convention)} | ${typeof k.unit === 'string' ? k.unit : 'that of its quantity'} | ` +
      `${cell(k.error)} | ${cell(k.drawn)} |`,
  );
  return `# Measures

Written by \`scripts/movement-docs.ts\` from the registries; the schema of a movement file is \`movement.schema.json\`.

## Kinds

| kind | what it gives | unit | error | drawn |
| --- | --- | --- | --- | --- |
${kinds.join('\n')}

## Quantities

What *value*, *extreme*, *range*, *peak-rate*, *rotation*, *symmetry*, *lag*, *order* and *count* can be taken of. Every quantity draws itself on the picture.

| quantity | what it is | unit |
| --- | --- | --- |
${quantities.join('\n')}

## Errors

The error of every quantity joins, to first order: the errors of its points (a point that it uses twice counts once, with the sum of what it does), its rate of
change times the error of the moment (a frame's interval over the root of twelve where it was marked by hand, the proposal's own where it was not), what the
uncertainty of the camera's direction and the points' unknown depths would change, and for lengths the scale (1 % of a known length, 2 % of a standing height;
common practice). Points are named by function: \`dominant\` is the throwing, leading or measured side, \`opposite\` the other; \`mid-hip\`, \`mid-shoulder\` and
\`centre-of-mass\` follow from others, \`own-...\` are the movement's own.
`;
}

export const schemaDocument = (): string =>
  `${JSON.stringify(z.toJSONSchema(movementDocumentSchema, { io: 'input', reused: 'ref' }), null, 2)}\n`;

const docs = path.join(import.meta.dirname, '..', 'docs');
export const WRITTEN: Readonly<Record<string, () => string>> = {
  'measures.md': measuresDocument,
  'movement.schema.json': schemaDocument,
  'comparison.schema.json': () => `${JSON.stringify(z.toJSONSchema(comparisonSchema), null, 2)}\n`,
};
if (process.argv[1]?.endsWith('movement-docs.ts'))
  for (const [name, write] of Object.entries(WRITTEN)) writeFileSync(path.join(docs, name), write());

import { todaysMovement } from '../../core/model/earlier-measures';
import { movementSchema, type Movement } from '../../core/model/movement';
import { fail, ok, type Issue, type Result } from '../../core/result';
import type { FormatReader, FormatWriter } from '../format';
import { TEXT } from '../../text/formats/files';

export type MovementJsonIssue = 'not-json' | 'not-a-movement' | 'wrong-version' | 'invalid-movement';

const HEADER = 'proud-falcon-movement';
/** More problems than this are not all told at once. */
const MOST_TOLD = 4;

/** Where in the document a problem lies, in words: "measures[3] (front-knee).target". */
function placeOf(document: unknown, steps: readonly PropertyKey[]): string {
  let here: unknown = document;
  let text = '';
  for (const step of steps) {
    here = typeof here === 'object' && here !== null ? (here as Record<PropertyKey, unknown>)[step] : undefined;
    text += typeof step === 'number' ? `[${step + 1}]` : `${text === '' ? '' : '.'}${String(step)}`;
    const id = typeof here === 'object' && here !== null ? (here as { id?: unknown }).id : undefined;
    if (typeof step === 'number' && typeof id === 'string') text += ` (${id})`;
  }
  return text === '' ? TEXT.movement : text;
}

function read(text: string, fileName: string): Result<Movement, Issue<MovementJsonIssue>> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return fail('not-json', TEXT.isNotValidJson(fileName, error instanceof Error ? error.message : String(error)));
  }
  const document =
    typeof parsed === 'object' && parsed !== null && 'movement' in parsed
      ? (parsed as { movement: unknown }).movement
      : parsed;
  if (typeof document !== 'object' || document === null || !('measures' in document)) {
    return fail('not-a-movement', TEXT.isNotMovementItHas(fileName));
  }
  const version = (document as { schemaVersion?: unknown }).schemaVersion;
  if (version !== 1)
    return fail('wrong-version', TEXT.hasMovementVersionThisApplication(fileName, JSON.stringify(version)));
  const checked = movementSchema.safeParse(document);
  if (!checked.success) {
    const told = checked.error.issues
      .slice(0, MOST_TOLD)
      .map((issue) => `${placeOf(document, issue.path)}: ${issue.message}`);
    const more = checked.error.issues.length - told.length;
    return fail('invalid-movement', `\u201c${fileName}\u201d: ${told.join(' ')}${more > 0 ? TEXT.andMore(more) : ''}`);
  }
  return ok(checked.data);
}

/** Keys that may stand anywhere without a meaning here. */
const REMARK = /^(\$|_|x-)/;

/** Where a document says something that its reading has not kept. */
function lost(given: unknown, kept: unknown, place: string): readonly string[] {
  if (typeof given !== 'object' || given === null || typeof kept !== 'object' || kept === null) return [];
  return Object.entries(given).flatMap(([key, value]) => {
    const here = Array.isArray(given) ? `${place}[${Number(key) + 1}]` : place === '' ? key : `${place}.${key}`;
    if (!Object.hasOwn(kept, key)) return REMARK.test(key) || value === undefined ? [] : [here];
    return lost(value, (kept as Record<string, unknown>)[key], here);
  });
}

/**
 * What a movement file says under names that mean nothing here, such as a slip of the pen: it is read without them.
 * @param text a file that is read without a fault
 */
export function unknownKeys(text: string, movement: Movement): readonly string[] {
  const parsed = JSON.parse(text) as { movement?: unknown };
  return lost(todaysMovement(parsed.movement ?? parsed), movement, '');
}

/** A movement as a file that a coach can write, change and hand on; its schema is published. */
export const movementJson: FormatReader<Movement, MovementJsonIssue> & FormatWriter<Movement> = {
  id: 'movement-json',
  name: 'Movement',
  extension: 'movement.json',
  sniff: (text) => text.slice(0, 400).includes(`"${HEADER}"`),
  read,
  write: (movement) => `${JSON.stringify({ format: HEADER, movement }, null, 2)}\n`,
};

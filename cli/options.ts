import { viewKindSchema, type RateChange, type Role, type View } from '../src/core/model/clip';
import { LIMITS } from '../src/core/model/limits';
import { EXIT, Stop } from './stop';
import { TEXT } from '../src/text/cli';

/** What can be said of a pair, in the command or in a column of a batch. */
export const OPTIONS = [
  'dominant',
  'travel',
  'view',
  'off-plane',
  'down',
  'rate',
  'height',
  'scale',
  'camera',
  'school',
  'days',
] as const;
export type OptionName = (typeof OPTIONS)[number];
/** As they were typed; left out or empty where nothing was. */
export type OptionTexts = Partial<Readonly<Record<OptionName, string>>>;

/** What is said of one performer; null where nothing was. */
export interface PerformerAnswers {
  readonly dominant: 'left' | 'right';
  /** Which way the performer of a file in a picture goes. */
  readonly travel: 'left' | 'right' | null;
  /** From where a picture was taken. */
  readonly view: View;
  /** Frames per second as the camera took them, where the file plays them slower or states no rate. */
  readonly rate: number | null;
  /** Where it changes within the file. */
  readonly rateChanges: readonly RateChange[];
  /** Standing height, metres. */
  readonly height: number | null;
  /** Pixels of the picture that are a metre. */
  readonly scale: number | null;
  /** What a camera did, where the points of a picture would say otherwise. */
  readonly camera: 'still' | 'follows' | null;
}

export interface Answers {
  readonly performers: Readonly<Record<Role, PerformerAnswers>>;
  readonly school: string | null;
  /** Days to the competition. */
  readonly days: number | null;
}

/** The part of an option for one side: `left/right` is the athlete's and the reference's, a single word is for both. */
function sideOf(name: OptionName, text: string | undefined, role: Role): string | null {
  const said = text?.trim();
  if (!said) return null;
  const parts = said.split('/').map((part) => part.trim());
  if (parts.length > 2 || parts.some((part) => part === '')) throw new Stop(EXIT.usage, TEXT.isItIsOne(name, said));
  return parts[parts.length === 2 && role === 'reference' ? 1 : 0]!;
}

function oneOf<T extends string>(name: OptionName, said: string | null, words: readonly T[]): T | null {
  if (said === null) return null;
  const known = words.find((word) => word === said);
  if (known === undefined)
    throw new Stop(EXIT.usage, TEXT.isItIs(name, said, words.slice(0, -1).join(', '), words.at(-1)!));
  return known;
}

function numberOf(
  name: OptionName,
  said: string | null,
  { least, most }: { readonly least: number; readonly most: number },
  what: string,
): number | null {
  if (said === null) return null;
  const value = Number(said);
  if (!(value >= least && value <= most)) throw new Stop(EXIT.usage, TEXT.isItIsFrom(name, said, what, least, most));
  return value;
}

/**
 * `30,121:240,301:?`: 30 frames a second, 240 from the 121st frame on, and nobody knows how many from the 301st; `?`
 * where nobody knows from the first.
 */
function ratesOf(said: string | null): Pick<PerformerAnswers, 'rate' | 'rateChanges'> {
  const [first, ...further] = said?.split(',').map((part) => part.trim()) ?? [];
  const rateChanges = further.map((part) => {
    const [frame, rate] = part.split(':').map((word) => word.trim());
    const from = Number(frame) - 1;
    if (!Number.isInteger(from) || from < 1 || rate === undefined)
      throw new Stop(EXIT.usage, TEXT.rateHasChangeIsFrame(part));
    return {
      from,
      captureRate: rate === '?' ? null : numberOf('rate', rate, LIMITS.rate, TEXT.framesPerSecond),
    };
  });
  const late = rateChanges.findIndex(({ from }, i) => i > 0 && from <= rateChanges[i - 1]!.from);
  if (late >= 0) throw new Stop(EXIT.usage, TEXT.rateHasAfterGiveThem(further[late]!, further[late - 1]!));
  if (first === '?') return { rate: null, rateChanges: [{ from: 0, captureRate: null }, ...rateChanges] };
  return { rate: numberOf('rate', first ?? null, LIMITS.rate, TEXT.framesPerSecond), rateChanges };
}

const SIDES = ['left', 'right'] as const;
const HEIGHT = { least: 0.5, most: 2.6 };
const OFF_PLANE = { least: -60, most: 60 };
const DOWN = { least: -60, most: 60 };
const SCALE = { least: 1, most: 100_000 };
const DAYS = { least: 0, most: 10_000 };

function performerAnswers(texts: OptionTexts, role: Role): PerformerAnswers {
  const said = (name: OptionName): string | null => sideOf(name, texts[name], role);
  return {
    dominant: oneOf('dominant', said('dominant'), SIDES) ?? 'right',
    travel: oneOf('travel', said('travel'), SIDES),
    view: {
      kind: oneOf('view', said('view'), viewKindSchema.options) ?? 'side',
      offPlaneDegrees: numberOf('off-plane', said('off-plane'), OFF_PLANE, TEXT.degreesOffView),
      downDegrees: numberOf('down', said('down'), DOWN, TEXT.degreesDown) ?? undefined,
    },
    ...ratesOf(said('rate')),
    height: numberOf('height', said('height'), HEIGHT, 'metres'),
    scale: numberOf('scale', said('scale'), SCALE, TEXT.pixelsPerMetre),
    camera: oneOf('camera', said('camera'), ['still', 'follows']),
  };
}

/** Reads what was typed; a word that means nothing ends the command. */
export function readOptions(texts: OptionTexts): Answers {
  const days = numberOf('days', texts.days?.trim() || null, DAYS, TEXT.wholeDaysToCompetition);
  if (days !== null && !Number.isInteger(days)) throw new Stop(EXIT.usage, TEXT.daysIsItIsWhole(texts.days!));
  return {
    performers: { athlete: performerAnswers(texts, 'athlete'), reference: performerAnswers(texts, 'reference') },
    school: texts.school?.trim() || null,
    days,
  };
}

import type { Primitive } from '../geometry/primitives';
import type { Vec2 } from '../geometry/vec2';
import type { TalkPart, TalkPicture } from './talk-part';
import type { Sound } from '../sound/wav';

/** A section with everything that belongs to it. */
export interface RecordedSection {
  /** The stretch that is kept, seconds from its beginning. */
  readonly from: number;
  readonly to: number;
  readonly parts: readonly {
    readonly at: number;
    readonly shown: TalkPart;
    readonly sound: Sound | null;
  }[];
}

export interface FilmedPicture {
  readonly picture: TalkPicture;
  readonly scenes: readonly (readonly Primitive[])[];
}

const lengthOf = ({ from, to }: RecordedSection): number => to - from;

/** Seconds of a film of these sections. */
export const secondsOf = (sections: readonly RecordedSection[]): number =>
  sections.reduce((sum, section) => sum + lengthOf(section), 0);

/** Where each section begins in the film, seconds. */
function beginnings(sections: readonly RecordedSection[]): readonly number[] {
  let at = 0;
  return sections.map((section) => {
    const begin = at;
    at += lengthOf(section);
    return begin;
  });
}

/** The last item that begins at or before a time; the first where all begin later. */
const lastBefore = <T extends { readonly at: number }>(items: readonly T[], at: number): T =>
  items.findLast((item) => item.at <= at) ?? items[0]!;

/**
 * What each picture of a film shows: whatever stood on the screen at the middle of its time, so that no picture is off
 * by more than half of its length.
 * @param rate pictures a second
 */
export function talkPictures(sections: readonly RecordedSection[], rate: number): readonly FilmedPicture[] {
  const begins = beginnings(sections);
  const count = Math.round(secondsOf(sections) * rate);
  return Array.from({ length: count }, (_, n) => {
    const at = (n + 0.5) / rate;
    const k = Math.max(
      0,
      begins.findLastIndex((begin) => begin <= at),
    );
    const { from, parts } = sections[k]!;
    const inSection = from + at - begins[k]!;
    const { shown } = lastBefore(parts, inSection);
    return { picture: lastBefore(shown.pictures, inSection), scenes: shown.scenes };
  });
}

/**
 * What is heard in a film, as one run of samples at the rate of the first sound; a section without sound is silent.
 * @returns null where nothing was said at all
 */
export function talkSound(sections: readonly RecordedSection[]): Sound | null {
  const rate = sections.flatMap(({ parts }) => parts.flatMap(({ sound }) => sound?.rate ?? []))[0];
  if (rate === undefined) return null;
  const samples = new Int16Array(Math.round(secondsOf(sections) * rate));
  beginnings(sections).forEach((begin, k) => {
    const { from, to, parts } = sections[k]!;
    for (const { at, sound } of parts) {
      if (!sound) continue;
      const [first, end] = [Math.max(from, at), Math.min(to, at + sound.samples.length / sound.rate)];
      const [low, high] = [begin + first - from, begin + end - from].map((t) => Math.round(t * rate)) as [
        number,
        number,
      ];
      for (let i = low; i < Math.min(high, samples.length); i++) {
        // Another microphone may have another rate: the nearest sample, which is off by at most half of one.
        const there = Math.round(((i - low) / rate + first - at) * sound.rate);
        samples[i] = sound.samples[there] ?? 0;
      }
    }
  });
  return { samples, rate };
}

/** Something that is said of a stretch of the film, seconds. */
export interface Cue {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** A moment that is passed in less than this is no chapter, seconds. */
const SHORTEST_CHAPTER = 1;

/** The film in chapters, one for each moment of the movement at which somebody stayed. */
export function talkChapters(sections: readonly RecordedSection[], nameOf: (moment: string | null) => string): Cue[] {
  const begins = beginnings(sections);
  const runs = sections.flatMap(({ from, to, parts }, k) => {
    const pictures = parts.flatMap(({ shown }) => shown.pictures).filter(({ at }) => at < to);
    const before = pictures.findLastIndex(({ at }) => at <= from);
    return pictures
      .slice(Math.max(0, before))
      .map(({ at, moment }, i) => ({ from: begins[k]! + (i === 0 ? 0 : Math.max(0, at - from)), moment }));
  });
  const end = secondsOf(sections);
  const chapters: { from: number; moment: string | null }[] = [];
  runs.forEach((run, i) => {
    if (run.moment === chapters.at(-1)?.moment) return;
    const leaves = runs.slice(i + 1).find((later) => later.moment !== run.moment)?.from ?? end;
    if (leaves - run.from >= SHORTEST_CHAPTER || chapters.length === 0) chapters.push(run);
  });
  return chapters.map(({ from, moment }, i) => ({ from, to: chapters[i + 1]?.from ?? end, text: nameOf(moment) }));
}

/** How long the words of a finding are shown, seconds. */
const CAPTION_SECONDS = 5;

/** The findings that were noted while talking, as captions. */
export function talkCaptions(sections: readonly RecordedSection[], textOf: (noteId: string) => string): Cue[] {
  const begins = beginnings(sections);
  const end = secondsOf(sections);
  const said = sections.flatMap(({ from, to, parts }, k) =>
    parts
      .flatMap(({ shown }) => shown.notes)
      .filter(({ at }) => at >= from && at < to)
      .map(({ at, id }) => ({ from: begins[k]! + at - from, text: textOf(id) }))
      .filter(({ text }) => text !== ''),
  );
  return said.map(({ from, text }, i) => ({
    from,
    to: Math.min(end, from + CAPTION_SECONDS, said[i + 1]?.from ?? end),
    text,
  }));
}

/** Where something in the panes' room lies in a film of another size: as large as it fits, in the middle. */
export function fitRoom(
  room: { readonly width: number; readonly height: number },
  film: { readonly width: number; readonly height: number },
): { readonly scale: number; readonly place: (p: Vec2) => Vec2 } {
  const scale = Math.min(film.width / room.width, film.height / room.height);
  const left = (film.width - room.width * scale) / 2;
  const top = (film.height - room.height * scale) / 2;
  return { scale, place: ({ x, y }) => ({ x: left + x * scale, y: top + y * scale }) };
}

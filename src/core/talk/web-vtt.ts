import type { Cue } from './talk-film';

/** hh:mm:ss.ttt */
function clock(seconds: number): string {
  const ms = Math.round(seconds * 1000);
  const two = (n: number): string => String(Math.floor(n)).padStart(2, '0');
  return `${two(ms / 3_600_000)}:${two((ms / 60_000) % 60)}:${two((ms / 1000) % 60)}.${String(ms % 1000).padStart(3, '0')}`;
}

/** Text of a cue: what would end it or be markup is escaped. */
const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replace(/\s*[\r\n]+\s*/g, '\n')
    .trim();

/** Chapters or captions as a WebVTT file (W3C, *WebVTT: The Web Video Text Tracks Format*). */
export function webVtt(cues: readonly Cue[]): string {
  const blocks = cues
    .filter(({ from, to, text }) => Math.round(from * 1000) < Math.round(to * 1000) && text.trim() !== '')
    .map(({ from, to, text }, i) => `${i + 1}\n${clock(from)} --> ${clock(to)}\n${escaped(text)}`);
  return `${['WEBVTT', ...blocks].join('\n\n')}\n`;
}

/** What slips, faults and attackers put where a number or a name was. */
const WORDS = [
  ...[
    '1e308',
    '-1e308',
    'NaN',
    'Infinity',
    '-1',
    '0',
    '1e-300',
    '99999999999',
    '20255',
    '0.5',
    '1,5',
    '""',
    'null',
    '',
  ],
  ...[
    'constructor',
    '__proto__',
    'toString',
    '..',
    'a/b',
    '%',
    '=1+1',
    '<b>',
    '\u0000',
    '\u202e',
    '\u{1f3f3}',
    '[]',
    '{}',
  ],
  ...['true', '"x"', '1970-01-01', '-', ';', '\t', '\n'],
];

const TOKEN = /-?\d+(?:\.\d+)?(?:e[+-]?\d+)?|[A-Za-z_][\w-]*/gi;

/** One to four changes of a text as they happen to files: words replaced, pieces lost, doubled, swapped, cut off. */
export function mutateText(text: string, next: () => number): string {
  const at = (length: number): number => Math.floor(next() * length);
  const pick = <T>(all: readonly T[]): T => all[at(all.length)]!;
  let changed = text;
  for (let n = 1 + at(4); n > 0; n--) {
    const place = at(changed.length);
    const piece = 1 + at(Math.min(200, changed.length));
    switch (at(6)) {
      case 0: {
        // A token near the place becomes another word.
        TOKEN.lastIndex = place;
        const found = TOKEN.exec(changed);
        if (found) changed = changed.slice(0, found.index) + pick(WORDS) + changed.slice(found.index + found[0].length);
        break;
      }
      case 1:
        changed = changed.slice(0, place) + changed.slice(place + piece);
        break;
      case 2:
        changed = changed.slice(0, place + piece) + changed.slice(place);
        break;
      case 3:
        changed = changed.slice(0, place) + pick(WORDS) + changed.slice(place);
        break;
      case 4: {
        const lines = changed.split('\n');
        const [a, b] = [at(lines.length), at(lines.length)];
        [lines[a], lines[b]] = [lines[b]!, lines[a]!];
        changed = lines.join('\n');
        break;
      }
      default:
        if (next() < 0.2) changed = changed.slice(0, place);
        else changed = changed.slice(0, place) + String.fromCharCode(at(256)) + changed.slice(place + 1);
    }
  }
  return changed;
}

/** One to eight bytes changed, or a piece lost, doubled or cut off. */
export function mutateBytes(bytes: Uint8Array, next: () => number): Uint8Array {
  const at = (length: number): number => Math.floor(next() * length);
  const changed = Uint8Array.from(bytes);
  for (let n = 1 + at(8); n > 0; n--) changed[at(changed.length)] = next() < 0.3 ? 255 * at(2) : at(256);
  const [place, piece] = [at(changed.length), 1 + at(64)];
  const what = next();
  if (what < 0.1) return changed.slice(0, place);
  if (what < 0.2) return Uint8Array.from([...changed.slice(0, place), ...changed.slice(place + piece)]);
  if (what < 0.3) return Uint8Array.from([...changed.slice(0, place + piece), ...changed.slice(place)]);
  return changed;
}

/** What of a movement a film shows, on the clock of the leading trial (seconds of real time). */
export interface FilmWish {
  readonly from: number;
  readonly to: number;
  /** Seconds of the movement for one second of the film. */
  readonly speed: number;
  /** Pictures a second of the film. */
  readonly rate: number;
  /** Moments at which the film stands still; those outside are passed over. */
  readonly stops: readonly { readonly id: string; readonly at: number }[];
  readonly stopSeconds: number;
}

export interface FilmPicture {
  /** Time on the leading trial's clock. */
  readonly at: number;
  /** The moment at which the film stands still; null while it runs. */
  readonly stop: string | null;
}

/**
 * The pictures of a film, one after the other. Every moment has a picture of its own exactly then, whatever the speed;
 * between two moments the pictures are spread evenly, so that their pace is off by less than half a picture in each
 * stretch.
 */
export function planFilm({ from, to, speed, rate, stops, stopSeconds }: FilmWish): readonly FilmPicture[] {
  const inside = stops.filter((s) => s.at >= from && s.at <= to).sort((a, b) => a.at - b.at);
  const pictures: FilmPicture[] = [];
  let begin = from;
  const run = (end: number): void => {
    const count = Math.round(((end - begin) / speed) * rate);
    for (let k = 0; k < count; k++) pictures.push({ at: begin + ((end - begin) * k) / count, stop: null });
    begin = end;
  };
  for (const { id, at } of inside) {
    run(at);
    for (let k = 0; k < Math.max(1, Math.round(stopSeconds * rate)); k++) pictures.push({ at, stop: id });
  }
  run(to);
  pictures.push({ at: to, stop: null });
  return pictures;
}

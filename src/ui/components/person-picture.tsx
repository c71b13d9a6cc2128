import type { ReactNode } from 'react';

interface PersonPictureProps {
  readonly name: string;
  /** A data address; null where there is none. */
  readonly picture: string | null;
  /** Pixels to a side. */
  readonly size: number;
}

const initialsOf = (name: string): string => {
  const words = name.trim().split(/\s+/);
  return [words[0], words.length > 1 ? words.at(-1) : undefined].map((word) => [...(word ?? '')][0] ?? '').join('');
};

/** The last picture of somebody, else the first letters of the name. The name stands beside it. */
export function PersonPicture({ name, picture, size }: PersonPictureProps): ReactNode {
  const style = { width: size, height: size, fontSize: size * 0.34 };
  return picture ? (
    <img className="person-picture" src={picture} alt="" style={style} />
  ) : (
    <span className="person-picture" aria-hidden style={style}>
      {initialsOf(name).toUpperCase()}
    </span>
  );
}

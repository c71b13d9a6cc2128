/** How the background moved from one picture to the next. */
export interface CameraStep {
  /** Shift of the picture's middle, shares of its width: to the right and down is positive. */
  readonly x: number;
  readonly y: number;
  /** Growth of what is seen: above 1 the camera zooms in. */
  readonly scale: number;
  /** Clockwise turn of what is seen, radians. */
  readonly roll: number;
  /** Share of the corners that moved together, 0..1. */
  readonly share: number;
  /** Corners that were found again. */
  readonly corners: number;
}

/** A picture of brightness, row by row, 0 to 255. */
export interface Gray {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

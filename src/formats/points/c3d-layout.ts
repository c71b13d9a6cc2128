export const BLOCK = 512;

export const SIGNATURE = 0x50;

/** Who wrote the file decides the order of its bytes. */
export const PROCESSORS = { 84: 'intel', 85: 'dec', 86: 'mips' } as const;

export type ByteOrder = (typeof PROCESSORS)[keyof typeof PROCESSORS];

/**
 * Numbers of a file in its own byte order. DEC floats have their words exchanged and an exponent that is two greater.
 */
export class Numbers {
  private readonly view: DataView;
  constructor(
    bytes: Uint8Array,
    readonly order: ByteOrder,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }
  get length(): number {
    return this.view.byteLength;
  }
  byte(at: number): number {
    return at < this.length ? this.view.getUint8(at) : 0;
  }
  int16(at: number): number {
    return at + 2 <= this.length ? this.view.getInt16(at, this.order !== 'mips') : 0;
  }
  uint16(at: number): number {
    return at + 2 <= this.length ? this.view.getUint16(at, this.order !== 'mips') : 0;
  }
  float(at: number): number {
    if (at + 4 > this.length) return NaN;
    if (this.order !== 'dec') return this.view.getFloat32(at, this.order === 'intel');
    const high = this.view.getUint16(at, true);
    if (high === 0) return 0;
    scratch.setUint16(0, high);
    scratch.setUint16(2, this.view.getUint16(at + 2, true));
    return scratch.getFloat32(0) / 4;
  }
  setInt16(at: number, value: number): void {
    this.view.setInt16(at, value, this.order !== 'mips');
  }
  setUint16(at: number, value: number): void {
    this.view.setUint16(at, value, this.order !== 'mips');
  }
  setFloat(at: number, value: number): void {
    if (this.order !== 'dec') return this.view.setFloat32(at, value, this.order === 'intel');
    scratch.setFloat32(0, value * 4);
    this.view.setUint16(at, scratch.getUint16(0), true);
    this.view.setUint16(at + 2, scratch.getUint16(2), true);
  }
}

const scratch = new DataView(new ArrayBuffer(4));

export interface C3dOptions {
  readonly order: ByteOrder;
  /** Integers keep a 32 000th of the largest coordinate, floats seven digits. */
  readonly storage: 'float' | 'integer';
}

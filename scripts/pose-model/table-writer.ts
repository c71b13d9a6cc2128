/** A field of a table: four bytes of number, one byte of number, an offset to fill in later, or absent. */
export type Field = { readonly kind: 'u32' | 'u8'; readonly value: number } | { readonly kind: 'offset' } | null;

export const u32 = (value: number): Field => ({ kind: 'u32', value });
export const u8 = (value: number): Field => ({ kind: 'u8', value });
export const offset: Field = { kind: 'offset' };

/**
 * Writes FlatBuffers tables from front to back. The usual builders write back to front, which cannot put new tables
 * ahead of a file whose own offsets must stay as they are.
 */
export class TableWriter {
  private readonly bytes = Buffer.alloc(1 << 16);
  position = 0;

  align(to: number, ahead = 0): void {
    while ((this.position + ahead) % to) this.bytes[this.position++] = 0;
  }

  putU32(value: number): void {
    this.bytes.writeUInt32LE(value >>> 0, this.position);
    this.position += 4;
  }

  putFloat(value: number): void {
    this.bytes.writeFloatLE(value, this.position);
    this.position += 4;
  }

  putBytes(data: Uint8Array): void {
    this.bytes.set(data, this.position);
    this.position += data.length;
  }

  /** Room for an offset; `point` fills it in. */
  putOffset(): number {
    const at = this.position;
    this.putU32(0);
    return at;
  }

  point(at: number, target = this.position): void {
    this.bytes.writeUInt32LE(target - at, at);
  }

  /** A table with its virtual table in front; returns its position and that of each field. */
  table(fields: readonly Field[]): { position: number; at: readonly number[] } {
    const offsets = fields.map(() => 0);
    let size = 4;
    for (const wide of [true, false]) {
      fields.forEach((field, i) => {
        if (!field || (field.kind !== 'u8') !== wide) return;
        offsets[i] = size;
        size += wide ? 4 : 1;
      });
    }
    const virtualSize = 4 + 2 * fields.length;
    this.align(4, virtualSize);
    const virtual = this.position;
    for (const value of [virtualSize, size, ...offsets]) {
      this.bytes.writeUInt16LE(value, this.position);
      this.position += 2;
    }
    const position = this.position;
    this.bytes.writeInt32LE(position - virtual, position);
    const at = fields.map((field, i) => {
      const where = position + offsets[i]!;
      if (field?.kind === 'u32') this.bytes.writeUInt32LE(field.value, where);
      if (field?.kind === 'u8') this.bytes[where] = field.value;
      return where;
    });
    this.position = position + size;
    this.align(4);
    return { position, at };
  }

  text(value: string): number {
    this.align(4);
    const at = this.position;
    this.putU32(value.length);
    this.putBytes(Buffer.from(value, 'latin1'));
    this.putBytes(Uint8Array.of(0));
    this.align(4);
    return at;
  }

  /** A vector of offsets to fill in later. */
  offsets(count: number): { position: number; at: readonly number[] } {
    this.align(4);
    const position = this.position;
    this.putU32(count);
    return { position, at: Array.from({ length: count }, () => this.putOffset()) };
  }

  finish(): Buffer {
    return Buffer.from(this.bytes.subarray(0, this.position));
  }
}
